import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { anyObject } from '../../testing/arbitrary'
import { applyDrawingEdit } from '../drawing/edit/edit'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { DrawingObject } from '../drawing/objects/object'
import { readSetFile } from '../formats/set-file'
import { basesOf } from '../rules/rules-for-grid'
import { LIMIT_KEYS } from '../rules/limits'
import type { Rules } from '../rules/rules'
import { SAMPLE_RULES } from '../../testing/sample-rules'
import type { Checked } from './check'
import { acceptedAs, keyOf } from './accepting'
import { CHECKS } from './checks'
import { snagsIn, snagsOn } from './snags'
import { nameProblem, patterned } from './family/naming'
import { runs } from '../../testing/runs'

const rules: Rules = {
  ...SAMPLE_RULES,
  palette: [...SAMPLE_RULES.palette, { name: 'signal', color: '#d5401b' }],
  angles: [0, 45, 90, 135],
  gap: 1,
  counter: 1,
  safeZone: 20,
  checks: { 'off-grid': 'note' },
}
const checked = (...objects: readonly DrawingObject[]): Checked => ({ objects, rules, scene: sceneOf(rules) })
const found = (at: Checked) => snagsIn(at).map(({ check }) => check)

const ink = { fill: 'ink', stroke: 'none', weight: 'main' } as const
const lined = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const box = (id: string, x: number, y: number, w: number, h: number, more: object = {}): DrawingObject =>
  ({ kind: 'rectangle', id, name: id, x, y, w, h, corner: 0, style: ink, ...more }) as DrawingObject
const disc = (id: string, x: number, y: number, r: number, more: object = {}): DrawingObject =>
  ({ kind: 'ellipse', id, name: id, x: x - r, y: y - r, w: 2 * r, h: 2 * r, style: ink, ...more }) as DrawingObject
const line = (id: string, x: number, y: number, to: readonly [number, number], more: object = {}): DrawingObject =>
  ({ kind: 'line', id, name: id, from: { x, y }, to: { x: to[0], y: to[1] }, style: lined, ...more }) as DrawingObject
const path = (id: string, nodes: readonly object[], more: object = {}, closed = true): DrawingObject =>
  ({ kind: 'path', id, name: id, corner: 0, contours: [{ closed, nodes }], style: ink, ...more }) as DrawingObject
const plate = (id: string, fill: string): DrawingObject =>
  ({ kind: 'plate', id, name: id, plate: 'disc', at: { x: 12, y: 12 }, style: { ...ink, fill } }) as DrawingObject
const square = [
  { x: 4, y: 4 },
  { x: 20, y: 4 },
  { x: 20, y: 20 },
  { x: 4, y: 20 },
]

