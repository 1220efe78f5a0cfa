import { describe, expect, it } from 'vitest'
import { area } from '../../../geometry/area'
import { distance } from '../../../geometry/point'
import { STARTERS } from '../../../rules/starters'
import { sceneOf } from '../../evaluate/evaluated-scene'
import { frameOf } from '../../evaluate/extent'
import { changeNumbers } from '../../edit/numbers'
import { type DrawingObject, kindOf, type OfKind } from '../../objects/object'
import { moveObject, transformObject } from '../../objects/transform-object'
import { cornerMark } from '../../scene/result-corners'
import { withSignatures } from '../../objects/with-signatures'
import { assemblyCorners } from './combined'

const scene = sceneOf(STARTERS[0]!.rules)
const style = { fill: 'ink', stroke: 'none', weight: 'main' } as const
const lined = { fill: 'none', stroke: 'ink', weight: 2 } as const

const box = (id: string, x: number, y: number, w: number, h: number, more: object = {}) =>
  ({ kind: 'rectangle', id, name: id, x, y, w, h, corner: 0, style, ...more }) as OfKind<'rectangle'>
const line = (id: string, x: number, y: number, to: number, more: object = {}) =>
  ({ kind: 'line', id, name: id, from: { x, y }, to: { x: to, y }, style: lined, ...more }) as OfKind<'line'>
const assembly = (members: DrawingObject[], more: object = {}) =>
  ({ kind: 'assembly', id: 'all', name: 'all', style, members, ...more }) as OfKind<'assembly'>
const areaOf = (object: DrawingObject) => Math.abs(area(scene.edge(object)))

describe('an assembly', () => {
  it('takes open lines by what they paint: weight, caps, dashes and heads', () => {
    const plate = box('plate', 0, 0, 20, 10)
    // A round cap has half a disc of radius 1 at each end.
    const disc = Math.PI
    const cut = assembly([plate, line('slot', 5, 5, 15, { role: 'cuts' })])
    expect(areaOf(cut)).toBeCloseTo(200 - (10 * 2 + disc), 6)
    const dashed = { ...lined, dash: [2, 3], cap: 'butt' }
    expect(areaOf(assembly([plate, line('slot', 5, 5, 15, { role: 'cuts', style: dashed })]))).toBeCloseTo(200 - 8, 6)
    const added = assembly([line('bar', 0, 0, 10), line('post', 4, 0, 14)])
    expect(areaOf(added)).toBeCloseTo(14 * 2 + disc, 6)
  })

  it('takes a member by its edge or by its ink, and what is nested by what it comes to', () => {
    const ring = box('frame', 2, 2, 10, 10, { style: { ...lined, join: 'miter' } })
    expect(areaOf(assembly([ring]))).toBeCloseTo(100, 9)
    expect(areaOf(assembly([{ ...ring, by: 'ink' }]))).toBeCloseTo(144 - 64, 9)
    const inner = { ...assembly([box('a', 0, 0, 4, 4), line('b', 2, 2, 2.0001, { role: 'cuts' })]), id: 'inner' }
    const group = {
      kind: 'group',
      id: 'g',
      name: 'g',
      members: [line('l', 6, 6, 8, { style: { ...lined, cap: 'butt' } }), inner],
    } as OfKind<'group'>
    expect(areaOf(assembly([group]))).toBeCloseTo(16 - Math.PI + 2 * 2, 3)
  })

  it('comes to the size that is typed, although the weight of its lines stays', () => {
    const object = assembly([line('bar', 0, 0, 10), line('post', 4, 3, 14)])
    const next = changeNumbers(object, scene, { x: 0, y: 0 }, { w: 30, h: 9 })
    const frame = frameOf(next, scene)
    expect(frame.w).toBeCloseTo(30, 4)
    expect(frame.h).toBeCloseTo(9, 4)
    expect(frame.x).toBeCloseTo(frameOf(object, scene).x, 6)
  })

  it('says which members do nothing that lasts, and why', () => {
    const idle = (...members: DrawingObject[]) => {
      const object = assembly(members)
      return Object.fromEntries(kindOf(object).geometry.idle!(object, scene))
    }
    const plate = box('plate', 0, 0, 10, 10)
    expect(idle(plate, box('dent', 8, 8, 4, 4, { role: 'cuts' }))).toEqual({})
    expect(idle(plate, box('far', 20, 0, 4, 4, { role: 'cuts' })).far).toMatch(/outside/)
    expect(idle(plate, box('spot', 2, 2, 2, 2)).spot).toMatch(/within/)
    expect(idle(plate, box('sea', -5, -5, 30, 30, { role: 'overlap' })).sea).toMatch(/covers/)
    expect(idle(plate, box('tip', 10, 0, 2, 2), box('saw', 10, -5, 9, 20, { role: 'cuts' }))).toEqual({
      tip: expect.stringMatching(/undone/) as string,
    })
  })
})

