import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readSetFile } from '../../formats/set-file'
import type { Rules } from '../../rules/rules'
import { masterFor } from '../../set/set'
import { sceneOf } from './evaluated-scene'
import { type DrawingObject, isContainer } from '../objects/object'
import { namesUsed, type ValueKind } from '../objects/visit'

const { icons, rules } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
const objects = icons.flatMap((icon) => masterFor(icon).objects)

/** Whether an object, or anything in it, refers to a value of the rules. */
const refersTo = (object: DrawingObject, kind: ValueKind, name: string): boolean =>
  namesUsed(object).some((used) => used.kind === kind && used.name === name) ||
  (isContainer(object) && object.members.some((member) => refersTo(member, kind, name))) ||
  namesUsed(object).some(
    (used) =>
      used.kind === 'part' &&
      rules.parts!.find((part) => part.name === used.name)!.objects.some((one) => refersTo(one, kind, name)),
  )

/** How many objects of the set are computed anew with other rules, their shapes and their edges. */
function recomputed(changed: Rules): { shapes: DrawingObject[]; edges: DrawingObject[] } {
  const before = sceneOf(rules),
    after = sceneOf(changed)
  return {
    shapes: objects.filter((object) => before.shapes(object) !== after.shapes(object)),
    edges: objects.filter((object) => before.edge(object) !== after.edge(object)),
  }
}

describe('after a change of one rule', () => {
  it('only what reads it is computed anew', () => {
    const radius = recomputed({
      ...rules,
      radii: rules.radii.map((one) => (one.name === 'outer' ? { ...one, value: one.value + 0.5 } : one)),
    })
    const rounded = objects.filter((object) => refersTo(object, 'radius', 'outer'))
    expect(rounded.length).toBeGreaterThan(5)
    expect(rounded.length).toBeLessThan(objects.length / 2)
    expect(radius.edges.map(({ id }) => id)).toEqual(rounded.map(({ id }) => id))
    expect(radius.shapes.map(({ id }) => id)).toEqual(rounded.map(({ id }) => id))

    const weight = recomputed({
      ...rules,
      weights: rules.weights.map((one) => (one.name === 'main' ? { ...one, value: 1.5 } : one)),
    })
    // Edges only of what strokes take part in with what they paint.
    expect(weight.edges.length).toBeLessThan(6)
    expect(weight.edges.every((object) => isContainer(object) && refersTo(object, 'weight', 'main'))).toBe(true)
    expect(weight.shapes.length).toBeGreaterThan(20)
    expect(weight.shapes.every((object) => refersTo(object, 'weight', 'main'))).toBe(true)
  })

  it('nothing is where no drawing reads it, or the rules say the same in other objects', () => {
    for (const same of [
      { ...rules, liveArea: rules.liveArea - 1 },
      { ...rules, palette: [...rules.palette, { name: 'unused', color: '#123456' }] },
      structuredClone(rules),
    ])
      expect(recomputed(same)).toEqual({ shapes: [], edges: [] })
  })

  it('what was computed before is still there when it is taken back', () => {
    const thick = { ...rules, weights: rules.weights.map((one) => ({ ...one, value: 3 })) }
    const first = objects.map((object) => sceneOf(rules).shapes(object))
    for (const object of objects) sceneOf(thick).shapes(object)
    expect(objects.every((object, i) => sceneOf({ ...rules }).shapes(object) === first[i])).toBe(true)
  })
})
