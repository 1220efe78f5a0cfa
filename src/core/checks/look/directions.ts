import type { Point } from '../../geometry/point'
import { tidy } from '../../geometry/tidy'
import type { Checked } from '../check'
import type { Found } from '../snag'
import { type Seen, replacing, seenIn } from './seen'
import { straightsOf } from './straights'
import { SAME_DIRECTION, SHORT } from './tolerance'

/** The direction of a stretch in degrees, anticlockwise from the right, 0 to 180. */
const directionOf = (from: Point, to: Point): number =>
  ((Math.atan2(from.y - to.y, to.x - from.x) * 180) / Math.PI + 360) % 180

/** How far two directions are apart, in degrees. */
export const apart = (a: number, b: number): number => Math.abs(((a - b + 270) % 180) - 90)

const nearestOf = (direction: number, all: readonly number[]): number =>
  all.reduce((best, one) => (apart(one, direction) < apart(best, direction) ? one : best))

/** The end of a stretch, moved as little as possible so that the stretch has a direction (in degrees). */
function turnedEnd(from: Point, to: Point, direction: number): Point {
  const angle = (direction * Math.PI) / 180,
    way = { x: Math.cos(angle), y: -Math.sin(angle) }
  const along = (to.x - from.x) * way.x + (to.y - from.y) * way.y
  return { x: tidy(from.x + along * way.x), y: tidy(from.y + along * way.y) }
}

/** How nearly two slants must be mirror images to be meant, in degrees, and how nearly as long, as a share. */
const MIRRORED = 0.05,
  AS_LONG = 0.1

/** Whether a stretch has its mirror image among others: a slant that comes twice so is no slip. */
export function isMirrored({ objects }: Checked): (from: Point, to: Point) => boolean {
  const all = seenIn(objects).flatMap(({ object }) =>
    straightsOf(object).map(({ from, to }) => ({
      turn: directionOf(from, to),
      long: Math.hypot(to.x - from.x, to.y - from.y),
    })),
  )
  return (from, to) => {
    const turn = 180 - directionOf(from, to),
      long = Math.hypot(to.x - from.x, to.y - from.y)
    return all.some((one) => apart(one.turn, turn) < MIRRORED && Math.abs(one.long - long) < AS_LONG * long)
  }
}

/** A finding for each straight stretch whose direction is off the nearest wanted one by an amount that matters. The mend turns it there. */
export function offDirections(
  { objects, rules }: Checked,
  wanted: readonly number[],
  matters: (away: number) => boolean,
  sentence: (one: Seen, direction: number, nearest: number) => string,
  isMeant: (from: Point, to: Point) => boolean = () => false,
): Found[] {
  const short = (SHORT * rules.grid.size) / 24
  return seenIn(objects).flatMap((one) =>
    straightsOf(one.object).flatMap(({ from, to, withTo }): Found[] => {
      if (Math.hypot(to.x - from.x, to.y - from.y) < short) return []
      const direction = directionOf(from, to),
        nearest = nearestOf(direction, wanted),
        away = apart(direction, nearest)
      if (away < SAME_DIRECTION || !matters(away) || isMeant(from, to)) return []
      return [
        {
          sentence: sentence(one, direction, nearest),
          objects: [one.object.id],
          spot: { at: { x: from.x, y: from.y }, to: { x: to.x, y: to.y } },
          ...replacing(one, withTo(turnedEnd(from, to, nearest))),
        },
      ]
    }),
  )
}
