import { sceneOf } from '../evaluate/evaluated-scene'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { distanceToPath, flatten } from '../../../testing/flatten'
import { pathBounds } from '../../geometry/path'
import { distance } from '../../geometry/point'
import { apply, boxToBox, rotation, type Transform } from '../../geometry/transform'
import { STARTERS } from '../../rules/starters'
import { changeNumbers } from './numbers'
import { extent, frameOf } from '../evaluate/extent'
import { transformObject } from '../objects/transform-object'
import { evaluate, outline, refusalIn } from '../evaluate/evaluate'
import { framePoint } from '../model/frame'
import type { DrawingObject } from '../objects/object'
import { hits, pick } from '../evaluate/pick'
import { HANDLES, pullFrame } from './resize'
import { runs } from '../../../testing/runs'

const values = STARTERS[0]!.rules
const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const rectangle = (id: string, x: number, y: number, w: number, h: number, extra = {}): DrawingObject => ({
  kind: 'rectangle',
  id,
  name: id,
  x,
  y,
  w,
  h,
  corner: 0,
  style,
  ...extra,
})
const ellipse = (id: string, x: number, y: number, w: number, h: number, extra = {}): DrawingObject => ({
  kind: 'ellipse',
  id,
  name: id,
  x,
  y,
  w,
  h,
  style,
  ...extra,
})

const n = fc.integer({ min: -40, max: 80 }).map((half) => half / 2)
const side = fc.integer({ min: 1, max: 60 }).map((half) => half / 2)
const turn = fc.constantFrom(undefined, 30, 45, 90, -100)
const object = fc.oneof(
  fc.tuple(n, n, side, side, turn).map(([x, y, w, h, t]) => rectangle('r', x, y, w, h, t && { turn: t })),
  fc.tuple(n, n, side, side, turn).map(([x, y, w, h, t]) => ellipse('e', x, y, w, h, t && { turn: t })),
  fc
    .tuple(n, n, side, side, turn, fc.constantFrom('pie', 'chord', 'open'))
    .map(([x, y, w, h, t, cut]) => ellipse('p', x, y, w, h, { from: 20, to: 250, cut, ...(t && { turn: t }) })),
  fc.tuple(n, n, side, side, turn).map(([x, y, w, h, t]): DrawingObject => ({
    kind: 'polygon',
    id: 's',
    name: 's',
    x,
    y,
    w,
    h,
    sides: 5,
    depth: 0.4,
    corner: 0,
    style,
    ...(t && { turn: t }),
  })),
  fc.tuple(n, n, side, side, turn).map(([x, y, w, h, t]): DrawingObject => ({
    kind: 'arrow',
    id: 'a',
    name: 'a',
    x,
    y,
    w,
    h,
    head: 0.4,
    shaft: 0.5,
    corner: 0,
    style,
    ...(t && { turn: t }),
  })),
  fc.tuple(n, n, side, side, turn).map(([x, y, w, h, t]): DrawingObject => ({
    kind: 'spiral',
    id: 'v',
    name: 'v',
    x,
    y,
    w,
    h,
    turns: 2,
    inner: 0.2,
    style,
    ...(t && { turn: t }),
  })),
  fc.array(fc.record({ x: n, y: n }), { minLength: 3, maxLength: 6 }).map((nodes): DrawingObject => ({
    kind: 'path',
    id: 'p',
    name: 'p',
    corner: 0,
    contours: [{ closed: true, nodes }],
    style,
  })),
)
const map: fc.Arbitrary<Transform> = fc.oneof(
  fc.tuple(fc.integer({ min: -179, max: 179 }), n, n).map(([degrees, x, y]) => rotation(degrees, { x, y })),
  fc.tuple(side, side).map(([w, h]) => boxToBox({ x: 1, y: 2, w: 10, h: 10 }, { x: 4, y: -3, w, h })),
  fc.constantFrom<Transform>([1, 0, 0.4, 1, 2, 3], [-1, 0, 0, 1, 24, 0], [0.3, 1.1, -0.7, 0.9, 5, 5]),
)

