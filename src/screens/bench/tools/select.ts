import { MousePointer2 } from 'lucide-react'
import type { ToolDefinition } from './tool'
import { SelectSettings } from './select-settings'
import { noteTransform } from '../operations/again'
import { type Box, boxCentre, boxInside } from '@/core/geometry/box'
import { type Point, subtract } from '@/core/geometry/point'
import { translation } from '@/core/geometry/transform'
import { extent } from '@/core/drawing/evaluate/extent'
import { moveObject } from '@/core/drawing/objects/transform-object'
import { type DrawingObject, isCombining, isContainer } from '@/core/drawing/objects/object'
import { isOver, pick } from '@/core/drawing/evaluate/pick'
import { constrainAngle, snapBox, type SnapMark } from '@/core/snap/snap'
import { touchByMoving } from '@/core/snap/snap-circle'
import type { SnapTargets } from '@/core/snap/targets'
import { figure } from '@/ui/sum'
import type { Bench } from '../state/bench'
import { lockedWithin } from '../state/locked'
import { addCopies, copies } from '../operations/objects'
import { guideAt } from '../operations/guides'
import { dragGuide } from './guide-drag'
import { RULER } from '../state/view'
import { lasso, travelled } from './drags'
import { addStopAt } from './gradient-handles'
import { pullAt } from './pulls'
import { pullReference } from './reference-tools'
import { PAINT } from '../state/paint-in-hand'
import { openPlacement } from '../operations/parts'
import { isCircle } from './snapping'
import type { At, Drag, Tool } from './tool'
import { hoverOver, pickAt } from './under'

/** Selects, moves (Alt leaves a copy), pulls by handles; twice steps into a group or an assembly. */
function selectTool(bench: Bench): Tool {
  return {
    cursor: 'default',
    shows: { handles: true, hovered: true },
    hint: 'Drag to move · Shift: add, or keep the direction · Alt: leave a copy · double click: step in',
    hover: (at) => hoverOver(bench, pickAt(bench, at)),
    press(at) {
      const pull = pullAt(bench, at)
      if (pull) return pull
      // A press beside the gradient lets go of its stop.
      if (bench.read(PAINT).stop !== null) bench.put(PAINT, { stop: null })
      const target = pickAt(bench, at)
      const inHand = bench.free.some((object) => isOver(object, bench.scene, at.p, bench.reach))
      if (!target && !inHand) {
        const guide = guideAt(bench, at.p)
        const picture = guide ? null : pullReference(bench, at)
        if (picture) return picture
        return guide ? dragGuide(bench, guide, false, RULER) : selectWithin(bench, at)
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
      if (addStopAt(bench, at)) return
      const target = pickAt(bench, at)
      if (target?.kind === 'placement') return openPlacement(bench, target)
      if (!target || !isContainer(target)) return
      bench.store.setState({ scope: target.id })
      const member = pick(target.members, bench.scene, at.p, bench.reach, isCombining(target))
      bench.select(member ? [member.id] : [])
    },
  }
}

/** Moves the selection. A press without travel is a click on `target`. */
function move(bench: Bench, start: At, target: DrawingObject | null): Drag {
  const objects = bench.free
  const box = bench.extent(objects)
  const targets = bench.targets(new Set(objects.map(({ id }) => id)))
  let by: Point | null = null
  let copied: DrawingObject[] | null = null
  return {
    move(at) {
      if (!box || (!by && !travelled(start, at))) return
      let to = { x: at.p.x - start.p.x, y: at.p.y - start.p.y }
      if (at.shift) to = constrainAngle({ x: 0, y: 0 }, to)
      const snapped = at.free
        ? { shift: { x: 0, y: 0 }, marks: [] }
        : snapMoved(objects, { ...box, x: box.x + to.x, y: box.y + to.y }, targets, bench.reach)
      // Kept to a direction, only the way along it may still be drawn to a target.
      const free = { x: !at.shift || to.x !== 0, y: !at.shift || to.y !== 0 }
      by = { x: to.x + (free.x ? snapped.shift.x : 0), y: to.y + (free.y ? snapped.shift.y : 0) }
      bench.land({ x: start.p.x + by.x, y: start.p.y + by.y })
      copied = at.alt ? copies(objects, translation(by.x, by.y)) : null
      if (copied) bench.preview({ kind: 'add', objects: copied, ...bench.top })
      else bench.shift(objects, by)
      bench.hold({
        ...(copied && { shifted: null }),
        marks: snapped.marks,
        figure: {
          at: { x: box.x + box.w / 2 + by.x, y: box.y + box.h + by.y },
          text: `${signed(by.x)}, ${signed(by.y)}`,
        },
      })
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
        noteTransform(bench, translation(by.x, by.y), 'Move')
      }
    },
    cancel: () => bench.drop(),
  }
}

/** A moved selection drawn to the targets; a circle alone touches lines and circles where nothing else catches it. */
function snapMoved(
  objects: readonly DrawingObject[],
  box: Box,
  targets: SnapTargets,
  reach: number,
): { shift: Point; marks: readonly SnapMark[] } {
  const snapped = snapBox(box, targets, reach)
  if (!isCircle(objects)) return snapped
  const centre = boxCentre(box)
  const touching = touchByMoving({ centre, r: box.w / 2 }, targets, reach)
  if (!touching) return snapped
  const shift = subtract(touching.circle.centre, centre),
    isOne = touching.marks.length < 2
  // Of one thing that it touches and an edge or a centre that it meets, the latter counts.
  if (isOne && snapped.marks.length > 0) return snapped
  // A place of the grid that is nearer counts, unless the other is within half the reach.
  const isFarther = lengthOf(shift) > lengthOf(snapped.shift) && lengthOf(shift) > reach / 2
  return targets.step !== null && isOne && isFarther ? snapped : { shift, marks: touching.marks }
}

const lengthOf = ({ x, y }: Point): number => Math.hypot(x, y)

const signed = (value: number): string => (value > 0 ? `+${figure(value)}` : figure(value))

/** Selects the objects wholly within a box; Shift adds to the selection. */
function selectWithin(bench: Bench, start: At): Drag {
  const before = start.shift ? bench.store.getState().selection : new Set<string>()
  const locked = lockedWithin(bench.objects)
  return lasso(bench, start, {
    choose(box) {
      const inside = bench.reachable.filter(
        (object) => !object.hidden && !locked.has(object.id) && boxInside(extent(object, bench.scene), box),
      )
      bench.select([...before, ...inside.map(({ id }) => id)])
    },
    click: () => !start.shift && bench.select([]),
    restore: () => bench.select(before),
  })
}

export const select: ToolDefinition = {
  id: 'select',
  byKeys: 'never',
  name: 'Select',
  cluster: 'Shape',
  key: 'KeyQ',
  picture: MousePointer2,
  make: selectTool,
  Settings: SelectSettings,
}
