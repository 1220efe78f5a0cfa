import { nodesOf } from '../core/drawing/model/nodes'
import type { DrawingObject } from '../core/drawing/objects/object'
import { readPathData } from '../core/formats/path-reader'
import { pathsOf } from './icon-paths'

const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const

/** The elements of a plain icon file as objects: circles, rectangles and lines as such, all else as paths. */
export function objectsOf(svg: string): DrawingObject[] {
  const elements = [...svg.matchAll(/<(path|line|circle|ellipse|rect|polyline|polygon)\b([^>]*)>/g)]
  const paths = pathsOf(svg)
  return elements.map(([, name, text], i): DrawingObject => {
    const own = (key: string) => new RegExp(`\\s${key}="([^"]*)"`).exec(text!)?.[1]
    const n = (key: string) => Number(own(key) ?? 0)
    const common = { id: `${name}-${i + 1}`, name: `${name} ${i + 1}`, style }
    if (name === 'rect')
      return {
        kind: 'rectangle',
        ...common,
        x: n('x'),
        y: n('y'),
        w: n('width'),
        h: n('height'),
        corner: Number(own('rx') ?? own('ry') ?? 0),
      }
    if (name === 'circle' || name === 'ellipse') {
      const rx = n(name === 'circle' ? 'r' : 'rx'),
        ry = n(name === 'circle' ? 'r' : 'ry')
      return { kind: 'ellipse', ...common, x: n('cx') - rx, y: n('cy') - ry, w: 2 * rx, h: 2 * ry }
    }
    if (name === 'line')
      return { kind: 'line', ...common, from: { x: n('x1'), y: n('y1') }, to: { x: n('x2'), y: n('y2') } }
    return { kind: 'path', ...common, corner: 0, contours: readPathData(paths[i]!).map((contour) => nodesOf(contour)) }
  })
}
