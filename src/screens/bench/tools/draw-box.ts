import { type Box, boxAbout, boxBetween } from '@/core/geometry/box'
import type { Point } from '@/core/geometry/point'
import { freshCorner, freshEllipse, freshPolygon, freshRectangle, freshStyle } from '@/core/drawing/fresh'
import type { DrawingObject } from '@/core/drawing/object'
import type { Style } from '@/core/drawing/style'
import { equalSizes } from '@/core/snap/gaps'
import { touchBySizing } from '@/core/snap/snap-circle'
import type { SnapTargets } from '@/core/snap/targets'
import { newId } from '@/ui/new-id'
import { figure } from '@/ui/sum'
import type { Bench } from '../bench'
import { isFilledSet } from './fresh-style'
import { caught } from './snapping'
import type { At, Tool } from './tool'

/** What a tool that draws in a box draws. */
export type BoxShape = 'rectangle' | 'ellipse' | 'polygon' | 'star'

/** How deep the sides of a new star are drawn in. */
const DEPTH = 0.5

/** Draws a shape from corner to corner; Shift makes the sides equal, Alt draws from the centre. */
export function drawBoxTool(bench: Bench, shape: BoxShape): Tool {
  const kind = shape === 'star' ? 'polygon' : shape
  return {
    cursor: 'crosshair',
    hint: `Drag from corner to corner · Shift: ${shape === 'ellipse' ? 'circle' : shape === 'rectangle' ? 'square' : 'regular'} · Alt: from the centre${kind === 'polygon' ? ' · up and down keys: more or fewer sides' : ''} · X: no snapping`,
    hover(at) {
      bench.hold({ marks: caught(bench, at, bench.targetsAtRest).marks })
    },
    press(at) {
      const targets = bench.targetsAtRest
      const from = caught(bench, at, targets).point
      const sized = bench.store.getState().snaps.gaps ? withSizes(targets, from) : targets
      const id = newId(), name = bench.nameFor(kind)
      const style = freshStyle(bench.rules, isFilledSet(bench))
      let box: Box | null = null
      const add = (size: Box) => ({
        kind: 'add' as const,
        objects: [fresh(bench, shape, id, name, size, style)],
        ...bench.top,
      })
      return {
        move(next: At) {
          const { point, marks } = caught(bench, next, sized)
          box = drawnBox(from, point, next)
          const touching = shape === 'ellipse' && next.shift && next.alt && !next.free ? touchBySizing({ centre: from, r: box.w / 2 }, targets, bench.reach) : null
          if (touching) box = boxAbout(from, 2 * touching.circle.r, 2 * touching.circle.r)
          bench.preview(add(box))
          bench.select([id])
          bench.hold({ marks: touching?.marks ?? marks, figure: { at: { x: box.x + box.w / 2, y: box.y + box.h }, text: `${figure(box.w)} × ${figure(box.h)}` } })
        },
        release() {
          bench.letGo()
          if (!box || box.w === 0 || box.h === 0) {
            bench.preview(null)
            bench.select([])
            return
          }
          bench.edit(add(box), `Draw ${shape}`)
          bench.take('select')
        },
        cancel() {
          bench.preview(null)
          bench.select([])
          bench.letGo()
        },
      }
    },
    key(key, down = true) {
      if (kind !== 'polygon' || !down || (key !== 'ArrowUp' && key !== 'ArrowDown')) return false
      bench.store.setState(({ sides }) => ({ sides: Math.max(3, Math.min(120, sides + (key === 'ArrowUp' ? 1 : -1))) }))
      return true
    },
  }
}

function fresh(bench: Bench, shape: BoxShape, id: string, name: string, size: Box, style: Style): DrawingObject {
  const corner = freshCorner(bench.rules)
  switch (shape) {
    case 'rectangle':
      return freshRectangle(id, name, size, corner, style)
    case 'ellipse':
      return freshEllipse(id, name, size, style)
    case 'polygon':
      return freshPolygon(id, name, size, bench.store.getState().sides, undefined, 0, style)
    case 'star':
      return freshPolygon(id, name, size, bench.store.getState().sides, DEPTH, 0, style)
  }
}

/** The targets, and where a box drawn from a place becomes as wide or as high as another object. */
const withSizes = (targets: SnapTargets, { x, y }: Point): SnapTargets => ({
  ...targets,
  xs: [...targets.xs, ...equalSizes(x, targets.boxes, 'x')],
  ys: [...targets.ys, ...equalSizes(y, targets.boxes, 'y')],
})

function drawnBox(from: Point, to: Point, { shift, alt }: At): Box {
  let dx = to.x - from.x, dy = to.y - from.y
  if (shift) {
    const side = Math.max(Math.abs(dx), Math.abs(dy))
    dx = Math.sign(dx || 1) * side
    dy = Math.sign(dy || 1) * side
  }
  const end = { x: from.x + dx, y: from.y + dy }
  return boxBetween(alt ? { x: from.x - dx, y: from.y - dy } : from, end)
}
