import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { SAMPLE_RULES } from '../../testing/sample-rules'
import { objectsOf } from '../../testing/icon-objects'
import { runs } from '../../testing/runs'
import { random } from '../../testing/shapes'
import { laidNodes, withLaidNodes } from '../drawing/objects/laid-nodes'
import { applyDrawingEdit } from '../drawing/edit/edit'
import { insertNode } from '../drawing/edit/segment-edit'
import { moveObject } from '../drawing/objects/transform-object'
import { evaluateAll } from '../drawing/evaluate/evaluate'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { inkOfAll } from '../drawing/scene/ink'
import type { Accepted } from '../drawing/model/accepted'
import { type DrawingObject, isFramed, isStyled, type OfKind } from '../drawing/objects/object'
import { readSetFile } from '../formats/set-file'
import { add, distance } from '../geometry/point'
import { pixelsOf } from '../raster/raster'
import type { Rules } from '../rules/rules'
import { acceptedIn } from '../set/set'
import { circularIn } from './look/circles'
import { mendsOf } from './mended'

type Drawing = readonly DrawingObject[]
type Pick = <T>(list: readonly T[]) => T | undefined
type Icon = {
  readonly name: string
  readonly objects: Drawing
  readonly accepted: readonly Accepted[]
  readonly rules: Rules
}

const changed = (objects: Drawing, one: DrawingObject | undefined, next: (one: DrawingObject) => object): Drawing =>
  objects.map((object) => (object === one ? (next(object) as DrawingObject) : object))

const stroked = (objects: Drawing) =>
  objects.filter((one) => isStyled(one) && 'stroke' in one.style && one.style.stroke !== 'none')

const isFilled = (one: DrawingObject) => isStyled(one) && 'fill' in one.style && one.style.fill === 'ink'

/** What slips into a drawing; null where it has nothing that it could slip into. */
const FAULTS: Readonly<Record<string, (objects: Drawing, pick: Pick) => Drawing | null>> = {
  'a copy in place': (objects, pick) => {
    const one = pick(objects)!
    return [...objects, { ...one, id: 'copy', name: 'copy' }]
  },
  'a line far outside': (objects) => [
    ...objects,
    {
      kind: 'line',
      id: 'far',
      name: 'far',
      from: { x: 90, y: 70 },
      to: { x: 120, y: 80 },
      style: { fill: 'none', stroke: 'ink', weight: 'main' },
    } as DrawingObject,
  ],
  'something without paint': (objects) => [
    ...objects,
    {
      kind: 'rectangle',
      id: 'bare',
      name: 'bare',
      x: 3,
      y: 3,
      w: 9,
      h: 9,
      corner: 0,
      style: { fill: 'none', stroke: 'none', weight: 'main' },
    } as DrawingObject,
  ],
  'a weight of its own': (objects, pick) => {
    const one = pick(
      stroked(objects).filter((each) => isStyled(each) && 'weight' in each.style && each.style.weight === 'main'),
    )
    return one
      ? changed(objects, one, (each) => ({ ...each, style: { ...(each as { style: object }).style, weight: 2.13 } }))
      : null
  },
  'a colour of its own': (objects, pick) => {
    const one = pick(
      stroked(objects).filter((each) => isStyled(each) && 'stroke' in each.style && each.style.stroke === 'ink'),
    )
    return one
      ? changed(objects, one, (each) => ({
          ...each,
          style: { ...(each as { style: object }).style, stroke: '#15241f' },
        }))
      : null
  },
  'a turn of half a degree': (objects, pick) => {
    const one = pick(
      objects.filter((each) => isFramed(each) && each.turn === undefined && Math.min(each.w, each.h) > 2),
    )
    return one ? changed(objects, one, (each) => ({ ...each, turn: 0.6 })) : null
  },
  'a needless node': (objects, pick) => {
    const one = pick(
      objects.filter((each) => each.kind === 'path' && !each.contours[0]!.nodes.some(({ corner }) => corner)),
    )
    return one ? changed(objects, one, (each) => insertNode(each as never, { contour: 0, node: 0 }, 0.4)) : null
  },
  'an arc a tenth aside': (objects, pick) => {
    const one = pick(
      circularIn(objects, 1).filter(
        ({ seen, centre, run, moved }, i, all) =>
          seen.parents.length === 0 &&
          run !== seen.object &&
          moved({ x: 0, y: 0 }) !== null &&
          all.some((other, k) => k < i && other.run !== run && distance(other.centre, centre) < 1e-6),
      ),
    )
    return one ? changed(objects, one.seen.object, () => one.moved({ x: 0.1, y: 0 })!) : null
  },
  'a hidden copy': (objects, pick) => {
    const one = pick(objects)!
    return [...objects, { ...moveObject(one, { x: 3, y: 2 }), id: 'copy', name: 'copy', hidden: true } as DrawingObject]
  },
  'something covered': (objects, pick) => {
    const one = pick(objects.filter((each) => isFramed(each) && isFilled(each) && Math.min(each.w, each.h) > 6))
    if (!one || !isFramed(one)) return null
    const { x, y, w, h } = one
    const under = { kind: 'rectangle', id: 'under', name: 'under', x: x + w / 2 - 1, y: y + h / 2 - 1, w: 2, h: 2 }
    const style = { fill: 'ink', stroke: 'none', weight: 'main' }
    return [{ ...under, corner: 0, style } as DrawingObject, ...objects]
  },
  'an end a tenth off a node': (objects, pick) => {
    const ends = objects.flatMap((one) =>
      laidNodes(one).flatMap(({ closed, nodes }, k) =>
        !closed && distance(nodes[0]!, nodes.at(-1)!) > 3 ? [{ one, k, at: nodes.at(-1)! }] : [],
      ),
    )
    const end = pick(
      ends.filter(({ one, at }) =>
        objects.some(
          (other) =>
            other !== one &&
            laidNodes(other).some(({ nodes }) => nodes.some((node) => distance(node, at) < 1e-6 && !node.arc)),
        ),
      ),
    )
    return end
      ? changed(objects, end.one, (each) =>
          withLaidNodes(
            each as DrawingObject,
            laidNodes(end.one).map((run, k) =>
              k === end.k
                ? {
                    ...run,
                    nodes: run.nodes.map((node) =>
                      node === end.at ? { ...node, ...add(node, { x: 0.1, y: -0.06 }) } : node,
                    ),
                  }
                : run,
            ),
          ),
        )
      : null
  },
  'a node twice': (objects, pick) => {
    const one = pick(objects.filter((each) => each.kind === 'path' && each.contours[0]!.nodes.length > 3))
    return one
      ? changed(objects, one, (each) => {
          const { contours } = each as OfKind<'path'>
          const [first, ...rest] = contours,
            nodes = first!.nodes
          return {
            ...each,
            contours: [
              {
                ...first!,
                nodes: [
                  ...nodes.slice(0, 1),
                  { ...nodes[1]!, arc: undefined, out: undefined, x: nodes[1]!.x + 0.03 },
                  { ...nodes[1]!, in: undefined },
                  ...nodes.slice(2),
                ],
              },
              ...rest,
            ],
          }
        })
      : null
  },
  'all of it half a unit aside': (objects) => objects.map((one) => moveObject(one, { x: 0.5, y: 0 })),
}

