import { Slash } from 'lucide-react'
import type { ToolDefinition } from './tool'
import type { Point } from '@/core/geometry/point'
import { distance } from '@/core/geometry/point'
import { freshLine, freshStyle } from '@/core/drawing/edit/fresh'
import { newId } from '@/ui/new-id'
import { figure } from '@/ui/sum'
import type { Bench } from '../state/bench'
import { caught, showCaught, turned } from './snapping'
import type { Tool } from './tool'

/** Draws a straight line from end to end; Shift turns it in steps of 45°. */
function drawLineTool(bench: Bench): Tool {
  return {
    cursor: 'crosshair',
    hint: 'Drag from end to end · Shift: steps of 45° · [KeyX]: no snapping',
    hover: (at) => showCaught(bench, at),
    press(at) {
      const targets = bench.targetsAtRest
      const from = caught(bench, at, targets).point
      const id = newId(),
        name = bench.nameFor('Line')
      const style = freshStyle(bench.rules, false)
      let to: Point | null = null
      const add = (end: Point) => ({
        kind: 'add' as const,
        objects: [freshLine(id, name, from, end, style)],
        ...bench.top,
      })
      return {
        move(next) {
          const { point, marks } = caught(bench, next, targets, from)
          to = next.shift ? turned(bench, from, next, targets.step) : point
          bench.preview(add(to))
          bench.select([id])
          bench.hold({ marks: next.shift ? [] : marks, figure: { at: to, text: lineFigure(from, to) } })
        },
        release() {
          bench.letGo()
          if (!to || distance(from, to) === 0) {
            bench.preview(null)
            bench.select([])
            return
          }
          bench.edit(add(to), 'Draw line')
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

/** The length of a line and its angle, anticlockwise from the right, in words. */
export function lineFigure(from: Point, to: Point): string {
  const angle = (Math.atan2(from.y - to.y, to.x - from.x) * 180) / Math.PI
  return `${figure(distance(from, to))} at ${figure(Number(angle.toFixed(1)))}°`
}

export const line: ToolDefinition = {
  id: 'line',
  name: 'Line',
  cluster: 'Lay',
  key: 'Digit5',
  picture: Slash,
  make: drawLineTool,
}
