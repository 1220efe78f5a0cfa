import { FlipHorizontal2 } from 'lucide-react'
import type { ToolDefinition } from './tool'
import { distance, type Point } from '@/core/geometry/point'
import { reflection } from '@/core/drawing/kinds/mirror/images'
import { constrainAngle } from '@/core/snap/snap'
import { figure } from '@/ui/sum'
import type { Bench } from '../state/bench'
import { previewTransform, transformSelection } from '../operations/objects'
import { caught, showCaught } from './snapping'
import type { Tool } from './tool'
import { pickAt } from './under'

/** Turns the selection over at a line that is drawn; Alt leaves the original. With nothing selected a press selects. */
function mirrorTool(bench: Bench): Tool {
  return {
    cursor: 'crosshair',
    hint: 'Drag the mirror line; a click is an upright one · Shift: steps of 45° · Alt: leave the original',
    hover: (at) => showCaught(bench, at),
    press(at) {
      if (bench.free.length === 0) {
        const other = pickAt(bench, at)
        if (other) bench.select([other.id])
        return null
      }
      const from = caught(bench, at, bench.targetsAtRest).point
      let angle = 90,
        copy = at.alt
      const show = (to: Point) => {
        previewTransform(bench, reflection(from, angle), copy)
        bench.hold({
          drawn: [{ as: 'axis', at: from, angle }],
          figure: { at: to, text: `mirror at ${figure(Number(angle.toFixed(1)))}°` },
        })
      }
      show(from)
      return {
        move(next) {
          const { point, marks } = next.shift
            ? { point: constrainAngle(from, next.p), marks: [] }
            : caught(bench, next, bench.targetsAtRest, from)
          copy = next.alt
          if (distance(point, from) > 1e-6)
            angle = ((((Math.atan2(from.y - point.y, point.x - from.x) * 180) / Math.PI) % 180) + 180) % 180
          show(point)
          bench.hold({ marks })
        },
        release() {
          bench.drop()
          transformSelection(bench, reflection(from, angle), `Mirror at ${figure(Number(angle.toFixed(1)))}°`, {
            copies: copy ? 1 : 0,
            scale: 1,
          })
          bench.take('select')
        },
        cancel: () => bench.drop(),
      }
    },
  }
}

export const mirror: ToolDefinition = {
  id: 'mirror',
  name: 'Mirror',
  cluster: 'Shape',
  key: 'KeyT',
  picture: FlipHorizontal2,
  make: mirrorTool,
}
