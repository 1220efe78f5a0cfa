import { distance, type Point } from '@/core/geometry/point'
import { freshPath, freshStyle } from '@/core/drawing/edit/fresh'
import { traced } from '@/core/drawing/kinds/path/trace'
import { newId } from '@/ui/new-id'
import type { Bench } from '../../state/bench'
import type { Tool } from '../tool'
import { slice } from '../../state/slice'

/** How much a hand's lines are smoothed, in grid units. */
export const FREEHAND = slice('freehand', { smoothness: 0.25 })

/**
 * Draws what a hand draws, as few lines, arcs and curves for the smoothness in hand; an end near the beginning closes
 * it.
 */
export function freehandTool(bench: Bench): Tool {
  return {
    cursor: 'crosshair',
    hint: 'Drag to draw; end near where you began to close · smoothness in grid units, in the tool line',
    press(at) {
      const points: Point[] = [at.p]
      return {
        move(next) {
          for (const p of next.since ?? [next.p]) {
            if (distance(points.at(-1)!, p) >= bench.reach / 8) points.push(p)
          }
          bench.hold({ drawn: [{ as: 'line', points: [...points] }] })
        },
        release() {
          bench.letGo()
          const closed = points.length > 8 && distance(points[0]!, points.at(-1)!) <= 2 * bench.reach
          const path = traced({
            points: closed ? [...points.slice(0, -1), points[0]!] : points,
            smoothness: bench.read(FREEHAND).smoothness,
            closed,
          })
          if (path)
            bench.add(
              [freshPath(newId(), bench.nameFor('Path'), path.contours, 0, freshStyle(bench.rules, false), path.trace)],
              'Draw freehand',
            )
        },
        cancel: () => bench.letGo(),
      }
    },
  }
}
