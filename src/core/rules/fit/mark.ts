import type { Cap } from '../../drawing/model/style'

export type Axis = 'x' | 'y'
export const AXES: readonly Axis[] = ['x', 'y']
export const across = (axis: Axis): Axis => (axis === 'x' ? 'y' : 'x')

/** A length on the set's grid and on the other grid. */
export type Length = { readonly was: number; readonly is: number }

/**
 * A coordinate at which something lies along the other axis, from `from` to `to` of it. `edges` are the painted edges
 * seen from it, on the other grid; `before` and `after` is how far off ground begins towards smaller and greater
 * coordinates, null where there is none. `length` says how much of an edge is seen there, in units of the set's grid.
 */
export type Mark = {
  readonly at: number
  readonly from: number
  readonly to: number
  readonly edges: readonly number[]
  readonly before: Length | null
  readonly after: Length | null
  /** How far the paint reaches to either side. */
  readonly reach: readonly [Length, Length]
  readonly length: number
}

/** What a drawing is fitted by. Coordinates on the grid of the set. */
export type Marks = {
  readonly marks: Record<Axis, Mark[]>
  /** Pairs of coordinates whose middle another one is. */
  readonly middles: Record<
    Axis,
    { readonly a: number; readonly b: number; readonly middle: number; readonly weight: number }[]
  >
  /** Stretches of equal width and height. */
  readonly squares: {
    readonly x: readonly [number, number]
    readonly y: readonly [number, number]
    readonly weight: number
  }[]
  /** Coordinates in rows of copies: each list has one mark of every copy, in order, and the same step as the others of its row. */
  readonly rows: Record<Axis, (readonly (readonly number[])[])[]>
}

/** Weights of wishes: against a wrong picture, against unevenness, for looks. */
export const STRONG = 60,
  EVEN = 20,
  NICE = 4

/** How something is painted: the weight of its stroke, whether it is filled, and on which side ink lies of its outline. */
export type Paint = {
  readonly stroke: Length | null
  readonly side: 'centre' | 'inside' | 'outside'
  readonly cap: Cap
  readonly fills: boolean
  readonly isCut: boolean
}

export const noMarks = (): Marks => ({
  marks: { x: [], y: [] },
  middles: { x: [], y: [] },
  squares: [],
  rows: { x: [], y: [] },
})

/** A mark with ink on its greater side (1), its smaller (-1), or on neither for itself (0). */
export function markAt(
  at: number,
  from: number,
  to: number,
  length: number,
  ink: 1 | -1 | 0,
  paint: Paint | null,
): Mark {
  const none = { was: 0, is: 0 }
  if (!paint) return { at, from, to, edges: [], before: null, after: null, reach: [none, none], length: 0 }
  const side = paint.isCut ? (-ink as 1 | -1 | 0) : ink
  const { stroke } = paint
  const half = stroke ? { was: stroke.was / 2, is: stroke.is / 2 } : none
  const whole = stroke ?? none
  const [inner, outer] =
    ink === 0 || paint.side === 'centre' ? [half, half] : paint.side === 'inside' ? [whole, none] : [none, whole]
  const [low, high] = ink > 0 ? [outer, inner] : [inner, outer]
  const isFilled = paint.fills && ink !== 0
  return {
    at,
    from,
    to,
    length,
    edges: stroke ? [...(isFilled && side < 0 ? [] : [-low.is]), ...(isFilled && side > 0 ? [] : [high.is])] : [0],
    before: isFilled && side < 0 ? null : low,
    after: isFilled && side > 0 ? null : high,
    reach: [low, high],
  }
}
