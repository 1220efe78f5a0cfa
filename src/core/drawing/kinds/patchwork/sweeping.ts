import { tidy } from '../../../geometry/tidy'
import type { Scene } from '../../scene/scene'
import type { Style } from '../../model/style'
import type { Patchwork, Swept } from './schema'
import type { Stretch } from './stretches'
import { stretchesOf } from './stretches'
import { meantBy } from '../../model/signature'
import { type PatchNow, patchMark, remarked } from './swept'

/** What a new shape is called and painted with. */
export type Fresh = Pick<Swept, 'id' | 'name' | 'style'>

const marksOf = (patches: readonly PatchNow[]) => patches.flatMap(({ parts }) => parts.map(patchMark))
const same = (a: { key: string; at: { x: number; y: number } }, b: typeof a) =>
  a.key === b.key && a.at.x === b.at.x && a.at.y === b.at.y

/**
 * Sweeps patches together: into the shape of the first that has one, into `into`, or into a new one. Other touched
 * shapes are merged into it.
 */
export function kept<P extends Patchwork>(
  object: P,
  scene: Scene,
  patches: readonly PatchNow[],
  fresh: Fresh,
  into: string | null,
): P {
  if (patches.length === 0) return object
  const { swept } = remarked(object, scene)
  const home = into ?? patches.find(({ shape }) => shape)?.shape?.id ?? null
  const joined = new Set(patches.flatMap(({ shape }) => (shape && shape.id !== home ? [shape.id] : [])))
  const added = [
    ...swept.flatMap((shape) => (joined.has(shape.id) ? shape.patches : [])),
    ...marksOf(patches.filter(({ shape }) => !shape)),
  ]
  const rest = swept.filter(({ id }) => !joined.has(id))
  const next =
    home === null
      ? [...rest, { ...fresh, patches: added }]
      : rest.map((shape) => (shape.id === home ? { ...shape, patches: [...shape.patches, ...added] } : shape))
  return { ...remarked(object, scene), swept: next }
}

/** A patchwork without patches in its shapes; shapes that have none left are gone. */
export function dropped<P extends Patchwork>(object: P, scene: Scene, patches: readonly PatchNow[]): P {
  const now = remarked(object, scene)
  const gone = new Set(patches.flatMap(({ parts }) => parts))
  const meant = meantBy(patches.flatMap(({ parts }) => parts))
  return {
    ...now,
    swept: now.swept.flatMap((shape) => {
      const left = shape.patches.filter((mark) => {
        const patch = meant(mark)
        return !patch || !gone.has(patch) || patch.away(mark.at) > 0
      })
      return left.length === 0 ? [] : [left.length === shape.patches.length ? shape : { ...shape, patches: left }]
    }),
  }
}

/** A patchwork with a stretch of line cut out, or put back. */
export function withCut<P extends Patchwork>(object: P, scene: Scene, stretch: Stretch): P {
  const { cut = [], ...rest } = remarked(object, scene)
  const meant = meantBy(stretchesOf(object, scene))
  const left = cut.filter((mark) => meant(mark) !== stretch)
  const at = { x: tidy(stretch.at.x), y: tidy(stretch.at.y) }
  const next = left.length < cut.length ? left : [...cut, { key: stretch.key, at }]
  return (next.length > 0 ? { ...rest, cut: next } : rest) as P
}

/** The stretches of line that are cut out. */
export function cutStretches(object: Patchwork, scene: Scene): readonly Stretch[] {
  if (!object.cut) return []
  const meant = meantBy(stretchesOf(object, scene), object.byPlace)
  return object.cut.flatMap((mark) => meant(mark) ?? [])
}

/** Extends an open end to the line that it nearly reaches. */
export const withClosed = <P extends Patchwork>(object: P, key: string): P => ({
  ...object,
  closed: [...(object.closed ?? []).filter((one) => one !== key), key],
})

/** A patchwork with the finish of one of its shapes. */
export const withSweptStyle = <P extends Patchwork>(object: P, id: string, style: Style): P => ({
  ...object,
  swept: object.swept.map((shape) => (shape.id === id ? { ...shape, style } : shape)),
})

/** A patchwork without the marks that mean nothing any more. */
export function withoutLost<P extends Patchwork>(object: P, lost: readonly { mark: Swept['patches'][number] }[]): P {
  return {
    ...object,
    swept: object.swept.flatMap((shape) => {
      const patches = shape.patches.filter((mark) => !lost.some((one) => same(one.mark, mark)))
      return patches.length > 0 ? [{ ...shape, patches }] : []
    }),
  }
}
