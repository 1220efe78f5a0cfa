import type { DrawingEdit, EmptyContainer } from '@/core/drawing/edit/edit'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { isStyled } from '@/core/drawing/objects/object'
import { styledWithin } from '@/core/drawing/edit/paint'
import { freshStyle } from '@/core/drawing/edit/fresh'
import type { Finish } from '@/core/drawing/model/style'
import { newId } from '@/ui/new-id'
import type { Bench } from '../state/bench'
import { title } from './objects'

/** A container without what every one has. */
type Bare<C = EmptyContainer> = C extends EmptyContainer ? Omit<C, 'id' | 'name'> : never

/**
 * Puts objects into a live container, which is selected then; what became part of it otherwise is gone. `rules` are
 * those of the set with what the container needs of them.
 */
export function gather(
  bench: Bench,
  objects: readonly DrawingObject[],
  word: string,
  container: Bare,
  gone: readonly DrawingObject[] = [],
  rules = bench.setRules,
): string {
  const id = newId()
  const gathering: DrawingEdit = {
    kind: 'gather',
    ids: objects.map((object) => object.id),
    container: { id, name: bench.nameFor(word), ...container } as EmptyContainer,
  }
  const removing: DrawingEdit = { kind: 'remove', ids: gone.map((object) => object.id) }
  const edit: DrawingEdit = gone.length > 0 ? { kind: 'all', edits: [removing, gathering] } : gathering
  bench.edit(edit, `${word}: ${title(objects)}`, rules)
  bench.select([id])
  return id
}

/** The finish of the first painted object, or a fresh one. */
export const finishIn = (bench: Bench, objects: readonly DrawingObject[]): Finish =>
  styledWithin(objects).find(isStyled)?.style ?? freshStyle(bench.rules, false)
