import { describe, expect, it } from 'vitest'
import { area } from '../../../geometry/area'
import { segmentCount } from '../../../geometry/path'
import { rotation, translation, type Transform } from '../../../geometry/transform'
import { STARTERS } from '../../../rules/starters'
import { sceneOf } from '../../evaluate/evaluated-scene'
import { loosened } from '../../edit/loose'
import type { DrawingObject, OfKind } from '../../objects/object'
import { withSignatures } from '../../objects/with-signatures'
import { transformObject } from '../../objects/transform-object'
import { laidOut } from './laid'
import { stretchesOf } from './stretches'
import { cutStretches, dropped, kept, withClosed, withCut } from './sweeping'
import { lostPatches, patchesNow, sweptPaths } from './swept'

const scene = sceneOf(STARTERS[0]!.rules)
const style = { fill: 'ink', stroke: 'none', weight: 'main' } as const
const disc = (id: string, x: number, y: number, r: number) =>
  ({ kind: 'ellipse', id, name: id, x: x - r, y: y - r, w: 2 * r, h: 2 * r, style }) as OfKind<'ellipse'>
const line = (id: string, x0: number, y0: number, x1: number, y1: number) =>
  ({ kind: 'line', id, name: id, from: { x: x0, y: y0 }, to: { x: x1, y: y1 }, style }) as OfKind<'line'>
const patchwork = (...members: DrawingObject[]) =>
  ({ kind: 'patchwork', id: 'w', name: 'w', swept: [], members }) as unknown as OfKind<'patchwork'>
const sizeOf = (path: Parameters<typeof area>[0]) => Math.abs(area(path))
const at = (object: OfKind<'patchwork'>, x: number, y: number) => {
  const found = patchesNow(object, scene).filter(({ parts }) => parts.some((part) => part.away({ x, y }) === 0))
  expect(found).toHaveLength(1)
  return found[0]!
}
let count = 0
const fresh = () => ({ id: `s${count++}`, name: 'Shape', style })
const keep = (object: OfKind<'patchwork'>, ...places: [number, number][]) =>
  kept(
    object,
    scene,
    places.map(([x, y]) => at(object, x, y)),
    fresh(),
    null,
  )

/** What two discs of radius 5 have in common whose centres are 6 apart. */
const LENS = 2 * 25 * Math.acos(3 / 5) - 3 * Math.sqrt(100 - 36)
const DISC = 25 * Math.PI

