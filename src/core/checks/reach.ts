import { kindOf } from '../drawing/model/object'
import { shownInk } from './ink'
import { pathBounds } from '../geometry/path'
import type { Point } from '../geometry/point'
import type { Transform } from '../geometry/transform'
import { transformObject } from '../drawing/edit/transform-object'
import type { Box } from '../geometry/box'
import type { Check, Checked, Found } from './check'
import { said } from './seen'
import { OVER } from './tolerance'

/** The drawing at another size about the middle of the square, where nothing of it is locked. */
function scaled({ objects, rules }: Checked, by: number): Pick<Found, 'mend'> {
  const c = rules.grid.size / 2
  if (objects.some(({ locked }) => locked)) return {}
  return {
    mend: {
      kind: 'replace',
      objects: objects.map((object) => transformObject(object, scaledAbout({ x: c, y: c }, by))),
    },
  }
}

/** The map that scales about a place. */
const scaledAbout = ({ x, y }: Point, by: number): Transform => [by, 0, 0, by, x * (1 - by), y * (1 - by)]

/** How far a box reaches from the middle of the square. */
const reachOf = ({ x, y, w, h }: Box, c: number): number => Math.max(c - x, x + w - c, c - y, y + h - c)

/** Ink beyond the live area. */
export const outsideLiveArea: Check = {
  id: 'outside-live-area',
  isLoss: true,
  isSeen: true,
  word: 'outside the live area',
  severity: 'warning',
  find(checked) {
    const { rules } = checked,
      { size } = rules.grid
    const box = pathBounds(shownInk(checked))
    const over = box ? reachOf(box, size / 2) - rules.liveArea / 2 : 0
    if (!box || over <= (OVER * size) / 24 || hasPlate(checked)) return []
    return [
      {
        sentence: `The drawing passes the live area by ${said(over)}.`,
        objects: [],
        spot: furthest(box, size / 2),
        ...scaled(checked, rules.liveArea / 2 / (rules.liveArea / 2 + over)),
      },
    ]
  },
}

/** Something of the drawing's own that fills the square is a ground, and the rest is measured by other rules. */
export const hasPlate = ({ objects }: Checked): boolean => objects.some((object) => kindOf(object).stands === 'ground')

function furthest({ x, y, w, h }: Box, c: number): { at: { x: number; y: number } } {
  const sides = [
    { away: c - x, at: { x, y: y + h / 2 } },
    { away: x + w - c, at: { x: x + w, y: y + h / 2 } },
    { away: c - y, at: { x: x + w / 2, y } },
    { away: y + h - c, at: { x: x + w / 2, y: y + h } },
  ]
  return { at: sides.reduce((best, one) => (one.away > best.away ? one : best)).at }
}

/** A silhouette that is smaller than the keyline that it comes nearest to. */
export const missesKeyline: Check = {
  id: 'misses-keyline',
  word: 'does not reach its keyline',
  severity: 'note',
  find(checked) {
    const { rules } = checked
    const box = pathBounds(shownInk(checked))
    if (!box || rules.keylines.length === 0 || hasPlate(checked)) return []
    // The keyline whose shape is nearest: the one that leaves the least room on both sides together.
    const room = ({ w, h }: { w: number; h: number }) => Math.abs(w - box.w) / w + Math.abs(h - box.h) / h
    const own = rules.keylines.reduce((best, one) => (room(one) < room(best) ? one : best))
    const share = Math.max(box.w / own.w, box.h / own.h)
    if (share > 1 - SHORT_OF) return []
    return [
      {
        sentence: `The drawing is ${Math.round(100 * share)} % of its keyline, ${own.name}: ${said(box.w)} by ${said(box.h)} of ${said(own.w)} by ${said(own.h)}.`,
        objects: [],
        spot: { at: { x: box.x + box.w / 2, y: box.y } },
        ...scaled(checked, 1 / share),
      },
    ]
  },
}

/** By which share a silhouette may be short of its keyline unnoticed. */
const SHORT_OF = 0.06

/** Ink outside the safe zone, which some platforms cut away. */
export const crossesSafeZone: Check = {
  id: 'crosses-safe-zone',
  isLoss: true,
  isSeen: true,
  word: 'crosses the safe zone',
  severity: 'warning',
  find(checked) {
    const { rules, objects } = checked
    if (!rules.safeZone) return []
    const c = rules.grid.size / 2,
      r = rules.safeZone / 2
    const front = objects.filter((object) => kindOf(object).stands !== 'ground')
    const far = shownInk({ ...checked, objects: front })
      .flatMap(({ segments }) => segments.map(({ from }) => from))
      .reduce<{ away: number; at: { x: number; y: number } } | null>((best, at) => {
        const away = Math.hypot(at.x - c, at.y - c)
        return best && best.away >= away ? best : { away, at }
      }, null)
    if (!far || far.away <= r + (OVER * rules.grid.size) / 24) return []
    return [
      {
        sentence: `The drawing passes the safe zone by ${said(far.away - r)}.`,
        objects: [],
        spot: { at: far.at },
        ...(front.some(({ locked }) => locked)
          ? {}
          : {
              mend: {
                kind: 'replace' as const,
                objects: front.map((object) => transformObject(object, scaledAbout({ x: c, y: c }, r / far.away))),
              },
            }),
      },
    ]
  },
}