describe('objects', () => {
  it('carry any affine map in their own numbers: the outline of the map is the map of the outline', () => {
    fc.assert(
      fc.property(object, map, map, (drawn, first, second) => {
        const moved = transformObject(transformObject(drawn, first), second)
        const there = outline(moved, sceneOf(values))
        for (const contour of outline(drawn, sceneOf(values))) {
          expect(
            Math.max(...flatten(contour, 0.2).map((p) => distanceToPath(there, apply(second, apply(first, p))))),
          ).toBeLessThan(0.02)
        }
      }),
      runs(150),
    )
  })

  it('keep their own corners, parts and directions when flipped, and come back when flipped again', () => {
    const flip: Transform = [-1, 0, 0, 1, 24, 0]
    const own = rectangle('c', 2, 3, 8, 5, { corners: [0, 1, 2, 'outer'], turn: 30 })
    expect(transformObject(own, flip)).toMatchObject({ corners: [1, 0, 'outer', 2], turn: -30 })
    fc.assert(
      fc.property(object, (drawn) => {
        expect(JSON.parse(JSON.stringify(transformObject(transformObject(drawn, flip), flip)))).toEqual(
          JSON.parse(JSON.stringify(drawn)),
        )
      }),
    )
  })

  it('keep the anchor in place when a size or a turn is typed, and go where x and y say', () => {
    const anchor = fc.record({ x: fc.constantFrom(0, 0.5, 1), y: fc.constantFrom(0, 0.5, 1) })
    fc.assert(
      fc.property(object, anchor, side, side, n, (drawn, at, w, h, x) => {
        const before = framePoint(frameOf(drawn, sceneOf(values)), at)
        const sized = changeNumbers(drawn, sceneOf(values), at, { w, h })
        const frame = frameOf(sized, sceneOf(values))
        if (frameOf(drawn, sceneOf(values)).w > 0 && frameOf(drawn, sceneOf(values)).h > 0) {
          expect(frame.w).toBeCloseTo(w, 9)
          expect(frame.h).toBeCloseTo(h, 9)
        }
        expect(distance(framePoint(frame, at), before)).toBeLessThan(1e-9)
        const moved = framePoint(frameOf(changeNumbers(drawn, sceneOf(values), at, { x }), sceneOf(values)), at)
        expect(distance(moved, { x, y: before.y })).toBeLessThan(1e-9)
      }),
    )
  })

  it('keep typed halves exact: moving by a half and back gives the same numbers', () => {
    const drawn = rectangle('r', 3.5, 4, 17, 9)
    expect(transformObject(transformObject(drawn, [1, 0, 0, 1, 0.5, -2.5]), [1, 0, 0, 1, -0.5, 2.5])).toEqual(drawn)
    expect(transformObject(drawn, [1, 0, 0, 1, 1, 1])).toEqual(rectangle('r', 4.5, 5, 17, 9))
  })

  it('have an extent that holds their outline exactly', () => {
    fc.assert(
      fc.property(object, (drawn) => {
        const box = extent(drawn, sceneOf(values)),
          bounds = pathBounds(outline(drawn, sceneOf(values)))
        if (bounds) for (const key of ['x', 'y', 'w', 'h'] as const) expect(box[key]).toBeCloseTo(bounds[key], 6)
      }),
    )
  })

  it('follow the rules: the same object is drawn with the weight and radius the rules have', () => {
    const drawn = rectangle('r', 2, 2, 20, 20, { corner: 'outer' })
    const thin = {
      ...values,
      weights: [{ name: 'main', value: 1.5 }, values.weights[1]!],
      radii: [{ name: 'outer', value: 3 }],
    }
    expect(evaluate(drawn, sceneOf(values))[0]).toMatchObject({ stroke: { width: 2 } })
    const [shape] = evaluate(drawn, sceneOf(thin))
    expect(shape!.stroke!.width).toBe(1.5)
    expect(shape!.path[0]!.segments.find(({ kind }) => kind === 'arc')).toMatchObject({ rx: 3 })
    const gone = rectangle('r', 0, 0, 1, 1, { corner: 'gone' })
    expect([evaluate(gone, sceneOf(values)), refusalIn(gone, sceneOf(values))?.message]).toEqual([
      [],
      expect.stringContaining('radius named “gone”'),
    ])
  })
})

describe('pulling a handle', () => {
  it('brings that handle to the pointer and leaves the opposite one', () => {
    const frame = fc.record({ x: n, y: n, w: side, h: side, turn })
    fc.assert(
      fc.property(frame, fc.constantFrom(...HANDLES), n, n, fc.boolean(), (f, handle, x, y, centred) => {
        const pulled = pullFrame(f, handle, { x, y }, { proportional: false, centred })
        expect(pulled.w).toBeGreaterThanOrEqual(0)
        const fixed = centred ? { x: 0.5, y: 0.5 } : { x: 1 - handle.x, y: 1 - handle.y }
        const places = [0, 0.5, 1].flatMap((sx) => [0, 0.5, 1].map((sy) => framePoint(pulled, { x: sx, y: sy })))
        const has = (p: { x: number; y: number }) => places.some((place) => distance(place, p) < 1e-6)
        expect(has(framePoint(f, fixed))).toBe(true)
        if (handle.x !== 0.5 && handle.y !== 0.5) expect(has({ x, y })).toBe(true)
      }),
    )
  })

  it('keeps the proportion when asked to', () => {
    const pulled = pullFrame(
      { x: 0, y: 0, w: 10, h: 5 },
      { x: 1, y: 1 },
      { x: 30, y: 2 },
      { proportional: true, centred: false },
    )
    expect(pulled).toMatchObject({ x: 0, y: 0, w: 30, h: 15 })
  })
})

describe('picking', () => {
  const assembly: DrawingObject = {
    kind: 'assembly',
    id: 'a',
    name: 'a',
    style: { ...style, fill: 'ink', stroke: 'none' },
    members: [ellipse('outer', 2, 2, 20, 20), ellipse('inner', 8, 8, 8, 8, { role: 'cuts' })],
  }
  const drawing = [
    rectangle('back', 0, 0, 24, 24),
    assembly,
    rectangle('locked', 4, 4, 16, 16, { locked: true, style: { ...style, fill: 'ink' } }),
    rectangle('hidden', 0, 0, 24, 24, { hidden: true }),
  ]

  it('lists everything under the pointer from the top, locked things as such and hidden ones not at all', () => {
    const found = hits(drawing, sceneOf(values), { x: 6, y: 12 }, 0.3)
    expect(found.map(({ object: { id }, depth, locked }) => [id, depth, locked])).toEqual([
      ['locked', 0, true],
      ['a', 0, false],
      ['outer', 1, false],
    ])
  })

  it('never picks what is locked, and looks through the hole of an assembly', () => {
    expect(pick(drawing, sceneOf(values), { x: 6, y: 12 }, 0.3)?.id).toBe('a')
    expect(pick(drawing, sceneOf(values), { x: 12, y: 12 }, 0.3)).toBeNull()
    expect(pick(drawing, sceneOf(values), { x: 0.5, y: 12 }, 0.3)?.id).toBe('back')
  })

  it('reaches the members of an assembly by their outlines', () => {
    expect(
      pick(assembly.kind === 'assembly' ? assembly.members : [], sceneOf(values), { x: 12, y: 12 }, 0.3, true)?.id,
    ).toBe('inner')
  })
})
