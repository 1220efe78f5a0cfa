import type { Point } from '../geometry/point'

/** Points by number, where points nearer to each other than `snap` are the same one, the first that came. */
export class Vertices {
  readonly points: Point[] = []
  private readonly cells = new Map<string, number[]>()

  constructor(private readonly snap: number) {}

  /** The number of a point: an old one when there is one near enough, the nearest of them, else a new one. */
  of(p: Point): number {
    // Cells of four times the reach: a point near a cell's border is looked for beyond it as well.
    const size = 4 * this.snap
    const x = p.x / size, y = p.y / size
    const cx = Math.floor(x), cy = Math.floor(y)
    let best = -1, least = this.snap
    for (let i = Math.floor(x - 0.25); i <= Math.floor(x + 0.25); i++) {
      for (let k = Math.floor(y - 0.25); k <= Math.floor(y + 0.25); k++) {
        for (const index of this.cells.get(`${i} ${k}`) ?? []) {
          const q = this.points[index]!
          const away = Math.hypot(q.x - p.x, q.y - p.y)
          if (away <= least) {
            least = away
            best = index
          }
        }
      }
    }
    if (best !== -1) return best
    const key = `${cx} ${cy}`
    this.cells.set(key, [...(this.cells.get(key) ?? []), this.points.length])
    this.points.push(p)
    return this.points.length - 1
  }
}
