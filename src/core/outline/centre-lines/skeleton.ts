import { distanceTo } from '../../geometry/distance-to'
import type { Path } from '../../geometry/path'
import { distance, type Point } from '../../geometry/point'
import { pointAt } from '../../geometry/segment'
import { directionAt } from '../../geometry/slope'
import { windingOf } from '../../geometry/winding'
import type { Carrier, Carriers } from './carriers'

/** A stretch of a carrier between two of its marks, from one place to another, by their numbers. */
export type Stretch = {
  readonly carrier: Carrier
  readonly from: number
  readonly to: number
  readonly a: number
  readonly b: number
}

/** The centre lines of an area: places, and stretches between them. */
export type Skeleton = { readonly places: readonly Point[]; readonly stretches: readonly Stretch[] }

/** How far a stretch may lead through a crossing, where no side tells of it, in thicknesses. */
const THROUGH = 3
/** Where a stretch is looked at. */
const LOOKS = [0.2, 0.5, 0.8]

/**
 * Medial axis from offset carriers: the stretches at half a thickness inside the outline of an area, and those that
 * join them through crossings. `half` is half the thickness; points nearer than `near` are one. Lengths in units.
 */
export function skeletonOf(area: Path, { carriers, ends }: Carriers, half: number, near: number): Skeleton {
  const places: Point[] = []
  const placeOf = (p: Point): number => {
    const known = places.findIndex((one) => distance(one, p) <= 2 * near)
    return known >= 0 ? known : places.push(p) - 1
  }
  const away = distanceTo(area)
  const isOn = (p: Point) => away(p, near) <= near
  const times = windingOf(area),
    isInside = (p: Point) => times(p) !== 0
  const sound: Stretch[] = [],
    through: Stretch[] = []
  for (const carrier of carriers)
    for (const [from, to] of intervalsOf(carrier, half, near)) {
      const looks = LOOKS.map((k) => onCarrier(carrier, from + k * (to - from)))
      if (!looks.every(({ at }) => isInside(at))) continue
      const sides = looks.map(({ at, across }) =>
        [half, -half].filter((k) => isOn({ x: at.x + k * across.x, y: at.y + k * across.y })),
      )
      const fits = () => looks.every(({ at }) => away(at, half - near) >= half - near)
      const long = carrier.kind === 'circle' ? carrier.r * (to - from) : to - from
      // A side that is hidden by another stroke leaves room for the whole width; a blunt end does not.
      const isSeen = sides.every(({ length }) => length === 2) || (sides.every(({ length }) => length > 0) && fits())
      if (!isSeen && !(long <= THROUGH * 2 * half && fits())) continue
      const [a, b] = [from, to].map((t) => placeOf(onCarrier(carrier, t).at)) as [number, number]
      if (a === b && long <= 2 * near) continue
      const isKnown = (one: Stretch) => isDouble(one, { a, b }, looks[1]!.at, near)
      if (!sound.some(isKnown) && !through.some(isKnown)) (isSeen ? sound : through).push({ carrier, from, to, a, b })
    }
  return { places, stretches: [...sound, ...leading(sound, through, ends.map(placeOf))] }
}

/** Whether a stretch between two places is known already: two sides of a curve tell of it, or a line and a circle nearly touch. */
const isDouble = (one: Stretch, { a, b }: { a: number; b: number }, middle: Point, near: number): boolean =>
  ((one.a === a && one.b === b) || (one.a === b && one.b === a)) &&
  distance(onCarrier(one.carrier, (one.from + one.to) / 2).at, middle) <= 4 * near

/** Of the stretches through crossings those that lead from one sound stretch to another, or to the end of a stroke. */
function leading(sound: readonly Stretch[], through: readonly Stretch[], last: readonly number[]): Stretch[] {
  let left = [...through]
  for (;;) {
    const ends = new Map(last.map((place) => [place, 1]))
    for (const { a, b } of [...sound, ...left]) for (const p of [a, b]) ends.set(p, (ends.get(p) ?? 0) + 1)
    const kept = left.filter(({ a, b }) => ends.get(a)! > 1 && ends.get(b)! > 1)
    if (kept.length === left.length) return kept
    left = kept
  }
}

/** The stretches between neighbouring marks of a carrier; a line goes on by one thickness beyond its ends. */
function intervalsOf(carrier: Carrier, half: number, near: number): [number, number][] {
  if (carrier.kind === 'curve') return [[0, 1]]
  const scale = carrier.kind === 'circle' ? carrier.r : 1
  const turn = 2 * Math.PI
  const sorted = [...carrier.marks.map((t) => (carrier.kind === 'circle' ? ((t % turn) + turn) % turn : t))].sort(
    (a, b) => a - b,
  )
  const marks: number[] = []
  for (const t of sorted) if (marks.length === 0 || (t - marks.at(-1)!) * scale > near) marks.push(t)
  if (carrier.kind === 'line') {
    const all = [marks[0]! - 2 * half, ...marks, marks.at(-1)! + 2 * half]
    return all.slice(1).map((t, i) => [all[i]!, t])
  }
  if (marks.length > 1 && (turn - marks.at(-1)! + marks[0]!) * scale <= near) marks.pop()
  return marks.map((t, i) => [t, i + 1 < marks.length ? marks[i + 1]! : marks[0]! + turn])
}

/** A place on a carrier, and the direction across it. */
export function onCarrier(carrier: Carrier, t: number): { readonly at: Point; readonly across: Point } {
  switch (carrier.kind) {
    case 'line': {
      const { at, along } = carrier
      return { at: { x: at.x + t * along.x, y: at.y + t * along.y }, across: { x: -along.y, y: along.x } }
    }
    case 'circle': {
      const { centre, r } = carrier,
        across = { x: Math.cos(t), y: Math.sin(t) }
      return { at: { x: centre.x + r * across.x, y: centre.y + r * across.y }, across }
    }
    case 'curve': {
      const d = directionAt(carrier.segment, t)
      return {
        at: t === 0 ? carrier.segment.from : t === 1 ? carrier.segment.to : pointAt(carrier.segment, t),
        across: { x: -d.y, y: d.x },
      }
    }
  }
}
