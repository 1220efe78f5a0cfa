import { sceneOf } from '../evaluate/evaluated-scene'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apart } from '../../../testing/apart'
import { readSetFile, writeSetFile } from '../../formats/set-file'
import { withStrokesOutlined } from '../scene/stroke-outlines'
import { svgOf, svgOfShapes } from '../../picture/svg'
import { pathBounds, transformPath } from '../../geometry/path'
import { OFFSET } from '../../geometry/tolerance'
import { nearestOnPath } from '../../geometry/nearest'
import { rotation } from '../../geometry/transform'
import { SAMPLE_RULES } from '../../../testing/sample-rules'
import { applyDrawingEdit } from './edit'
import { extent } from '../evaluate/extent'
import { moveObject, transformObject } from '../objects/transform-object'
import { anyObject, coordinate, run, simple } from '../../../testing/arbitrary'
import { afterEdit, editable } from './editable'
import { evaluateAll, outline } from '../evaluate/evaluate'
import { changeNodes, moveNodes, removeNodes, setHandle, setKind } from './node-edit'
import { closeContour, openAt, reverseContour } from './contour-edit'
import { insertNode, nearestSegment, pullSegment, straighten } from './segment-edit'
import { DrawingObject } from '../objects/object'
import type { PathObject } from '../kinds/path/schema'
import { pick } from '../evaluate/pick'
import { find, walk, withNewIds } from '../objects/tree'
import { pixelsOf } from '../../../testing/rasterise'
import { runs } from '../../../testing/runs'

const rules = SAMPLE_RULES
const drawing = fc.array(anyObject, { minLength: 1, maxLength: 5 })
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

describe('any drawing', () => {
  it('is what its schema says, whatever moved, turned or flipped it', () => {
    fc.assert(
      fc.property(anyObject, fc.integer({ min: -180, max: 180 }), coordinate, (object, degrees, x) => {
        for (const map of [
          rotation(degrees, { x, y: 3 }),
          [-1, 0, 0, 1, 2 * x, 0],
          [1.5, 0, 0, 0.75, 1, 2],
          [1, 0, 0.3, 1, 0, 0],
        ] as const) {
          const parsed = DrawingObject.safeParse(plain(transformObject(object, map)))
          expect(parsed.error?.issues ?? []).toEqual([])
        }
      }),
      runs(150),
    )
  })

  it('comes out of a set file as it went in, and is written alike again', () => {
    fc.assert(
      fc.property(drawing, (objects) => {
        const set = {
          name: 'Pier',
          kind: 'interface' as const,
          rules,
          icons: [{ id: 'i', name: 'icon', masters: [{ base: 24, objects: plain(objects) }] }],
        }
        const text = writeSetFile(set)
        const read = readSetFile(text)
        expect(read.error).toBeUndefined()
        expect(read.set).toEqual(set)
        expect(writeSetFile(read.set!)).toBe(text)
      }),
      runs(80),
    )
  })

  it('is drawn the same whether all is remembered of it or nothing', () => {
    fc.assert(
      fc.property(drawing, fc.nat(), coordinate, (objects, which, x) => {
        svgOf(objects, rules, 24)
        const moved = applyDrawingEdit(objects, {
          kind: 'replace',
          objects: [moveObject(objects[which % objects.length]!, { x, y: 1 })],
        })
        for (const ground of ['current', 'light', 'dark'] as const)
          expect(svgOf(moved, rules, 24, ground)).toBe(svgOf(structuredClone(moved), rules, 24, ground))
      }),
      runs(25),
    )
  })

  it('lies within its extent, and a copy with new ids looks the same', () => {
    fc.assert(
      fc.property(anyObject, (object) => {
        const bounds = pathBounds(outline(object, sceneOf(rules)))
        const box = extent(object, sceneOf(rules))
        if (bounds) {
          // A squircle's cubics may pass its box by a few ten-thousandths.
          expect(bounds.x).toBeGreaterThanOrEqual(box.x - OFFSET)
          expect(bounds.y).toBeGreaterThanOrEqual(box.y - OFFSET)
          expect(bounds.x + bounds.w).toBeLessThanOrEqual(box.x + box.w + OFFSET)
          expect(bounds.y + bounds.h).toBeLessThanOrEqual(box.y + box.h + OFFSET)
        }
        let next = 0
        const copy = withNewIds(object, () => `new-${next++}`)
        expect([...walk([copy])].every(({ object: one }) => one.id.startsWith('new-'))).toBe(true)
        expect(svgOf([copy], rules, 24)).toBe(svgOf([object], rules, 24))
      }),
      runs(120),
    )
  })

  it('is picked where a pixel of it is painted and nowhere else, never where it is locked or hidden', () => {
    const PIXELS = 96,
      UNIT = PIXELS / 24
    fc.assert(
      fc.property(
        drawing,
        fc.array(fc.nat({ max: PIXELS * PIXELS - 1 }), { minLength: 20, maxLength: 20 }),
        (drawn, places) => {
          // A soft shadow is seen, but nothing to take hold of.
          const objects = drawn.filter((object) => !JSON.stringify(object).includes('shadow'))
          const scene = sceneOf(rules)
          const pictures = objects.map((object) => pixelsOf(svgOf([object], rules, 24, 'light'), PIXELS))
          const alpha = (picture: Uint8Array | Uint8ClampedArray, x: number, y: number): number =>
            x < 0 || y < 0 || x >= PIXELS || y >= PIXELS ? 0 : picture[4 * (y * PIXELS + x) + 3]!
          for (const place of places) {
            const x = place % PIXELS,
              y = Math.floor(place / PIXELS)
            const found = pick(objects, scene, { x: (x + 0.5) / UNIT, y: (y + 0.5) / UNIT }, 0.01)
            // A pixel that is wholly painted, and one around which nothing is.
            const around = (picture: Uint8Array | Uint8ClampedArray) =>
              [-1, 0, 1].flatMap((dx) => [-1, 0, 1].map((dy) => alpha(picture, x + dx, y + dy)))
            const solid = objects.findLastIndex(
              ({ opacity }, i) => !opacity && around(pictures[i]!).every((a) => a === 255),
            )
            if (solid >= 0) expect(objects.indexOf(found!)).toBeGreaterThanOrEqual(solid)
            if (pictures.every((picture) => around(picture).every((a) => a === 0))) {
              // Nothing is seen here: only the edge of something unpainted may be taken, never its interior.
              const p = { x: (x + 0.5) / UNIT, y: (y + 0.5) / UNIT }
              const away = evaluateAll(found ? [found] : [], scene).map(
                ({ path }) => nearestOnPath(path, p)?.distance ?? Infinity,
              )
              if (found) expect(Math.min(...away)).toBeLessThan(0.011)
            }
            if (!found) continue
            expect(find(objects, found.id)?.parents).toEqual([])
            for (const flag of ['locked', 'hidden'] as const) {
              const without = applyDrawingEdit(objects, { kind: 'replace', objects: [{ ...found, [flag]: true }] })
              expect(pick(without, scene, { x: (x + 0.5) / UNIT, y: (y + 0.5) / UNIT }, 0.01)?.id).not.toBe(found.id)
            }
          }
        },
      ),
      runs(40),
    )
  })
})

