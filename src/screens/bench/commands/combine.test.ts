import { beforeEach, describe, expect, it } from 'vitest'
import { area } from '@/core/geometry/area'
import { outline } from '@/core/drawing/evaluate/evaluate'
import type { DrawingObject, OfKind } from '@/core/drawing/objects/object'
import type { Style } from '@/core/drawing/model/style'
import { walk } from '@/core/drawing/objects/tree'
import { undoStep } from '../../session/session'
import type { Bench } from '../state/bench'
import { benchCommands } from './commands'
import { Hand } from '../../../testing/hand'
import { duplicate } from '../operations/objects'
import { changeCopies, COPIES } from '../tools/copies/gesture'
import { assemble } from '../operations/assembly'

const style = { fill: 'ink', stroke: 'none', weight: 'main' } as const
const box = (id: string, x: number, y: number, w: number, h: number, extra = {}): DrawingObject =>
  ({ kind: 'rectangle', id, name: id, x, y, w, h, corner: 0, style, ...extra }) as DrawingObject
const line = (id: string, x: number, y: number, to: number): DrawingObject => ({
  kind: 'line',
  id,
  name: id,
  from: { x, y },
  to: { x: to, y },
  style: { fill: 'none', stroke: 'ink', weight: 2 },
})
const run = (bench: Bench, id: string) => {
  const command = benchCommands(bench).find((one) => one.id === id)!
  const missing = command.needs?.() ?? null
  if (missing === null) command.run()
  return missing
}
const areaOf = (bench: Bench, object = bench.objects[0]!) => Math.abs(area(outline(object, bench.scene)))

describe('a plate and a cast', () => {
  it('come from the rules, for one icon or for all; the plate cuts the cast, and the drawing is fitted on it', () => {
    const hand = new Hand(box('card', 9, 9, 6, 6)),
      { bench } = hand
    expect(run(bench, 'fit-plate')).toBe('Put a plate behind the icon first.')
    run(bench, 'plates')
    expect(bench.rules.plates!.map(({ name }) => name)).toContain('squircle')
    expect(bench.objects.map(({ kind }) => kind)).toEqual(['plate', 'rectangle'])
    undoStep(bench.session)
    expect(bench.rules.plates).toBeUndefined()
    run(bench, 'plate')
    run(bench, 'fit-plate')
    // A grid of 24 has plates of 24 with a padding of 4.
    expect(bench.objects[1]).toMatchObject({ x: 4, y: 4, w: 16, h: 16 })
    bench.select(['card'])
    expect(run(bench, 'cut-cast')).toBe('Select a cast first.')
    run(bench, 'cast')
    const cast = () => bench.objects[1] as OfKind<'cast'>
    const shadow = () => Math.abs(area(bench.scene.shapes(cast())[0]!.path))
    expect(cast()).toMatchObject({ length: 0, cut: { plate: 'squircle', at: { x: 12, y: 12 } } })
    const cut = shadow()
    run(bench, 'cut-cast')
    expect(cast()).toMatchObject({ length: 12 })
    // A square moved down right by 12 along the diagonal: its own area, and what its two sides pass.
    expect(shadow()).toBeCloseTo(256 + 2 * 16 * (12 / Math.SQRT2), 6)
    run(bench, 'cut-cast')
    run(bench, 'soft-shadow')
    expect(cast().shadow).toMatchObject({ blur: 2 })
    run(bench, 'soft-shadow')
    expect(cast().shadow).toBeUndefined()
    expect(shadow()).toBeLessThan(256 + 2 * 16 * (12 / Math.SQRT2))
    expect(cut).toBeGreaterThan(256)
  })

  it('find each other whichever comes first, and stay together until one goes', () => {
    const { bench } = new Hand(box('card', 9, 9, 6, 6))
    bench.select(['card'])
    run(bench, 'cast')
    const cast = () => bench.objects.find(({ kind }) => kind === 'cast') as OfKind<'cast'>
    expect(cast().cut).toBeUndefined()
    expect(bench.rules.palette.map(({ name }) => name)).toContain((cast().style as Style).fill)
    run(bench, 'plate')
    const plate = () => bench.objects[0] as OfKind<'plate'>
    expect(bench.rules.palette.map(({ name }) => name)).toContain((plate().style as Style).fill)
    expect(cast().cut).toEqual({ plate: 'squircle', at: { x: 12, y: 12 } })
    // A second one is not laid over the first.
    run(bench, 'plate')
    expect(bench.objects).toHaveLength(2)
    bench.edit({ kind: 'replace', objects: [{ ...plate(), plate: 'disc', at: { x: 11, y: 12 } }] }, 'Another')
    expect(cast().cut).toEqual({ plate: 'disc', at: { x: 11, y: 12 } })
    bench.edit({ kind: 'replace', objects: [{ ...cast(), whole: true }] }, 'Whole')
    expect(cast().cut).toBeUndefined()
    undoStep(bench.session)
    bench.edit({ kind: 'remove', ids: [plate().id] }, 'Gone')
    expect(cast().cut).toBeUndefined()
    undoStep(bench.session)
    expect(cast().cut).toEqual({ plate: 'disc', at: { x: 11, y: 12 } })
  })
})

