import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { runs } from '../../testing/runs'
import { moveObject } from '../drawing/objects/transform-object'
import { readSetFile } from '../formats/set-file'
import { SAMPLE_RULES } from '../../testing/sample-rules'
import { fittedToPixels } from '../rules/fit/fit-to-pixels'
import { keepsExactness } from '../drawing/edit/exactness'
import { applyDrawingEdit } from '../drawing/edit/edit'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import type { DrawingObject } from '../drawing/objects/object'
import { snagsIn } from './snags'
import { keptRepairs, mendsOf, repairsOf } from './mended'

const line = (id: string, y: number, to: number, more: object = {}): DrawingObject =>
  ({
    kind: 'line',
    id,
    name: id,
    from: { x: 3, y },
    to: { x: 21, y: to },
    style: { fill: 'none', stroke: 'ink', weight: 'main', ...more },
  }) as DrawingObject
const at = (objects: readonly DrawingObject[]) => ({ objects, rules: SAMPLE_RULES, scene: sceneOf(SAMPLE_RULES) })
const heavy = (objects: readonly DrawingObject[]) =>
  snagsIn(at(objects)).filter(({ severity, mend }) => severity !== 'note' && mend)
const after = (objects: readonly DrawingObject[]) =>
  mendsOf(at(objects), []).reduce<readonly DrawingObject[]>(applyDrawingEdit, objects)

