import { type Box, boxBetween } from '@/core/geometry/box'
import type { Point } from '@/core/geometry/point'
import { freshCorner, freshEllipse, freshRectangle, freshStyle } from '@/core/drawing/fresh'
import { newId } from '@/ui/new-id'
import { figure } from '@/ui/sum'
import type { Bench } from '../bench'
import { isFilledSet } from './fresh-style'
import { caught } from './snapping'
import type { At, Tool } from './tool'

/** Draws a rectangle or an ellipse from corner to corner; Shift makes the sides equal, Alt draws from the centre. */
export function drawBoxTool(bench: Bench, kind: 'rectangle' | 'ellipse'): Tool {
  const noun = kind === 'rectangle' ? 'rectangle' : 'ellipse'
  return {
    cursor: 'crosshair',
    hint: `Drag from corner to corner · Shift: ${kind === 'ellipse' ? 'circle' : 'square'} · Alt: from the centre · X: no snapping`,
    hover(at) {
      bench.hold({ marks: caught(bench, at, bench.targetsAtRest).marks })
    },
    press(at) {
      const targets = bench.targetsAtRest
      const from = caught(bench, at, targets).point
      const id = newId(), name = bench.nameFor(kind)
      const style = freshStyle(bench.rules, isFilledSet(bench))
      let box: Box | null = null
      const add = (size: Box) => ({
        kind: 'add' as const,
        objects: [kind === 'rectangle' ? freshRectangle(id, name, size, freshCorner(bench.rules), style) : freshEllipse(id, name, size, style)],
        ...bench.top,
      })
      return {
        move(next: At) {
          const { point, marks } = caught(bench, next, targets)
          box = drawnBox(from, point, next)
          bench.preview(add(box))
          bench.select([id])
          bench.hold({ marks, figure: { at: { x: box.x + box.w / 2, y: box.y + box.h }, text: `${figure(box.w)} × ${figure(box.h)}` } })
        },
        release() {
          bench.letGo()
          if (!box || box.w === 0 || box.h === 0) {
            bench.preview(null)
            bench.select([])
            return
          }
          bench.edit(add(box), `Draw ${noun}`)
          bench.take('select')
        },
        cancel() {
          bench.preview(null)
          bench.select([])
          bench.letGo()
        },
      }
    },
  }
}

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