describe('dividing, insets and outlines in hand', () => {
  it('pieces are objects of their own, coloured in turn; insets and outlines follow what they are made of', () => {
    const hand = new Hand(box('plate', 2, 2, 16, 16), line('cut', 0, 10, 20)),
      { bench } = hand
    bench.select(['plate'])
    expect(run(bench, 'divide')).toMatch(/lines that divide it/)
    bench.select(['plate', 'cut'])
    run(bench, 'divide')
    const group = bench.objects[0] as OfKind<'group'>
    expect(group.members.map(({ name, kind }) => [name, kind])).toEqual([
      ['plate 1', 'path'],
      ['plate 2', 'path'],
    ])
    expect(bench.selected).toHaveLength(2)
    for (const member of group.members) expect(areaOf(bench, member)).toBeCloseTo(128, 9)
    run(bench, 'colour-in-turn')
    undoStep(bench.session)
    undoStep(bench.session)
    expect(bench.objects.map(({ id }) => id)).toEqual(['plate', 'cut'])
    bench.select(['plate'])
    run(bench, 'outset')
    const weight = bench.scene.weight(bench.rules.weights[0]!.name)
    const ring = () => bench.objects.find(({ kind }) => kind === 'inset')!
    expect(bench.extent([ring()])).toMatchObject({ x: 2 - weight, w: 16 + 2 * weight })
    undoStep(bench.session)
    bench.select(['cut'])
    run(bench, 'outlines')
    const lines = bench.objects.find(({ kind }) => kind === 'outlined')!
    expect(bench.scene.shapes(lines)[0]!.stroke).toBeNull()
    expect(areaOf(bench, lines)).toBeCloseTo(40 + Math.PI, 6)
  })

  it('what is along a line takes it as its course, in one step', () => {
    const hand = new Hand(box('tie', 1, 9, 2, 2), line('rail', 2, 10, 22)),
      { bench } = hand
    bench.select(['tie', 'rail'])
    run(bench, 'repeat-along')
    expect(bench.objects).toHaveLength(1)
    expect(bench.scene.shapes(bench.objects[0]!)).toHaveLength(4)
    expect(bench.extent(bench.objects)).toMatchObject({ x: 1, w: 22 })
    undoStep(bench.session)
    expect(bench.objects.map(({ id }) => id)).toEqual(['tie', 'rail'])
    bench.select(['tie'])
    run(bench, 'repeat-lattice')
    expect(bench.scene.shapes(bench.objects.find(({ kind }) => kind === 'repeat')!)).toHaveLength(6)
  })
})

