import type { DrawingEdit } from '../../drawing/edit/edit'
import { type DrawingObject, isContainer, isStyled, type Styled } from '../../drawing/objects/object'
import { type Located, walk } from '../../drawing/objects/tree'

/** An object that is seen, with the containers around it, and whether it may be changed. */
export type Seen = Located & { readonly isFree: boolean }

const known = new WeakMap<readonly DrawingObject[], readonly Seen[]>()

/** Every object of a drawing that is neither hidden nor in something that is, in paint order. */
export function seenIn(objects: readonly DrawingObject[]): readonly Seen[] {
  let seen = known.get(objects)
  if (!seen) known.set(objects, (seen = listed(objects)))
  return seen
}

const listed = (objects: readonly DrawingObject[]): Seen[] =>
  [...walk(objects)].flatMap(({ object, parents }) => {
    const all = [object, ...parents]
    return all.some(({ hidden }) => hidden) ? [] : [{ object, parents, isFree: !all.some(({ locked }) => locked) }]
  })

/** The seen objects whose own style is painted. Members of a combination take the style of their container. */
export const paintedIn = (objects: readonly DrawingObject[]): readonly (Seen & { readonly object: Styled })[] =>
  seenIn(objects).filter(
    (one): one is Seen & { object: Styled } =>
      isStyled(one.object) && !one.parents.some((parent) => isContainer(parent) && isStyled(parent)),
  )

/** A mend that replaces objects by others with the same ids; none where the object is locked. */
export const replacing = (
  { isFree }: Pick<Seen, 'isFree'>,
  ...objects: readonly DrawingObject[]
): { readonly mend?: DrawingEdit } => (isFree ? { mend: { kind: 'replace', objects } } : {})

/** A number as a sentence says it. */
export const said = (value: number): string => String(Math.round(value * 1000) / 1000)
