import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { applyDrawingEdit, type DrawingEdit } from '../drawing/edit/edit'
import type { DrawingObject } from '../drawing/objects/object'
import { walk } from '../drawing/objects/tree'
import { STARTERS } from '../rules/starters'
import { applyEdit, type SetEdit } from './edit'
import { advance, beginning, type History, redo, undo } from './history'
import { freeName, IconName } from './names'
import { masterOn } from './masters'
import { type IconSet, setProblems } from './set'
import { runs } from '../../testing/runs'

const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const box = (id: string): DrawingObject => ({
  kind: 'rectangle',
  id,
  name: id,
  x: 1,
  y: 1,
  w: 4,
  h: 4,
  corner: 'outer',
  style,
})
const group = (id: string, ...members: DrawingObject[]): DrawingObject => ({ kind: 'group', id, name: id, members })
const drawing = [box('a'), group('g', box('b'), group('h', box('c'), box('d'))), box('e'), box('f')]
const idsOf = (objects: readonly DrawingObject[]) => [...walk(objects)].map(({ object }) => object.id)
const leaves = (objects: readonly DrawingObject[]) =>
  [...walk(objects)]
    .filter(({ object }) => object.kind === 'rectangle')
    .map(({ object }) => object.id)
    .sort()

const IDS = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'nowhere']
const someIds = fc.uniqueArray(fc.constantFrom(...IDS), { minLength: 1, maxLength: 4 })
const place = fc.record({ into: fc.constantFrom(null, 'g', 'h'), at: fc.integer({ min: 0, max: 4 }) })
let made = 0
const drawingEdit: fc.Arbitrary<DrawingEdit> = fc.oneof(
  fc.tuple(someIds, place).map(([ids, where]): DrawingEdit => ({ kind: 'arrange', ids, ...where })),
  someIds.map((ids): DrawingEdit => ({
    kind: 'gather',
    ids,
    container: { kind: 'group', id: `new-${made++}`, name: 'new' },
  })),
  fc.constantFrom('g', 'h', 'a').map((id): DrawingEdit => ({ kind: 'loosen', id })),
)

describe('edits of a drawing', () => {
  it('that rearrange lose nothing and double nothing', () => {
    fc.assert(
      fc.property(fc.array(drawingEdit, { maxLength: 8 }), (edits) => {
        let objects: readonly DrawingObject[] = drawing
        for (const edit of edits) {
          objects = applyDrawingEdit(objects, edit)
          expect(leaves(objects)).toEqual(['a', 'b', 'c', 'd', 'e', 'f'])
          expect(new Set(idsOf(objects)).size).toBe(idsOf(objects).length)
        }
      }),
      runs(400),
    )
  })

  it('put things where they are told', () => {
    expect(idsOf(applyDrawingEdit(drawing, { kind: 'arrange', ids: ['a'], into: null, at: 4 }))).toEqual([
      'g',
      'b',
      'h',
      'c',
      'd',
      'e',
      'f',
      'a',
    ])
    expect(idsOf(applyDrawingEdit(drawing, { kind: 'arrange', ids: ['f'], into: 'h', at: 1 }))).toEqual([
      'a',
      'g',
      'b',
      'h',
      'c',
      'f',
      'd',
      'e',
    ])
    expect(
      idsOf(
        applyDrawingEdit(drawing, {
          kind: 'gather',
          ids: ['a', 'e'],
          container: { kind: 'group', id: 'n', name: 'n' },
        }),
      ),
    ).toEqual(['g', 'b', 'h', 'c', 'd', 'n', 'a', 'e', 'f'])
    expect(idsOf(applyDrawingEdit(drawing, { kind: 'loosen', id: 'g' }))).toEqual(['a', 'b', 'h', 'c', 'd', 'e', 'f'])
    expect(idsOf(applyDrawingEdit(drawing, { kind: 'remove', ids: ['c', 'd', 'e'] }))).toEqual(['a', 'g', 'b', 'f'])
  })

  it('refuse to put a container into itself, and leave what they do not touch identical', () => {
    expect(applyDrawingEdit(drawing, { kind: 'arrange', ids: ['g'], into: 'h', at: 0 })).toBe(drawing)
    const next = applyDrawingEdit(drawing, { kind: 'replace', objects: [{ ...box('c'), w: 9 } as DrawingObject] })
    expect(next[0]).toBe(drawing[0])
    expect(next[1]).not.toBe(drawing[1])
  })
})

const set: IconSet = {
  name: 'Test',
  kind: 'interface',
  rules: STARTERS[0]!.rules,
  icons: ['ferry', 'buoy', 'oar'].map((id) => ({
    id,
    name: id,
    masters: [{ base: 24, objects: structuredClone(drawing) }],
  })),
}

