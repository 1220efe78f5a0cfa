import type { Cut } from '../model/cut'
import { type DrawingObject, kindOf } from '../model/object'
import { mapObjects, walk } from '../model/tree'

/** What the rest of an icon lies on: the first of its objects that is a ground; null where none is. */
export function groundIn(objects: readonly DrawingObject[]): DrawingObject | null {
  for (const { object } of walk(objects)) if (kindOf(object).stands === 'ground') return object
  return null
}

const cutBy = (ground: DrawingObject | null): Cut | undefined => (ground ? kindOf(ground).cuts?.(ground) : undefined)

/**
 * A drawing after an edit, what goes as far as its ground cut by the one that is there now: all of that where a ground
 * came, went, moved or became another one, else what was edited.
 */
export function withCuts(before: readonly DrawingObject[], after: DrawingObject[]): DrawingObject[] {
  const reaching = [...walk(after)].map(({ object }) => object).filter((object) => kindOf(object).withCut)
  if (before === after || reaching.length === 0) return after
  const cut = cutBy(groundIn(after)),
    isOther = !isSame(cut, cutBy(groundIn(before)))
  const known = isOther ? null : new Set([...walk(before)].map(({ object }) => object))
  const late = new Map(
    reaching.flatMap((object) => {
      const { cut: cutOf, withCut } = kindOf(object)
      const next = known?.has(object) ? object : withCut!(object, cut)
      return isSame(cutOf!(object), cutOf!(next)) ? [] : [[object.id, withCut!]]
    }),
  )
  return late.size === 0 ? after : mapObjects(after, (object) => late.get(object.id)?.(object, cut) ?? object)
}

const isSame = (a: Cut | undefined, b: Cut | undefined): boolean => JSON.stringify(a) === JSON.stringify(b)
