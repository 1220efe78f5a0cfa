import { type Box, boxAbout, boxBetween, boxCentre, boxInside } from '@/core/geometry/box'
import { distance, type Point, subtract } from '@/core/geometry/point'
import { translation } from '@/core/geometry/transform'
import { changeNumbers, extent, fitObjects, frameOf, moveObject, scaleOwn } from '@/core/drawing/adjust'
import { type Frame, framePoint } from '@/core/drawing/frame'
import { type DrawingObject, isContainer, isFramed } from '@/core/drawing/object'
import { isOver, pick } from '@/core/drawing/pick'
import { type Grip, gripsOf, pullGrip } from '@/core/drawing/grips'
import { type Handle, HANDLES, pullFrame } from '@/core/drawing/resize'
import { constrainAngle, snapBox, type SnapMark } from '@/core/snap/snap'
import { touchByMoving, touchBySizing } from '@/core/snap/snap-circle'
import type { SnapTargets } from '@/core/snap/targets'
import { figure } from '@/ui/sum'
import { isLocked, type Bench } from '../bench'
import { addCopies, copies } from '../operations'
import { dragGuide, guideAt } from '../guides'
import { RULER } from '../layers/rulers'
import { toScreen } from '../view'
import { lineFigure } from './draw-line'
import { caught, onGridAlong, withSizes } from './snapping'
import type { At, Drag, Tool } from './tool'

/** Screen pixels around a handle in which a press takes it. */
const GRIP = 7

/** Screen pixels a press must travel before it is a drag. */
const SLACK = 3

/** Shapes smaller than this on screen, in pixels, show no grips: there would be no room to press beside them. */
const LEAST_FOR_GRIPS = 56

/** Selects, moves (Alt leaves a copy), pulls by handles; twice steps into a group or an assembly. */
export function selectTool(bench: Bench): Tool {
  return {
    cursor: 'default',
    hint: 'Drag to move · Shift: add, or keep the direction · Alt: leave a copy · double click: step in',
    hover(at) {
      const found = pickAt(bench, at)
      const id = found?.id ?? null
      if (id !== bench.store.getState().hover) bench.store.setState({ hover: id })
    },
    press(at) {
      const end = lineEndAt(bench, at)
      if (end) return pullLineEnd(bench, end.line, end.end)
      const grip = gripAt(bench, at)
      if (grip) return pullGripOf(bench, grip)
      const handle = handleAt(bench, at)
      if (handle) return pullHandle(bench, handle)
      const target = pickAt(bench, at)
      const inHand = bench.free.some((object) => isOver(object, bench.rules, at.p, bench.reach))
      if (!target && !inHand) {
        const guide = guideAt(bench, at.p)
        return guide ? dragGuide(bench, guide, false, RULER) : lasso(bench, at)
      }
      if (!inHand && target && !bench.store.getState().selection.has(target.id)) {
        if (at.shift) {
          bench.toggle(target.id)
          return null
        }
        bench.select([target.id])
        return move(bench, at, null)
      }
      return move(bench, at, target)
    },
    twice(at) {
      const target = pickAt(bench, at)
      if (!target || !isContainer(target)) return
      bench.store.setState({ scope: target.id })
      const member = pick(target.members, bench.rules, at.p, bench.reach, target.kind === 'assembly')
      bench.select(member ? [member.id] : [])
    },
  }
}

const pickAt = (bench: Bench, at: At): DrawingObject | null => pick(bench.reachable, bench.rules, at.p, bench.reach, bench.scope?.kind === 'assembly')

/** The frame that handles are on: a single object's own, or the box around several; null when there is nothing to pull. */
export function handleFrame(bench: Bench, objects: readonly DrawingObject[]): Frame | null {
  const [first, ...more] = objects
  if (!first || (more.length === 0 && first.kind === 'line')) return null
  return more.length === 0 ? frameOf(first, bench.rules) : bench.extent(objects)
}

function handleAt(bench: Bench, at: At): Handle | null {
  const frame = handleFrame(bench, bench.free)
  const { view } = bench.store.getState()
  if (!frame || !view) return null
  return HANDLES.find((handle) => distance(toScreen(view, framePoint(frame, handle)), at.screen) <= GRIP) ?? null
}

type LineObject = Extract<DrawingObject, { kind: 'line' }>

function lineEndAt(bench: Bench, at: At): { line: LineObject; end: 'from' | 'to' } | null {
  const { view } = bench.store.getState()
  const [line, ...more] = bench.free
  if (!view || line?.kind !== 'line' || more.length > 0) return null
  const end = (['to', 'from'] as const).find((side) => distance(toScreen(view, line[side]), at.screen) <= GRIP)
  return end ? { line, end } : null
}

