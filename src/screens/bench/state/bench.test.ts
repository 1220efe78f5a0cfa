import fc from 'fast-check'
import { beforeEach, describe, expect, it } from 'vitest'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { find, walk } from '@/core/drawing/objects/tree'
import { STARTERS } from '@/core/rules/starters'
import { storedAs } from '../../../testing/samples'
import type { IconSet } from '@/core/set/set'
import { setProblems } from '@/core/set/set'
import { createSession, undoStep } from '../../session/session'
import { Bench } from './bench'
import { benchCommands } from '../commands/commands'
import { addIcon, deleteIcon, duplicateIcon, renameIcon, restoreIcon } from '../operations/icons'
import { common, cornerOf, withStyle } from '../panels/ledger/columns'
import { SEVERAL } from '../cells/value-cell'
import { assemble, assemblyNeeds } from '../operations/assembly'
import { loosen } from '../operations/fix'
import { group, nudge, order, remove, setFlag } from '../operations/objects'
import { fit, toGrid, toScreen, zoomAt } from './view'

const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const box = (id: string, extra = {}): DrawingObject => ({
  kind: 'rectangle',
  id,
  name: id,
  x: 2,
  y: 2,
  w: 6,
  h: 6,
  corner: 'outer',
  style,
  ...extra,
})
const line = (id: string): DrawingObject => ({
  kind: 'line',
  id,
  name: id,
  from: { x: 1, y: 1 },
  to: { x: 4, y: 5 },
  style,
})

let bench: Bench
beforeEach(() => open(box('a'), box('b'), box('c'), line('l')))

function open(...objects: DrawingObject[]): void {
  const set: IconSet = {
    name: 'Pier',
    kind: 'interface',
    rules: STARTERS[0]!.rules,
    icons: [{ id: 'i', name: 'oar', masters: [{ base: 24, objects }] }],
  }
  bench = new Bench(createSession('pier', storedAs(set), 'hand'), 'i')
  bench.store.setState({ view: { scale: 10, x: 0, y: 0 }, stage: { w: 300, h: 300 } })
}
const ids = () => bench.objects.map(({ id }) => id)
const labels = () => bench.session.getState().history.past.map(({ label }) => label)

describe('operations', () => {
  it('order moves the selection among its siblings and loses nothing', () => {
    const where = fc.constantFrom('front' as const, 'forward' as const, 'backward' as const, 'back' as const)
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom('a', 'b', 'c', 'l'), where), { maxLength: 8 }), (moves) => {
        open(box('a'), box('b'), box('c'), line('l'))
        for (const [id, to] of moves) {
          const before = ids().indexOf(id)
          bench.select([id])
          order(bench, to)
          const expected = { front: 3, forward: Math.min(3, before + 1), backward: Math.max(0, before - 1), back: 0 }[
            to
          ]
          expect(ids().indexOf(id)).toBe(expected)
          expect(ids().toSorted()).toEqual(['a', 'b', 'c', 'l'])
        }
      }),
    )
  })

  it('group and loosen are each other’s way back', () => {
    bench.select(['a', 'b'])
    group(bench)
    expect(bench.objects.map(({ kind }) => kind)).toEqual(['group', 'rectangle', 'line'])
    loosen(bench)
    expect(ids()).toEqual(['a', 'b', 'c', 'l'])
    expect(labels()).toEqual(['Group 2 objects', 'Release Group 1'])
  })

  it('an assembly takes its finish from the lowest member and gives the others the role', () => {
    bench.select(['a', 'b', 'c'])
    assemble(bench, 'cuts')
    expect(bench.objects[0]).toMatchObject({
      kind: 'assembly',
      style,
      members: [{ role: 'adds' }, { role: 'cuts' }, { role: 'cuts' }],
    })
    loosen(bench)
    expect(bench.objects.every(({ role }) => role === undefined)).toBe(true)
  })

  it('says what an assembly needs', () => {
    bench.select(['a'])
    expect(assemblyNeeds(bench)).toBe('Select two or more objects to assemble.')
    bench.select(['a', 'l'])
    expect(assemblyNeeds(bench)).toBeNull()
    const bare = { ...bench.objects[3]!, style: { ...style, stroke: 'none' } } as DrawingObject
    bench.edit({ kind: 'replace', objects: [bare] }, 'Bare')
    expect(assemblyNeeds(bench)).toBe('“l” encloses nothing and paints nothing, so there is nothing to combine.')
    bench.select(['a', 'b'])
    expect(assemblyNeeds(bench)).toBeNull()
  })

  it('leave what is locked alone', () => {
    setFlag(bench, [bench.objects[0]!], 'locked', true)
    bench.select(['a', 'b'])
    nudge(bench, { x: 1, y: 0 })
    expect(bench.objects.slice(0, 2)).toMatchObject([{ x: 2 }, { x: 3 }])
    remove(bench)
    expect(ids()).toEqual(['a', 'c', 'l'])
    setFlag(bench, [bench.objects[0]!], 'locked', false)
    expect('locked' in bench.objects[0]!).toBe(false)
  })
})

