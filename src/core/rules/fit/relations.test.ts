import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { DrawingObject, OfKind } from '../../drawing/objects/object'
import { starter } from '../starters'
import { rulesForGrid } from '../rules-for-grid'
import { fitted } from './fit'

const { rules } = starter('interface-24')!
const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
type At = { x: number; y: number }
const line = (id: string, from: At, to: At) =>
  ({ kind: 'line', id, name: id, from, to, style }) as OfKind<'line'> & DrawingObject
const disc = (id: string, { x, y }: At, r: number) =>
  ({ kind: 'ellipse', id, name: id, x: x - r, y: y - r, w: 2 * r, h: 2 * r, style }) as OfKind<'ellipse'> &
    DrawingObject

/** How far a place is from the line through two others. */
const beside = (p: At, { from: a, to: b }: OfKind<'line'>) =>
  Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / Math.hypot(b.x - a.x, b.y - a.y)
const centre = ({ x, y, w, h }: OfKind<'ellipse'>) => ({ x: x + w / 2, y: y + h / 2 })

const half = (least: number, most: number) => fc.integer({ min: 2 * least, max: 2 * most }).map((value) => value / 2)
const base = fc.constantFrom(16, 20, 32, 48)
const slanted = fc
  .record({ x: half(3, 8), y: half(3, 20), dx: half(6, 12), dy: half(-12, 12) })
  .filter(({ y, dx, dy }) => Math.abs(dy) > 1 && y + dy > 2 && y + dy < 22 && Math.abs(Math.abs(dy) - dx) > 0.2)

describe('what related the places of a drawing', () => {
  it('relates them on another grid: an end stays on a slanted line, a circle on its tangent, an end on a circle', () => {
    fc.assert(
      fc.property(
        slanted,
        fc.double({ min: 0.2, max: 0.8, noNaN: true }),
        half(2, 4),
        base,
        ({ x, y, dx, dy }, t, r, size) => {
          const wall = line('wall', { x, y }, { x: x + dx, y: y + dy })
          const on = { x: x + t * dx, y: y + t * dy },
            long = Math.hypot(dx, dy)
          const strut = line('strut', on, { x: on.x, y: on.y < 12 ? 21 : 3 })
          // A circle that touches the wall from one side, and a spoke that ends on it.
          const hub = disc('hub', { x: x + 0.5 * dx - (r * dy) / long, y: y + 0.5 * dy + (r * dx) / long }, r)
          const middle = centre(hub)
          const spoke = line(
            'spoke',
            { x: middle.x + 0.6 * r, y: middle.y + 0.8 * r },
            { x: middle.x + 2 * r, y: middle.y + 2 * r },
          )
          const [wall2, strut2, hub2, spoke2] = fitted([wall, strut, hub, spoke], rules, rulesForGrid(rules, size))
            .objects as [typeof wall, typeof strut, typeof hub, typeof spoke]
          const was = centre(hub2)
          expect(beside(strut2.from, wall2)).toBeLessThan(1e-2)
          expect(hub2.w).toBeCloseTo(hub2.h, 6)
          expect(Math.abs(beside(was, wall2) - hub2.w / 2)).toBeLessThan(1e-2)
          expect(Math.abs(Math.hypot(spoke2.from.x - was.x, spoke2.from.y - was.y) - hub2.w / 2)).toBeLessThan(1e-2)
        },
      ),
    )
  })

  it('keeps a roof the mirror image that it was beside something that is none', () => {
    fc.assert(
      fc.property(half(5, 10), half(3, 8), half(4, 9), half(1, 6), base, (wide, top, high, aside, size) => {
        const roof = {
          kind: 'path',
          id: 'roof',
          name: 'roof',
          corner: 0,
          contours: [
            {
              closed: true,
              nodes: [
                { x: 12 - wide, y: top + high },
                { x: 12, y: top },
                { x: 12 + wide, y: top + high },
              ],
            },
          ],
          style,
        } as OfKind<'path'> & DrawingObject
        const chimney = line('chimney', { x: 12 + aside / 2, y: 22 }, { x: 12 + aside / 2, y: 23 })
        const [next] = fitted([roof, chimney], rules, rulesForGrid(rules, size)).objects as unknown as [typeof roof]
        const [a, b, c] = next.contours[0]!.nodes as [At, At, At]
        expect(Math.abs(a.x + c.x - 2 * b.x)).toBeLessThan(2e-2)
        expect(Math.abs(a.y - c.y)).toBeLessThan(1e-6)
      }),
    )
  })
})
