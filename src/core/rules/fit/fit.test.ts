import fc from 'fast-check'
import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { objectsOf } from '../../../testing/icon-objects'
import { evaluateAll } from '../../drawing/evaluate/evaluate'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { inkOfAll } from '../../drawing/scene/ink'
import type { DrawingObject, OfKind } from '../../drawing/objects/object'
import { walk } from '../../drawing/objects/tree'
import { readSetFile } from '../../formats/set-file'
import { crispness } from '../../geometry/crispness'
import { rulesForGrid } from '../rules-for-grid'
import type { Rules } from '../rules'
import { starter } from '../starters'
import { scaled } from './brought'
import { fitted } from './fit'
import { isStray } from './stray'
import { random } from '../../../testing/shapes'
import { runs } from '../../../testing/runs'

/** Weights that can be crisp on both sides show what fitting does. */
const rules: Rules = { ...starter('interface-24')!.rules, weightSteps: 'whole' }
const { set: quayside } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8'))
const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const at16 = rulesForGrid(rules, 16)

const crisp = (objects: readonly DrawingObject[], under: Rules, pixels: number) => {
  const { crisp: on, length } = crispness(inkOfAll(evaluateAll(objects, sceneOf(under))), under.grid.size, pixels)
  return { on: (on * pixels) / under.grid.size, length: (length * pixels) / under.grid.size }
}

/** Every so many of the icons of a set of plain files. */
function icons(every: number): { name: string; objects: DrawingObject[] }[] {
  const folder = join(dirname(createRequire(import.meta.url).resolve('lucide-static/package.json')), 'icons')
  return readdirSync(folder)
    .sort()
    .filter((_, i) => i % every === 0)
    .map((file) => ({ name: file, objects: objectsOf(readFileSync(join(folder, file), 'utf8')) }))
}

/** Objects whose nodes are off by a little, as exported by a program that rounds. */
function disturbed(objects: readonly DrawingObject[]): DrawingObject[] {
  const next = random(7)
  const off = (value: number) => value + (next() - 0.5) * 0.06
  return objects.map((object) =>
    object.kind !== 'path'
      ? object
      : {
          ...object,
          contours: object.contours.map((run) => ({
            ...run,
            nodes: run.nodes.map((node) => ({ ...node, x: off(node.x), y: off(node.y) })),
          })),
        },
  )
}