describe('any delivery', () => {
  /** The opacity of every pixel of a document. */
  const alphaOf = (svg: string, pixels: number): number[] => [...pixelsOf(svg, pixels)].filter((_, i) => i % 4 === 3)

  it('with its strokes outlined looks as with its strokes kept, whatever the finish', () => {
    fc.assert(
      fc.property(fc.array(anyObject, { minLength: 1, maxLength: 3 }), (objects) => {
        const shapes = evaluateAll(objects, sceneOf(rules))
        const [kept, filled] = [svgOfShapes(shapes, 24, 'light'), svgOfShapes(withStrokesOutlined(shapes), 24, 'light')]
        expect(filled).not.toContain('stroke-width')
        const a = alphaOf(kept, 96),
          b = alphaOf(filled, 96)
        const differs = a.reduce((sum, value, i) => sum + Math.abs(value - b[i]!), 0)
        expect(differs / (255 * a.length)).toBeLessThan(0.004)
      }),
      runs(25),
    )
  })

  it('is well-formed, defines what it refers to and nothing else, and is the same text each time', () => {
    fc.assert(
      fc.property(drawing, (objects) => {
        for (const ground of ['current', 'light', 'dark'] as const) {
          const svg = svgOf(objects, rules, 24, ground)
          expect(svg).not.toMatch(/NaN|Infinity|undefined/)
          const defined = [...svg.matchAll(/ id="(\w+)"/g)].map(([, id]) => id),
            used = [...svg.matchAll(/url\(#(\w+)\)/g)].map(([, id]) => id)
          expect(new Set(defined).size).toBe(defined.length)
          expect(new Set(used)).toEqual(new Set(defined))
          expect(svgOf(structuredClone(objects), rules, 24, ground)).toBe(svg)
          if (ground !== 'current') expect(() => pixelsOf(svg, 24)).not.toThrow()
        }
      }),
      runs(25),
    )
  })
})

describe('any object as a path', () => {
  it('looks as it did, and gives the object back when nothing was edited', () => {
    fc.assert(
      fc.property(simple, (object) => {
        const path = editable(object, sceneOf(rules))
        if (!path) return
        const was = outline(object, sceneOf(rules)),
          is = outline(path, sceneOf(rules))
        if (was.length > 0) expect(apart(is, was, 12)).toBeLessThan(1e-6)
        if (object.kind === 'rectangle' || object.kind === 'polygon' || object.kind === 'path')
          expect(afterEdit(object, path).lost).toBeNull()
      }),
      runs(120),
    )
  })

  it('turns with the object: the path of the turned is the turned path', () => {
    fc.assert(
      fc.property(simple, fc.integer({ min: 1, max: 359 }), (object, degrees) => {
        fc.pre(object.kind !== 'text')
        const map = rotation(degrees, { x: 12, y: 12 })
        const there = outline(transformObject(object, map), sceneOf(rules)),
          was = transformPath(outline(object, sceneOf(rules)), map)
        if (was.length > 0) expect(apart(there, was, 12)).toBeLessThan(1e-3)
      }),
      runs(120),
    )
  })
})

describe('any run of edits of nodes', () => {
  type Step = (path: PathObject, contour: number, node: number, t: number, x: number) => PathObject | null
  const steps: Step[] = [
    (path, contour, node, _, x) => moveNodes(path, [{ contour, node }], { x: x / 4, y: 0.5 }),
    (path, contour, node) => setKind(path, [{ contour, node }], 'smooth'),
    (path, contour, node) => setKind(path, [{ contour, node }], 'symmetric'),
    (path, contour, node) => setKind(path, [{ contour, node }], 'corner'),
    (path, contour, node, t, x) =>
      setHandle(path, { contour, node }, t < 0.5 ? 'in' : 'out', { x: x / 5, y: 1 }, t > 0.8),
    (path, contour, node) => removeNodes(path, [{ contour, node }]),
    (path, contour, node) => openAt(path, { contour, node }),
    (path, contour) => closeContour(path, contour),
    (path, contour) => reverseContour(path, contour),
    (path, contour, node) => changeNodes(path, [{ contour, node }], (one) => ({ ...one, corner: 1 })),
    (path, contour, node, t) => (hasSegment(path, contour, node) ? insertNode(path, { contour, node }, t) : path),
    (path, contour, node, t, x) =>
      hasSegment(path, contour, node) ? pullSegment(path, { contour, node }, t, { x, y: 6 }) : path,
    (path, contour, node) => (hasSegment(path, contour, node) ? straighten(path, [{ contour, node }]) : path),
  ]
  const hasSegment = ({ contours }: PathObject, contour: number, node: number) => {
    const { nodes, closed } = contours[contour]!
    const a = nodes[node]!,
      b = nodes[(node + 1) % nodes.length]!
    return (closed || node + 1 < nodes.length) && (a.x !== b.x || a.y !== b.y)
  }
  const step = fc.record({
    act: fc.constantFrom(...steps),
    contour: fc.nat(),
    node: fc.nat(),
    t: fc.double({ min: 0.1, max: 0.9, noNaN: true }),
    x: coordinate,
  })

  it('leaves a good path, or nothing; smooth nodes keep their handles in line', () => {
    fc.assert(
      fc.property(run, fc.array(step, { minLength: 1, maxLength: 8 }), (first, acts) => {
        let path: PathObject | null = {
          kind: 'path',
          id: 'p',
          name: 'p',
          corner: 0,
          // Whatever is smooth later was made so by an edit.
          contours: [{ ...first, nodes: first.nodes.map(({ kind: _, ...node }) => node) }],
          style: { fill: 'none', stroke: 'ink', weight: 'main' },
        }
        for (const { act, contour, node, t, x } of acts) {
          if (!path) return
          const c = contour % path.contours.length
          path = act(path, c, node % path.contours[c]!.nodes.length, t, x)
        }
        if (!path) return
        expect(DrawingObject.safeParse(plain(path)).error?.issues ?? []).toEqual([])
        for (const { x, y, in: into, out, kind } of path.contours.flatMap(({ nodes }) => nodes)) {
          if (!kind || !into || !out) continue
          const a = Math.hypot(into.x, into.y),
            b = Math.hypot(out.x, out.y),
            said = `${kind} at ${x}, ${y}`
          // Between nodes in one place handles have no length, and no direction.
          if (a < 1e-6 || b < 1e-6) continue
          expect([said, Math.abs(into.x * out.y - into.y * out.x) / (a * b) < 1e-6]).toEqual([said, true])
          expect([said, into.x * out.x + into.y * out.y < 0]).toEqual([said, true])
          if (kind === 'symmetric') expect([said, Math.abs(a - b) < 1e-6]).toEqual([said, true])
        }
        for (const { segments } of outline(path, sceneOf(rules)))
          for (const { from, to } of segments) expect([from.x, from.y, to.x, to.y].every(Number.isFinite)).toBe(true)
        const near = nearestSegment(path, { x: 3, y: 3 })
        if (near) expect(Number.isFinite(near.distance)).toBe(true)
      }),
      runs(400),
    )
  })
})