/**
 * The share of drawings in which a fault may stay: what mirrors and slants hold crisp elsewhere does not tell that all of
 * it lies aside, and a weight or a turn may be in a part that is measured by something else.
 */
const SHARE: Readonly<Record<string, number>> = { 'all of it half a unit aside': 0.3, 'a weight of its own': 0.06 }

/** The share of the ink by which two drawings differ, at 96 pixels. */
function difference(a: Drawing, b: Drawing, rules: Rules): number {
  const paint = { kind: 'flat', colour: [0, 0, 0, 1] } as const
  const [one, other] = [a, b].map((objects) => {
    const path = inkOfAll(evaluateAll(objects, sceneOf(rules)))
    const { size } = rules.grid
    return pixelsOf(
      { box: { x: 0, y: 0, w: size, h: size }, items: [{ kind: 'area', path, rule: 'nonzero', paint }] },
      96,
    ).data
  })
  let off = 0,
    ink = 0
  for (let i = 3; i < one!.length; i += 4) {
    off += Math.abs(one![i]! - other![i]!)
    ink += one![i]!
  }
  return off / Math.max(1, ink)
}

const demo = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
const folder = join(dirname(createRequire(import.meta.url).resolve('lucide-static/package.json')), 'icons')
const files = readdirSync(folder).filter((name) => name.endsWith('.svg'))
const others: Rules = {
  ...SAMPLE_RULES,
  liveArea: 24,
  checks: { 'own-radius': 'off', 'off-grid': 'off', 'misses-keyline': 'off', 'own-angle': 'off', 'off-centre': 'off' },
}
const icons: Icon[] = [
  ...demo.icons.map(({ name, masters }) => ({
    name,
    objects: masters[0]!.objects,
    accepted: acceptedIn(masters[0]!),
    rules: demo.rules,
  })),
  ...files
    .filter((_, i) => i % 17 === 0)
    .map((name) => ({
      name,
      objects: objectsOf(readFileSync(join(folder, name), 'utf8')),
      accepted: [],
      rules: others,
    })),
]

/** How many icons are looked at for one that a fault can slip into. */
const ICONS_TRIED = 60

describe('a fault that slipped into a drawing', () => {
  it.each(Object.entries(FAULTS))('is mended, and the drawing is what it was: %s', (fault, slip) => {
    const count = runs(60).numRuns
    const left: string[] = []
    let tried = 0
    for (let i = 0; i < count; i++) {
      const next = random(31 * i + 7)
      const pick: Pick = (list) => list[Math.floor(next() * list.length)]
      let icon: Icon | undefined, faulty: Drawing | null | undefined
      for (let k = 0; k < ICONS_TRIED && !faulty; k++) {
        icon = pick(icons)!
        faulty = slip(icon.objects, pick)
      }
      if (!icon || !faulty) continue
      const { name, objects, accepted, rules } = icon
      tried++
      const scene = sceneOf(rules)
      // What was there before may be mended as well.
      const mend = (drawing: Drawing) =>
        mendsOf({ objects: drawing, rules, scene }, accepted).reduce<Drawing>(applyDrawingEdit, drawing)
      const off = Math.min(difference(objects, mend(faulty), rules), difference(mend(objects), mend(faulty), rules))
      if (off > 0.01) left.push(`${name}: ${(100 * off).toFixed(1)} %`)
    }
    expect(tried).toBeGreaterThan(count / 4)
    expect(left.length, left.join(', ')).toBeLessThanOrEqual((SHARE[fault] ?? 0) * tried)
  })
})
