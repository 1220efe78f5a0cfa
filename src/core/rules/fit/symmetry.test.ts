import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { DrawingObject, OfKind } from '../../drawing/objects/object'
import { starter } from '../starters'
import { rulesForGrid } from '../rules-for-grid'
import type { Rules } from '../rules'
import { fitted } from './fit'

const rules: Rules = { ...starter('interface-24')!.rules, weightSteps: 'whole' }
const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const line = (id: string, x0: number, y0: number, x1: number, y1: number) =>
  ({
    kind: 'line',
    id,
    name: id,
    from: { x: x0, y: y0 },
    to: { x: x1, y: y1 },
    style: { ...style, cap: 'round' },
  }) as OfKind<'line'> & DrawingObject
const dot = (id: string, x: number, y: number) => line(id, x, y, x + 0.01, y)
const frame = (x: number, y: number, w: number, h: number) =>
  ({ kind: 'rectangle', id: 'frame', name: 'frame', x, y, w, h, corner: 2, style }) as OfKind<'rectangle'> &
    DrawingObject
const row = (member: DrawingObject, columns: number, step: number) =>
  ({
    kind: 'repeat',
    id: 'row',
    name: 'row',
    from: { x: 5, y: 5 },
    course: { by: 'lattice', columns, rows: 1, across: { x: step, y: 0 }, down: { x: 0, y: 4 } },
    members: [member],
  }) as OfKind<'repeat'> & DrawingObject
const base = fc.constantFrom(16, 20, 32)
const whole = (value: number) => Math.abs(value - Math.round(value)) < 1e-4

describe('what is symmetric', () => {
  it('stays so with its copies: a row in the middle of a frame lies in its middle', () => {
    fc.assert(
      fc.property(base, fc.integer({ min: 2, max: 4 }), fc.constantFrom(3, 4), (size, columns, step) => {
        const first = 12 - ((columns - 1) * step) / 2
        const member = line('member', first, 9, first, 15)
        const { objects } = fitted([frame(2, 4, 20, 16), row(member, columns, step)], rules, rulesForGrid(rules, size))
        const [box, { course, members }] = objects as [ReturnType<typeof frame>, ReturnType<typeof row>]
        if (course.by !== 'lattice') throw new Error('It is no lattice any more.')
        const { from } = members[0] as ReturnType<typeof line>
        const middle = from.x + ((columns - 1) * course.across.x) / 2
        expect([size, columns, step, Math.abs(middle - box.x - box.w / 2) < 0.02]).toEqual([size, columns, step, true])
      }),
      { numRuns: 60 },
    )
  })

  it('keeps cells of one size, whatever lies beside them', () => {
    for (const size of [16, 20, 32]) {
      const drawing = [
        frame(3, 3, 18, 18),
        line('plumb', 12, 3, 12, 21),
        line('level', 3, 12, 21, 12),
        line('mark', 6, 22.5, 11, 22.5),
      ]
      const [box, plumb, level] = fitted(drawing, rules, rulesForGrid(rules, size)).objects as [
        ReturnType<typeof frame>,
        ReturnType<typeof line>,
        ReturnType<typeof line>,
      ]
      expect([size, plumb.from.x - box.x, level.from.y - box.y]).toEqual([size, box.w / 2, box.h / 2])
    }
  })

  it('gives all dots of a die whole pixels, the one in its middle too', () => {
    const dots = [
      [8, 8],
      [16, 8],
      [12, 12],
      [8, 16],
      [16, 16],
    ].map(([x, y], i) => dot(`dot ${i}`, x!, y!))
    for (const size of [16, 20, 32]) {
      const book = rulesForGrid(rules, size),
        half = book.weights[0]!.value / 2
      const [, ...placed] = fitted([frame(3, 3, 18, 18), ...dots], rules, book).objects as ReturnType<typeof line>[]
      for (const { from } of placed)
        expect([size, whole(from.x - half), whole(from.y - half)]).toEqual([size, true, true])
    }
  })
})
