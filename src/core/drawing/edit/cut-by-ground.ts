import type { Cut } from '../model/cut'
import { type DrawingObject, kindOf } from '../objects/object'
import { mapObjects, walk } from '../objects/tree'

/** The first object of an icon that is a ground, such as a plate; null where there is none. */
export function groundIn(objects: readonly DrawingObject[]): DrawingObject | null {
  for (const { object } of walk(objects)) if (kindOf(object).stands === 'ground') return object
  return null
}

const cutBy = (ground: DrawingObject | null): Cut | undefined =>
  ground ? kindOf(ground).geometry.cuts?.(ground) : undefined

/**
 * A drawing after an edit, with everything that reaches as far as the ground cut by the present ground: all such
 * objects when the ground was added, moved, removed or exchanged, else only the edited ones.
 */
export function withCuts(before: readonly DrawingObject[], after: DrawingObject[]): DrawingObject[] {
  const reaching = [...walk(after)].map(({ object }) => object).filter((object) => kindOf(object).geometry.withCut)
  if (before === after || reaching.length === 0) return after
  const cut = cutBy(groundIn(after)),
    isOther = !isSame(cut, cutBy(groundIn(before)))
  const known = isOther ? null : new Set([...walk(before)].map(({ object }) => object))
  const late = new Map(
    reaching.flatMap((object) => {
      const { cut: cutOf, withCut } = kindOf(object).geometry
      const next = known?.has(object) ? object : withCut!(object, cut)
      return isSame(cutOf!(object), cutOf!(next)) ? [] : [[object.id, withCut!]]
    }),
  )
  return late.size === 0 ? after : mapObjects(after, (object) => late.get(object.id)?.(object, cut) ?? object)
}

const isSame = (a: Cut | undefined, b: Cut | undefined): boolean => JSON.stringify(a) === JSON.stringify(b)
