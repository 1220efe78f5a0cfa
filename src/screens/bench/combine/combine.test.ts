import { beforeEach, describe, expect, it } from 'vitest'
import { area } from '@/core/geometry/area'
import { outline } from '@/core/drawing/evaluate'
import type { DrawingObject, OfKind } from '@/core/drawing/object'
import { walk } from '@/core/drawing/tree'
import { undoStep } from '../../frame/session'
import type { Bench } from '../bench'
import { benchCommands } from '../commands'
import { Hand } from '../tools/hand'
import { duplicate } from '../operations'
import { changeCopies, COPIES } from '../tools/copies/gesture'
import { assemble } from './assembly'

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
