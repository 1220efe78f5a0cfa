import type { DrawingObject } from '../../drawing/objects/object'
import type { Style } from '../../drawing/model/style'
import { boxesOverlap, boxInside } from '../../geometry/box'
import { type Contour, type Path, pathBounds } from '../../geometry/path'
import { pointAt } from '../../geometry/segment'
import { winding } from '../../geometry/winding'
import { liveShape } from './live'

/** One live shape with others cut out of it; null where a contour is none, or does not lie in the largest. */
export function cutOut(
  path: Path,
  style: Style,
  name: string,
  within: number,
  ids: () => string,
): DrawingObject | null {
  if (path.length > 12) return null
  const boxes = path.map((contour) => pathBounds([contour])!)
  const outer = boxes.reduce((best, box, i) => (box.w * box.h > boxes[best]!.w * boxes[best]!.h ? i : best), 0)
  const holes = path.filter((_, i) => i !== outer)
  const isHole = (contour: Contour, i: number): boolean =>
    boxInside(boxes[path.indexOf(contour)]!, boxes[outer]!) &&
    winding(path, inner(contour)) === 0 &&
    holes.every((other, k) => k === i || !boxesOverlap(boxes[path.indexOf(contour)]!, boxes[path.indexOf(other)]!))
  if (!holes.every(isHole)) return null
  const lives = [path[outer]!, ...holes].map((contour) => liveShape(contour, within))
  if (lives.some((live) => live === null)) return null
  const id = ids()
  const members = lives.map((live, i) => ({
    ...live,
    id: ids(),
    name: i === 0 ? 'outer' : `cut ${i}`,
    role: i === 0 ? 'adds' : 'cuts',
    style,
  }))
  return { kind: 'assembly', id, name, style, members } as unknown as DrawingObject
}

/** A point just inside a contour: near the middle of its longest side, on the side of its middle. */
function inner(contour: Contour): { x: number; y: number } {
  const { x, y, w, h } = pathBounds([contour])!
  const middle = { x: x + w / 2, y: y + h / 2 }
  if (winding([contour], middle) !== 0) return middle
  const p = pointAt(contour.segments[0]!, 0.5)
  return { x: p.x + (middle.x - p.x) * 1e-3, y: p.y + (middle.y - p.y) * 1e-3 }
}
