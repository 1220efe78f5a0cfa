import { FINE, type Ink } from './ink'

/** A plumb edge: its place in samples, from where to where it goes, and 1 where ink begins to its right, else -1. */
type Edge = { readonly x: number; readonly from: number; readonly to: number; readonly side: 1 | -1 }

/** Edges shorter than this, in samples, are no straight edges to the eye. */
const LONG = 2.5 * FINE
/** An edge is soft where it lies further from the side of a pixel, in samples. */
const SOFT = 1.6

/** The plumb edges of an ink; those of its transpose are the level ones. */
export function plumbEdges({ samples, w, h }: Ink): Edge[] {
  const found: Edge[] = []
  for (let x = 1; x < w; x++) {
    let run = 0,
      side = 0
    for (let y = 0; y <= h; y++) {
      const now = y < h ? samples[y * w + x]! - samples[y * w + x - 1]! : 0
      if (now === side && now !== 0) run++
      else {
        if (side !== 0 && run >= LONG) found.push({ x, from: y - run, to: y, side: side as 1 | -1 })
        run = now === 0 ? 0 : 1
        side = now
      }
    }
  }
  return found
}

/** Edges that lie between the sides of pixels. */
export const softIn = (edges: readonly Edge[]): number =>
  edges.filter(({ x }) => Math.min(x % FINE, FINE - (x % FINE)) > SOFT).length

const shared = (a: Edge, b: Edge): number => Math.min(a.to, b.to) - Math.max(a.from, b.from)

/** Widths in pixels of the stems between plumb edges: an edge with ink on its right, and the next that ends this ink. */
export const stemsBetween = (edges: readonly Edge[]): number[] =>
  edges.flatMap((left) => {
    if (left.side < 0) return []
    const right = edges
      .filter((other) => other.side < 0 && other.x > left.x && shared(left, other) > 1.5 * FINE)
      .sort((a, b) => a.x - b.x)[0]
    if (!right) return []
    const isInterrupted = edges.some(
      (other) => other.side > 0 && other.x > left.x && other.x < right.x && shared(other, right) > FINE,
    )
    return isInterrupted ? [] : [(right.x - left.x) / FINE]
  })
