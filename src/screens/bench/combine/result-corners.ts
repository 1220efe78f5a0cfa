import { distance } from '@/core/geometry/point'
import type { ResultCorner } from '@/core/drawing/result-corners'
import { assemblyCorners } from '@/core/drawing/kinds/assembly/combined'
import { isRounding, type Rounding } from '@/core/drawing/object'
import { Refusal } from '@/core/drawing/refusal'
import type { Radius } from '@/core/drawing/style'
import type { Bench } from '../bench'
import { toScreen } from '../view'
import type { At } from '../tools/tool'

/** Screen pixels around a corner in which a press takes it. */
const GRIP = 14

/** The one selected combination whose corners can be finished. */
export function roundingInHand(bench: Bench): Rounding | null {
  const [only, ...more] = bench.free
  return only && more.length === 0 && isRounding(only) ? only : null
}

/** Its corners, none where it cannot be drawn. */
export function resultCorners(bench: Bench, object: Rounding): ResultCorner[] {
  try {
    return assemblyCorners(object, bench.scene)
  } catch (error) {
    if (error instanceof Refusal) return []
    throw error
  }
}

/** The corner under the pointer. */
export function resultCornerAt(bench: Bench, object: Rounding, at: At): ResultCorner | null {
  const { view } = bench.store.getState()
  if (!view) return null
  const away = (corner: ResultCorner) => distance(toScreen(view, corner.at), at.screen)
  const near = resultCorners(bench, object).filter((corner) => away(corner) <= GRIP)
  return near.sort((a, b) => away(a) - away(b))[0] ?? null
}

/** Whether a corner is finished. */
export const isFinished = ({ corners }: Rounding, { key, inner }: ResultCorner): boolean =>
  corners !== undefined &&
  (corners.only === undefined ||
    (corners.only === 'picked' ? (corners.picked ?? []).includes(key) : (corners.only === 'inner') === inner))

/** A combination with a corner picked, or no longer: from then on only picked ones are finished. */
export function withPicked(
  object: Rounding,
  corners: readonly ResultCorner[],
  corner: ResultCorner,
  on: boolean,
): Rounding {
  const now = corners.filter((one) => isFinished(object, one)).map(({ key }) => key)
  const gone = object.corners?.only === 'picked' ? (object.corners.picked ?? []) : []
  const picked = [...new Set([...gone, ...now])].filter((key) => key !== corner.key)
  return {
    ...object,
    corners: {
      ...object.corners,
      radius: object.corners?.radius ?? 0,
      only: 'picked',
      picked: on ? [...picked, corner.key] : picked,
    },
  }
}

/** A combination with the radius of its finished corners. */
export const withResultRadius = (object: Rounding, radius: Radius): Rounding => ({
  ...object,
  corners: { ...object.corners, radius },
})