describe('commands', () => {
  const command = (id: string) => benchCommands(bench).find((other) => other.id === id)!

  it('each have a name, and no two the same key', () => {
    const keys = benchCommands(bench).flatMap((one) => one.keys ?? [])
    expect(new Set(keys).size).toBe(keys.length)
    expect(benchCommands(bench).every(({ name }) => name.length > 2)).toBe(true)
  })

  it('that cannot run say what to do first', () => {
    for (const id of ['duplicate', 'delete', 'front', 'assemble', 'group', 'lock'])
      expect(command(id).needs!()).toBe('Select an object first.')
    setFlag(bench, [bench.objects[0]!], 'locked', true)
    bench.select(['a'])
    expect(command('delete').needs!()).toBe('The selection is locked.')
    setFlag(bench, [bench.objects[0]!], 'locked', false)
    expect(command('loosen').needs!()).toBe('Select a group, an assembly or another container first.')
  })

  it('Escape steps out one level at a time', () => {
    bench.select(['a', 'b'])
    group(bench)
    bench.store.setState({ scope: bench.objects[0]!.id, selection: new Set(['a']), tool: 'line' })
    const state = () => [
      bench.store.getState().tool,
      bench.scope?.kind ?? null,
      [...bench.store.getState().selection].length,
    ]
    command('step-out').run()
    expect(state()).toEqual(['select', 'group', 1])
    command('step-out').run()
    expect(state()).toEqual(['select', null, 1])
    expect(find(bench.objects, [...bench.store.getState().selection][0]!)?.object.kind).toBe('group')
    command('step-out').run()
    expect(state()).toEqual(['select', null, 0])
  })
})

describe('icons', () => {
  const icons = () => bench.session.getState().history.present.icons

  it('are added after the open one, duplicated whole, deleted and put back, always as a good set', () => {
    addIcon(bench)
    expect(icons().map(({ name }) => name)).toEqual(['oar', 'icon'])
    duplicateIcon(bench, icons()[0]!)
    expect(icons().map(({ name }) => name)).toEqual(['oar', 'oar-2', 'icon'])
    expect([...walk(bench.objects)].map(({ object }) => object.name)).toEqual(['a', 'b', 'c', 'l'])
    const gone = icons()[0]!
    deleteIcon(bench, gone)
    restoreIcon(bench, gone)
    expect(icons().map(({ name }) => name)).toEqual(['oar-2', 'icon', 'oar'])
    expect(bench.icon).toEqual(gone)
    expect(setProblems(bench.session.getState().history.present)).toEqual([])
    for (let i = 0; i < 4; i++) undoStep(bench.session)
    expect(icons().map(({ name }) => name)).toEqual(['oar'])
  })

  it('are renamed only to what can be a file of its own', () => {
    addIcon(bench)
    const [oar] = icons()
    expect(renameIcon(bench, oar!, 'ICON')).toBe('There is already an icon named “ICON”.')
    expect(renameIcon(bench, oar!, 'a:b')).toContain('A name cannot contain')
    expect(renameIcon(bench, oar!, 'Oar')).toBeNull()
    expect(icons()[0]!.name).toBe('Oar')
  })
})

describe('the ledger’s columns', () => {
  it('say what objects have in common', () => {
    expect(common(bench.objects, cornerOf)).toBe('outer')
    expect(common([box('a'), box('b', { corner: 1 })], cornerOf)).toBe(SEVERAL)
    expect(common([line('l')], cornerOf)).toBeUndefined()
  })

  it('a cap that follows the rules is left out of the drawing', () => {
    const own = withStyle(line('l'), { cap: 'butt' }, bench.scene)
    expect(own).toMatchObject({ style: { cap: 'butt' } })
    expect(withStyle(own, { cap: undefined }, bench.scene)).toEqual(line('l'))
  })
})

describe('the view', () => {
  const view = { scale: 19, x: 40, y: -12 }

  it('keeps the place under the pointer where it is while it zooms', () => {
    const n = fc.double({ min: -500, max: 500, noNaN: true })
    fc.assert(
      fc.property(n, n, fc.double({ min: 0.2, max: 5, noNaN: true }), (x, y, factor) => {
        const place = toGrid(view, { x, y })
        const back = toScreen(zoomAt(view, { x, y }, factor, 24), place)
        expect(Math.hypot(back.x - x, back.y - y)).toBeLessThan(1e-6)
      }),
    )
  })

  it('fits a square at whole pixels to the unit, in the middle', () => {
    const fitted = fit({ x: 0, y: 0, w: 24, h: 24 }, { w: 940, h: 526 }, 20)
    expect(fitted.scale).toBe(20)
    expect(toScreen(fitted, { x: 12, y: 12 })).toEqual({ x: 470, y: 263 })
  })
})
