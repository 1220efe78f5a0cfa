import { hypot, type Point } from '../geometry/point'

/** Numbered points. A point nearer than `snap` to an earlier one is that point. */
export class Vertices {
  readonly points: Point[] = []
  /**
   * The last point of each cell, and for each point the one before it in its cell. Cells may share a key: distances
   * tell.
   */
  private readonly cells = new Map<number, number>()
  private readonly before: number[] = []

  constructor(private readonly snap: number) {}

  /** The number of a point: an old one when there is one near enough, the nearest of them, else a new one. */
  of(p: Point): number {
    // Cells of four times the reach: a point near a cell's border is looked for beyond it as well.
    const x = p.x / (4 * this.snap),
      y = p.y / (4 * this.snap)
    const x0 = Math.floor(x - 0.25),
      x1 = Math.floor(x + 0.25),
      y0 = Math.floor(y - 0.25),
      y1 = Math.floor(y + 0.25)
    let best = -1,
      least = this.snap
    for (let i = x0; i <= x1; i++) {
      for (let k = y0; k <= y1; k++) {
        for (let index = this.cells.get(keyOf(i, k)) ?? -1; index !== -1; index = this.before[index]!) {
          const q = this.points[index]!
          const away = hypot(q.x - p.x, q.y - p.y)
          if (away <= least) {
            least = away
            best = index
          }
        }
      }
    }
    if (best !== -1) return best
    const index = this.points.length,
      key = keyOf(Math.floor(x), Math.floor(y))
    this.before.push(this.cells.get(key) ?? -1)
    this.cells.set(key, index)
    this.points.push(p)
    return index
  }
}

const keyOf = (i: number, k: number): number => i * 94906267 + k