describe('a drawing brought to a smaller grid', () => {
  it('keeps its pieces and counters and gets crisp, icon by icon of a folder', () => {
    const before = { on: 0, length: 0 },
      after = { on: 0, length: 0 }
    for (const { name, objects } of icons(30)) {
      const { objects: small, isFitted } = fitted(objects, rules, at16)
      const was = crisp(objects, rules, 16),
        is = crisp(small, at16, 16)
      before.on += was.on
      before.length += was.length
      after.on += is.on
      after.length += is.length
      const count = (list: readonly DrawingObject[], under: Rules) => inkOfAll(evaluateAll(list, sceneOf(under))).length
      if (isFitted) expect([name, count(small, at16)]).toEqual([name, count(objects, rules)])
      expect(small.map(({ id, kind }) => [id, kind])).toEqual(objects.map(({ id, kind }) => [id, kind]))
    }
    expect(before.on / before.length).toBeLessThan(0.4)
    expect(after.on / after.length).toBeGreaterThan(0.86)
  }, 60_000)

  it('is hardly anything that would be sent back: nothing of the demo at every size, two masters of a hundred of a folder', () => {
    const back = [16, 20, 32].flatMap((size) => [
      ...quayside!.icons.flatMap(({ name, masters }) =>
        fitted(masters[0]!.objects, quayside!.rules, rulesForGrid(quayside!.rules, size)).losses.map(
          () => `${name} ${size}`,
        ),
      ),
      ...icons(60).flatMap(({ name, objects }) =>
        fitted(objects, rules, rulesForGrid(rules, size)).losses.map(() => `${name} ${size}`),
      ),
    ])
    expect(back.filter((name) => !name.includes('.svg'))).toEqual([])
    expect(new Set(back).size).toBeLessThanOrEqual(2)
  }, 60_000)

  it('is never another picture: where places cannot be brought together it is only scaled', () => {
    const strays = [16, 20, 32].flatMap((size) => {
      const book = rulesForGrid(rules, size),
        ink = (list: readonly DrawingObject[]) => inkOfAll(evaluateAll(list, sceneOf(book)))
      return icons(60)
        .map(({ name, objects }) => ({ name, objects: disturbed(objects) }))
        .filter(({ objects }) => isStray(ink(fitted(objects, rules, book).objects), ink(scaled(objects, rules, book))))
        .map(({ name }) => `${name} ${size}`)
    })
    expect(strays).toEqual([])
  }, 60_000)

  it('keeps every object of the demo icons what it is: circles round, weights by name, members in their place', () => {
    const book = rulesForGrid(quayside!.rules, 16)
    for (const { masters } of quayside!.icons) {
      const { objects } = masters[0]!
      const was = [...walk(objects)],
        is = [...walk(fitted(objects, quayside!.rules, book).objects)]
      expect(is.map(({ object: { id, kind } }) => [id, kind])).toEqual(
        was.map(({ object: { id, kind } }) => [id, kind]),
      )
      was.forEach(({ object }, i) => {
        const now = is[i]!.object
        if (object.kind === 'ellipse' && object.w === object.h)
          expect((now as typeof object).w).toBeCloseTo((now as typeof object).h, 9)
        if ('style' in object && 'weight' in object.style && typeof object.style.weight === 'string')
          expect((now as typeof object).style).toMatchObject({ weight: object.style.weight })
      })
    }
  }, 60_000)

  it('puts all four sides of a circle on pixels, and both edges of a line, and keeps what lies in the middle there', () => {
    const objects: DrawingObject[] = [
      { kind: 'ellipse', id: 'rim', name: 'Rim', x: 2, y: 2, w: 20, h: 20, style },
      { kind: 'line', id: 'bar', name: 'Bar', from: { x: 7, y: 12 }, to: { x: 17, y: 12 }, style },
    ]
    const [rim, bar] = fitted(objects, rules, at16).objects as [OfKind<'ellipse'>, OfKind<'line'>]
    for (const edge of [rim.x - 0.5, rim.x + rim.w + 0.5, rim.y - 0.5, rim.y + rim.h + 0.5])
      expect(edge).toBeCloseTo(Math.round(edge), 9)
    expect(rim.w).toBe(rim.h)
    expect(bar.from.y).toBe(rim.y + rim.h / 2)
    expect(bar.from.x + bar.to.x).toBeCloseTo(2 * (rim.x + rim.w / 2), 9)
    const [alone] = fitted([objects[1]!], rules, at16).objects as [OfKind<'line'>]
    expect(alone.from.y - 0.5).toBeCloseTo(Math.round(alone.from.y - 0.5), 9)
  })

  it('keeps even gaps even and open, whatever their number and pitch', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 6 }), fc.constantFrom(3, 3.5, 4), (count, pitch) => {
        const top = 12 - ((count - 1) * pitch) / 2
        const objects = Array.from({ length: count }, (_, i): DrawingObject => {
          const y = top + i * pitch
          return { kind: 'line', id: `l-${i}`, name: 'Line', from: { x: 3, y }, to: { x: 21, y }, style }
        })
        const ys = (fitted(objects, rules, at16).objects as OfKind<'line'>[]).map(({ from }) => from.y)
        const steps = ys.slice(1).map((y, i) => y - ys[i]!)
        for (const step of steps) expect(step).toBeGreaterThanOrEqual(2)
        expect(Math.max(...steps) - Math.min(...steps)).toBeLessThanOrEqual(1)
        expect(ys[0]! + ys.at(-1)!).toBeCloseTo(Math.round(ys[0]! + ys.at(-1)!), 9)
      }),
      runs(20),
    )
  })

  it('leaves a drawing that is crisp on its own grid where it is', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 2, max: 20 }), { minLength: 8, maxLength: 8 }), (n) => {
        const objects: DrawingObject[] = [
          { kind: 'rectangle', id: 'a', name: 'A', x: n[0]!, y: n[1]!, w: n[2]!, h: n[3]!, corner: 0, style },
          { kind: 'ellipse', id: 'b', name: 'B', x: n[4]!, y: n[5]!, w: 2 * n[6]!, h: 2 * n[6]!, style },
        ]
        const { objects: same } = fitted(objects, rules, rules)
        expect(same).toEqual(objects)
      }),
      runs(60),
    )
  })

  it('only scales what fitting would tear or close', () => {
    // Two lines that touch by a hair: no place of either on the small grid keeps just that.
    const objects: DrawingObject[] = [
      { kind: 'line', id: 'a', name: 'A', from: { x: 3, y: 6 }, to: { x: 20, y: 7.3 }, style },
      { kind: 'line', id: 'b', name: 'B', from: { x: 3, y: 9.9 }, to: { x: 20, y: 7.4 }, style },
    ]
    const { objects: small } = fitted(objects, rules, at16)
    expect(inkOfAll(evaluateAll(small, sceneOf(at16)))).toHaveLength(
      inkOfAll(evaluateAll(objects, sceneOf(rules))).length,
    )
  })
})
