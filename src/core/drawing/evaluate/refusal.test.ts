import { pictureIn } from '../../picture/stored'
import { svgOfPicture } from '../../picture/svg'
import { sceneOf } from './evaluated-scene'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bringClock } from '../../geometry/deadline'
import { SAMPLE_RULES } from '../../../testing/sample-rules'
import { drawnIcon } from '../../picture/drawn'
import { evaluate, outline, refusalIn, wholeDrawing } from './evaluate'
import { extent } from './extent'
import type { DrawingObject, OfKind } from '../objects/object'
import { Refusal } from '../../findings/refusal'
import { wildObject } from '../../../testing/wild'
import { pixelsOf } from '../../../testing/rasterise'
import { runs } from '../../../testing/runs'

const rules = SAMPLE_RULES
const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const box = { x: 3, y: 3, w: 18, h: 18 }

// A clock that counts looks instead of time, so that what is refused is the same on every machine.
const LOOKS = 60_000
beforeAll(() =>
  bringClock(() => {
    let looks = 0
    return () => ++looks > LOOKS
  }),
)
afterAll(() => bringClock(null))

describe('any object that the schema takes, however odd its numbers', () => {
  it('is drawn with finite numbers and survives the rasteriser, or is refused in a sentence', () => {
    fc.assert(
      fc.property(wildObject, (object) => {
        const { picture, problem } = drawnIcon(
          { id: 'wild', name: 'wild', masters: [{ base: 24, objects: [object] }] },
          rules,
        )
        if (picture) {
          const svg = svgOfPicture(pictureIn(picture))
          expect(svg).not.toMatch(/NaN|Infinity|undefined/)
          expect(() => pixelsOf(svg, 24)).not.toThrow()
        } else expect(problem).toMatch(/^(“A \w+”|The drawing|This) .*\.$/)
        for (const { segments } of outline(object, sceneOf(rules))) expect(segments.length).toBeGreaterThan(0)
        const { x, y, w, h } = extent(object, sceneOf(rules))
        expect([x, y, w, h].every(Number.isFinite)).toBe(true)
      }),
      runs(500),
    )
  })
})

describe('what comes to too much', () => {
  const mirror = (members: DrawingObject[], folds = 120): OfKind<'mirror'> => ({
    kind: 'mirror',
    id: 'm',
    name: 'Wreath',
    at: { x: 12, y: 12 },
    angle: 90,
    folds,
    flip: true,
    members,
  })
  const spiral: DrawingObject = { kind: 'spiral', id: 's', name: 'Rope', ...box, turns: 50, inner: 0, style }

  it.each<[string, DrawingObject]>([
    ['“Wreath” comes to billions of segments; at most 60,000 are drawn.', mirror([mirror([mirror([spiral])])])],
    [
      '“Rope” comes to billions of dashes; at most 10,000 are drawn.',
      { ...spiral, style: { ...style, dash: [1e-18], endHead: 'arrow' } },
    ],
    [
      '“Rope” comes to 360,000 dashes; at most 10,000 are drawn.',
      { ...spiral, style: { ...style, dash: [0.01], side: 'outside' } },
    ],
    [
      '“Wreath” comes to 7,680 stops of gradients; at most 4,000 are drawn.',
      mirror([
        {
          ...spiral,
          turns: 1,
          style: {
            ...style,
            stroke: {
              kind: 'linear',
              from: { x: 0, y: 0 },
              to: { x: 1, y: 0 },
              stops: Array.from({ length: 32 }, (_, i) => ({ at: i / 31, color: 'ink' })),
            },
          },
        },
      ]),
    ],
  ])('is refused before any of it is computed: %s', (message, object) => {
    // A clock that is over at the first look: what was counted needs none.
    bringClock(() => () => true)
    expect(refusalIn(object, sceneOf(rules))).toMatchObject({ code: 'too-much', message })
    bringClock(() => () => false)
    expect(evaluate(object, sceneOf(rules))).toEqual([])
    expect(extent(object, sceneOf(rules)).w).toBeGreaterThan(1)
  })

  it('is refused as a whole where only all of it is too much, and nothing of it is delivered', () => {
    const many = Array.from({ length: 301 }, (_, i): DrawingObject => ({ ...spiral, id: `s${i}` }))
    expect(many.every((object) => refusalIn(object, sceneOf(rules)) === null)).toBe(true)
    expect(() => wholeDrawing(many, sceneOf(rules))).toThrow(
      'The drawing comes to 60,200 segments; at most 60,000 are drawn.',
    )
  })

  it('in a hidden object counts for nothing', () => {
    expect(refusalIn({ ...mirror([mirror([mirror([spiral])])]), hidden: true }, sceneOf(rules))).toBeNull()
  })
})

describe('what takes too long', () => {
  const circles = Array.from({ length: 120 }, (_, i): DrawingObject => ({
    kind: 'ellipse',
    id: `c${i}`,
    name: `Circle ${i}`,
    x: (i * 7) % 13,
    y: (i * 5) % 11,
    w: 9,
    h: 9,
    style,
  }))
  const cluster = (): DrawingObject => ({ kind: 'assembly', id: 'a', name: 'Cluster', style, members: circles })

  it('is given up, said, and not tried again; a picture that lacks it is never made', () => {
    let begun = 0
    bringClock(() => {
      begun++
      let looks = 0
      return () => ++looks > 50
    })
    const object = cluster()
    expect(refusalIn(object, sceneOf(rules))).toMatchObject({
      code: 'too-slow',
      message: '“Cluster” takes too long to compute: too many of its segments meet.',
    })
    const tried = begun
    expect([
      evaluate(object, sceneOf(rules)),
      outline(object, sceneOf(rules)),
      refusalIn(object, sceneOf(rules))?.code,
    ]).toEqual([[], [], 'too-slow'])
    expect(begun).toBeLessThanOrEqual(tried + 1)
    expect(() => wholeDrawing([circles[0]!, object], sceneOf(rules))).toThrow(Refusal)
  })

  it('is not tried again as a member of other things once it is known', () => {
    let looks = 0
    bringClock(() => {
      const limit = looks + 400
      return () => ++looks > limit
    })
    const slow = cluster()
    expect(refusalIn(slow, sceneOf(rules))?.code).toBe('too-slow')
    const tried = looks
    for (const id of ['a', 'b', 'c']) {
      const group: DrawingObject = { kind: 'group', id, name: id, members: [slow] }
      expect(refusalIn(group, sceneOf(rules))?.code).toBe('too-slow')
    }
    expect(looks - tried).toBeLessThan(20)
  })

  it('does not take along what was merely the last of it', () => {
    let limit = 400
    bringClock(() => {
      let looks = 0
      return () => ++looks > limit
    })
    const inner: DrawingObject = { kind: 'assembly', id: 'i', name: 'Pair', style, members: circles.slice(0, 2) }
    const group: DrawingObject = {
      kind: 'group',
      id: 'g',
      name: 'All',
      members: [{ ...(cluster() as DrawingObject & { kind: 'assembly' }), members: circles.slice(0, 60) }, inner],
    }
    expect(refusalIn(group, sceneOf(rules))?.code).toBe('too-slow')
    limit = 100_000
    expect([refusalIn(inner, sceneOf(rules)), evaluate(inner, sceneOf(rules)).length]).toEqual([null, 1])
  })
})
