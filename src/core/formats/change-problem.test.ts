import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { DrawingObject } from '../drawing/objects/object'
import { oddObject } from '../../testing/wild'
import { SAMPLE_RULES } from '../../testing/sample-rules'
import { applyEdit } from '../set/edit'
import { IconSet, type IconSet as Set, setProblems } from '../set/set'
import { changeProblem } from './change-problem'
import { overlay, SetWrites, writesOf } from '../saving/wire'
import { changeBetween } from '../set/change'
import { runs } from '../../testing/runs'

const rules = SAMPLE_RULES
const icon = (id: string, objects: DrawingObject[] = []) => ({ id, name: id, masters: [{ base: 24, objects }] })
const set: Set = { name: 'Pier', kind: 'interface', rules, icons: [icon('oar'), icon('buoy'), icon('ferry')] }

/** Adds an object to an icon, as the bench does. */
const drawn = (before: Set, id: string, object: unknown): Set =>
  applyEdit(before, {
    kind: 'draw',
    master: 24,
    icon: id,
    edit: { kind: 'add', objects: [object as DrawingObject], into: null, at: 0 },
  })

describe('an edit', () => {
  it('is refused if and only if the file of what it leads to would be', () => {
    let refused = 0
    fc.assert(
      fc.property(fc.array(oddObject, { minLength: 1, maxLength: 3 }), (objects) => {
        let present = set
        for (const object of objects) {
          const next = drawn(present, 'oar', object)
          const isFine = IconSet.safeParse(next).success && setProblems(next).length === 0
          const problem = changeProblem(present, next)
          expect(problem === null, `${problem} ${JSON.stringify(object)}`).toBe(isFine)
          if (problem === null) present = next
          else {
            refused++
            expect(problem).toMatch(/^[A-Z“].*\.$/s)
          }
        }
      }),
      runs(300),
    )
    expect(refused).toBeGreaterThan(50)
  })

  it('of guides and names is looked at too, and what did not change is not', () => {
    const guides = Array.from({ length: 201 }, (_, i) => ({ id: `g${i}`, at: { x: 0, y: 0 }, angle: 0 }))
    expect(changeProblem(set, applyEdit(set, { kind: 'guides', master: 24, icon: 'oar', guides }))).toBe(
      'An icon may have at most 200 guides.',
    )
    expect(
      changeProblem(set, applyEdit(set, { kind: 'rules', rules: { ...rules, sizes: [0] }, renames: [] })),
    ).toContain('A size must be at least 1 pixel.')
    const broken = {
      ...set,
      icons: [...set.icons, icon('old', [{ kind: 'rectangle', id: 'r', name: 'r', x: 5e6 } as DrawingObject])],
    }
    expect(changeProblem(broken, applyEdit(broken, { kind: 'rename-icon', id: 'oar', name: 'sweep' }))).toBeNull()
  })
})

describe('writes', () => {
  it('of two stretches are those of the whole way, and pass the schema that the server has', () => {
    const name = fc.constantFrom('oar', 'buoy', 'ferry')
    const step = fc.oneof(
      fc.tuple(name, fc.integer({ min: 0, max: 2 })).map(
        ([id, to]) =>
          (one: Set) =>
            applyEdit(one, { kind: 'move-icon', id, to }),
      ),
      fc.tuple(name, fc.constantFrom('a', 'b', 'c')).map(
        ([id, to]) =>
          (one: Set) =>
            applyEdit(one, { kind: 'rename-icon', id, name: `${id}-${to}` }),
      ),
      name.map((id) => (one: Set) => applyEdit(one, { kind: 'remove-icons', ids: [id] })),
      fc.constant((one: Set) => applyEdit(one, { kind: 'rename-set', name: 'Mole' })),
    )
    fc.assert(
      fc.property(fc.array(step, { maxLength: 4 }), fc.array(step, { maxLength: 4 }), (first, second) => {
        const middle = first.reduce((one, act) => act(one), set),
          end = second.reduce((one, act) => act(one), middle)
        const writes = [changeBetween(set, middle), changeBetween(middle, end), changeBetween(set, end)].map((change) =>
          JSON.parse(JSON.stringify(change ? writesOf(change) : {})),
        )
        for (const one of writes) expect(SetWrites.safeParse(one).error).toBeUndefined()
        expect(overlay(overlay(set, writes[0]), writes[1])).toEqual(end)
        // Once or twice, it comes to the same.
        expect(overlay(overlay(set, writes[2]), writes[2])).toEqual(end)
      }),
    )
  })
})
