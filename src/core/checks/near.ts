import { extent } from '../drawing/evaluate/extent'
import { type DrawingObject, type Framed, isFramed, kindOf } from '../drawing/model/object'
import { moveObject } from '../drawing/edit/transform-object'
import { boxCentre } from '../geometry/box'
import { distance, type Point } from '../geometry/point'
import type { Check } from './check'
import { replacing, said, type Seen, seenIn } from './seen'
import { NEARLY, SAME } from './tolerance'

/** True of a distance that was meant to be none and is not. */
const isNearly = (away: number, unit: number): boolean => away > SAME * unit && away < NEARLY * unit

type Round = Seen & { readonly object: Framed }
const isRound = (one: Seen): one is Round =>
  isFramed(one.object) && kindOf(one.object).fills === 'ellipse' && Math.abs(one.object.w - one.object.h) < 1e-6
const centreOf = ({ x, y, w, h }: Framed): Point => ({ x: x + w / 2, y: y + h / 2 })

/** Circles that nearly share their centre. */
export const nearlyConcentric: Check = {
  id: 'nearly-concentric',
  word: 'nearly concentric',
  severity: 'warning',
  find({ objects, rules }) {
    const unit = rules.grid.size / 24,
      circles = seenIn(objects).filter(isRound)
    return circles.flatMap((one, i) => {
      const centre = centreOf(one.object)
      const other = circles.slice(0, i).find(({ object }) => isNearly(distance(centreOf(object), centre), unit))
      if (!other) return []
      const to = centreOf(other.object)
      return [
        {
          sentence: `“${one.object.name}” and “${other.object.name}” are nearly concentric: ${said(distance(to, centre))} apart.`,
          objects: [one.object.id, other.object.id],
          spot: { at: centre },
          ...replacing(one, moveObject(one.object, { x: to.x - centre.x, y: to.y - centre.y })),
        },
      ]
    })
  },
}

/** Circles that nearly touch each other, from without or within. */
export const nearlyTangent: Check = {
  id: 'nearly-tangent',
  word: 'nearly tangent',
  severity: 'warning',
  find({ objects, rules }) {
    const unit = rules.grid.size / 24,
      circles = seenIn(objects).filter(isRound)
    return circles.flatMap((one, i) =>
      circles.slice(0, i).flatMap((other) => {
        const a = centreOf(one.object),
          b = centreOf(other.object),
          [r, s] = [one.object.w / 2, other.object.w / 2],
          away = distance(a, b)
        const meant = [r + s, Math.abs(r - s)].find(
          (wanted) => wanted > unit && isNearly(Math.abs(away - wanted), unit),
        )
        if (meant === undefined || away < SAME * unit) return []
        const k = (meant - away) / away
        return [
          {
            sentence: `“${one.object.name}” and “${other.object.name}” nearly touch: off by ${said(Math.abs(away - meant))}.`,
            objects: [one.object.id, other.object.id],
            spot: { at: { x: b.x + ((a.x - b.x) / away) * s, y: b.y + ((a.y - b.y) / away) * s } },
            ...replacing(one, moveObject(one.object, { x: (a.x - b.x) * k, y: (a.y - b.y) * k })),
          },
        ]
      }),
    )
  },
}

/** Circles, ovals, rectangles and plates that are nearly in the middle of the square. */
export const nearlyCentred: Check = {
  id: 'nearly-centred',
  word: 'nearly centred',
  severity: 'warning',
  find({ objects, rules, scene }) {
    const unit = rules.grid.size / 24,
      middle = rules.grid.size / 2
    return seenIn(objects).flatMap((one) => {
      // Of other kinds the middle of the box says nothing: a part that is turned has it anywhere.
      const { fills, stands } = kindOf(one.object)
      if (one.parents.length > 0 || (!fills && stands !== 'ground')) return []
      const centre = boxCentre(extent(one.object, scene))
      const by = {
        x: isNearly(Math.abs(centre.x - middle), unit) ? middle - centre.x : 0,
        y: isNearly(Math.abs(centre.y - middle), unit) ? middle - centre.y : 0,
      }
      if (by.x === 0 && by.y === 0) return []
      return [
        {
          sentence: `“${one.object.name}” is nearly in the middle of the square: off by ${said(Math.hypot(by.x, by.y))}.`,
          objects: [one.object.id],
          spot: { at: centre },
          ...replacing(one, moveObject(one.object, by)),
        },
      ]
    })
  },
}

/** Objects of one kind, side by side, that are nearly of one size. */
export const nearlyEqual: Check = {
  id: 'nearly-equal',
  word: 'nearly equal',
  severity: 'note',
  find({ objects, rules }) {
    const unit = rules.grid.size / 24
    const sized = seenIn(objects).filter(
      (one): one is Seen & { object: Framed } => isFramed(one.object) && kindOf(one.object).fills !== undefined,
    )
    return sized.flatMap((one, i) => {
      const alike = (key: 'w' | 'h') =>
        sized
          .slice(0, i)
          .find(
            ({ object }) => object.kind === one.object.kind && isNearly(Math.abs(object[key] - one.object[key]), unit),
          )?.object
      const wider = alike('w'),
        higher = alike('h'),
        other = wider ?? higher
      if (!other) return []
      const w = wider?.w ?? one.object.w,
        h = higher?.h ?? one.object.h
      const { x, y } = one.object
      const equal: DrawingObject = {
        ...one.object,
        x: x + (one.object.w - w) / 2,
        y: y + (one.object.h - h) / 2,
        w,
        h,
      }
      return [
        {
          sentence: `“${one.object.name}” and “${other.name}” are nearly of one size.`,
          objects: [one.object.id, other.id],
          spot: { at: boxCentre(one.object) },
          ...replacing(one, equal),
        },
      ]
    })
  },
}