describe('a patchwork', () => {
  const two = patchwork(disc('a', 9, 12, 5), disc('b', 15, 12, 5))

  it('has the patches that its lines make, and nothing is a shape until it is swept', () => {
    const areas = patchesNow(two, scene).map(({ path }) => sizeOf(path))
    expect(areas.sort((p, q) => p - q).map((value) => value.toFixed(9))).toEqual(
      [LENS, DISC - LENS, DISC - LENS].map((value) => value.toFixed(9)),
    )
    expect(scene.shapes(two)).toEqual([])
  })

  it('joins what is swept together, with the fewest nodes, and takes shapes that are touched along', () => {
    const moon = keep(two, [5, 12])
    expect(sizeOf(sweptPaths(moon, scene)[0]!)).toBeCloseTo(DISC - LENS, 9)
    const both = keep(moon, [12, 12], [19, 12])
    expect(both.swept).toHaveLength(2)
    const one = keep(both, [5, 12], [12, 12])
    expect(one.swept).toHaveLength(1)
    const [union] = sweptPaths(one, scene)
    expect(sizeOf(union!)).toBeCloseTo(2 * DISC - LENS, 9)
    expect(segmentCount(union!)).toBe(2)
    const without = dropped(one, scene, [at(one, 12, 12)])
    expect(sizeOf(sweptPaths(without, scene)[0]!)).toBeCloseTo(2 * (DISC - LENS), 9)
    expect(dropped(moon, scene, [at(moon, 5, 12)]).swept).toEqual([])
  })

  it('keeps its patches while lines move, and names those that are lost', () => {
    const lens = keep(two, [12, 12])
    for (const by of [-2, 0.5, 3]) {
      const moved = { ...lens, members: [lens.members[0]!, transformObject(lens.members[1]!, translation(by, by / 2))] }
      const d = Math.hypot(6 + by, by / 2)
      const common = 2 * 25 * Math.acos(d / 10) - (d / 2) * Math.sqrt(100 - d * d)
      expect(sizeOf(sweptPaths(moved, scene)[0]!)).toBeCloseTo(common, 6)
    }
    const apart = { ...lens, members: [lens.members[0]!, transformObject(lens.members[1]!, translation(9, 0))] }
    expect(lostPatches(apart, scene)).toHaveLength(1)
    expect(scene.shapes(apart)).toEqual([])
  })

  it('keeps the same patches however it is turned or turned over, and follows its lines afterwards', () => {
    // Three lines through a disc: opposite sectors lie along the same lines.
    const sectors = patchwork(
      disc('d', 12, 12, 8),
      ...[10, 70, 130].map((degrees, i) => {
        const [x, y] = [10 * Math.cos((degrees * Math.PI) / 180), 10 * Math.sin((degrees * Math.PI) / 180)]
        return line(`l${i}`, 12 - x, 12 - y, 12 + x, 12 + y)
      }),
    )
    const one = keep(sectors, [17, 15])
    const flip: Transform = [-1, 0, 0, 1, 24, 0]
    for (const map of [rotation(180, { x: 12, y: 12 }), rotation(37, { x: 0, y: 3 }), flip]) {
      const there = withSignatures(transformObject(one, map), scene)
      expect(there.byPlace).toBeUndefined()
      const [path] = sweptPaths(there, scene)
      const home: Transform = map === flip ? flip : ([1, 0, 0, 1, 0, 0] as const)
      expect(sizeOf(path!)).toBeCloseTo(sizeOf(sweptPaths(one, scene)[0]!), 6)
      const was = transformObject(one, map)
      expect(patchesNow(there, scene).filter(({ shape }) => shape)).toHaveLength(1)
      if (home === flip) expect(at(there, 24 - 17, 15).shape).not.toBeNull()
      expect(lostPatches(was, scene)).toEqual([])
    }
  })

  it('has single stretches of line cut out and put back', () => {
    const seam = stretchesOf(two, scene).find(({ away }) => away({ x: 14, y: 12 }) < 1e-6)!
    const open = withCut(two, scene, seam)
    expect(cutStretches(open, scene)).toEqual([seam])
    expect(patchesNow(open, scene)).toHaveLength(2)
    expect(sizeOf(at(open, 12, 12).path)).toBeCloseTo(DISC, 9)
    const whole = keep(open, [12, 12])
    expect(sizeOf(sweptPaths(whole, scene)[0]!)).toBeCloseTo(DISC, 9)
    expect(withCut(whole, scene, seam).cut).toBeUndefined()
    // What opens to the outside is nothing.
    const rim = stretchesOf(two, scene).find(({ away }) => away({ x: 4, y: 12 }) < 1e-6)!
    expect(patchesNow(withCut(two, scene, rim), scene)).toHaveLength(2)
  })

  it('closes leaks by a click or below a gap', () => {
    const box = patchwork(
      line('top', 4, 4, 20, 4),
      line('right', 20, 4, 20, 20),
      line('bottom', 20, 20, 4, 20),
      line('left', 4, 20, 4, 4.2),
    )
    expect(patchesNow(box, scene)).toHaveLength(0)
    const [leak] = laidOut(box, scene).leaks
    expect(leak!.gap).toBeCloseTo(0.2, 9)
    expect(leak!.key).toMatch(/^(left\/0\/last|top\/0\/first)$/)
    for (const closed of [withClosed(box, leak!.key!), { ...box, close: 0.25 }]) {
      expect(patchesNow(closed, scene).map(({ path }) => sizeOf(path))).toEqual([expect.closeTo(256, 6)])
      expect(laidOut(closed, scene).leaks).toEqual([])
    }
    expect(patchesNow({ ...box, close: 0.1 }, scene)).toHaveLength(0)
  })

  it('takes lines by their centre or by their ink', () => {
    const cross = patchwork(
      { ...line('h', 4, 12, 20, 12), style: { fill: 'none', stroke: 'ink', weight: 2, cap: 'butt' } },
      { ...line('v', 12, 4, 12, 20), style: { fill: 'none', stroke: 'ink', weight: 2, cap: 'butt' } },
    )
    expect(patchesNow(cross, scene)).toHaveLength(0)
    const ink = { ...cross, take: 'ink' as const }
    expect(patchesNow(ink, scene)).toHaveLength(5)
    expect(sizeOf(at(ink, 12, 12).path)).toBeCloseTo(4, 9)
  })

  it('loosens to its sources, and drawn shapes run beneath those above where seams are closed', () => {
    const both = keep(keep(two, [5, 12], [12, 12]), [19, 12])
    expect(loosened(both, scene, () => 'n').map(({ id }) => id)).toEqual(['a', 'b'])
    const lapped = scene.shapes({ ...both, underlap: 0.2 } as DrawingObject)
    const [lower, upper] = lapped.map(({ path }) => path)
    expect(sizeOf(upper!)).toBeCloseTo(DISC - LENS, 9)
    // The lower one is a disc of radius 5, drawn on by 0.2 within the moon.
    const R = 5.2,
      d = 6
    const lensOf = (r: number) => {
      const x = (d * d + r * r - 25) / (2 * d)
      return r * r * Math.acos(x / r) + 25 * Math.acos((d - x) / 5) - d * Math.sqrt(r * r - x * x)
    }
    expect(sizeOf(lower!)).toBeCloseTo(DISC + (lensOf(R) - lensOf(5)), 5)
  })
})
