import { type Alike, LookAlikes } from '../../proof/look-alikes'
import type { Found } from '../snag'
import { type FamilyCheck, type Sibling, about } from '../family-check'

/** How much alike two icons may be at 16 pixels before they are mistaken for each other. */
export const ALIKE = 0.86

const alikes = new LookAlikes<Sibling>(ALIKE)

/** The pairs of a family that are mistaken for each other, by their ids, the most alike first. */
export const alikePairs = (family: readonly Sibling[]): Alike<string>[] =>
  alikes.pairs(family).map(({ a, b, likeness }) => ({ a: a.id, b: b.id, likeness }))

/** Icons that are mistaken for each other. */
export const lookAlike: FamilyCheck = {
  id: 'look-alike',
  word: 'look alike at 16 px',
  severity: 'warning',
  find(family, _, alike) {
    const found = new Map<string, Found>(),
      names = new Map(family.map(({ id, name }) => [id, name]))
    const say = (one: string, other: string, percent: number) => {
      // The most alike come first.
      if (!found.has(one)) found.set(...about(one, `At 16 px it is ${percent} % like “${names.get(other)}”.`))
    }
    for (const { a, b, likeness } of alike) {
      // The comparison may be older than the family.
      if (!names.has(a) || !names.has(b)) continue
      const percent = Math.round(100 * likeness)
      say(a, b, percent)
      say(b, a, percent)
    }
    return found
  },
}
