import { SCALING } from '../operations/objects'
import { boxAbout } from '@/core/geometry/box'
import { distance, type Point } from '@/core/geometry/point'
import { changeNumbers, fitObjects } from '@/core/drawing/edit/numbers'
import { frameOf } from '@/core/drawing/evaluate/extent'
import { scaleOwn } from '@/core/drawing/objects/scale-own'
import { type Frame, framePoint } from '@/core/drawing/model/frame'
import type { Grip } from '@/core/drawing/scene/grip'
import { gripsOf, pullGrip } from '@/core/drawing/edit/grips'
import { type DrawingObject, isFramed, kindOf } from '@/core/drawing/objects/object'
import { type Handle, HANDLES, pullFrame } from '@/core/drawing/edit/resize'
import { touchBySizing } from '@/core/snap/snap-circle'
import { figure } from '@/ui/sum'
import type { Bench } from '../state/bench'
import { toScreen } from '../state/view'
import { lineFigure } from './draw-line'
import { objectsDrag } from './drags'
import { gradientHandleAt, pullGradient } from './gradient-handles'
import { caught, isCircle, turned, withSizes } from './snapping'
import type { At, Drag } from './tool'

/** Screen pixels around a handle in which a press takes it. */
const GRIP = 8

/** Shapes smaller than this on screen, in pixels, show no grips: there would be no room to press beside them. */
const LEAST_FOR_GRIPS = 56

/**
 * A drag of what the selection is pulled by: an end, a grip, a handle; null where the pointer is on none.
 */
export function pullAt(bench: Bench, at: At): Drag | null {
  const ofGradient = gradientHandleAt(bench, at)
  if (ofGradient) return pullGradient(bench, ofGradient)
  const end = endAt(bench, at)
  if (end) return pullEnd(bench, end.object, end.end)
  const grip = gripAt(bench, at)
  if (grip) return pullGripOf(bench, grip)
  const handle = handleAt(bench, at)
  return handle && pullHandle(bench, handle)
}

/**
 * The frame that handles are on: a single object's own, or the box around several; null when there is nothing to pull.
 */
function handleFrame(bench: Bench, objects: readonly DrawingObject[]): Frame | null {
  const [first, ...more] = objects
  if (!first || (more.length === 0 && kindOf(first).grips.ends)) return null
  return more.length === 0 ? frameOf(first, bench.scene) : bench.extent(objects)
}

function handleAt(bench: Bench, at: At): Handle | null {
  const frame = handleFrame(bench, bench.free)
  const { view } = bench.store.getState()
  if (!frame || !view) return null
  return HANDLES.find((handle) => distance(toScreen(view, framePoint(frame, handle)), at.screen) <= GRIP) ?? null
}

function endAt(bench: Bench, at: At): { object: DrawingObject; end: number } | null {
  const { view } = bench.store.getState()
  const [object, ...more] = bench.free
  const ends = object && more.length === 0 ? kindOf(object).grips.ends?.(object) : undefined
  if (!view || !object || !ends) return null
  const end = ends.findLastIndex((place) => distance(toScreen(view, place), at.screen) <= GRIP)
  return end < 0 ? null : { object, end }
}

function pullEnd(bench: Bench, object: DrawingObject, end: number): Drag {
  const targets = bench.targets(new Set([object.id]))
  const { ends, withEnd } = kindOf(object).grips
  const other = ends!(object)[1 - end]!
  return objectsDrag(bench, `Pull the end of ${object.name}`, (at) => {
    const { point, marks } = caught(bench, at, targets, other)
    const place = at.shift ? turned(bench, other, at, targets.step) : point
    const next = withEnd!(object, end, place)
    const [from, to] = ends!(next) as [Point, Point]
    return {
      edit: [next],
      held: { marks: at.shift ? [] : marks, figure: { at: place, text: lineFigure(from, to) } },
    }
  })
}

