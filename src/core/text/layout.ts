import type { Contour, Path } from '../geometry/path'
import type { Point } from '../geometry/point'
import { line, type Segment } from '../geometry/segment'
import type { Face, Glyph } from './face'

/**
 * How text is set: `size` of the em and `spacing` added after each character, in grid units; lines are `LEADING` ems
 * apart.
 */
export type Setting = { readonly size: number; readonly spacing: number }

const LEADING = 1.2

/**
 * The outlines of a text, its first baseline from the origin to the right. Characters the face lacks are left out, with
 * the room of a space.
 */
export function textPath(text: string, face: Face, { size, spacing }: Setting): Path {
  const scale = size / face.unitsPerEm
  return text.split('\n').flatMap((row, line): Path => {
    const characters = [...row]
    let x = 0
    return characters.flatMap((char, i): Path => {
      const glyph = face.glyphs[char]
      const at = { x, y: line * LEADING * size }
      x +=
        (glyph?.advance ?? face.glyphs[' ']?.advance ?? face.unitsPerEm / 4) * scale +
        spacing +
        (face.kerning[char + (characters[i + 1] ?? '')] ?? 0) * scale
      return glyph ? glyph.contours.map((contour) => contourAt(contour, at, scale)) : []
    })
  })
}

/** How wide the longest line is, its last spacing left off. */
export function textWidth(text: string, face: Face, { size, spacing }: Setting): number {
  const scale = size / face.unitsPerEm
  return Math.max(
    0,
    ...text.split('\n').map((row) => {
      const characters = [...row]
      return characters.reduce(
        (sum, char, i) =>
          sum +
          (face.glyphs[char]?.advance ?? face.glyphs[' ']?.advance ?? face.unitsPerEm / 4) * scale +
          (i + 1 < characters.length ? spacing + (face.kerning[char + characters[i + 1]!] ?? 0) * scale : 0),
        0,
      )
    }),
  )
}

function contourAt(steps: Glyph['contours'][number], at: Point, scale: number): Contour {
  const place = (x: number, y: number): Point => ({ x: at.x + x * scale, y: at.y - y * scale })
  const first = place(steps[0]![0]!, steps[0]![1]!)
  const segments: Segment[] = []
  let from = first
  for (const step of steps.slice(1)) {
    const n = step.length,
      to = place(step[n - 2]!, step[n - 1]!)
    if (n === 2) {
      if (to.x !== from.x || to.y !== from.y) segments.push(line(from, to))
    } else if (n === 4) {
      const c = place(step[0]!, step[1]!)
      const raised = (end: Point): Point => ({ x: end.x + ((c.x - end.x) * 2) / 3, y: end.y + ((c.y - end.y) * 2) / 3 })
      segments.push({ kind: 'cubic', from, c1: raised(from), c2: raised(to), to })
    } else segments.push({ kind: 'cubic', from, c1: place(step[0]!, step[1]!), c2: place(step[2]!, step[3]!), to })
    from = to
  }
  if (from.x !== first.x || from.y !== first.y) segments.push(line(from, first))
  return { segments, closed: true }
}