/** For each check the smallest drawing that has its fault (most have other snags too), and whether it can be mended. */
type Fault = {
  readonly objects: readonly DrawingObject[]
  readonly mends: boolean
  readonly main?: readonly DrawingObject[]
}
const FAULTS: Readonly<Record<string, Fault>> = {
  'cannot-be-drawn': {
    objects: [line('l', 2, 2, [900_000, 2], { style: { ...lined, dash: [0.1] } })],
    mends: false,
  },
  'nothing-drawn': { objects: [{ ...box('a', 5, 5, 14, 14), hidden: true }], mends: false },
  'off-pixel': { objects: [box('a', 4.5, 4.5, 15, 15)], mends: true },
  'off-grid': { objects: [disc('a', 12.2, 12.3, 9)], mends: true },
  'nearly-straight': { objects: [line('a', 4, 12, [20, 12.5])], mends: true },
  'own-angle': { objects: [line('a', 4, 8, [20, 16])], mends: true },
  'own-weight': { objects: [line('a', 4, 12, [20, 12], { style: { ...lined, weight: 2.2 } })], mends: true },
  'own-radius': { objects: [box('a', 3, 3, 18, 18, { corner: 1.3 })], mends: true },
  'own-thickness': { objects: [box('a', 3, 11, 18, 2.2)], mends: false },
  'outlined-by-hand': {
    objects: [
      path('a', [
        { x: 4, y: 11 },
        { x: 13, y: 11 },
        { x: 13, y: 4 },
        { x: 15, y: 4 },
        { x: 15, y: 13 },
        { x: 4, y: 13 },
      ]),
    ],
    mends: true,
  },
  'own-arc': {
    objects: [
      path('a', [
        { x: 4, y: 4 },
        { x: 17.8, y: 4, arc: { rx: 2.2, ry: 2.2, sweep: true } },
        { x: 20, y: 6.2 },
        { x: 20, y: 20 },
        { x: 4, y: 20 },
      ]),
    ],
    mends: false,
  },
  'own-colour': { objects: [box('a', 3, 3, 18, 18, { style: { ...ink, fill: '#d0441f' } })], mends: true },
  'own-cap': { objects: [line('a', 4, 12, [20, 12], { style: { ...lined, cap: 'butt' } })], mends: true },
  'own-join': { objects: [box('a', 3, 3, 18, 18, { style: { ...lined, join: 'bevel' } })], mends: true },
  'nearly-centred': { objects: [disc('a', 12.1, 12, 8)], mends: true },
  'nearly-concentric': { objects: [disc('a', 12, 12, 9), disc('b', 12.1, 12, 3, { role: 'cuts' })], mends: true },
  'nearly-tangent': { objects: [disc('a', 6, 12, 4), disc('b', 14.1, 12, 4)], mends: true },
  'nearly-equal': { objects: [box('a', 3, 8, 8, 8), box('b', 13, 8, 8.1, 8)], mends: true },
  'nearly-symmetric': {
    objects: [
      path('a', [
        { x: 12, y: 4 },
        { x: 20, y: 20 },
        { x: 4.05, y: 20 },
      ]),
    ],
    mends: false,
  },
  'nearly-touching': { objects: [box('a', 3, 4, 8.9, 16), box('b', 12, 4, 9, 16)], mends: false },
  'small-gap': { objects: [box('a', 3, 4, 8, 16), box('b', 12, 4, 9, 16)], mends: false },
  'small-counter': {
    objects: [
      {
        ...path('a', square),
        contours: [
          { closed: true, nodes: square },
          {
            closed: true,
            nodes: [
              { x: 12, y: 8 },
              { x: 12, y: 16 },
              { x: 13, y: 16 },
              { x: 13, y: 8 },
            ],
          },
        ],
      } as DrawingObject,
    ],
    mends: false,
  },
  seam: {
    objects: [box('a', 3, 3, 9, 18), box('b', 12, 3, 9, 18, { style: { ...ink, fill: 'signal' } })],
    mends: true,
  },
  'beyond-square': { objects: [box('a', -1, 3, 26, 18)], mends: true },
  'outside-live-area': { objects: [box('a', 0, 3, 24, 18)], mends: true },
  'crosses-safe-zone': { objects: [box('a', 3, 3, 18, 18)], mends: false },
  'misses-keyline': { objects: [disc('a', 12, 12, 5)], mends: false },
  'off-centre': { objects: [box('a', 1, 8, 16, 8)], mends: true },
  'low-contrast': {
    objects: [plate('p', 'signal'), disc('a', 12, 12, 6, { style: { ...ink, fill: 'signal' } })],
    mends: false,
  },
  leak: {
    objects: [
      path(
        'a',
        [
          { x: 12, y: 4 },
          { x: 20, y: 12 },
          { x: 12, y: 20 },
          { x: 12, y: 4.1 },
        ],
        { style: lined },
        false,
      ),
    ],
    mends: true,
  },
  'nearly-upright': { objects: [box('a', 3, 3, 18, 18, { turn: 0.6 })], mends: true },
  'nearly-spaced': {
    objects: [box('a', 3, 4, 4, 16), box('b', 10, 4, 4, 16), box('c', 17.1, 4, 4, 16)],
    mends: true,
  },
  kinks: {
    objects: [
      path('a', [
        { x: 4, y: 12, out: { x: 4, y: 0 } },
        { x: 12, y: 8, in: { x: -4, y: 0 }, out: { x: 4, y: 0.3 } },
        { x: 20, y: 12, in: { x: -4, y: 0 } },
        { x: 12, y: 20 },
      ]),
    ],
    mends: true,
  },
  'ends-off': { objects: [line('a', 4, 12, [12, 12]), line('b', 12.1, 12, [12.1, 20])], mends: true },
  'filled-counter': {
    objects: [
      {
        ...path('a', square),
        contours: [
          { closed: true, nodes: square },
          {
            closed: true,
            nodes: [
              { x: 8, y: 8 },
              { x: 16, y: 8 },
              { x: 16, y: 16 },
              { x: 8, y: 16 },
            ],
          },
        ],
      } as DrawingObject,
    ],
    mends: true,
  },
  'crosses-itself': { objects: [path('a', [square[0]!, square[2]!, square[1]!, square[3]!])], mends: true },
  'too-many-nodes': {
    objects: [
      path(
        'a',
        Array.from({ length: 120 }, (_, i) => ({
          x: 12 + 9 * Math.cos((i * Math.PI) / 60),
          y: 12 + 9 * Math.sin((i * Math.PI) / 60),
          arc: { rx: 9, ry: 9, sweep: true },
        })),
      ),
    ],
    mends: true,
  },
  covered: { objects: [box('b', 8, 8, 4, 4), box('a', 3, 3, 18, 18)], mends: true },
  'hidden-left': { objects: [box('a', 3, 3, 18, 18), { ...box('b', 5, 5, 5, 5), hidden: true }], mends: false },
  'doubled-nodes': { objects: [path('a', [...square, { x: 4, y: 20 }])], mends: true },
  'stray-nodes': {
    objects: [
      {
        ...path('a', square),
        contours: [
          { closed: true, nodes: square },
          {
            closed: false,
            nodes: [
              { x: 12, y: 12 },
              { x: 12, y: 12 },
            ],
          },
        ],
      } as DrawingObject,
    ],
    mends: true,
  },
  'needless-nodes': { objects: [path('a', [square[0]!, { x: 12, y: 4 }, ...square.slice(1)])], mends: true },
  'zero-handles': { objects: [path('a', [{ ...square[0]!, out: { x: 0, y: 0 } }, ...square.slice(1)])], mends: true },
  'lost-from-main': {
    objects: [box('a', 5, 5, 14, 14)],
    main: [box('a', 5, 5, 14, 9), box('b', 5, 14, 14, 5), disc('c', 12, 2, 1)],
    mends: false,
  },
  'moved-from-main': { objects: [box('a', 5, 5, 14, 14)], main: [box('a', 6, 5, 14, 14)], mends: true },
  'weight-of-main': {
    objects: [line('a', 4, 12, [20, 12], { style: { ...lined, weight: 'fine' } })],
    main: [line('a', 4, 12, [20, 12])],
    mends: true,
  },
  'too-large': { objects: [box('a', 1, 1, 22, 22)], mends: false },
  'below-pixel': {
    objects: [box('a', 3, 3, 18, 18), line('b', 3, 22, [21, 22], { style: { ...lined, weight: 0.5 } })],
    mends: false,
  },
  'plate-coloured': {
    objects: [
      plate('p', 'signal'),
      disc('a', 12, 12, 6),
      disc('b', 12, 19.5, 1, { style: { ...ink, fill: 'signal' } }),
    ],
    mends: false,
  },
  'off-plate-middle': { objects: [plate('p', 'signal'), disc('a', 13, 12, 6)], mends: true },
  'beyond-plate': { objects: [plate('p', 'signal'), box('a', 0, 11, 24, 2)], mends: false },
  duplicates: { objects: [box('a', 3, 3, 18, 18), box('b', 3, 3, 18, 18)], mends: true },
  invisible: {
    objects: [box('a', 3, 3, 18, 18), disc('b', 12, 12, 4, { style: { ...lined, stroke: 'none' } })],
    mends: true,
  },
}

