import type { Point } from '../geometry/point'
import type { Edge } from './edges'

/**
 * Planar arrangement of paths: vertices, the edges between them, and faces (half-edge structure). Half edge 2·i runs
 * along edge i, 2·i + 1 against it; `next` has the half edge that follows each around its face, `face` the face to its
 * left (with y upwards). Face 0 is the outside. `windings` has the winding number of each path for each face; points
 * within `snap` are one vertex.
 */
export type Arrangement = {
  readonly vertices: readonly Point[]
  readonly edges: readonly Edge[]
  readonly next: Int32Array
  readonly face: Int32Array
  readonly windings: readonly Int32Array[]
  readonly snap: number
}
