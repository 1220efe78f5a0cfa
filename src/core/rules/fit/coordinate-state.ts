import { fittedPlace, type Fitting } from '../../drawing/model/fitting'
import type { AxisFit } from './axis-fit'
import type { Figure } from './figure'
import { short, valueOf } from './form'
import { AXES, type Axis, type Marks } from './mark'
import { ONE, type Pin, pinAt } from './pin'
import type { Crisp } from './settle'

/**
 * State of a coordinate at which edges are seen: `at` on the set's grid, `place` on the derived one. It is pinned by
 * hand, released by hand, crisp, released to keep the picture, or soft because no whole place was found.
 */
export type CoordinateState = {
  readonly axis: Axis
  readonly at: number
  readonly place: number
  /** The painted edges seen from `place`, on the derived grid. */
  readonly edges: readonly number[]
  readonly state: 'pinned' | 'let-go' | 'crisp' | 'gave-way' | 'soft'
}

/** Every coordinate at which edges are seen, along both axes in order, and what became of it. */
export function coordinateStates(
  marks: Marks,
  fits: Readonly<Record<Axis, AxisFit>>,
  crisp: readonly Crisp[],
  loose: ReadonlySet<Crisp>,
  pins: readonly Pin[],
  solved: { readonly figure: Figure; readonly values: ArrayLike<number>; readonly along: Fitting },
): CoordinateState[] {
  const { figure, values, along } = solved,
    { scale } = along
  return AXES.flatMap((axis) =>
    fits[axis].coordinates.flatMap((at): CoordinateState[] => {
      const isHere = (value: number) => Math.abs(value - at) * scale <= ONE
      const edges = marks.marks[axis].filter((mark) => isHere(mark.at) && mark.length > 0).flatMap((mark) => mark.edges)
      if (edges.length === 0) return []
      const spot = figure.spots.find(({ was }) => isHere(was[axis]))
      const place = spot
        ? short(valueOf(spot[axis], values) - (spot.was[axis] - at) * scale)
        : fittedPlace(axis === 'x' ? { x: at, y: 0 } : { x: 0, y: at }, along)[axis]
      const pin = pinAt(pins, axis, at, scale),
        one = crisp.find((other) => other.axis === axis && other.at === at)
      const state = pin
        ? pin.to === null
          ? 'let-go'
          : 'pinned'
        : one && loose.has(one)
          ? 'gave-way'
          : edges.some((edge) => Math.abs(place + edge - Math.round(place + edge)) < 1e-4)
            ? 'crisp'
            : 'soft'
      return [{ axis, at, place, edges: [...new Set(edges)].sort((a, b) => a - b), state }]
    }),
  )
}