describe('copies of a repeat', () => {
  it('are chosen on the square, painted, given a role, switched off and on again', () => {
    const hand = new Hand(box('blade', 11, 2, 2, 4)),
      { bench } = hand
    bench.select(['blade'])
    run(bench, 'repeat-around')
    const object = () => bench.objects[0] as OfKind<'repeat'>
    expect(object().course).toMatchObject({ by: 'turn', count: 6, at: { x: 12, y: 12 } })
    // The copy opposite of the blade.
    hand.drag('copies', [12, 20])
    expect(bench.read(COPIES).chosen).toEqual([3])
    hand.tools.copies!.key!('Delete')
    expect(bench.scene.shapes(object())).toHaveLength(5)
    changeCopies(bench, object(), [3], { fill: '#d5401b' }, 'Paint')
    expect(object().copies).toEqual([{ at: 3, off: true, fill: '#d5401b' }])
    hand.tools.copies!.key!('Delete')
    expect(bench.scene.shapes(object())).toHaveLength(6)
    changeCopies(bench, object(), [3], { fill: undefined } as never, 'Paint')
    expect(object().copies).toBeUndefined()
  })
})

describe('an assembly in hand', () => {
  let hand: Hand, bench: Bench
  beforeEach(() => {
    hand = new Hand(box('plate', 2, 2, 16, 16), line('slot', 6, 10, 14))
    bench = hand.bench
    bench.select(['plate', 'slot'])
    assemble(bench, 'cuts')
  })
  const object = () => bench.objects[0] as OfKind<'assembly'>
  const member = (id: string) => object().members.find((one) => one.id === id)!

  it('has its members’ roles changed by keys, but never the ground’s', () => {
    const cut = areaOf(bench)
    expect(cut).toBeCloseTo(256 - 16 - Math.PI, 6)
    bench.store.setState({ scope: object().id })
    bench.select(['slot'])
    expect(run(bench, 'role-overlap')).toBeNull()
    expect(member('slot').role).toBe('overlap')
    expect(areaOf(bench)).toBeCloseTo(16 + Math.PI, 6)
    bench.select(['plate'])
    expect(run(bench, 'role-cuts')).toMatch(/other than its ground/)
    undoStep(bench.session)
    expect(areaOf(bench)).toBeCloseTo(cut, 9)
  })

  it('takes duplicates made inside, and gives members back', () => {
    bench.store.setState({ scope: object().id })
    bench.select(['slot'])
    duplicate(bench)
    expect(object().members.map(({ role }) => role)).toEqual(['adds', 'cuts', 'cuts'])
    expect(run(bench, 'take-out')).toBeNull()
    expect(bench.objects).toHaveLength(2)
    expect(object().members).toHaveLength(2)
  })

  it('is fixed to a path of the same outline, and loosened to what it was made of', () => {
    const before = areaOf(bench)
    run(bench, 'fix')
    expect(bench.objects[0]!.kind).toBe('path')
    expect(areaOf(bench)).toBeCloseTo(before, 6)
    undoStep(bench.session)
    run(bench, 'loosen')
    expect([...walk(bench.objects)].map(({ object: { kind, role } }) => [kind, role])).toEqual([
      ['rectangle', undefined],
      ['line', undefined],
    ])
  })

  it('has corners picked by a click and rounded by a drag', () => {
    bench.select([object().id])
    hand.drag('corner', [2, 2])
    expect(object().corners).toMatchObject({ only: 'picked', picked: [{ at: { x: 2, y: 2 } }] })
    hand.drag('corner', [2, 2], [6, 2])
    expect(object().corners!.radius).toBe(4)
    expect(areaOf(bench)).toBeCloseTo(256 - 16 - Math.PI - 16 * (1 - Math.PI / 4), 6)
    hand.drag('corner', [2, 2])
    expect(object().corners!.picked).toEqual([])
  })
})
