import type { DrawingObject, OfKind } from '../model/object'
import { mapObjects, walk } from '../model/tree'

type Cut = NonNullable<OfKind<'cast'>['cut']>

/** The plate that an icon lies on: the first of its objects that is one; null where none is. */
export function plateIn(objects: readonly DrawingObject[]): OfKind<'plate'> | null {
  for (const { object } of walk(objects)) if (object.kind === 'plate') return object
  return null
}

/** As what a plate cuts a cast: by its name in the rules, where it lies. */
const cutBy = (plate: OfKind<'plate'> | null): Cut | undefined =>
  plate ? { plate: plate.plate, at: plate.at, ...(plate.map && { map: plate.map }) } : undefined

/**
 * A drawing after an edit, its casts cut by the plate that is there now: all of them where a plate came, went, moved or
 * became another one, else those that were edited. Casts that are to stay whole do.
 */
export function withCutCasts(before: readonly DrawingObject[], after: DrawingObject[]): DrawingObject[] {
  const casts = [...walk(after)].filter(({ object }) => object.kind === 'cast')
  if (before === after || casts.length === 0) return after
  const cut = cutBy(plateIn(after)),
    isOther = !isSame(cut, cutBy(plateIn(before)))
  const known = isOther ? null : new Set([...walk(before)].map(({ object }) => object))
  const late = new Set(
    casts.flatMap(({ object }) => {
      const cast = object as OfKind<'cast'>
      const wanted = cast.whole ? undefined : cut
      return (!known || !known.has(cast)) && !isSame(cast.cut, wanted) ? [cast.id] : []
    }),
  )
  if (late.size === 0) return after
  return mapObjects(after, (object) => {
    if (object.kind !== 'cast' || !late.has(object.id)) return object
    const { cut: _, ...rest } = object
    return object.whole || !cut ? rest : { ...rest, cut }
  })
}

const isSame = (a: Cut | undefined, b: Cut | undefined): boolean => JSON.stringify(a) === JSON.stringify(b)
