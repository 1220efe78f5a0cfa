import type { Path } from '../../../geometry/path'
import type { Point } from '../../../geometry/point'
import { winding } from '../../../geometry/winding'
import type { Arrangement } from '../../../planar/plane'
import { outlineOf } from '../../../planar/loops'
import { type Patch, patchwork } from '../../../planar/patches'
import type { PathObject } from './schema'

type Regions = { readonly arrangement: Arrangement; readonly patches: readonly Patch[] }

const known = new WeakMap<Path, Regions>()

/**
 * The closed regions that the lines of a path enclose, crossings and open strokes that meet included. Remembered for
 * each path.
 */
function regionsOf(path: Path): Regions {
  let found = known.get(path)
  if (!found) known.set(path, (found = patchwork([path])))
  return found
}

const patchAt = ({ patches }: Regions, p: Point): Patch | undefined =>
  patches.find(({ path }) => winding(path, p) !== 0)

/** The filled regions of a path: those that contain the given points. */
export function filledRegions(path: Path, points: readonly Point[]): Path {
  const regions = regionsOf(path)
  const faces = new Set(points.flatMap((p) => patchAt(regions, p)?.face ?? []))
  return faces.size === 0 ? [] : outlineOf(regions.arrangement, (face) => faces.has(face))
}

/**
 * A path with the fill of the region around a point switched; null when the point lies in none. Where all were filled,
 * the others stay so.
 */
export function toggledRegion(object: PathObject, path: Path, p: Point): PathObject | null {
  const regions = regionsOf(path),
    patch = patchAt(regions, p)
  if (!patch) return null
  const filled = object.regions ?? regions.patches.flatMap((one) => inner(regions, one) ?? [])
  const without = filled.filter((seed) => patchAt(regions, seed)?.face !== patch.face)
  return { ...object, regions: without.length < filled.length ? without : [...filled, p] }
}

/** A point in a region: of those between two of its nodes, one in no other. */
function inner(regions: Regions, { path, face }: Patch): Point | null {
  const nodes = path.flatMap(({ segments }) => segments.map(({ from }) => from))
  const middle = {
    x: nodes.reduce((sum, { x }) => sum + x, 0) / nodes.length,
    y: nodes.reduce((sum, { y }) => sum + y, 0) / nodes.length,
  }
  const tries = [
    middle,
    ...nodes.flatMap((a, i) => nodes.slice(i + 1).map((b) => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }))),
    ...nodes.flatMap((a) =>
      [0.05, -0.05].map((k) => ({ x: a.x + k * (middle.x - a.x), y: a.y + k * (middle.y - a.y) })),
    ),
  ]
  return tries.find((p) => patchAt(regions, p)?.face === face) ?? null
}
