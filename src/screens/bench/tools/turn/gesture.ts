import { boxCentre } from '@/core/geometry/box'
import { distance, type Point, subtract } from '@/core/geometry/point'
import { rotation, type Transform } from '@/core/geometry/transform'
import { isOver } from '@/core/drawing/evaluate/pick'
import { figure } from '@/ui/sum'
import type { Bench } from '../../state/bench'
import { previewTransform, transformSelection } from '../../operations/objects'
import { toScreen } from '../../state/view'
import { caught } from '../snapping'
import type { At, Drag, Tool } from '../tool'
import { pickAt } from '../under'
import { slice } from '../../state/slice'

export const TURN = slice('turn', { turnBy: 'turn' as 'turn' | 'scale' | 'slant' })

/** Screen pixels around the pivot in which a press takes it. */
const GRIP = 9

/** The pivot: where it was put, or the middle of the selection. */
export function pivotOf(bench: Bench): Point | null {
  const { pivot } = bench.store.getState()
  const box = bench.extent(bench.free)
  return pivot ?? (box && boxCentre(box))
}

/**
 * Turns, scales or slants the selection about a pivot that is dragged first. Alt leaves a copy; Shift keeps to steps of
 * 15° or the proportion.
 */
export function turnTool(bench: Bench): Tool {
  return {
    cursor: 'default',
    marks() {
      const at = pivotOf(bench)
      return at ? [{ as: 'pivot', at }] : []
    },
    hint: 'Drag the ring to set the pivot, anything else to turn · Shift: 15°, proportion · Alt: leave a copy',
    press(at) {
      const pivot = pivotOf(bench),
        { view } = bench.store.getState()
      if (pivot && view && distance(toScreen(view, pivot), at.screen) <= GRIP) return dragPivot(bench)
      const inHand = bench.free.some((object) => isOver(object, bench.scene, at.p, bench.reach))
      const other = inHand ? null : pickAt(bench, at)
      if (other && !bench.store.getState().selection.has(other.id)) {
        bench.select([other.id])
        return null
      }
      return pivot ? dragTransform(bench, pivot, at) : null
    },
  }
}

function dragPivot(bench: Bench): Drag {
  const before = bench.store.getState().pivot
  return {
    move(at) {
      const { point, marks } = caught(bench, at, bench.targetsAtRest)
      bench.store.setState({ pivot: point })
      bench.hold({ marks, figure: { at: point, text: `${figure(point.x)}, ${figure(point.y)}` } })
    },
    release: () => bench.letGo(),
    cancel() {
      bench.store.setState({ pivot: before })
      bench.letGo()
    },
  }
}

function dragTransform(bench: Bench, pivot: Point, start: At): Drag {
  const targets = bench.targetsAtRest
  const from = caught(bench, start, targets).point
  let done: { map: Transform; words: string; by: number } | null = null
  let copy = false
  return {
    move(at) {
      const { point, marks } = caught(bench, at, targets)
      done = pulled(bench.read(TURN).turnBy, pivot, from, point, at.shift)
      copy = at.alt
      if (!done) return
      previewTransform(bench, done.map, copy)
      bench.hold({ marks, figure: { at: point, text: done.words } })
    },
    release() {
      bench.drop()
      if (done) transformSelection(bench, done.map, done.words, { copies: copy ? 1 : 0, scale: done.by })
    },
    cancel: () => bench.drop(),
  }
}

/** The map of a pull from one place to another about a pivot, with its description; `by` is the scale factor. */
function pulled(
  kind: 'turn' | 'scale' | 'slant',
  pivot: Point,
  from: Point,
  to: Point,
  constrained: boolean,
): { map: Transform; words: string; by: number } | null {
  const a = subtract(from, pivot),
    b = subtract(to, pivot)
  if (kind === 'turn') {
    const raw = ((Math.atan2(b.y, b.x) - Math.atan2(a.y, a.x)) * 180) / Math.PI
    const degrees = constrained ? Math.round(raw / 15) * 15 : raw
    const upright = degrees > 180 ? degrees - 360 : degrees < -180 ? degrees + 360 : degrees
    return { map: rotation(upright, pivot), words: `Turn by ${figure(Number(upright.toFixed(2)))}°`, by: 1 }
  }
  if (kind === 'scale') {
    let kx = Math.abs(a.x) > 0.25 ? b.x / a.x : 1,
      ky = Math.abs(a.y) > 0.25 ? b.y / a.y : 1
    if (constrained) kx = ky = Math.hypot(b.x, b.y) / Math.hypot(a.x, a.y)
    if (Math.abs(kx) < 1e-3 || Math.abs(ky) < 1e-3 || !Number.isFinite(kx * ky)) return null
    return {
      map: scaling(kx, ky, pivot),
      words: kx === ky ? `Scale to ${percent(kx)}` : `Scale to ${percent(kx)} × ${percent(ky)}`,
      by: Math.sqrt(Math.abs(kx * ky)),
    }
  }
  const across = Math.abs(to.x - from.x) >= Math.abs(to.y - from.y)
  const k = across ? (to.x - from.x) / (a.y || 1) : (to.y - from.y) / (a.x || 1)
  const raw = (Math.atan(k) * 180) / Math.PI,
    degrees = constrained ? Math.round(raw / 15) * 15 : raw
  if (Math.abs(degrees) > 85) return null
  return { map: slanting(degrees, across, pivot), words: `Slant by ${figure(Number(degrees.toFixed(2)))}°`, by: 1 }
}

const percent = (k: number): string => `${figure(Number((k * 100).toFixed(1)))} %`

export const scaling = (kx: number, ky: number, { x, y }: Point): Transform => [
  kx,
  0,
  0,
  ky,
  x * (1 - kx),
  y * (1 - ky),
]

/** A slant by an angle in degrees: level lines stay level (`across`), or upright ones upright. */
export function slanting(degrees: number, across: boolean, { x, y }: Point): Transform {
  const k = Math.tan((degrees * Math.PI) / 180)
  return across ? [1, 0, k, 1, -k * y, 0] : [1, k, 0, 1, 0, -k * x]
}