function pullLineEnd(bench: Bench, line: LineObject, end: 'from' | 'to'): Drag {
  const targets = bench.targets(new Set([line.id]))
  const other = line[end === 'from' ? 'to' : 'from']
  let edit: { kind: 'replace'; objects: DrawingObject[] } | null = null
  return {
    move(at) {
      const { point, marks } = caught(bench, at, targets, other)
      const place = at.shift ? onGridAlong(other, constrainAngle(other, at.p), at.free ? null : targets.step) : point
      const next = { ...line, [end]: place }
      edit = { kind: 'replace', objects: [next] }
      bench.preview(edit)
      bench.hold({ marks: at.shift ? [] : marks, figure: { at: place, text: lineFigure(next.from, next.to) } })
    },
    release: () => finish(bench, edit, `Pull the end of ${line.name}`),
    cancel: () => abandon(bench),
  }
}

/** The grips of the one selected object, where they are shown. */
export function shownGrips(bench: Bench, [only, ...more]: readonly DrawingObject[] = bench.free): Grip[] {
  const scale = bench.store.getState().view?.scale ?? 1
  if (!only || more.length > 0 || (isFramed(only) ? Math.min(only.w, only.h) * scale < LEAST_FOR_GRIPS : only.kind !== 'mirror')) return []
  return gripsOf(only, bench.rules, 16 / scale)
}

function gripAt(bench: Bench, at: At): Grip | null {
  const { view } = bench.store.getState()
  return (view && shownGrips(bench).find((grip) => distance(toScreen(view, grip.at), at.screen) <= GRIP)) ?? null
}

function pullGripOf(bench: Bench, { id, what }: Grip): Drag {
  const [object] = bench.free as [DrawingObject]
  let edit: { kind: 'replace'; objects: DrawingObject[] } | null = null
  return {
    move(at) {
      const { object: next, figure: text } = pullGrip(object, id, at.p, bench.rules, { step: at.free ? null : bench.rules.grid.step, alone: at.alt || at.shift })
      edit = { kind: 'replace', objects: [next] }
      bench.preview(edit)
      bench.hold({ figure: { at: at.p, text } })
    },
    release: () => finish(bench, edit, `Pull the ${what} of ${object.name}`),
    cancel: () => abandon(bench),
  }
}

function pullHandle(bench: Bench, handle: Handle): Drag {
  const objects = bench.free
  const frame = handleFrame(bench, objects)!
  const held = framePoint(frame, { x: 1 - handle.x, y: 1 - handle.y })
  const targets = withSizes(bench.targets(new Set(objects.map(({ id }) => id))), held)
  let edit: { kind: 'replace'; objects: DrawingObject[] } | null = null
  return {
    move(at) {
      const { point, marks: caughtBy } = caught(bench, at, targets)
      const [only, ...more] = objects
      const pulled = pullFrame(frame, handle, point, { proportional: at.shift, centred: at.alt })
      // A circle about its centre grows until it touches.
      const touching = at.shift && at.alt && !at.free && isCircle(objects) ? touchBySizing({ centre: framePoint(frame, { x: 0.5, y: 0.5 }), r: pulled.w / 2 }, targets, bench.reach) : null
      const next = touching ? { ...pulled, ...boxAbout(touching.circle.centre, 2 * touching.circle.r, 2 * touching.circle.r) } : pulled
      const marks = touching?.marks ?? caughtBy
      const fitted = only && more.length === 0 ? [placed(bench, only, next)] : fitObjects(objects, frame, next)
      const by = Math.sqrt((next.w * next.h) / (frame.w * frame.h))
      const resized = bench.store.getState().scaleOwn && by > 0 && Number.isFinite(by) ? fitted.map((object) => scaleOwn(object, by)) : fitted
      edit = { kind: 'replace', objects: resized }
      bench.preview(edit)
      bench.hold({
        marks: marks.filter((mark) => (mark.kind === 'x' ? handle.x !== 0.5 : mark.kind === 'y' ? handle.y !== 0.5 : true)),
        figure: { at: framePoint(next, { x: 0.5, y: 1 }), text: `${figure(next.w)} × ${figure(next.h)}` },
      })
    },
    release: () => finish(bench, edit, `Resize ${objects.length === 1 ? objects[0]!.name : `${objects.length} objects`}`),
    cancel: () => abandon(bench),
  }
}

/** An object brought to a frame: its size first, then the place of its centre. */
function placed(bench: Bench, object: DrawingObject, frame: Frame): DrawingObject {
  const centre = framePoint(frame, { x: 0.5, y: 0.5 })
  return changeNumbers(object, bench.rules, { x: 0.5, y: 0.5 }, { w: frame.w, h: frame.h, ...centre })
}

