import { z } from 'zod'
import { arcCentre } from '../geometry/arc'
import type { Contour, Path } from '../geometry/path'
import { cross, distance, type Point } from '../geometry/point'
import type { Segment } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { SMOOTH, SNAP } from '../geometry/tolerance'
import { roundContour } from '../outline/corner'
import type { Traced } from '../planar/loops'
import type { Scene } from './scene'
import { CornerStyle, Radius } from './style'

/**
 * A corner of what members come to: where one member's outline gives way to another's, or to itself. Each side is a
 * member's id, its contour and the line or ellipse of it; `nth` of the corners between the same two, by their place.
 */
export const CornerKey = z.string().regex(/^[a-z0-9-]+(?:\/\d+){2} [a-z0-9-]+(?:\/\d+){2} \d+$/)

/**
 * How the corners of what an object comes to are finished: all of them, those that go in or those that stand out, or
 * those that are `picked`, as long as they are there.
 */
export const ResultCorners = z.strictObject({
  radius: Radius,
  style: CornerStyle.optional(),
  only: z.enum(['inner', 'outer', 'picked']).optional(),
  picked: z.array(CornerKey).max(500).optional(),
})
export type ResultCorners = z.infer<typeof ResultCorners>

/** A corner of a result; `inner` where the outline goes in. */
export type ResultCorner = { readonly at: Point; readonly key: string; readonly inner: boolean }

/** The members that a result is made of: their ids, and the paths they took part with. */
export type Source = { readonly id: string; readonly path: Path }

/** Every corner of a result, for each contour by the number of its node; smooth nodes are none. */
export function cornersOf(contours: readonly Traced[], sources: readonly Source[]): Map<number, ResultCorner>[] {
  const names = namesOf(sources)
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
  return numbered(found)
}

/** Keys made unambiguous: those between the same two sides are counted from left to right, then downwards. */
function numbered(found: readonly Map<number, ResultCorner>[]): Map<number, ResultCorner>[] {
  const alike = new Map<string, ResultCorner[]>()
  for (const corner of found.flatMap((corners) => [...corners.values()]))
    alike.set(corner.key, [...(alike.get(corner.key) ?? []), corner])
  for (const list of alike.values())
    list.sort((a, b) => (Math.abs(a.at.x - b.at.x) > SNAP ? a.at.x - b.at.x : a.at.y - b.at.y))
  return found.map(
    (corners) =>
      new Map(
        [...corners].map(([i, corner]) => [
          i,
          { ...corner, key: `${corner.key} ${alike.get(corner.key)!.indexOf(corner)}` },
        ]),
      ),
  )
}

/** A result with its corners finished. */
export function withCorners(
  contours: readonly Traced[],
  sources: readonly Source[],
  { radius, style, only, picked = [] }: ResultCorners,
  scene: Scene,
): Path {
  const corner = { radius: scene.radius(radius), ...(style && { style }) }
  if (corner.radius === 0) return contours.map(({ contour }) => contour)
  const chosen = new Set(picked)
  const isMeant = ({ key, inner }: ResultCorner) =>
    only === undefined || (only === 'picked' ? chosen.has(key) : (only === 'inner') === inner)
  return cornersOf(contours, sources).map((corners, i): Contour => {
    const rounded = roundContour(contours[i]!.contour, (node) => {
      const one = corners.get(node)
      return one && isMeant(one) ? corner : null
    })
    return rounded.contour
  })
}

/** The segments of sources by name: member, contour, and the first segment on the same line or ellipse. */
function namesOf(sources: readonly Source[]): Map<Segment, string> {
  const names = new Map<Segment, string>()
  for (const { id, path } of sources)
    path.forEach(({ segments }, contour) =>
      segments.forEach((segment, i) => {
        const first = segments.findIndex((other) => other === segment || onOneEllipse(other, segment))
        names.set(segment, `${id}/${contour}/${first < 0 ? i : first}`)
      }),
    )
  return names
}

function onOneEllipse(a: Segment, b: Segment): boolean {
  if (a.kind !== 'arc' || b.kind !== 'arc' || a.rx !== b.rx || a.ry !== b.ry) return false
  return distance(arcCentre(a).centre, arcCentre(b).centre) <= SNAP
}
