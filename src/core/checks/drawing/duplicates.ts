import type { DrawingObject } from '../../drawing/objects/object'
import type { Check } from '../check'
import { seenIn } from '../look/seen'

/** Objects that lie exactly on another that is alike. */
export const duplicates: Check = {
  id: 'duplicates',
  concerns: 'litter',
  word: 'stacked duplicates',
  severity: 'warning',
  find: ({ objects }) => {
    const known = new Map<string, DrawingObject>()
    return seenIn(objects).flatMap(({ object, parents, isFree }) => {
      const seen = `${parents.at(-1)?.id ?? ''} ${looks(object)}`
      const below = known.get(seen)
      if (!below) {
        known.set(seen, object)
        return []
      }
      return [
        {
          sentence: `“${object.name}” lies exactly on “${below.name}”, which is alike.`,
          objects: [object.id, below.id],
          ...(isFree && { mend: { kind: 'remove' as const, ids: [object.id] } }),
        },
      ]
    })
  },
}

/** All that an object is, its name and those of its members left aside. */
const looks = (object: DrawingObject): string =>
  JSON.stringify(object, (key, value: unknown) => (key === 'id' || key === 'name' ? undefined : value))