/** Moves what is selected. A press that never travels is a click on `target`. */
function move(bench: Bench, start: At, target: DrawingObject | null): Drag {
  const objects = bench.free
  const box = bench.extent(objects)
  const targets = bench.targets(new Set(objects.map(({ id }) => id)))
  let by: Point | null = null
  let copied: DrawingObject[] | null = null
  return {
    move(at) {
      if (!box || (!by && distance(at.screen, start.screen) < SLACK)) return
      let to = { x: at.p.x - start.p.x, y: at.p.y - start.p.y }
      if (at.shift) to = constrainAngle({ x: 0, y: 0 }, to)
      const snapped = at.free ? { shift: { x: 0, y: 0 }, marks: [] } : snapMoved(objects, { ...box, x: box.x + to.x, y: box.y + to.y }, targets, bench.reach)
      // Kept to a direction, only the way along it may still be drawn to a target.
      const free = { x: !at.shift || to.x !== 0, y: !at.shift || to.y !== 0 }
      by = { x: to.x + (free.x ? snapped.shift.x : 0), y: to.y + (free.y ? snapped.shift.y : 0) }
      copied = at.alt ? copies(objects, translation(by.x, by.y)) : null
      bench.preview(copied ? { kind: 'add', objects: copied, ...bench.top } : { kind: 'replace', objects: objects.map((object) => moveObject(object, by!)) })
      bench.hold({ marks: snapped.marks, figure: { at: { x: box.x + box.w / 2 + by.x, y: box.y + box.h + by.y }, text: `${signed(by.x)}, ${signed(by.y)}` } })
    },
    release(at) {
      const title = objects.length === 1 ? objects[0]!.name : `${objects.length} objects`
      bench.letGo()
      if (!by) {
        if (target) {
          if (at.shift) bench.toggle(target.id)
          else bench.select([target.id])
        }
        return
      }
      if (copied) addCopies(bench, copied, translation(by.x, by.y), `Copy ${title}`)
      else {
        bench.edit({ kind: 'replace', objects: objects.map((object) => moveObject(object, by!)) }, `Move ${title}`)
        bench.noteTransform(translation(by.x, by.y), 'Move')
      }
    },
    cancel: () => abandon(bench),
  }
}

/** True for one whole circle. */
function isCircle([only, ...more]: readonly DrawingObject[]): boolean {
  return only?.kind === 'ellipse' && more.length === 0 && Math.abs(only.w - only.h) < 1e-9 && only.from === undefined
}

/** A moved selection drawn to the targets; a circle alone touches lines and circles where nothing else catches it. */
function snapMoved(objects: readonly DrawingObject[], box: Box, targets: SnapTargets, reach: number): { shift: Point; marks: readonly SnapMark[] } {
  const snapped = snapBox(box, targets, reach)
  if (!isCircle(objects)) return snapped
  const centre = boxCentre(box)
  const touching = touchByMoving({ centre, r: box.w / 2 }, targets, reach)
  // Of one thing that it touches and an edge or a centre that it meets, the latter counts.
  if (!touching || (touching.marks.length < 2 && snapped.marks.length > 0)) return snapped
  return { shift: subtract(touching.circle.centre, centre), marks: touching.marks }
}

const signed = (value: number): string => (value > 0 ? `+${figure(value)}` : figure(value))

/** Selects what lies wholly within a box; Shift adds to the selection. */
function lasso(bench: Bench, start: At): Drag {
  const before = start.shift ? bench.store.getState().selection : new Set<string>()
  let dragged = false
  return {
    move(at) {
      dragged ||= distance(at.screen, start.screen) >= SLACK
      if (!dragged) return
      const box = boxBetween(start.p, at.p)
      const inside = bench.reachable.filter(
        (object) => !object.hidden && !isLocked(bench.objects, object.id) && boxInside(extent(object, bench.rules), box),
      )
      bench.select([...before, ...inside.map(({ id }) => id)])
      bench.hold({ lasso: { from: start.p, to: at.p } })
    },
    release() {
      bench.letGo()
      if (!dragged && !start.shift) bench.select([])
    },
    cancel() {
      bench.letGo()
      bench.select(before)
    },
  }
}

function finish(bench: Bench, edit: { kind: 'replace'; objects: DrawingObject[] } | null, label: string): void {
  bench.letGo()
  if (edit) bench.edit(edit, label)
}

function abandon(bench: Bench): void {
  bench.preview(null)
  bench.letGo()
}
