import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { refusalIn } from '../../drawing/evaluate/evaluate'
import { nodesOf } from '../../drawing/model/nodes'
import type { DrawingObject, OfKind } from '../../drawing/objects/object'
import { isShared, type Style } from '../../drawing/model/style'
import type { Path } from '../../geometry/path'
import { tidy } from '../../geometry/tidy'
import { centreLines } from '../../outline/centre-lines/centre-lines'
import { STARTERS } from '../../rules/starters'
import { isNarrowCircle, type Live, liveShape, shortest } from './live'

/** An area that strokes paint, as these: their weight, and the objects that have them. */
export type Back = { readonly weight: number; readonly objects: readonly DrawingObject[] }

/** How far the outline of a stroke may lie from an area that becomes that stroke on a grid: 0.01 units of 24. */
export const strokeTolerance = (grid: number): number => (0.01 * grid) / 24

const scene = sceneOf(STARTERS[0]!.rules)
const known = new WeakMap<
  DrawingObject,
  { readonly within: number; readonly centred: boolean; readonly back: Back | null }
>()

/** How much longer than thick a bar must be to be a line: one with straight ends, one with round ones. */
const LONG = 2.5,
  ROUND = 1.2

/**
 * Finds the strokes that paint a filled area: a ring becomes a circle, a frame a rectangle, a bar a line, others their
 * centre lines (if `centred`). The painted area is equal within a tolerance; the rest stays an area. Null if there are
 * none. Memoised.
 */
export function strokeBack(object: DrawingObject, within: number, centred = true): Back | null {
  if (isLookedThrough(object, within, centred)) return known.get(object)!.back
  const back = searched(object, within, centred)
  known.set(object, { within, centred, back })
  return back
}

/** Stores a result of `strokeBack` that was computed elsewhere. */
export const keepStrokeBack = (object: DrawingObject, within: number, centred: boolean, back: Back | null): void =>
  void known.set(object, { within, centred, back })

/** Whether it is remembered what strokes paint an object. */
export function isLookedThrough(object: DrawingObject, within: number, centred: boolean): boolean {
  const before = known.get(object)
  return before?.within === within && before.centred === centred
}

/** A filled area with a style of its own. */
type Filled = DrawingObject & { readonly style: Style }

/** Whether an object is an area, which strokes may paint. */
export const mayBeStrokes = (object: DrawingObject): object is Filled =>
  'style' in object &&
  !isShared(object.style) &&
  object.style.fill !== 'none' &&
  object.style.stroke === 'none' &&
  !object.style.fills

function searched(object: DrawingObject, within: number, centred: boolean): Back | null {
  if (!mayBeStrokes(object)) return null
  const { fill, fillOpacity } = object.style
  const painted = (weight: number, more: Partial<Style> = {}): Style => ({
    fill: 'none',
    stroke: fill,
    ...(fillOpacity !== undefined && { strokeOpacity: fillOpacity }),
    weight: shortest(weight, within),
    ...more,
  })
  if (object.kind === 'assembly')
    return ofHollow(object, within, painted) ?? (centred ? ofArea(object, within, painted) : null)
  return object.kind === 'rectangle'
    ? ofBar(object, within, painted)
    : object.kind === 'path' && centred
      ? ofArea(object, within, painted)
      : null
}

/** An area by its centre lines. */
function ofArea(object: OfKind<'path' | 'assembly'>, within: number, painted: Painted): Back | null {
  if (refusalIn(object, scene)) return null
  const pieces = centreLines(scene.ink(object), within, shortest)
  const weight = pieces.find(({ stroked }) => stroked)?.stroked?.stroke.width
  if (weight === undefined) return null
  const { id, name, style } = object
  let count = 0
  const one = (own: object, its: object): DrawingObject => {
    count++
    const told = count === 1 ? { id, name } : { id: `${id}-${count}`, name: `${name} ${count}` }
    return { ...own, ...told, style: its } as DrawingObject
  }
  const objects = pieces.flatMap(({ area, stroked }) => {
    if (!stroked) return [one({ kind: 'path', corner: 0, contours: area.map((contour) => nodesOf(contour)) }, style)]
    const disc = discOf(area, stroked.path, weight, within)
    if (disc) return [one(disc, style)]
    const { cap, join } = stroked.stroke
    return stroked.path.map((contour) =>
      one(
        liveShape(contour, within) ?? { kind: 'path', corner: 0, contours: [nodesOf(contour)] },
        painted(weight, { cap, join }),
      ),
    )
  })
  return { weight, objects }
}