/** The grips of the one selected object, where they are shown. */
export function shownGrips(bench: Bench, [only, ...more]: readonly DrawingObject[] = bench.free): Grip[] {
  const scale = bench.store.getState().view?.scale ?? 1
  if (!only || more.length > 0 || (isFramed(only) && Math.min(only.w, only.h) * scale < LEAST_FOR_GRIPS)) return []
  return gripsOf(only, bench.scene, 16 / scale)
}

function gripAt(bench: Bench, at: At): Grip | null {
  const { view } = bench.store.getState()
  if (!view) return null
  const away = (grip: Grip) => distance(toScreen(view, grip.at), at.screen)
  const near = shownGrips(bench).filter((grip) => away(grip) <= GRIP)
  return near.sort((a, b) => away(a) - away(b))[0] ?? null
}

function pullGripOf(bench: Bench, { id, what, isPlace }: Grip): Drag {
  const [object] = bench.free as [DrawingObject]
  const targets = bench.targets(new Set([object.id]))
  return objectsDrag(bench, `Pull the ${what} of ${object.name}`, (at) => {
    const { point, marks } = isPlace ? caught(bench, at, targets) : { point: at.p, marks: [] }
    const { object: next, figure: text } = pullGrip(object, id, point, bench.scene, {
      step: at.free || isPlace ? null : bench.rules.grid.step,
      alone: at.alt || at.shift,
    })
    return { edit: [next], held: { marks, figure: { at: point, text } } }
  })
}

function pullHandle(bench: Bench, handle: Handle): Drag {
  const objects = bench.free
  const frame = handleFrame(bench, objects)!
  const held = framePoint(frame, { x: 1 - handle.x, y: 1 - handle.y })
  const targets = withSizes(bench.targets(new Set(objects.map(({ id }) => id))), held)
  return objectsDrag(bench, `Resize ${objects.length === 1 ? objects[0]!.name : `${objects.length} objects`}`, (at) => {
    const { point, marks: caughtBy } = caught(bench, at, targets)
    const pulled = pullFrame(frame, handle, point, { proportional: at.shift, centred: at.alt })
    // A circle about its centre grows until it touches.
    const touching =
      at.shift && at.alt && !at.free && isCircle(objects)
        ? touchBySizing({ centre: framePoint(frame, { x: 0.5, y: 0.5 }), r: pulled.w / 2 }, targets, bench.reach)
        : null
    const next = touching
      ? { ...pulled, ...boxAbout(touching.circle.centre, 2 * touching.circle.r, 2 * touching.circle.r) }
      : pulled
    const marks = touching?.marks ?? caughtBy
    return {
      edit: fitted(bench, objects, frame, next),
      held: {
        marks: marks.filter((mark) =>
          mark.kind === 'x' ? handle.x !== 0.5 : mark.kind === 'y' ? handle.y !== 0.5 : true,
        ),
        figure: { at: framePoint(next, { x: 0.5, y: 1 }), text: `${figure(next.w)} × ${figure(next.h)}` },
      },
    }
  })
}

/**
 * Objects brought from one frame to another; weights and corners of their own scale along where that is switched on.
 */
function fitted(bench: Bench, objects: readonly DrawingObject[], from: Frame, to: Frame): DrawingObject[] {
  const [only, ...more] = objects
  const next = only && more.length === 0 ? [placed(bench, only, to)] : fitObjects(objects, from, to)
  const by = Math.sqrt((to.w * to.h) / (from.w * from.h))
  return bench.read(SCALING).scaleOwn && by > 0 && Number.isFinite(by)
    ? next.map((object) => scaleOwn(object, by))
    : next
}

/** An object brought to a frame: its size first, then the place of its centre. */
function placed(bench: Bench, object: DrawingObject, frame: Frame): DrawingObject {
  const centre = framePoint(frame, { x: 0.5, y: 0.5 })
  return changeNumbers(object, bench.scene, { x: 0.5, y: 0.5 }, { w: frame.w, h: frame.h, ...centre })
}