describe('mending all at once', () => {
  it('leaves nothing that could be mended, and what is in order as it is', () => {
    const slips = [
      line('a', 6, 6.4),
      line('b', 12, 12, { weight: 2.2 }),
      line('c', 18, 18, { stroke: '#15241f' }),
      line('d', 18, 18, { stroke: '#15241f' }),
    ]
    expect(heavy(slips).length).toBeGreaterThan(4)
    const mended = after(slips)
    expect(heavy(mended)).toEqual([])
    expect(mended.map(({ id }) => id)).toEqual(['a', 'b', 'c'])
    expect(mended[0]).toMatchObject({ from: { y: 6 }, to: { x: 21, y: 6 } })
    expect(mended[1]).toMatchObject({ style: { weight: 'main' } })
    expect(mended[2]).toMatchObject({ style: { stroke: 'ink' } })
    const fine = [line('a', 6, 6), line('b', 18, 18)]
    expect(after(fine)).toBe(fine)
  })

  it('comes to an end where one repair brings back what another mended', () => {
    // Two circles that nearly touch a third, on both sides: each can touch it, both at once only one after the other.
    const disc = (id: string, x: number, r: number): DrawingObject => ({
      kind: 'ellipse',
      id,
      name: id,
      x: x - r,
      y: 12 - r,
      w: 2 * r,
      h: 2 * r,
      style: { fill: 'ink', stroke: 'none', weight: 'main' },
    })
    const edits = mendsOf(at([disc('a', 6, 3), disc('b', 12.1, 3), disc('c', 18, 2.95)]), [])
    expect(edits.length).toBeLessThan(50)
  })

  it('leaves a repair out with one before it of the same object, and no other', () => {
    const slips = [line('a', 6, 6.4, { stroke: '#15241f' }), line('b', 18, 18, { weight: 2.2 })]
    const repairs = repairsOf(at(slips), [])
    const of = (id: string) => repairs.flatMap(({ snag }, i) => (snag.objects.includes(id) ? [i] : []))
    expect(of('a').length).toBeGreaterThan(1)
    expect([...keptRepairs(repairs, new Set())]).toEqual(repairs.map((_, i) => i))
    expect([...keptRepairs(repairs, new Set(of('a').slice(0, 1)))]).toEqual(of('b'))
    const kept = repairs.filter((_, i) => keptRepairs(repairs, new Set(of('a').slice(0, 1))).has(i))
    const mended = kept.reduce<readonly DrawingObject[]>((list, { edit }) => applyDrawingEdit(list, edit), slips)
    expect(mended[0]).toEqual(slips[0])
    expect(mended[1]).toMatchObject({ style: { weight: 'main' } })
  })

  it('leaves what is accepted', () => {
    const slip = [line('a', 6, 6.4)]
    const snag = heavy(slip)[0]!
    expect(mendsOf(at(slip), [{ check: snag.check, objects: [...snag.objects], reason: 'It leans.' }]).length).toBe(
      mendsOf(at(slip), []).length - 1,
    )
  })

  it('removes a forgotten line far outside, and never shrinks the drawing to make room for it', () => {
    const icon = [line('a', 6, 6), line('b', 18, 18)]
    const mended = after([
      ...icon,
      { ...line('far', 6, 6), from: { x: 70, y: 40 }, to: { x: 90, y: 60 } } as DrawingObject,
    ])
    expect(mended).toEqual(icon)
  })

  it('moves a drawing that lies half a unit aside back as a whole', () => {
    const icon = [line('a', 6, 6), line('b', 18, 18), line('c', 12, 12)]
    const aside = icon.map((one) => moveObject(one, { x: 0, y: 0.5 }))
    expect(heavy(aside).length).toBeGreaterThan(0)
    expect(after(aside)).toEqual(icon)
  })

  it('brings what passes the live area back by whole steps, and only offers to scale', () => {
    const frame = (x: number, y: number, w: number, h: number): DrawingObject => ({
      kind: 'rectangle',
      id: 'frame',
      name: 'frame',
      x,
      y,
      w,
      h,
      corner: 0,
      style: { fill: 'none', stroke: 'ink', weight: 'main' },
    })
    const passes = (objects: readonly DrawingObject[]) =>
      snagsIn(at(objects)).filter(({ check }) => /live-area|beyond-square/.test(check))
    // Moved as a whole; drawn in on both sides; a line shortened.
    const aside = [frame(1.5, 4, 16, 16), line('a', 12, 12)]
    expect(passes(aside)).toHaveLength(1)
    expect(after(aside)).toEqual(aside.map((one) => moveObject(one, { x: 0.5, y: 0 })))
    expect(after([frame(1.5, 4, 21, 16)])[0]).toMatchObject({ x: 2, y: 4, w: 20, h: 16 })
    const long = [frame(2, 4, 20, 16), { ...line('a', 12, 12), from: { x: 0.5, y: 12 } } as DrawingObject]
    expect(after(long)[1]).toMatchObject({ from: { y: 12 }, to: { x: 21, y: 12 } })
    expect(passes(after(long))).toEqual([])
    // Far too large: scaling is offered, and never done.
    const large = [frame(-4, -4, 32, 32), line('a', 12, 12)]
    const [snag] = passes(large)
    expect(snag).toMatchObject({ offer: { word: 'scale to 64.7 %' } })
    expect(snag!.mend).toBeUndefined()
    expect(after(large)[0]).toEqual(large[0])
  })

  it('leaves everything on the grid that lay there, and every named value its name', () => {
    const { icons, rules } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
    const scene = sceneOf(rules)
    const steps = fc.integer({ min: -4, max: 4 }).map((n) => n * rules.grid.step)
    fc.assert(
      fc.property(fc.nat(icons.length - 1), fc.nat(), steps, steps, fc.boolean(), (i, which, x, y, isWhole) => {
        const whole = icons[i]!.masters[0]!.objects
        const objects = whole.map((one, k) => (isWhole || k === which % whole.length ? moveObject(one, { x, y }) : one))
        const mended = mendsOf({ objects, rules, scene }, []).reduce<readonly DrawingObject[]>(
          applyDrawingEdit,
          objects,
        )
        expect(keepsExactness(objects, mended, rules.grid.step)).toBe(true)
        const fitted = fittedToPixels(objects, rules)
        expect(keepsExactness(objects, fitted, rules.grid.step)).toBe(true)
      }),
      runs(80),
    )
  })

  it('paints nothing ink that is white', () => {
    const hole = line('hole', 12, 12, { stroke: '#ffffff' })
    expect(snagsIn(at([hole])).find(({ check }) => check === 'own-colour')?.mend).toBeUndefined()
  })

  it('leaves fewer snags by every mend, and nothing to do a second time, whatever slips into a demo icon', () => {
    const { icons, rules } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
    const scene = sceneOf(rules)
    fc.assert(
      fc.property(
        fc.nat(icons.length - 1),
        fc.nat(),
        fc.double({ min: -0.3, max: 0.3, noNaN: true }),
        (i, which, by) => {
          const whole = icons[i]!.masters[0]!.objects
          const slipped = whole.map((one, k) =>
            k === which % whole.length ? moveObject(one, which % 2 ? { x: by, y: 0 } : { x: 0, y: by }) : one,
          )
          let objects: readonly DrawingObject[] = slipped
          let count = snagsIn({ objects, rules, scene }).length
          for (const edit of mendsOf({ objects, rules, scene }, [])) {
            objects = applyDrawingEdit(objects, edit)
            const left = snagsIn({ objects, rules, scene }).length
            expect(left).toBeLessThan(count)
            count = left
          }
          expect(mendsOf({ objects, rules, scene }, [])).toEqual([])
        },
      ),
      runs(60),
    )
  })
})
