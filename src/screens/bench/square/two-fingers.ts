import { distance, type Point } from '@/core/geometry/point'
import { type View, zoomAt } from '../state/view'

/** The view after two fingers moved between places of the stage: the drawing between them follows. */
export function pinched(view: View, from: readonly [Point, Point], to: readonly [Point, Point], size: number): View {
  const middle = ([a, b]: readonly [Point, Point]): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 })
  const was = middle(from),
    now = middle(to)
  const apart = distance(...from)
  const zoomed = apart > 0 ? zoomAt(view, was, distance(...to) / apart, size) : view
  return { ...zoomed, x: zoomed.x + now.x - was.x, y: zoomed.y + now.y - was.y }
}

/** Fingers on the stage. The first is a pointer like any other; a second makes both zoom and pan. */
export class Fingers {
  private readonly down = new Map<number, Point>()
  private before: { readonly view: View; readonly places: readonly [Point, Point] } | null = null

  /** A finger came down; true when it is the second, and what the first began is to be given up. */
  press(id: number, at: Point, view: View): boolean {
    this.down.set(id, at)
    if (this.down.size !== 2) return false
    this.before = { view, places: this.places() }
    return true
  }

  /** Moves one finger; returns the new view, null unless two fingers are down. */
  move(id: number, at: Point, size: number): View | null {
    if (!this.down.has(id)) return null
    this.down.set(id, at)
    return this.before && this.down.size === 2
      ? pinched(this.before.view, this.before.places, this.places(), size)
      : null
  }

  lift(id: number): void {
    this.down.delete(id)
    if (this.down.size < 2) this.before = null
  }

  /** Whether fingers zoom and pan, or did and are not all lifted yet. */
  get busy(): boolean {
    return this.before !== null
  }

  private places(): readonly [Point, Point] {
    return [...this.down.values()].slice(0, 2) as [Point, Point]
  }
}
