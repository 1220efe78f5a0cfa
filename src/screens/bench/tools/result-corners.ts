import { distance } from '@/core/geometry/point'
import { cornerMark, pickedOf, type ResultCorner } from '@/core/drawing/scene/result-corners'
import { assemblyCorners } from '@/core/drawing/kinds/assembly/combined'
import { isRounding, type Rounding } from '@/core/drawing/objects/object'
import type { Radius } from '@/core/drawing/model/style'
import type { Bench } from '../state/bench'
import { orNone } from '../state/or-none'
import { toScreen } from '../state/view'
import type { At } from './tool'

/** Screen pixels around a corner in which a press takes it. */
const GRIP = 14

/** The one selected combination whose corners can be finished. */
export function roundingInHand(bench: Bench): Rounding | null {
  const [only, ...more] = bench.free
  return only && more.length === 0 && isRounding(only) ? only : null
}

/** Its corners, none where it cannot be drawn. */
export const resultCorners = (bench: Bench, object: Rounding): readonly ResultCorner[] =>
  orNone(() => assemblyCorners(object, bench.scene))

/** The corner under the pointer. */
export function resultCornerAt(bench: Bench, all: readonly ResultCorner[], at: At): ResultCorner | null {
  const { view } = bench.store.getState()
  if (!view) return null
  const away = (corner: ResultCorner) => distance(toScreen(view, corner.at), at.screen)
  const near = all.filter((corner) => away(corner) <= GRIP)
  return near.sort((a, b) => away(a) - away(b))[0] ?? null
}

/** Those of its corners that are finished. */
export function finishedOf({ corners }: Rounding, all: readonly ResultCorner[]): ReadonlySet<ResultCorner> {
  if (!corners) return new Set()
  const { only, picked = [], byPlace } = corners
  if (only === 'picked') return pickedOf(all, picked, byPlace)
  return new Set(all.filter(({ inner }) => only === undefined || (only === 'inner') === inner))
}

/** A combination with a corner picked, or no longer: from then on only picked ones are finished. */
export function withPicked(
  object: Rounding,
  all: readonly ResultCorner[],
  corner: ResultCorner,
  on: boolean,
): Rounding {
  const { byPlace: _, ...corners } = object.corners ?? { radius: 0 }
  const now = [...finishedOf(object, all)].filter((one) => one !== corner)
  // A picked corner that is absent at present may reappear.
  const gone = corners.only === 'picked' && !object.corners?.byPlace ? (corners.picked ?? []) : []
  const away = gone.filter(({ key }) => !all.some((one) => one.key === key))
  return {
    ...object,
    corners: { ...corners, only: 'picked', picked: [...away, ...[...now, ...(on ? [corner] : [])].map(cornerMark)] },
  }
}

/** A combination with the radius of its finished corners. */
export const withResultRadius = (object: Rounding, radius: Radius): Rounding => ({
  ...object,
  corners: { ...object.corners, radius },
})
