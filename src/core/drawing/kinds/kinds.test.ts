import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { segmentCount, transformPath } from '../../geometry/path'
import { compose, IDENTITY, rotation, type Transform, translation } from '../../geometry/transform'
import { pixelsOf } from '../../../testing/rasterise'
import { svgOf, svgOfShapes } from '../../picture/svg'
import { SAMPLE_RULES } from '../../../testing/sample-rules'
import { eachKind } from '../../../testing/arbitrary'
import { costOf } from '../evaluate/cost'
import { afterEdit, editable } from '../edit/editable'
import { outline } from '../evaluate/evaluate'
import { sceneOf } from '../evaluate/evaluated-scene'
import { extent, frameOf } from '../evaluate/extent'
import { gripsOf, pullGrip } from '../edit/grips'
import { fixed } from '../edit/loose'
import { DrawingObject, isContainer, isStyled, kindOf } from '../objects/object'
import { movedPaint } from '../scene/moved-paint'
import type { Shape, GroupEffect } from '../scene/shape'
import { transformObject } from '../objects/transform-object'
import { walk } from '../objects/tree'
import { visited } from '../objects/visit'
import { runs } from '../../../testing/runs'

const scene = sceneOf(SAMPLE_RULES)
const written = (object: unknown) => JSON.parse(JSON.stringify(object)) as unknown
const cases = runs(40)

/** A shape where a map that keeps lengths takes it, its paints and masks along with it. */
function under(shape: Shape, map: Transform): Shape {
  const { fill, stroke, effect } = shape
  return {
    ...shape,
    path: transformPath(shape.path, map),
    fill: fill && movedPaint(fill, map),
    stroke: stroke && { ...stroke, paint: movedPaint(stroke.paint, map) },
    effect: effect && effectUnder(effect, map),
  }
}

const effects = new Map<string, WeakMap<GroupEffect, GroupEffect>>()
function effectUnder(effect: GroupEffect, map: Transform): GroupEffect {
  const known = effects.get(map.join()) ?? new WeakMap<GroupEffect, GroupEffect>()
  effects.set(map.join(), known)
  const { mask, outer } = effect
  const moved = known.get(effect) ?? {
    ...effect,
    mask: mask && mask.map((one) => under(one, map)),
    outer: outer && effectUnder(outer, map),
  }
  known.set(effect, moved)
  return moved
}

/** By how much two pictures differ in what they cover, as a share of the square. */
function differing(a: string, b: string): number {
  const [was, is] = [a, b].map((svg) => pixelsOf(svg, 96))
  let differs = 0
  for (let i = 3; i < was!.length; i += 4) differs += Math.abs(was![i]! - is![i]!)
  return differs / (255 * 96 * 96)
}

