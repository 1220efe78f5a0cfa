import { walk } from '../../drawing/objects/tree'
import type { Check } from '../check'

/** Hidden objects of the drawing itself: nobody sees that they are still there. */
export const hiddenLeft: Check = {
  id: 'hidden-left',
  concerns: 'litter',
  word: 'hidden objects',
  severity: 'note',
  find: ({ objects }) =>
    [...walk(objects)].flatMap(({ object, parents }) =>
      object.hidden && parents.length === 0 ? [{ sentence: `“${object.name}” is hidden.`, objects: [object.id] }] : [],
    ),
}
