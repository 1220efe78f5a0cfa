import { describe, expect, it } from 'vitest'
import { SAMPLE_RULES } from '../../../../testing/sample-rules'
import { pixelsOf } from '../../../../testing/rasterise'
import { svgOf } from '../../../picture/svg'
import { area } from '../../../geometry/area'
import { segmentCount } from '../../../geometry/path'
import { sceneOf } from '../../evaluate/evaluated-scene'
import { type DrawingObject, isStyled, type OfKind } from '../../objects/object'
import { platePath } from '../../model/plates'
import { transformObject } from '../../objects/transform-object'

const scene = sceneOf(SAMPLE_RULES)
const style = { fill: 'ink', stroke: 'none', weight: 'main' } as const
const disc: DrawingObject = { kind: 'ellipse', id: 'd', name: 'd', x: 4, y: 4, w: 6, h: 6, style }
const cast = (members: DrawingObject[], more: object = {}) =>
  ({
    kind: 'cast',
    id: 'c',
    name: 'c',
    angle: -45,
    length: 8,
    style: { fill: 'ink', fillOpacity: 0.25, stroke: 'none', weight: 1 },
    members,
    ...more,
  }) as OfKind<'cast'>
const shadow = (object: DrawingObject) => scene.shapes(object)[0]!.path

describe('a cast', () => {
  it('of a disc begins at its exact tangent points, and has the fewest nodes', () => {
    const path = shadow(cast([disc]))
    expect(Math.abs(area(path))).toBeCloseTo(9 * Math.PI + 6 * 8, 6)
    const { segments } = path[0]!
    expect(segments.map(({ kind }) => kind).sort()).toEqual(['arc', 'arc', 'line', 'line'])
    const q = 3 / Math.SQRT2
    const tangent = segments.filter(({ kind }) => kind === 'line').flatMap(({ from, to }) => [from, to])
    for (const [x, y] of [
      [7 + q, 7 - q],
      [7 - q, 7 + q],
    ] as const)
      expect(tangent.some((p) => Math.hypot(p.x - x, p.y - y) < 1e-9)).toBe(true)
  })

  it('of curves touches them where they run along it', () => {
    const leaf: DrawingObject = {
      kind: 'path',
      id: 'l',
      name: 'l',
      corner: 0,
      contours: [
        {
          closed: true,
          nodes: [
            { x: 4, y: 12, out: { x: 0, y: -8 }, in: { x: 0, y: 8 } },
            { x: 16, y: 12, in: { x: 0, y: -8 }, out: { x: 0, y: 8 } },
          ],
        },
      ],
      style,
    }
    const far = cast([leaf], { angle: 90, length: 5 })
    // Straight up: as wide as the leaf, five higher.
    expect(Math.abs(area(shadow(far))) - Math.abs(area(scene.edge(leaf)))).toBeCloseTo(12 * 5, 6)
    expect(segmentCount(shadow(far))).toBe(4)
  })

  it('is cut by a plate, and follows what casts it and where it is turned', () => {
    const at = { x: 12, y: 12 }
    const long = cast([disc], { length: 0, cut: { plate: 'disc', at } })
    const plate = Math.abs(area(platePath(scene.plate('disc'), at)))
    expect(Math.abs(area(shadow(long)))).toBeLessThan(plate)
    for (const { segments } of shadow(long))
      for (const { from } of segments) expect(Math.hypot(from.x - 12, from.y - 12)).toBeLessThan(11 + 1e-6)
    const turned = transformObject(cast([disc]), [0, 1, -1, 0, 24, 0])
    expect(turned.angle).toBeCloseTo(-135, 9)
    const twice = transformObject(cast([disc]), [2, 0, 0, 2, 0, 0])
    expect(Math.abs(area(shadow(twice)))).toBeCloseTo(4 * (9 * Math.PI + 48), 5)
  })

  it('of strokes is that of what they paint, and may fade', () => {
    const ring: DrawingObject = { ...disc, style: { fill: 'none', stroke: 'ink', weight: 2 } }
    expect(Math.abs(area(shadow(cast([ring]))))).toBeGreaterThan(16 * Math.PI + 8 * 8 - 4 * Math.PI - 1)
    const [first] = scene.shapes(cast([disc], { fades: true }))
    const fill = first!.fill as Extract<NonNullable<typeof first>['fill'], { kind: string }>
    expect(fill).toMatchObject({ kind: 'linear', opacity: 0.25 })
    expect(fill!.kind === 'linear' && fill!.stops.map(({ color }) => color.opacity)).toEqual([1, 0])
  })
})

