import { PAINT } from '../state/paint-in-hand'
import { distance, type Point } from '@/core/geometry/point'
import { tidy } from '@/core/geometry/tidy'
import { acrossOf, shareAt, stopPlace, withStop } from '@/core/drawing/model/gradient'
import type { Gradient } from '@/core/drawing/model/paint'
import { stopsOf } from '@/core/drawing/model/values'
import { constrainAngle } from '@/core/snap/snap'
import { snapShade } from '@/core/snap/snap-shade'
import { figure } from '@/ui/sum'
import type { Bench } from '../state/bench'
import { gradientInHand, setStops, withGradient } from '../operations/paints'
import { toScreen } from '../state/view'
import { objectsDrag } from './drags'
import { caught } from './snapping'
import type { At, Drag } from './tool'

/**
 * A place by which a gradient is pulled: an end of its way, the second axis or the focus of a radial one, a stop by
 * number.
 */
type GradientHandle = {
  readonly id: 'from' | 'to' | 'across' | 'focus' | number
  readonly at: Point
  /** Where it is shown, in pixels: at the edge where its own place is out of sight. */ readonly screen: Point
}

/** Screen pixels around a handle in which a press takes it, and by how much handles keep off the edge of the stage. */
const GRIP = 8,
  EDGE = 30

/** The handles of the gradient in hand, those that lie over others last. */
export function gradientHandles(bench: Bench, asShown = false): GradientHandle[] {
  const found = gradientInHand(bench, asShown)
  const { view, stage } = bench.store.getState()
  if (!found || !view) return []
  const { gradient } = found
  const inSight = (p: Point): Point => {
    const { x, y } = toScreen(view, p)
    return { x: Math.min(stage.w - EDGE, Math.max(EDGE, x)), y: Math.min(stage.h - EDGE, Math.max(EDGE, y)) }
  }
  const handle = (id: GradientHandle['id'], at: Point): GradientHandle => ({ id, at, screen: inSight(at) })
  const stops = stopsOf(gradient, bench.rules).flatMap(({ at }, i) =>
    at > 0 && at < 1 ? [handle(i, stopPlace(gradient, at))] : [],
  )
  if (gradient.kind === 'linear') return [...stops, handle('from', gradient.from), handle('to', gradient.to)]
  return [
    ...stops,
    handle('from', gradient.centre),
    handle('to', gradient.to),
    handle('across', acrossOf(gradient)),
    ...(gradient.focus ? [handle('focus', gradient.focus)] : []),
  ]
}

export const gradientHandleAt = (bench: Bench, at: At): GradientHandle | null =>
  gradientHandles(bench).findLast(({ screen }) => distance(screen, at.screen) <= GRIP) ?? null

/**
 * Pulls a handle: ends snap to everything, with Shift to steps of 45°; a stop goes along the way to where it snaps; Alt
 * from the centre pulls out the focus.
 */
export function pullGradient(bench: Bench, { id, at: start }: GradientHandle): Drag {
  const { painted, place, gradient } = gradientInHand(bench)!
  const paintInHand = bench.read(PAINT)
  const stop =
    typeof id === 'number'
      ? id
      : id === 'from'
        ? 0
        : id === 'to'
          ? stopsOf(gradient, bench.rules).length - 1
          : paintInHand.stop
  bench.put(PAINT, { place, stop })
  if (typeof id === 'number') return pullStop(bench, id)
  const targets = bench.targets(new Set())
  const other =
    id === 'from'
      ? gradient.kind === 'linear'
        ? gradient.to
        : undefined
      : gradient.kind === 'linear'
        ? gradient.from
        : gradient.centre
  return objectsDrag(bench, `Pull the gradient of ${painted.name}`, (at) => {
    const { point, marks } =
      at.shift && other ? { point: constrainAngle(other, at.p), marks: [] } : caught(bench, at, targets, other)
    const next = pulled(gradient, at.alt && id === 'from' && gradient.kind === 'radial' ? 'focus' : id, point, start)
    const length = other ? ` · ${figure(distance(other, point))} long` : ''
    return {
      edit: withGradient(painted, place, next),
      held: { marks, figure: { at: point, text: `${figure(tidy(point.x))}, ${figure(tidy(point.y))}${length}` } },
    }
  })
}

function pulled(gradient: Gradient, id: 'from' | 'to' | 'across' | 'focus', p: Point, start: Point): Gradient {
  if (gradient.kind === 'linear') return { ...gradient, [id]: p }
  if (id === 'focus') return { ...gradient, focus: p }
  if (id === 'from') {
    // The whole gradient goes along with its centre.
    const by = { x: p.x - start.x, y: p.y - start.y }
    const moved = (q: Point): Point => ({ x: q.x + by.x, y: q.y + by.y })
    return {
      ...gradient,
      centre: p,
      to: moved(gradient.to),
      ...(gradient.across && { across: moved(gradient.across) }),
      ...(gradient.focus && { focus: moved(gradient.focus) }),
    }
  }
  if (id === 'across') return { ...gradient, across: p }
  return { ...gradient, to: p }
}

/**
 * A stop slides to where its line of one colour goes through a place or touches a curve, so that an edge made of two
 * stops lies exactly there.
 */
function pullStop(bench: Bench, index: number): Drag {
  const { painted, place, gradient } = gradientInHand(bench)!
  const stops = stopsOf(gradient, bench.rules)
  const targets = bench.targets(new Set())
  // Stops at one place go together: that is a hard edge.
  const together = stops.flatMap(({ at }, i) => (Math.abs(at - stops[index]!.at) < 1e-9 ? [i] : []))
  const least = stops[together[0]! - 1]?.at ?? 0,
    most = stops[together.at(-1)! + 1]?.at ?? 1
  return objectsDrag(bench, `Pull a stop of ${painted.name}`, (at) => {
    const pointed = shareAt(gradient, at.p),
      found = at.free ? null : snapShade(gradient, pointed, targets, bench.reach)
    const share = Math.min(most, Math.max(least, found?.share ?? pointed))
    const next = stops.map((one, i) => (together.includes(i) ? { ...one, at: share } : one))
    return {
      edit: withGradient(painted, place, { ...gradient, stops: next }),
      held: {
        marks: found && share === found.share ? [{ kind: 'point', ...found.place }] : [],
        figure: { at: stopPlace(gradient, share), text: `${figure(Number((share * 100).toFixed(2)))} %` },
      },
    }
  })
}

/** A double press on the way of the gradient in hand adds a stop there; true when it did. */
export function addStopAt(bench: Bench, at: At): boolean {
  const found = gradientInHand(bench)
  const { view } = bench.store.getState()
  if (!found || !view || gradientHandleAt(bench, at)) return false
  const { place, gradient } = found
  const share = Number(shareAt(gradient, at.p).toFixed(4))
  if (share <= 0 || share >= 1 || distance(toScreen(view, stopPlace(gradient, share)), at.screen) > GRIP) return false
  const { index } = withStop(stopsOf(gradient, bench.rules), share)
  setStops(bench, place, (all) => withStop(all, share).stops, 'the stops')
  bench.put(PAINT, { place, stop: index })
  return true
}
