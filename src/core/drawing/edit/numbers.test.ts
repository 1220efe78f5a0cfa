import { WARP } from '../../geometry/tolerance'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apart } from '../../../testing/apart'
import { transformPath } from '../../geometry/path'
import { compose, rotation, translation } from '../../geometry/transform'
import { renameValues } from '../../rules/renames'
import { SAMPLE_RULES } from '../../../testing/sample-rules'
import { anyObject, eachKind, simple } from '../../../testing/arbitrary'
import { outline } from '../evaluate/evaluate'
import { sceneOf } from '../evaluate/evaluated-scene'
import { extent, frameOf } from '../evaluate/extent'
import { framePoint } from '../model/frame'
import { changeNumbers, fitObjects } from './numbers'
import { DrawingObject, isCombining, isContainer, isFramed, kindOf } from '../objects/object'
import { scaleOwn } from '../objects/scale-own'
import { countsByInk } from '../evaluate/operand'
import { transformObject } from '../objects/transform-object'
import { walk } from '../objects/tree'
import { namesUsed } from '../objects/visit'
import { runs } from '../../../testing/runs'

const rules = SAMPLE_RULES
const scene = sceneOf(rules)
const share = fc.constantFrom(0, 0.5, 1)
const anchor = fc.record({ x: share, y: share })
const sizes = fc.integer({ min: 2, max: 40 })
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** Corners that stay as they are when a thing is scaled make it come out a little otherwise than scaled. */
const isSharp = (object: DrawingObject): boolean =>
  [...walk([object])].every(({ object: one }) => {
    let sharp = true
    if ('corner' in one && one.corner !== 0) sharp = false
    kindOf(one).references.withRadii?.(one, (radius) => {
      if (radius !== 0) sharp = false
      return radius
    })
    return sharp
  })

describe.each(eachKind)('the numbers of any %s', (_, any) => {
  it('typed for an anchor are those that are read there afterwards', () => {
    fc.assert(
      fc.property(any, anchor, sizes, sizes, (object, at, w, x) => {
        const before = frameOf(object, scene)
        fc.pre(before.w >= 0.1 && before.h >= 0.1)
        const moved = frameOf(changeNumbers(object, scene, at, { x, y: -x }), scene)
        expect(framePoint(moved, at).x).toBeCloseTo(x, 3)
        expect(framePoint(moved, at).y).toBeCloseTo(-x, 3)
        expect(moved.w).toBeCloseTo(before.w, 3)
        const isMasked = object.kind === 'group' && object.mask !== undefined
        // Corners that keep their radius: of framed things only polygons are measured with them.
        if ((!isFramed(object) || object.kind === 'polygon') && (!isSharp(object) || isMasked)) return
        // Strokes that count keep their weight: nothing becomes smaller than they are wide.
        if (
          isCombining(object) &&
          [...walk([object])].some(({ object: one }) => one.kind === 'placement' || countsByInk(one, scene))
        )
          return
        const sized = frameOf(changeNumbers(object, scene, at, { w }), scene)
        // Lines at a distance are as exact as offsets are; what is bent is fitted anew, both times within a tolerance.
        const within =
          object.kind === 'bend'
            ? 1.5 * WARP * (1 + w / before.w)
            : ['inset', 'outlined'].includes(object.kind)
              ? 5e-3
              : 5e-4
        const isEven = kindOf(object).geometry.isEven?.(object) === true
        const share = isEven ? w / before.w : 1
        expect(Math.abs(sized.w - w)).toBeLessThan(within)
        expect(Math.abs(sized.h - before.h * share)).toBeLessThan(within * Math.max(1, share))
        expect(Math.abs(framePoint(sized, at).x - framePoint(before, at).x)).toBeLessThan(within)
      }),
      runs(60),
    )
  })

  it('leave an object that a file may hold, whatever is typed', () => {
    fc.assert(
      fc.property(any, anchor, sizes, fc.integer({ min: -360, max: 360 }), (object, at, w, turn) => {
        const next = changeNumbers(object, scene, at, { w, h: w / 2, turn })
        expect(DrawingObject.safeParse(plain(next)).error?.issues ?? []).toEqual([])
      }),
      runs(40),
    )
  })
})

describe('any object', () => {
  it('mapped twice is mapped by both maps at once', () => {
    fc.assert(
      fc.property(simple, fc.integer({ min: 1, max: 359 }), fc.integer({ min: -9, max: 9 }), (object, degrees, x) => {
        const turn = rotation(degrees, { x: 12, y: 12 }),
          flip = [-1, 0, 0, 1, 2 * x, 0] as const
        const twice = transformObject(transformObject(object, turn), flip),
          once = transformObject(object, compose(flip, turn))
        const [a, b] = [outline(twice, scene), outline(once, scene)]
        if (a.length > 0) expect(apart(a, b, 12)).toBeLessThan(2e-3)
      }),
      runs(150),
    )
  })

  it('fitted from box to box and back is where it was', () => {
    fc.assert(
      fc.property(anyObject, sizes, sizes, (object, w, h) => {
        const from = extent(object, scene)
        fc.pre(from.w >= 0.1 && from.h >= 0.1)
        const to = { x: 3, y: -2, w, h }
        const [there] = fitObjects([object], from, to)
        const [back] = fitObjects([there!], to, from)
        const [a, b] = [outline(object, scene), outline(back!, scene)]
        if (a.length > 0) expect(apart(a, b, 12)).toBeLessThan(2e-3)
      }),
      runs(80),
    )
  })

  it('is drawn elsewhere as it is drawn here', () => {
    fc.assert(
      fc.property(anyObject, fc.integer({ min: -30, max: 30 }), (object, x) => {
        const map = translation(x, 2 * x)
        const was = transformPath(outline(object, scene), map),
          is = outline(transformObject(object, map), scene)
        if (was.length > 0 && is.length > 0) expect(apart(is, was, 12)).toBeLessThan(2e-3)
      }),
      runs(80),
    )
  })

  it('scaled by its own numbers keeps those that are names of the rules, and comes back', () => {
    fc.assert(
      fc.property(anyObject, fc.constantFrom(0.5, 2, 4), (object, by) => {
        const scaled = scaleOwn(object, by)
        const names = (one: DrawingObject) => [...walk([one])].flatMap(({ object: each }) => namesUsed(each))
        expect(names(scaled)).toEqual(names(object))
        expect(plain(scaleOwn(scaled, 1 / by))).toEqual(plain(object))
      }),
      runs(100),
    )
  })

  it('follows names that are exchanged, everywhere in it, and is itself when they are exchanged again', () => {
    const swap = [
      { kind: 'weight', from: 'main', to: 'fine' },
      { kind: 'weight', from: 'fine', to: 'main' },
      { kind: 'radius', from: 'outer', to: 'inner' },
      { kind: 'radius', from: 'inner', to: 'outer' },
    ] as const
    const other = new Map<string, string>(swap.map(({ from, to }) => [from, to]))
    fc.assert(
      fc.property(anyObject, (object) => {
        const [next] = renameValues([object], swap)
        const used = (one: DrawingObject) =>
          [...walk([one])].flatMap(({ object: each }) => namesUsed(each).map(({ kind, name }) => `${kind} ${name}`))
        expect(used(next!)).toEqual(
          used(object).map((said) => {
            const [kind, name] = said.split(' ') as [string, string]
            return `${kind} ${other.get(name) ?? name}`
          }),
        )
        expect(renameValues([next!], swap)).toEqual([object])
        if (used(object).length === 0 && !isContainer(object)) expect(next).toBe(object)
      }),
      runs(120),
    )
  })
})
