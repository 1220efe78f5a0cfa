import { FINE, type Ink } from './ink'

/** A connected piece of ink, or of what ink encloses: its area in samples and its box, the last samples included. */
export type Piece = {
  readonly area: number
  readonly x0: number
  readonly y0: number
  readonly x1: number
  readonly y1: number
}

/** Pieces below this share of a pixel are crumbs of the rasteriser. */
const CRUMB = 0.02 * FINE * FINE

export const widthOf = ({ x0, x1 }: Piece): number => x1 - x0 + 1
export const heightOf = ({ y0, y1 }: Piece): number => y1 - y0 + 1
export const centreOf = ({ x0, x1, y0, y1 }: Piece) => ({ x: (x0 + x1 + 1) / 2, y: (y0 + y1 + 1) / 2 })

/** Connected pieces of ink: samples that touch by a side or a corner. */
export const piecesOf = (ink: Ink): Piece[] => connected(ink, 1).filter(({ area }) => area > CRUMB)

/** Counters: pieces without ink that do not reach the edge of the picture, their samples touching by sides. */
export const countersOf = (ink: Ink): Piece[] =>
  connected(ink, 0).filter(
    ({ area, x0, y0, x1, y1 }) => area > CRUMB && x0 > 0 && y0 > 0 && x1 < ink.w - 1 && y1 < ink.h - 1,
  )

/** Connected-component labelling by flood fill. */
function connected({ samples, w, h }: Ink, value: 0 | 1): Piece[] {
  const steps = value === 1 ? [1, -1, w, -w, w + 1, w - 1, 1 - w, -w - 1] : [1, -1, w, -w]
  const seen = new Uint8Array(w * h)
  const found: Piece[] = []
  for (let start = 0; start < w * h; start++) {
    if (seen[start] || samples[start] !== value) continue
    const open = [start]
    seen[start] = 1
    let [area, x0, y0, x1, y1] = [0, w, h, 0, 0]
    while (open.length > 0) {
      const at = open.pop()!,
        x = at % w,
        y = Math.floor(at / w)
      area++
      ;[x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)]
      for (const step of steps) {
        const next = at + step
        if (next < 0 || next >= w * h || seen[next] || samples[next] !== value || Math.abs((next % w) - x) > 1) continue
        seen[next] = 1
        open.push(next)
      }
    }
    found.push({ area, x0, y0, x1, y1 })
  }
  return found
}
