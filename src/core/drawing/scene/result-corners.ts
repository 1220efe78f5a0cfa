import { z } from 'zod'
import type { Contour, Path } from '../../geometry/path'
import { cross, type Point } from '../../geometry/point'
import { directionAt } from '../../geometry/slope'
import { tidy } from '../../geometry/tidy'
import { SMOOTH } from '../../geometry/tolerance'
import type { Transform } from '../../geometry/transform'
import { roundContour } from '../../outline/corner'
import type { Traced } from '../../planar/loops'
import { carrierNames, type Source } from './carriers'
import { awayFrom, countsByPlace, Signature, meantBy, movedSignatures } from '../model/signature'
import type { Scene } from './scene'
import { CornerStyle, Radius } from '../model/style'

/**
 * Which corners of a combination are finished: all, the inner, the outer, or the `picked` ones, as long as they exist.
 */
export const ResultCorners = z.strictObject({
  radius: Radius,
  style: CornerStyle.optional(),
  only: z.enum(['inner', 'outer', 'picked']).optional(),
  picked: z.array(Signature).max(500).optional(),
  /** Its picked corners count by their places alone. */
  byPlace: z.literal(true).optional(),
})
export type ResultCorners = z.infer<typeof ResultCorners>

/**
 * A corner of a result: where one outline is followed by another, or by itself; `inner` where the corner is concave.
 */
export type ResultCorner = { readonly at: Point; readonly key: string; readonly inner: boolean }

/** Every corner of a result, for each contour by the number of its node; smooth nodes are none. */
export function cornersOf(contours: readonly Traced[], sources: readonly Source[]): Map<number, ResultCorner>[] {
  const names = carrierNames(sources)
  const found = contours.map(({ contour: { segments }, origins }) => {
    const corners = new Map<number, ResultCorner>()
    segments.forEach((segment, i) => {
      const before = (i + segments.length - 1) % segments.length
      const turn = cross(directionAt(segments[before]!, 1), directionAt(segment, 0))
      if (Math.abs(turn) <= SMOOTH) return
      const key = [origins[before]!, origins[i]!].map((origin) => names.get(origin.segment) ?? '?').join(' ')
      // Outlines have their inside on the right, as seen with y downwards turning right is outwards.
      corners.set(i, { at: segment.from, key, inner: turn < 0 })
    })
    return corners
  })
  return found
}

/** A result with its corners finished. */
export function withCorners(
  contours: readonly Traced[],
  sources: readonly Source[],
  { radius, style, only, picked = [], byPlace }: ResultCorners,
  scene: Scene,
): Path {
  const corner = { radius: scene.radius(radius), ...(style && { style }) }
  if (corner.radius === 0) return contours.map(({ contour }) => contour)
  const all = cornersOf(contours, sources)
  const chosen = only === 'picked' ? pickedOf([...all.flatMap((one) => [...one.values()])], picked, byPlace) : null
  const isMeant = (one: ResultCorner) =>
    chosen ? chosen.has(one) : only === undefined || (only === 'inner') === one.inner
  return all.map((corners, i): Contour => {
    const rounded = roundContour(contours[i]!.contour, (node) => {
      const one = corners.get(node)
      return one && isMeant(one) ? corner : null
    })
    return rounded.contour
  })
}

/** The corners that are picked; those that are gone are none. */
export function pickedOf(
  corners: readonly ResultCorner[],
  picked: readonly Signature[],
  byPlace?: boolean,
): ReadonlySet<ResultCorner> {
  const meant = meantBy(
    corners.map((corner) => ({ key: corner.key, away: awayFrom(corner.at), corner })),
    byPlace,
  )
  return new Set(picked.flatMap((mark) => meant(mark)?.corner ?? []))
}

export const cornerMark = ({ key, at }: ResultCorner): Signature => ({ key, at: { x: tidy(at.x), y: tidy(at.y) } })

/** Corners to be finished where a map takes them. */
export function movedCorners(corners: ResultCorners, map: Transform): ResultCorners {
  if (!corners.picked) return corners
  const { byPlace: before, ...rest } = corners
  const byPlace = countsByPlace(before, map)
  return { ...rest, picked: movedSignatures(corners.picked, map), ...(byPlace && { byPlace }) }
}
