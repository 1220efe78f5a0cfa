import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import type { ResolvedPaint, ResolvedStroke } from '../../drawing/model/resolved'
import { type Shape, withEffect } from '../../drawing/scene/shape'
import { readPathData } from '../../formats/path-reader'
import { rasterised } from '../../../testing/rasterised'
import { readSetFile } from '../../formats/set-file'
import { svgOfShapes } from '../../picture/svg'
import type { Transform } from '../../geometry/transform'
import { IconRenderer } from '../icon-renderer'
import { plannedFiles } from '../plan'
import { IconsFile, type Item } from './described'

type Paint = NonNullable<Extract<Item, { d: string }>['fill']>
type Colour = Extract<Paint, { light: string }>

const colour = ({ name = '', light, dark = light, ink, opacity = 1 }: Colour) => ({
  name,
  light,
  dark,
  ink: ink === true,
  opacity,
})

function paint(one: Paint): ResolvedPaint {
  if ('light' in one) return colour(one)
  const stops = one.stops.map((stop) => ({ at: stop.at, color: colour(stop.color) })),
    shared = { stops, opacity: one.opacity ?? 1 }
  return one.kind === 'linear'
    ? { kind: 'linear', from: one.from, to: one.to, ...shared }
    : { kind: 'radial', map: one.map as unknown as Transform, focus: one.focus, ...shared }
}

/** The shapes that a file tells of, by nothing but what its schema says. */
const shapes = (items: readonly Item[]): Shape[] =>
  items.flatMap((item, i): Shape[] => {
    if ('items' in item)
      return withEffect(
        shapes(item.items),
        item.opacity ?? 1,
        item.mask ? shapes(item.mask) : null,
        item.shadow && { ...item.shadow, color: colour(item.shadow.color) },
      )
    const { d, fill, stroke } = item
    return [
      {
        id: String(i),
        path: readPathData(d),
        fill: fill ? paint(fill) : null,
        stroke: stroke ? ({ ...stroke, paint: paint(stroke.paint), weight: stroke.width } as ResolvedStroke) : null,
      },
    ]
  })

const apart = (a: string, b: string, size: number): number => {
  const [one, other] = [rasterised(a, size).data, rasterised(b, size).data]
  return one.reduce((most, value, i) => Math.max(most, Math.abs(value - other[i]!)), 0)
}

describe('icons as JSON', () => {
  it('tell all that is needed to draw every demo icon again, on every grid and ground', () => {
    for (const name of ['quayside', 'quayside-solid', 'skerry-app']) {
      const { set } = readSetFile(readFileSync(`demo/${name}.wisesquare.json`, 'utf8'))
      const renderers = set!.icons.map((icon) => new IconRenderer(icon, set!.rules, null))
      const { made } = plannedFiles(set!, ['data']).find(({ path }) => path === 'developers/icons.json')!
      const file = IconsFile.parse(
        JSON.parse(made.as === 'joined' ? made.join(renderers.map((renderer) => made.piece(renderer))) : ''),
      )
      expect(file.icons.map((icon) => icon.name)).toEqual(set!.icons.map((icon) => icon.name))
      file.icons.forEach(({ name: icon, drawings }, i) => {
        for (const { grid, sizes, items } of drawings)
          for (const ground of ['light', 'dark'] as const) {
            const size = Math.min(96, sizes.at(-1)!)
            const again = svgOfShapes(shapes(items), grid, ground)
            expect([icon, grid, apart(again, renderers[i]!.document(grid, ground), size) <= 2]).toEqual([
              icon,
              grid,
              true,
            ])
          }
      })
    }
  }, 60_000)
})