describe.each(eachKind)('any %s', (_, any) => {
  it('is what a file may hold, and read from one is the same', () => {
    fc.assert(
      fc.property(any, (object) => {
        expect(DrawingObject.parse(written(object))).toEqual(written(object))
        expect(DrawingObject.safeParse({ ...object, stray: 1 }).success).toBe(false)
      }),
      cases,
    )
  })

  it('has fields that say what was written to them, and take what the schema takes up to their limits', () => {
    fc.assert(
      fc.property(any, fc.double({ min: 0, max: 1, noNaN: true }), (object, share) => {
        for (const field of kindOf(object).ledger.fields?.(object) ?? []) {
          if (field.as === 'choice') {
            for (const option of field.options) {
              const next = field.write(object, option)
              expect(field.read(next)).toBe(option)
              expect(DrawingObject.safeParse(written(next)).success).toBe(true)
            }
          } else if (field.as === 'number') {
            const { least = -1000, most = 1000, whole, above } = field.limits ?? {}
            const low = above ? Math.max(least, 0.001) : least
            const raw = low + (Math.min(most, 1e4) - low) * share
            const value = whole ? Math.round(raw) : raw
            const next = field.write(object, value, scene)
            // Angles say the same a whole turn on.
            const off = Math.abs(field.read(next, scene) - value)
            expect(field.suffix === '°' ? Math.min(off % 360, 360 - (off % 360)) : off).toBeLessThan(
              1e-6 * (1 + Math.abs(value)),
            )
            expect(DrawingObject.safeParse(written(next)).success).toBe(true)
          } else if (field.as === 'weight') {
            for (const weight of ['fine', 0.5 + share]) expect(field.read(field.write(object, weight))).toBe(weight)
          } else if (field.as === 'radii') {
            const next = field.write(object, field.places[0]!.at, 1.25)
            expect(field.read(next)![field.places[0]!.at]).toBe(1.25)
            expect(field.read(field.reset(next))).toBeNull()
          } else {
            const next = field.write(object)
            expect(kindOf(next).ledger.fields!(next).some(({ id }) => id === field.id)).toBe(false)
          }
        }
      }),
      cases,
    )
  })

  it('moves with its box, and stays what it is where nothing happens to it', () => {
    fc.assert(
      fc.property(any, fc.integer({ min: -9, max: 9 }), (object, by) => {
        // What is made of members is as exact as offsets and fits are.
        const digits = isContainer(object) ? 2 : 3
        const moved = transformObject(object, translation(by, -2 * by))
        const [a, b] = [extent(object, scene), extent(moved, scene)]
        expect(b.x - a.x).toBeCloseTo(by, digits)
        expect(b.y - a.y).toBeCloseTo(-2 * by, digits)
        expect(b.w).toBeCloseTo(a.w, digits)
        expect(frameOf(transformObject(object, IDENTITY), scene).w).toBeCloseTo(frameOf(object, scene).w, 9)
        expect(visited(object, { radius: (radius) => radius, style: (style) => style })).toBe(object)
      }),
      cases,
    )
  })

  it('turned and turned over is drawn as what was drawn is turned', () => {
    fc.assert(
      fc.property(any, fc.integer({ min: 1, max: 359 }), fc.boolean(), (object, degrees, over) => {
        // The light stays where it is.
        if (JSON.stringify(object).includes('shadow')) return
        const turn = rotation(degrees, { x: 12, y: 12 })
        // Which way round dashes and heads run is the outline's matter, and some start over when turned over.
        const map = over && !/dash|Head/.test(JSON.stringify(object)) ? compose(turn, [-1, 0, 0, 1, 24, 0]) : turn
        const was = svgOfShapes(
            scene.shapes(object).map((shape) => under(shape, map)),
            24,
            'light',
          ),
          is = svgOfShapes(scene.shapes(transformObject(object, map)), 24, 'light')
        expect(differing(was, is)).toBeLessThan(0.002)
      }),
      runs(25),
    )
  })

  it('fixed to paths looks as it did', () => {
    fc.assert(
      fc.property(any, (object) => {
        let next = 0
        const paths = fixed(object, scene, () => `new-${next++}`)
        if (!paths) {
          expect(scene.shapes(object).every(({ path }) => path.length === 0)).toBe(true)
          return
        }
        expect([...walk([paths])].every(({ object: { kind } }) => kind === 'path' || kind === 'group')).toBe(true)
        const ids = [...walk([paths])].map(({ object: { id } }) => id)
        expect(new Set(ids).size).toBe(ids.length)
        const [was, is] = [object, paths].map((one) => svgOf([one], SAMPLE_RULES, 24, 'light'))
        expect(differing(was!, is!)).toBeLessThan(0.002)
      }),
      runs(15),
    )
  })

  it('comes to no more than it is counted for', () => {
    fc.assert(
      fc.property(any, (object) => {
        // A corner may come to two segments more, and members that cross are cut where they do.
        if (!isStyled(object) || 'members' in object) return
        expect(segmentCount(outline(object, scene))).toBeLessThanOrEqual(3 * costOf(object).segments)
      }),
      cases,
    )
  })

  it('is itself again after an edit of its nodes that changes none', () => {
    fc.assert(
      fc.property(any, (object) => {
        const path = editable(object, scene)
        if (!path || !kindOf(object).geometry.fold) return
        const { object: after, lost } = afterEdit(object, path)
        expect(lost).toBeNull()
        expect(after.kind).toBe(object.kind)
      }),
      cases,
    )
  })

  it('stays nearly what it is when a grip is pulled to where it is', () => {
    fc.assert(
      fc.property(any, (object) => {
        for (const { id, at } of gripsOf(object, scene, 0)) {
          expect(Number.isFinite(at.x) && Number.isFinite(at.y)).toBe(true)
          const pulled = pullGrip(object, id, at, scene, { step: 0.5, alone: false })
          expect(pulled.figure).not.toBe('')
          expect(DrawingObject.safeParse(written(pulled.object)).success).toBe(true)
        }
      }),
      cases,
    )
  })
})
