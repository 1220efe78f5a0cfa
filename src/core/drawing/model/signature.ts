import { z } from 'zod'
import { distance, type Point } from '../../geometry/point'
import { applyTidy } from '../../geometry/tidy'
import type { Transform } from '../../geometry/transform'
import { isMirroring } from './frame'
import { PointXY } from './place'

/**
 * How a thing that comes of members is told from others of its kind, such as a patch or a corner: by the lines that it
 * is made of, and where it was when it was chosen. The lines count while members move; of several along the same lines
 * the nearest is meant.
 */
export const Signature = z.strictObject({ key: z.string().min(1).max(20_000), at: PointXY })
export type Signature = z.infer<typeof Signature>

/** Something that a mark may mean; `away` is how far it is from a place. */
export type Marked = { readonly key: string; readonly away: (p: Point) => number }

/** Nearer than this a thing is where its mark is, when only the place counts. */
const HERE = 1e-4

/**
 * What a mark means, null when it is no longer there. After things were turned over their lines run otherwise: then only
 * the place counts.
 */
export function meant<M extends Marked>(mark: Signature, things: readonly M[], byPlace = false): M | null {
  let best: M | null = null,
    least = Infinity
  for (const thing of things) {
    if (!byPlace && thing.key !== mark.key) continue
    const away = thing.away(mark.at)
    if (away < least) {
      least = away
      best = thing
    }
  }
  return byPlace && least > HERE ? null : best
}

/** The same for many marks: things are looked up by their keys once. */
export function meantBy<M extends Marked>(things: readonly M[], byPlace = false): (mark: Signature) => M | null {
  if (byPlace) return (mark) => meant(mark, things, true)
  const byKey = new Map<string, M[]>()
  for (const thing of things) {
    const known = byKey.get(thing.key)
    if (known) known.push(thing)
    else byKey.set(thing.key, [thing])
  }
  return (mark) => {
    const alike = byKey.get(mark.key)
    return !alike ? null : alike.length === 1 ? alike[0]! : meant(mark, alike)
  }
}

export const movedSignatures = <M extends Signature>(marks: readonly M[], map: Transform): M[] =>
  marks.map((mark) => ({ ...mark, at: applyTidy(map, mark.at) }))

/** Whether only places count after a map, for marks of which that was so before or not. */
export const countsByPlace = (before: true | undefined, map: Transform): true | undefined =>
  before || isMirroring(map) ? true : undefined

/** How far a point is from another, as `Marked` has it. */
export const awayFrom = (at: Point) => (p: Point) => distance(at, p)