const setEdit: fc.Arbitrary<SetEdit> = fc.oneof(
  fc
    .tuple(fc.constantFrom('ferry', 'buoy'), drawingEdit)
    .map(([icon, edit]): SetEdit => ({ kind: 'draw', master: 24, icon, edit })),
  fc
    .tuple(fc.constantFrom('ferry', 'oar'), someIds)
    .map(([icon, ids]): SetEdit => ({ kind: 'draw', master: 24, icon, edit: { kind: 'remove', ids } })),
  fc
    .tuple(fc.constantFrom('ferry', 'buoy', 'oar'), fc.integer({ min: 0, max: 2 }))
    .map(([id, to]): SetEdit => ({ kind: 'move-icon', id, to })),
  fc.array(fc.integer({ min: 0, max: 24 }), { maxLength: 3 }).map((ys): SetEdit => ({
    kind: 'guides',
    master: 24,
    icon: 'ferry',
    guides: ys.map((y, i) => ({ id: `g${i}`, at: { x: 0, y }, angle: 0 })),
  })),
  someIds.map((gone): SetEdit => ({
    kind: 'draw',
    master: 24,
    icon: 'ferry',
    edit: { kind: 'merge', into: box('a'), gone: gone.filter((id) => id !== 'a') },
  })),
  fc.constantFrom('ferry', 'buoy').map((id): SetEdit => ({ kind: 'remove-icons', ids: [id] })),
  fc.string({ minLength: 1, maxLength: 5 }).map((name): SetEdit => ({ kind: 'rename-set', name })),
  fc.constantFrom('svg', 'png').map((target): SetEdit => ({ kind: 'delivery', delivery: { targets: [target] } })),
  fc.double({ min: 0.5, max: 4, noNaN: true }).map((value): SetEdit => ({
    kind: 'rules',
    rules: { ...STARTERS[0]!.rules, weights: [{ name: 'stout', value }] },
    renames: [{ kind: 'weight', from: 'main', to: 'stout' }],
  })),
)

describe('history', () => {
  it('undo takes back any run of edits, redo does them again', () => {
    fc.assert(
      fc.property(fc.array(setEdit, { minLength: 1, maxLength: 10 }), (edits) => {
        const states: History[] = [beginning(set)]
        for (const edit of edits) states.push(advance(states.at(-1)!, edit, 'edit'))
        const last = states.at(-1)!
        let back = last
        while (back.past.length > 0) back = undo(back)
        expect(back.present).toEqual(set)
        let forth = back
        while (forth.future.length > 0) forth = redo(forth)
        expect(forth.present).toEqual(last.present)
      }),
      runs(200),
    )
  })

  it('does not count an edit that changes nothing, and forgets undone steps after a new one', () => {
    const start = beginning(set)
    expect(advance(start, { kind: 'rename-set', name: 'Test' }, 'rename')).toBe(start)
    const one = undo(advance(start, { kind: 'rename-set', name: 'A' }, 'rename'))
    expect(one.future).toHaveLength(1)
    expect(advance(one, { kind: 'rename-set', name: 'B' }, 'rename').future).toHaveLength(0)
  })

  it('a renamed weight is renamed in every drawing that uses it', () => {
    const rules = { ...set.rules, weights: [{ name: 'stout', value: 2 }] }
    const { present } = advance(
      beginning(set),
      { kind: 'rules', rules, renames: [{ kind: 'weight', from: 'main', to: 'stout' }] },
      'rules',
    )
    expect(setProblems(present)).toEqual([])
    expect(setProblems({ ...present, rules: set.rules })[0]).toBe(
      'Icon “ferry”, object “a” uses the weight “stout”, which the rules do not have.',
    )
  })
})

describe('masters', () => {
  const icon = set.icons[0]!
  const two: IconSet = {
    ...set,
    rules: { ...set.rules, masters: [{ base: 16 }] },
    icons: [{ ...icon, masters: [...icon.masters, { base: 16, objects: [box('small')] }] }, ...set.icons.slice(1)],
  }

  it('are edited by their base, each alone', () => {
    const edit: DrawingEdit = { kind: 'remove', ids: ['a', 'small'] }
    const large = applyEdit(two, { kind: 'draw', icon: 'ferry', master: 24, edit }),
      small = applyEdit(two, { kind: 'draw', icon: 'ferry', master: 16, edit })
    const objectsOn = ({ icons, rules }: IconSet, base: number) => masterOn(icons[0]!, rules, base).master.objects
    expect(idsOf(objectsOn(large, 24))).not.toContain('a')
    expect(objectsOn(large, 16)).toBe(two.icons[0]!.masters[1]!.objects)
    expect(objectsOn(small, 24)).toBe(two.icons[0]!.masters[0]!.objects)
    expect(objectsOn(small, 16)).toEqual([])
    expect(applyEdit(two, { kind: 'draw', icon: 'ferry', master: 48, edit })).toBe(two)
  })

  it('follow the names of the rules in all of them, and the one on the grid its size', () => {
    const rules = {
      ...set.rules,
      grid: { ...set.rules.grid, size: 32 },
      weights: set.rules.weights.map((one) => (one.name === 'main' ? { ...one, name: 'thick' } : one)),
    }
    const next = applyEdit(two, { kind: 'rules', rules, renames: [{ kind: 'weight', from: 'main', to: 'thick' }] })
    expect(next.icons[0]!.masters.map(({ base }) => base)).toEqual([32, 16])
    for (const master of next.icons[0]!.masters)
      for (const { object } of walk(master.objects))
        if (object.kind === 'rectangle') expect(object.style).toMatchObject({ weight: 'thick' })
  })
})

describe('names', () => {
  it('that would be bad files are refused with a reason', () => {
    for (const name of ['a/b', 'a\\b', '..', ' ferry', 'CON', 'nul.svg', 'x'.repeat(81), 'a\nb', '']) {
      const parsed = IconName.safeParse(name)
      expect(parsed.success, JSON.stringify(name)).toBe(false)
      expect(parsed.error!.issues[0]!.message).toMatch(/[.;]$/)
    }
    for (const name of ['life-ring', 'Fährschiff', '24h', 'a b', 'contour'])
      expect(IconName.safeParse(name).success, name).toBe(true)
  })

  it('get the first free number, whatever their case', () => {
    expect(freeName('buoy', ['Buoy', 'buoy-2'])).toBe('buoy-3')
    expect(freeName('buoy-2', ['buoy-2'])).toBe('buoy-3')
    expect(freeName('Quayside', ['Quayside'], ' ')).toBe('Quayside 2')
    expect(freeName('oar', ['buoy'])).toBe('oar')
  })
})
