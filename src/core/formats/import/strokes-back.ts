import type { DrawingObject, OfKind } from '../../drawing/model/object'
import { isShared, type Style } from '../../drawing/model/style'
import { tidy } from '../../geometry/tidy'
import { shortest } from './live'

/** An area that a stroke of a whole shape paints, as that shape: its weight, and the object with the stroke. */
export type Back = { readonly weight: number; readonly object: DrawingObject }

/** How much longer than thick a bar must be to be a line: one with straight ends, one with round ones. */
const LONG = 2.5,
  ROUND = 1.2

/**
 * A filled area as the stroke that paints it: a ring as a circle, a frame as a rectangle, a bar as a line. Exactly the same
 * area, within a tolerance; null of all others.
 */
export function strokeBack(object: DrawingObject, within: number): Back | null {
  if (!('style' in object) || isShared(object.style)) return null
  const { fill, stroke, fillOpacity, fills } = object.style
  if (fill === 'none' || stroke !== 'none' || fills) return null
  const painted = (weight: number, more: Partial<Style> = {}): Style => ({
    fill: 'none',
    stroke: fill,
    ...(fillOpacity !== undefined && { strokeOpacity: fillOpacity }),
    weight: shortest(weight, within),
    ...more,
  })
  if (object.kind === 'assembly') return ofHollow(object, within, painted)
  return object.kind === 'rectangle' ? ofBar(object, within, painted) : null
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
    // What lies evenly around an ellipse is none, but for circles.
    return Math.abs(outer.w - outer.h) <= within
      ? { weight, object: { kind: 'ellipse', ...frame, style: painted(weight) } }
      : null
  if (outer.kind !== 'rectangle' || inner.kind !== 'rectangle' || outer.corners || inner.corners) return null
  const [around, within_] = [outer.corner, inner.corner]
  if (typeof around !== 'number' || typeof within_ !== 'number') return null
  const corner = around === 0 ? 0 : around - weight / 2
  if (corner < -within || Math.abs(Math.max(0, corner - weight / 2) - within_) > within) return null
  const join = around === 0 ? 'miter' : 'round'
  return {
    weight,
    object: { kind: 'rectangle', ...frame, corner: tidy(Math.max(0, corner)), style: painted(weight, { join }) },
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
    object: {
      kind: 'line',
      id,
      name,
      from: at(-1),
      to: at(1),
      style: painted(weight, { cap: isRound ? 'round' : 'butt' }),
    },
  }
}
