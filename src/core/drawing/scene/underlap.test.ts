import { describe, expect, it } from 'vitest'
import { SAMPLE_RULES } from '../../../testing/sample-rules'
import { pixelsOf } from '../../../testing/rasterise'
import { svgOf } from '../../picture/svg'
import { area } from '../../geometry/area'
import { divided } from '../edit/divided'
import { sceneOf } from '../evaluate/evaluated-scene'
import type { DrawingObject } from '../objects/object'
import { contoursOf } from '../objects/plain'

const scene = sceneOf(SAMPLE_RULES)
/** How opaque a pixel is that is covered, less a level by which layers are rounded when they are laid over each other. */
const SOLID = 254

const colours = ['#11807f', '#d5401b', '#1f5f7a', '#e8b04a']

/** A disc cut by lines that lie on no pixel, each piece in a colour of its own. */
function pieces(underlap: number): DrawingObject {
  const disc: DrawingObject = {
    kind: 'ellipse',
    id: 'disc',
    name: 'disc',
    x: 2,
    y: 2,
    w: 20,
    h: 20,
    style: { fill: 'ink', stroke: 'none', weight: 'main' },
  }
  const cuts = [17, 68, 131].map((degrees, i): DrawingObject => {
    const [x, y] = [14 * Math.cos((degrees * Math.PI) / 180), 14 * Math.sin((degrees * Math.PI) / 180)]
    const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
    return {
      kind: 'line',
      id: `cut-${i}`,
      name: 'cut',
      from: { x: 12.3 - x, y: 11.7 - y },
      to: { x: 12.3 + x, y: 11.7 + y },
      style,
    }
  })
  const members = divided([disc, ...cuts], scene).map(({ path }, i): DrawingObject => ({
    kind: 'path',
    id: `piece-${i}`,
    name: 'piece',
    corner: 0,
    contours: contoursOf(path),
    style: { fill: colours[i % colours.length]!, stroke: 'none', weight: 'main' },
  }))
  return { kind: 'group', id: 'g', name: 'g', members, ...(underlap > 0 && { underlap }) }
}

/** Of the pixels well inside of the disc those through which the ground shows. */
function holes(svg: string, size: number): number {
  const pixels = pixelsOf(svg, size),
    unit = 24 / size
  let count = 0
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      const inside = Math.hypot((x + 0.5) * unit - 12, (y + 0.5) * unit - 12) < 10 - 1.5 * unit
      if (inside && pixels[4 * (y * size + x) + 3]! < SOLID) count++
    }
  return count
}

describe('pieces that abut', () => {
  it('let no pixel of the ground through where they run beneath each other, at any delivered size and density', () => {
    for (const size of SAMPLE_RULES.sizes)
      for (const density of SAMPLE_RULES.densities) {
        const pixels = size * density
        // Without it the seams show: the law would see it.
        expect(holes(svgOf([pieces(0)], SAMPLE_RULES, 24, 'light'), pixels)).toBeGreaterThan(0)
        // As far as a pixel of the least size is wide.
        const lapped = svgOf([pieces(24 / SAMPLE_RULES.sizes[0]!)], SAMPLE_RULES, 24, 'light')
        expect([pixels, holes(lapped, pixels)]).toEqual([pixels, 0])
      }
  })

  it('cover what they covered and nothing else', () => {
    const plain = scene.ink(pieces(0)),
      lapped = scene.ink(pieces(1))
    expect(Math.abs(area(lapped))).toBeCloseTo(Math.abs(area(plain)), 6)
    expect(Math.abs(area(plain))).toBeCloseTo(100 * Math.PI, 6)
  })
})
