import type { Box } from '../../../geometry/box'
import { type Path, pathBounds } from '../../../geometry/path'
import type { Point } from '../../../geometry/point'
import { outlineOf } from '../../../planar/loops'
import { type Patchwork as Patches, withoutEdges } from '../../../planar/patches'
import { type Signature, meantBy } from '../../model/signature'
import type { Memory, Scene } from '../../scene/scene'
import { insideOf } from './inside'
import { type LaidPatch, laidOut } from './laid'
import type { Patchwork, Swept } from './schema'
import { stretchesOf } from './stretches'

/** What the marks of a patchwork mean: the patches of each shape, and those marks that mean nothing any more. */
type Meant = {
  readonly shapes: readonly (readonly LaidPatch[])[]
  readonly lost: readonly { readonly shape: Swept; readonly mark: Signature }[]
}

const memory: Memory<Meant> = new WeakMap()

const meantIn = (object: Patchwork, scene: Scene): Meant =>
  scene.remembered(memory, object, () => {
    const meant = meantBy(laidOut(object, scene).list, object.byPlace)
    const lost: { shape: Swept; mark: Signature }[] = []
    const shapes = object.swept.map((shape) =>
      shape.patches.flatMap((mark) => {
        const patch = meant(mark)
        if (!patch) lost.push({ shape, mark })
        return patch ?? []
      }),
    )
    return { shapes, lost }
  })

/** Patches that were swept and are no longer there: their lines cross otherwise now. */
export const lostPatches = (object: Patchwork, scene: Scene): Meant['lost'] => meantIn(object, scene).lost

/** The patches after lines were cut, and the face that each of those before is part of now. */
type Whole = { readonly patches: Patches; readonly now: (face: number) => number }

function wholeOf(object: Patchwork, scene: Scene): Whole {
  const { patches } = laidOut(object, scene)
  const { cut = [] } = object
  if (cut.length === 0) return { patches, now: (face) => face }
  const meant = meantBy(stretchesOf(object, scene), object.byPlace)
  const whole = withoutEdges(
    patches,
    cut.flatMap((mark) => meant(mark)?.edges ?? []),
  )
  const merged = new Map<number, number>()
  patches.arrangement.face.forEach((face, half) => merged.set(face, whole.arrangement.face[half]!))
  return { patches: whole, now: (face) => merged.get(face) ?? face }
}

const paths: Memory<readonly Path[]> = new WeakMap()

/** The outline of each swept shape; nothing where all its patches are gone or open to the outside. */
export const sweptPaths = (object: Patchwork, scene: Scene): readonly Path[] =>
  scene.remembered(paths, object, () => {
    const { patches, now } = wholeOf(object, scene)
    return meantIn(object, scene).shapes.map((list) => {
      const kept = new Set(list.map(({ face }) => now(face)))
      kept.delete(0)
      return kept.size > 0 ? outlineOf(patches.arrangement, (face) => kept.has(face)) : []
    })
  })

/** A patch at present: its outline, and the shape that it belongs to. */
export type PatchNow = {
  readonly parts: readonly LaidPatch[]
  readonly path: Path
  readonly box: Box
  readonly shape: Swept | null
}

/** A patch by its face, whatever it was swept to. */
type Bare = Omit<PatchNow, 'shape'> & { readonly face: number }

const bares: Memory<readonly Bare[]> = new WeakMap()
const now: Memory<readonly PatchNow[]> = new WeakMap()

/** The patches after lines were cut; where none was, remembered for all that is swept of the same lines. */
function barePatches(object: Patchwork, scene: Scene): readonly Bare[] {
  const laid = laidOut(object, scene)
  const compute = () => {
    const { patches, now: nowOf } = wholeOf(object, scene)
    const parts = new Map<number, LaidPatch[]>()
    for (const patch of laid.list) {
      const face = nowOf(patch.face)
      const known = parts.get(face)
      if (known) known.push(patch)
      else parts.set(face, [patch])
    }
    return patches.patches.map(({ face, path }) => ({
      face,
      parts: parts.get(face) ?? [],
      path,
      box: pathBounds(path)!,
    }))
  }
  return object.cut ? compute() : scene.remembered(bares, laid, compute)
}

/** Every patch of a patchwork as its lines make them after some were cut. */
export const patchesNow = (object: Patchwork, scene: Scene): readonly PatchNow[] =>
  scene.remembered(now, object, () => {
    const { now: nowOf } = wholeOf(object, scene)
    const shapes = new Map(
      meantIn(object, scene).shapes.flatMap((list, i) => list.map(({ face }) => [nowOf(face), object.swept[i]!])),
    )
    return barePatches(object, scene).map(({ face, ...patch }): PatchNow => ({
      ...patch,
      shape: shapes.get(face) ?? null,
    }))
  })

const places = new WeakMap<LaidPatch, Point>()

/** The mark of a patch: its lines, and a place within it. */
export function patchMark(patch: LaidPatch): Signature {
  let at = places.get(patch)
  if (!at) places.set(patch, (at = insideOf(patch.path)))
  return { key: patch.key, at }
}

/** Updates the marks of a patchwork to its present patches. */
export function remarked<P extends Patchwork>(object: P, scene: Scene): P {
  const { byPlace, ...rest } = object
  if (!byPlace) return object
  const { shapes } = meantIn(object, scene)
  const meant = meantBy(stretchesOf(object, scene), true)
  return {
    ...rest,
    swept: object.swept.flatMap((shape, i) =>
      shapes[i]!.length > 0 ? [{ ...shape, patches: shapes[i]!.map(patchMark) }] : [],
    ),
    ...(object.cut && {
      cut: object.cut.flatMap((mark) => {
        const stretch = meant(mark)
        return stretch ? [{ key: stretch.key, at: mark.at }] : []
      }),
    }),
  } as unknown as P
}
