import { distance, type Point } from '@/core/geometry/point'
import type { Circle } from '@/core/geometry/solve'
import { tidy } from '@/core/geometry/tidy'
import { constrainAngle } from '@/core/snap/snap'
import { figure } from '@/ui/sum'
import type { Bench } from '../../state/bench'
import { circleOf, type Condition, conditionAt } from '../three-places'
import { caught } from '../snapping'
import type { Drawable } from '../../state/drawable'
import type { Tool } from '../tool'
import { hoverOver, pickAt } from '../under'
import { slice } from '../../state/slice'

/** A measurement: a distance between two places, or a circle through three. */
export type Measured =
  | { readonly kind: 'distance'; readonly from: Point; readonly to: Point }
  | { readonly kind: 'circle'; readonly circle: Circle }

export const MEASURE = slice('measure', {
  measureBy: 'distance' as 'distance' | 'circle',
  measured: null as Measured | null,
})

/** A measurement as text, for display and copying. */
export function measuredWords(measured: Measured): string {
  if (measured.kind === 'circle') {
    const { centre, r } = measured.circle
    return `⌀ ${figure(tidy(2 * r))} about ${figure(tidy(centre.x))}, ${figure(tidy(centre.y))}`
  }
  const { from, to } = measured
  const angle = (Math.atan2(from.y - to.y, to.x - from.x) * 180) / Math.PI
  return `${figure(distance(from, to))} at ${figure(Number(angle.toFixed(2)))}° · ${figure(tidy(Math.abs(to.x - from.x)))} × ${figure(tidy(Math.abs(to.y - from.y)))}`
}

/** A line with ends across, or a circle with its centre, and the figure. */
function measuredMarks(measured: Measured | null): readonly Drawable[] {
  if (!measured) return []
  if (measured.kind === 'circle') return [{ as: 'circle', ...measured.circle }]
  const { from, to } = measured
  return [
    { as: 'line', points: [from, to], ends: true },
    { as: 'figure', at: { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 }, text: measuredWords(measured) },
  ]
}

/**
 * Measures without drawing: a drag measures distance and angle, three presses a circle. Over an object it shows the
 * object's size and its gaps to the selection.
 */
export function measureTool(bench: Bench): Tool {
  let conditions: Condition[] = []
  const put = (measured: Measured | null) => bench.put(MEASURE, { measured })
  return {
    cursor: 'crosshair',
    marks: () => measuredMarks(bench.read(MEASURE).measured),
    hint: 'Drag: distance and angle · over an object: size, and gap to the selection · Shift: steps of 45°',
    press(at) {
      if (bench.read(MEASURE).measureBy === 'circle') {
        conditions = [...conditions, conditionAt(bench, at)]
        if (conditions.length === 3) {
          const circle = circleOf(conditions as [Condition, Condition, Condition])
          conditions = []
          put(circle && { kind: 'circle', circle })
        }
        bench.hold({ marks: conditions.map(({ near }) => ({ kind: 'point', at: near, label: 'place' })) })
        return null
      }
      const from = caught(bench, at, bench.targetsAtRest).point
      const before = bench.read(MEASURE).measured
      return {
        move(next) {
          const { point, marks } = next.shift
            ? { point: constrainAngle(from, next.p), marks: [] }
            : caught(bench, next, bench.targetsAtRest, from)
          put({ kind: 'distance', from, to: point })
          bench.hold({ marks, figure: null })
        },
        release: () => bench.letGo(),
        cancel() {
          put(before)
          bench.letGo()
        },
      }
    },
    hover(at) {
      const over = pickAt(bench, at)
      const { marks } = caught(bench, at, bench.targetsAtRest)
      const places = conditions.map(({ near }) => ({ kind: 'point' as const, at: near, label: 'place' }))
      bench.hold({ marks: [...places, ...marks], figure: over ? { at: at.p, text: sizeAndGap(bench, over.id) } : null })
      hoverOver(bench, over)
    },
    key(key, down = true) {
      if (!down || key !== 'Escape' || (conditions.length === 0 && !bench.read(MEASURE).measured)) return false
      conditions = []
      put(null)
      bench.letGo()
      return true
    },
  }
}

/** The size of an object; when others are selected, the gaps between it and them across and down. */
function sizeAndGap(bench: Bench, id: string): string {
  const object = bench.reachable.find((one) => one.id === id)
  if (!object) return ''
  const box = bench.extent([object])!
  const size = `${figure(tidy(box.w))} × ${figure(tidy(box.h))}`
  const others = bench.selected.filter((one) => one.id !== id)
  const other = bench.extent(others)
  if (!other) return size
  const across = Math.max(other.x - box.x - box.w, box.x - other.x - other.w),
    down = Math.max(other.y - box.y - box.h, box.y - other.y - other.h)
  return `${size} · gap ${figure(tidy(across))} across, ${figure(tidy(down))} down`
}
