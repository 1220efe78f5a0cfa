import { type DrawingObject, isFramed, kindOf } from '../../drawing/objects/object'
import { moveObject } from '../../drawing/objects/transform-object'
import { type Blurred, crispness, SEEN } from '../../geometry/crispness'
import { pathBounds } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import { tidy } from '../../geometry/tidy'
import type { Check, Checked } from '../check'
import type { Found } from '../snag'
import { evaluate, ink } from '../../drawing/evaluate/evaluate'
import { shownInk } from '../look/ink'
import { replacing, said, seenIn } from '../look/seen'

/** How far an edge lies off a pixel, in pixels, before any delivered value shows it: two of 255. */
const SHOWN = 2 / 255

/** Straight edges beside the pixels of the sizes that the grid is a whole part of. */
export const offPixel: Check = {
  id: 'off-pixel',
  concerns: 'slips',
  isSeen: true,
  word: 'edges between pixels',
  severity: 'warning',
  // Fitting leaves edges soft whose crisp place would change the picture.
  inDerived: 'note',
  find(checked) {
    const { rules, objects, scene } = checked
    const { size } = rules.grid
    const at = rules.sizes.find((one) => one % size === 0)
    if (at === undefined) return []
    const whole = asideAsAWhole(checked, at)
    return seenIn(objects).flatMap((one): Found[] => {
      if (one.parents.length > 0) return []
      const blurred = crispness(ink(one.object, scene), size, at).blurred.filter(
        (edge, _, all) => edge.off > SHOWN && !isBest(edge, all, widthsOf(one.object, checked), rules, at),
      )
      const [first] = blurred
      if (!first) return []
      const moved = whole ? null : fitted(one.object, checked, at)
      return [
        {
          sentence: `“${one.object.name}” has ${blurred.length === 1 ? 'an edge' : `${blurred.length} edges`} between the pixels at ${at} px, off by ${said(first.off)} px.`,
          objects: [one.object.id],
          spot: { at: first.from, to: first.to },
          ...(whole ? { mend: { kind: 'replace' as const, objects: whole } } : moved && replacing(one, moved)),
        },
      ]
    })
  },
}

/** The widths of the strokes of an object, in grid units. */
const widthsOf = (object: DrawingObject, { scene }: Checked): number[] =>
  evaluate(object, scene).flatMap(({ stroke }) => (stroke ? [stroke.width] : []))

/**
 * Whether an edge cannot be on a pixel: it is a side of a stroke of a fractional width, whose other side is on one, or has
 * none on any place of the grid's step.
 */
function isBest(
  { from, to }: Blurred,
  all: readonly Blurred[],
  widths: readonly number[],
  { grid }: Checked['rules'],
  pixels: number,
): boolean {
  const scale = pixels / grid.size,
    axis = Math.abs(from.x - to.x) < 1e-9 ? 'x' : 'y',
    across = axis === 'x' ? 'y' : 'x'
  const isWhole = (value: number) => Math.abs(value - Math.round(value)) <= SEEN
  return widths.some((width) => {
    if (isWhole(width * scale)) return false
    const others = [-width, width].map((by) =>
      all.some(
        (other) =>
          Math.abs(other.from[axis] - other.to[axis]) < 1e-9 &&
          Math.abs(other.from[axis] - from[axis] - by) < 1e-6 &&
          Math.min(other.from[across], other.to[across]) < Math.max(from[across], to[across]) &&
          Math.max(other.from[across], other.to[across]) > Math.min(from[across], to[across]),
      ),
    )
    if (!others.some(Boolean)) return true
    const places = Math.round(1 / (grid.step * scale)) || 1
    return !Array.from({ length: places }, (_, i) => (i * grid.step + width / 2) * scale).some(isWhole)
  })
}

/**
 * Moves a drawing that is off the pixels as a whole; null if it is not, or if an object is locked. Moving a part alone
 * would tear it from the rest.
 */
function asideAsAWhole(checked: Checked, pixels: number): readonly DrawingObject[] | null {
  const { objects, rules, scene } = checked
  const { size } = rules.grid
  const shown = objects.filter(({ hidden }) => !hidden)
  if (shown.length < 2 || objects.some(({ locked }) => locked)) return null
  const off = shown.flatMap((object) => crispness(ink(object, scene), size, pixels).blurred)
  const shift = { x: 0, y: 0 }
  for (const axis of ['x', 'y'] as const) {
    const edge = off.find(({ from, to }) => Math.abs(from[axis] - to[axis]) < 1e-9)
    if (!edge) continue
    const { x, y, w, h } = pathBounds(shownInk(checked))!
    const aside = (axis === 'x' ? x + w / 2 : y + h / 2) - size / 2,
      at = (edge.from[axis] * pixels) / size
    // Half a pixel either way: the way that leads to the middle.
    const on = at - Math.floor(at) === 0.5 ? (aside > 0 ? Math.floor(at) : Math.ceil(at)) : Math.round(at)
    shift[axis] = tidy((on * size) / pixels - edge.from[axis])
  }
  if (off.length < 2 || (shift.x === 0 && shift.y === 0)) return null
  if (!cameCrisp(shown, checked, pixels, shift)) return null
  const moved = objects.map((object) => moveObject(object, shift))
  const isCrisp = moved.every(
    (object) => object.hidden || crispness(ink(object, scene), size, pixels).blurred.length === 0,
  )
  return isCrisp ? moved : null
}

/** Whether the straight edges of a moved drawing are on pixels: a quick test before it is drawn. */
function cameCrisp(
  shown: readonly DrawingObject[],
  { rules: { grid }, scene }: Checked,
  pixels: number,
  shift: Point,
): boolean {
  const scale = pixels / grid.size
  return shown.every((object) =>
    ink(object, scene).every(({ segments }) =>
      segments.every(({ kind, from, to }) => {
        const axis = from.x === to.x ? 'x' : from.y === to.y ? 'y' : null
        if (kind !== 'line' || !axis) return true
        const place = (from[axis] + shift[axis]) * scale
        return Math.abs(place - Math.round(place)) < 0.05
      }),
    ),
  )
}

/**
 * Moves an object by less than a pixel so that all its straight edges are on pixels; a rectangle may change its size
 * too. Null if there is no such move.
 */
function fitted(object: DrawingObject, { rules, scene }: Checked, pixels: number): DrawingObject | null {
  const { size } = rules.grid,
    scale = pixels / size
  const on = (value: number) => tidy(Math.round(value * scale) / scale)
  const isFit = (one: DrawingObject) => crispness(ink(one, scene), size, pixels).blurred.every(({ off }) => off <= SEEN)
  const { blurred } = crispness(ink(object, scene), size, pixels)
  const shift = (axis: 'x' | 'y') => {
    const place = blurred.find(({ from, to }) => Math.abs(from[axis] - to[axis]) < 1e-9)?.from[axis]
    return place === undefined ? 0 : on(place) - place
  }
  const moved = moveObject(object, { x: tidy(shift('x')), y: tidy(shift('y')) })
  if (isFit(moved)) return moved
  const box = pathBounds(ink(object, scene))
  if (!isFramed(object) || kindOf(object).fills !== 'sides' || object.turn || object.skew || !box) return null
  const x = on(box.x) - box.x,
    y = on(box.y) - box.y
  const sized = {
    ...object,
    x: tidy(object.x + x),
    y: tidy(object.y + y),
    w: tidy(object.w + on(box.x + box.w) - box.x - box.w - x),
    h: tidy(object.h + on(box.y + box.h) - box.y - box.h - y),
  }
  return sized.w > 0 && sized.h > 0 && isFit(sized) ? sized : null
}