describe('checks', () => {
  it('each have a fault to find, and a name of their own', () => {
    expect(Object.keys(FAULTS).sort()).toEqual(CHECKS.map(({ id }) => id).sort())
  })

  for (const { id, find } of CHECKS) {
    it(`find ${id}, and its repair mends it`, () => {
      const { objects, mends, main } = FAULTS[id]!
      for (const object of objects) expect(DrawingObject.safeParse(object).error).toBeUndefined()
      const at = (list: readonly DrawingObject[]): Checked => ({ ...checked(...list), ...(main && { main }) })
      const [one] = find(at(objects))
      expect(one?.sentence).toMatch(/^[A-Z“].*\.$/)
      expect(one!.mend !== undefined).toBe(mends)
      if (!one!.mend) return
      const next = applyDrawingEdit(objects, one!.mend)
      for (const object of next) expect(DrawingObject.safeParse(object).error).toBeUndefined()
      expect(find(at(next)).map(({ sentence }) => sentence)).not.toContain(one!.sentence)
      expect(find(at(next)).length).toBeLessThan(find(at(objects)).length)
    })
  }

  it('ask for every number that the rules keep for them, and look for nothing where it is not given', () => {
    const asking = CHECKS.filter(({ limit }) => limit)
    expect(new Set(asking.map(({ limit }) => limit))).toEqual(new Set(LIMIT_KEYS))
    for (const { id, limit, find } of asking) {
      const at = checked(...FAULTS[id]!.objects)
      expect(find(at), id).not.toEqual([])
      const { [limit!]: _, ...without } = rules
      expect(find({ ...at, rules: without }), id).toEqual([])
    }
  })

  it('find nothing in a drawing that is in order', () => {
    expect(found(checked(disc('a', 12, 12, 9.5)))).toEqual([])
    expect(found(checked(box('a', 5, 5, 14, 14)))).toEqual(['misses-keyline'])
  })

  it('mend nothing that is locked, and look at nothing that is hidden', () => {
    for (const { objects } of Object.values(FAULTS)) {
      const locked = objects.map((object) => ({ ...object, locked: true as const }))
      for (const { mend, offer } of snagsIn(checked(...locked))) expect([mend, offer]).toEqual([undefined, undefined])
      const hidden = objects.map((object) => ({ ...object, hidden: true as const }))
      expect(new Set(found(checked(...hidden)))).toEqual(new Set(['nothing-drawn', 'hidden-left']))
    }
  })

  it('count as the rules say, and not where they are accepted', () => {
    const at = checked(line('a', 4, 12, [20, 12], { style: { ...lined, weight: 2.2 } }))
    const [snag] = snagsIn(at).filter(({ check }) => check === 'own-weight')
    expect(snag).toMatchObject({ severity: 'warning', objects: ['a'] })
    const strict = { ...at, rules: { ...rules, checks: { 'own-weight': 'error' as const } } }
    expect(snagsIn(strict).find(({ check }) => check === 'own-weight')).toMatchObject({ severity: 'error' })
    const silent = { ...at, rules: { ...rules, checks: { 'own-weight': 'off' as const } } }
    expect(found(silent)).not.toContain('own-weight')
    const accepted = [{ check: 'own-weight', objects: ['a'], reason: 'As on the old sign.' }]
    expect(snagsIn(at, accepted).map(keyOf)).not.toContain('own-weight a')
  })

  it('never fail, whatever is drawn, and mend only what a file may hold', () => {
    fc.assert(
      fc.property(fc.array(anyObject, { minLength: 1, maxLength: 3 }), (objects) => {
        const at = { ...checked(...objects), rules: { ...rules, checks: {} } }
        for (const { mend } of snagsIn(at)) {
          if (!mend) continue
          for (const object of applyDrawingEdit(objects, mend))
            expect(DrawingObject.safeParse(object).success).toBe(true)
        }
      }),
      runs(60),
    )
  })

  it('are accepted one by one, by their place where they are about no object in particular', () => {
    const bar = (id: string, x: number) => box(id, x, 3, 4, 18, { style: ink })
    const objects = [bar('a', 2), bar('b', 6.5), bar('c', 11)]
    const at = checked(...objects)
    const gaps = snagsIn(at).filter(({ check }) => check === 'small-gap')
    expect(gaps.map(({ objects }) => objects)).toEqual([[], []])
    const accepted = [acceptedAs(gaps[0]!, 'As on the old sign.')]
    const found = (list: readonly DrawingObject[]) =>
      snagsIn({ ...at, objects: list }, accepted).filter(({ check }) => check === 'small-gap')
    expect(found(objects).map(({ spot }) => spot)).toEqual([gaps[1]!.spot])
    // What is drawn elsewhere changes nothing about it.
    expect(found([...objects, bar('d', 18)]).map(({ spot }) => spot)).toEqual([gaps[1]!.spot])
    expect(found([bar('a', 2), bar('b', 6.6), bar('c', 13)])).toEqual([])
  })

  it('take for meant what a drawing mirrors, and say what a thing is in the right words', () => {
    const star = [line('a', 4, 12, [20, 12.5]), line('b', 4, 12.5, [20, 12])]
    expect(found(checked(...star))).not.toContain('nearly-straight')
    expect(found(checked(star[0]!))).toContain('nearly-straight')
    const said = (...objects: DrawingObject[]) => snagsIn(checked(...objects)).map(({ sentence }) => sentence)
    expect(said(line('dot', 6, 6, [6, 6], { style: { ...lined, cap: 'butt' } }))).toContain(
      '“dot” is not seen: it has no length.',
    )
    expect(said(path('loop', [...square, square[0]!], { style: lined }, false))).toContain(
      '“loop” is not closed: its ends lie on each other and are not joined.',
    )
    expect(found(checked(box('a', 5.006, 5, 14, 14)))).not.toContain('off-pixel')
  })

  it('find nothing in the demo sets but what is accepted there', () => {
    for (const file of ['quayside', 'quayside-solid', 'skerry-app']) {
      const { icons, rules: own } = readSetFile(readFileSync(`demo/${file}.wisesquare.json`, 'utf8')).set!
      const left = icons.flatMap((icon) =>
        basesOf(own).flatMap((base) =>
          snagsOn(icon, own, base)
            // What fitting let go for the picture’s sake is noted.
            .filter(({ severity }) => base === own.grid.size || severity !== 'note')
            .map(({ sentence }) => `${icon.name}: ${sentence}`),
        ),
      )
      expect(left).toEqual([])
    }
  })
})

describe('names', () => {
  it('follow the pattern of the rules, and are written by it', () => {
    expect(nameProblem('high-tide', { ...rules, naming: 'kebab-case' })).toBeNull()
    expect(nameProblem('High tide', { ...rules, naming: 'kebab-case' })).toBe(
      'The name “High tide” is not kebab-case; it would be “high-tide”.',
    )
    expect(patterned('fog-horn 2', 'camelCase')).toBe('fogHorn2')
    expect(patterned('fogHorn', 'snake_case')).toBe('fog_horn')
    expect(patterned('fog horn', 'PascalCase')).toBe('FogHorn')
  })
})
