import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import type { Element } from '../../formats/markup'
import { elementsOf } from '../../../testing/elements-of'
import { readPathData } from '../../formats/path-reader'
import { readSetFile } from '../../formats/set-file'
import { area } from '../../geometry/area'
import { pathBounds, transformPath } from '../../geometry/path'
import { combine } from '../../planar/boolean'
import { IconRenderer } from '../icon-renderer'
import { plannedFiles } from '../plan'
import { emblem } from '../tone'

const CAPITALS = 70.459

/** The elements of a template by their ids, and the paths within. */
function byId(svg: string): Map<string, Element> {
  const all = new Map<string, Element>()
  const visit = (one: Element) => {
    if (one.own['id'] !== undefined) {
      expect(all.has(one.own['id'])).toBe(false)
      all.set(one.own['id'], one)
    }
    one.inside.forEach(visit)
  }
  visit(elementsOf(svg.replace(/<text.*?<\/text>/s, '')))
  return all
}

it.each(['quayside', 'quayside-solid'])('every symbol of %s is the icon in one colour between its margins', (name) => {
  const set = readSetFile(readFileSync(`demo/${name}.wisesquare.json`, 'utf8')).set!
  const grid = set.rules.grid.size
  for (const { icon, path, made } of plannedFiles(set, ['apple-symbols'])) {
    if (!path.endsWith('.svg') || made.as !== 'text') continue
    const renderer = new IconRenderer(icon!, set.rules, null)
    const svg = made.text(renderer)
    expect(svg).toContain('>Template v.3.0</text>')
    const ids = byId(svg)
    const value = (id: string, key: string) => Number(ids.get(id)!.own[key])
    for (const scale of ['S', 'M', 'L'])
      expect(value(`Baseline-${scale}`, 'y1') - value(`Capline-${scale}`, 'y1')).toBeCloseTo(CAPITALS, 3)
    const group = ids.get('Regular-S')!
    const [, x, y] = /^matrix\(1 0 0 1 ([\d.]+) ([\d.]+)\)$/.exec(group.own['transform']!)!.map(Number) as [
      number,
      number,
      number,
    ]
    expect([x, y]).toEqual([value('left-margin-Regular-S', 'x1'), value('Baseline-S', 'y1')])
    const shape = readPathData(group.inside[0]!.own['d']!),
      box = pathBounds(shape)!,
      advance = value('right-margin-Regular-S', 'x1') - x
    // The ink has as much room on its left as on its right, and lies about the middle of the capitals.
    expect(box.x, icon!.name).toBeCloseTo(advance - box.x - box.w, 2)
    expect(Math.abs(box.y + box.h / 2 + CAPITALS / 2), icon!.name).toBeLessThan(25)
    // Seen in units of the grid it is the shape of the icon.
    const own = emblem(renderer.layers(grid)),
      bounds = pathBounds(own)!,
      scale = bounds.w / box.w
    const again = transformPath(shape, [scale, 0, 0, scale, bounds.x - box.x * scale, bounds.y - box.y * scale])
    const apart = combine([
      { path: own, role: 'adds' },
      { path: again, role: 'flips' },
    ])
    expect(Math.abs(area(apart)), icon!.name).toBeLessThan(0.01 * Math.abs(area(own)))
  }
})