/**
 * The disc that an area is where its stroke would be a circle of a radius below half the weight: such strokes are drawn
 * with a hole by some programs. Null for other areas.
 */
function discOf(area: Path, [circle, ...more]: Path, weight: number, within: number): Live | null {
  if (!circle?.closed || more.length > 0 || area.length > 1) return null
  const line = liveShape(circle, within)
  if (!line || !isNarrowCircle(line, weight)) return null
  const disc = liveShape(area[0]!, within)
  return disc?.kind === 'ellipse' ? disc : null
}

type Painted = (weight: number, more?: Partial<Style>) => Style

/** A shape with one like it cut out of its middle. */
function ofHollow(assembly: OfKind<'assembly'>, within: number, painted: Painted): Back | null {
  const [outer, inner, ...more] = assembly.members as DrawingObject[]
  if (!outer || !inner || more.length > 0 || inner.role !== 'cuts' || outer.kind !== inner.kind) return null
  if (!('w' in outer) || !('w' in inner) || outer.turn || inner.turn) return null
  const weight = (outer.w - inner.w) / 2
  const isEven =
    weight > 0 &&
    Math.abs(outer.h - inner.h - 2 * weight) <= within &&
    Math.abs(outer.x + weight - inner.x) <= within &&
    Math.abs(outer.y + weight - inner.y) <= within
  if (!isEven) return null
  const { id, name } = assembly
  const frame = {
    id,
    name,
    x: tidy(outer.x + weight / 2),
    y: tidy(outer.y + weight / 2),
    w: tidy(outer.w - weight),
    h: tidy(outer.h - weight),
  }
  if (outer.kind === 'ellipse')
    // A uniform band around an ellipse is no stroke of one, except for circles.
    return Math.abs(outer.w - outer.h) <= within
      ? { weight, objects: [{ kind: 'ellipse', ...frame, style: painted(weight) }] }
      : null
  if (outer.kind !== 'rectangle' || inner.kind !== 'rectangle' || outer.corners || inner.corners) return null
  const [around, within_] = [outer.corner, inner.corner]
  if (typeof around !== 'number' || typeof within_ !== 'number') return null
  const corner = around === 0 ? 0 : around - weight / 2
  if (corner < -within || Math.abs(Math.max(0, corner - weight / 2) - within_) > within) return null
  const join = around === 0 ? 'miter' : 'round'
  return {
    weight,
    objects: [{ kind: 'rectangle', ...frame, corner: tidy(Math.max(0, corner)), style: painted(weight, { join }) }],
  }
}

/** A bar, with round ends or straight ones. */
function ofBar(bar: OfKind<'rectangle'>, within: number, painted: Painted): Back | null {
  const { x, y, w, h, corner, turn = 0, id, name } = bar
  const weight = Math.min(w, h),
    long = Math.max(w, h)
  const isRound = typeof corner === 'number' && Math.abs(corner - weight / 2) < 1e-6
  if (bar.corners || bar.skew || long < (isRound ? ROUND : LONG) * weight || (!isRound && corner !== 0)) return null
  const half = (long - (isRound ? weight : 0)) / 2
  const angle = ((turn + (w >= h ? 0 : 90)) * Math.PI) / 180
  const centre = { x: x + w / 2, y: y + h / 2 }
  const at = (k: number) => ({
    x: shortest(centre.x + k * half * Math.cos(angle), within),
    y: shortest(centre.y + k * half * Math.sin(angle), within),
  })
  return {
    weight,
    objects: [
      {
        kind: 'line',
        id,
        name,
        from: at(-1),
        to: at(1),
        style: painted(weight, { cap: isRound ? 'round' : 'butt' }),
      },
    ],
  }
}
