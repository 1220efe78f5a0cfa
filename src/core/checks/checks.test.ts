import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { sceneOf } from '../drawing/evaluated-scene'
import type { DrawingObject } from '../drawing/object'
import { readSetFile } from '../formats/set-file'
import { masterFor } from '../set/set'
import { CHECKS, snagsIn } from './checks'

const { icons, rules } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
const scene = sceneOf(rules)

const spiral = (id: string, turns: number): DrawingObject => ({
  kind: 'spiral',
  id,
  name: id,
  x: 2,
  y: 2,
  w: 20,
  h: 20,
  turns,
  inner: 0,
  style: { fill: 'none', stroke: 'ink', weight: 1, dash: [0.1], dashOffset: 0 },
})

describe('checks', () => {
  it('find nothing in the demo icons, and each has a name of its own', () => {
    for (const icon of icons) expect(snagsIn({ objects: masterFor(icon).objects, scene })).toEqual([])
    expect(new Set(CHECKS.map(({ id }) => id)).size).toBe(CHECKS.length)
  })

  it('say of an object that comes to too much which it is, and why', () => {
    const [snag, ...more] = snagsIn({ objects: [...masterFor(icons[0]!).objects, spiral('rope', 40)], scene })
    expect(snag).toMatchObject({ check: 'cannot-be-drawn', objects: ['rope'] })
    expect(snag!.sentence).toMatch(/^“rope” comes to [\d,]+ dashes; at most 10,000 are drawn\.$/)
    expect(more).toEqual([])
  })

  it('say of a drawing that comes to too much by its number that it is the whole', () => {
    const many = Array.from({ length: 1200 }, (_, i): DrawingObject => ({
      ...(spiral(`s${i}`, 50) as Extract<DrawingObject, { kind: 'spiral' }>),
      style: { fill: 'none', stroke: 'ink', weight: 1 },
    }))
    expect(snagsIn({ objects: many, scene })).toMatchObject([
      { objects: [], sentence: expect.stringMatching(/^The drawing comes to /) },
    ])
  })
})
