import type { Point } from '../geometry/point'
import type { Edge } from './edges'

/**
 * Paths laid over each other: vertices, the edges between them, and faces. Half edge 2·i runs along edge i, 2·i + 1
 * against it; `next` has the half edge that follows each around its face, `face` the face to its left (as seen with y
 * upwards). Face 0 is what lies outside of everything. `windings` has for each face how often each path winds around
 * it; `snap` is how near points are one vertex.
 */
export type Arrangement = {
  readonly vertices: readonly Point[]
  readonly edges: readonly Edge[]
  readonly next: Int32Array
  readonly face: Int32Array
  readonly windings: readonly Int32Array[]
  readonly snap: number
}