describe('plates', () => {
  const gamma = (z: number): number => {
    // Lanczos (g = 7, n = 9), for checks of areas.
    const c = [
      0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
      12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
    ]
    const x = z - 1,
      t = x + 7.5
    const sum = c.slice(1).reduce((total, value, i) => total + value / (x + i + 1), c[0]!)
    return Math.sqrt(2 * Math.PI) * t ** (x + 0.5) * Math.exp(-t) * sum
  }
  const middle = { x: 12, y: 12 }

  it('are what their numbers say: squircles by their exponent, radii as a share', () => {
    for (const n of [2.5, 4, 5]) {
      const squircle = platePath({ name: 'p', shape: 'squircle', w: 22, h: 20, exponent: n }, middle)
      const exact = (22 * 20 * gamma(1 + 1 / n) ** 2) / gamma(1 + 2 / n)
      expect(Math.abs(area(squircle)) / exact).toBeCloseTo(1, 4)
    }
    const rounded = platePath({ name: 'p', shape: 'rounded', w: 20, h: 16, ratio: 0.25 }, middle)
    expect(Math.abs(area(rounded))).toBeCloseTo(320 - (4 - Math.PI) * 16, 9)
    expect(rounded[0]!.segments.map(({ kind }) => kind).join()).toBe('arc,line,arc,line,arc,line,arc,line')
    const pill = platePath({ name: 'p', shape: 'rounded', w: 20, h: 10, ratio: 0.5 }, middle)
    expect(Math.abs(area(pill))).toBeCloseTo(100 + 25 * Math.PI, 9)
  })

  it('follow the rules', () => {
    const plate: DrawingObject = { kind: 'plate', id: 'p', name: 'p', plate: 'disc', at: middle, style }
    const other = sceneOf({ ...SAMPLE_RULES, plates: [{ name: 'disc', shape: 'circle', w: 10, h: 10 }] })
    expect(Math.abs(area(scene.edge(plate)))).toBeCloseTo(121 * Math.PI, 6)
    expect(Math.abs(area(other.edge(plate)))).toBeCloseTo(25 * Math.PI, 6)
    const turned = transformObject({ ...plate, plate: 'badge' } as DrawingObject, [0, 1, -1, 0, 24, 0])
    expect(isStyled(turned) && Math.abs(area(scene.edge(turned)))).toBeCloseTo(
      Math.abs(area(scene.edge({ ...plate, plate: 'badge' } as DrawingObject))),
      6,
    )
  })
})

describe('a soft shadow', () => {
  it('darkens what lies beside the object, and only there', () => {
    const soft = { ...disc, shadow: { x: 6, y: 0, blur: 1, color: '#d5401b', opacity: 1 } } as DrawingObject
    const pixels = pixelsOf(svgOf([soft], SAMPLE_RULES, 24, 'light'), 24)
    const at = (x: number, y: number) => [...pixels.slice(4 * (24 * y + x), 4 * (24 * y + x) + 4)]
    expect(at(6, 6)).toEqual([0x14, 0x23, 0x1f, 255])
    expect(at(13, 6)[3]).toBeGreaterThan(240)
    expect(at(13, 6)[0]).toBeGreaterThan(190)
    expect(at(20, 20)[3]).toBe(0)
  })
})