describe('the corners of what an assembly comes to', () => {
  // An L: six corners, one of them inner.
  const ell = (corners: object) => assembly([box('foot', 0, 6, 12, 4), box('post', 0, 0, 4, 10)], { corners })
  const lost = 1 - Math.PI / 4

  it('are rounded all, only the inner, only the outer', () => {
    const plain = 12 * 4 + 4 * 6
    expect(areaOf(ell({ radius: 1 }))).toBeCloseTo(plain - 5 * lost + lost, 9)
    expect(areaOf(ell({ radius: 1, only: 'inner' }))).toBeCloseTo(plain + lost, 9)
    expect(areaOf(ell({ radius: 1, only: 'outer' }))).toBeCloseTo(plain - 5 * lost, 9)
    expect(areaOf(ell({ radius: 1, only: 'outer', style: 'bevel' }))).toBeCloseTo(plain - 5 / 2, 9)
    const named = ell({ radius: 'outer', only: 'inner' })
    expect(areaOf(named)).toBeCloseTo(plain + lost * scene.radius('outer') ** 2, 9)
  })

  it('stay picked while members move, as long as they are there', () => {
    const object = ell({ radius: 1, only: 'picked', picked: [] })
    const inner = assemblyCorners(object, scene).filter((corner) => corner.inner)
    expect(inner).toHaveLength(1)
    expect(inner[0]!.at).toEqual({ x: 4, y: 6 })
    const picked = ell({ radius: 1, only: 'picked', picked: [cornerMark(inner[0]!)] })
    for (const by of [0, 0.25, 1, 3]) {
      const [foot, post] = picked.members as [DrawingObject, DrawingObject]
      const moved = { ...picked, members: [foot, moveObject(post, { x: by, y: -by / 2 })] }
      const open = assemblyCorners(moved, scene).find(({ key }) => key === inner[0]!.key)!
      expect(distance(open.at, { x: 4 + by, y: 6 })).toBeLessThan(1e-9)
      const bare = { ...moved, corners: undefined }
      expect(areaOf(moved) - areaOf(bare as never)).toBeCloseTo(lost, 9)
    }
    const gone = { ...picked, members: [picked.members[0]!, moveObject(picked.members[1]!, { x: 30, y: 0 })] }
    expect(assemblyCorners(gone, scene).some(({ key }) => key === inner[0]!.key)).toBe(false)
    expect(areaOf(gone)).toBeCloseTo(48 + 40, 9)
  })

  it('are the same after they were turned over, and follow then', () => {
    const bare = ell({ radius: 1 })
    const outer = assemblyCorners(bare, scene).find(({ at }) => at.x === 12 && at.y === 10)!
    const picked = ell({ radius: 1, only: 'picked', picked: [cornerMark(outer)] })
    const there = transformObject(picked, [-1, 0, 0, 1, 24, 0])
    expect(areaOf(there)).toBeCloseTo(areaOf(picked), 9)
    const again = withSignatures(there, scene)
    const [foot, post] = again.members as [DrawingObject, DrawingObject]
    const moved = { ...again, members: [moveObject(foot, { x: -2, y: 1 }), post] }
    expect(areaOf(moved) - areaOf({ ...moved, corners: undefined } as never)).toBeCloseTo(-lost, 9)
  })

  it('tell the two places where a bar comes out of a disc apart', () => {
    const disc = { kind: 'ellipse', id: 'disc', name: 'disc', x: 0, y: 0, w: 10, h: 10, style } as OfKind<'ellipse'>
    const members = [disc, box('bar', 5, 4, 10, 2)]
    const [one] = assemblyCorners(assembly(members), scene).filter(({ inner }) => inner)
    const object = assembly(members, { corners: { radius: 0.5, only: 'picked', picked: [cornerMark(one!)] } })
    const all = assembly(members, { corners: { radius: 0.5, only: 'inner' } })
    const plain = areaOf(assembly(members))
    expect(areaOf(object) - plain).toBeCloseTo((areaOf(all) - plain) / 2, 9)
  })
})
