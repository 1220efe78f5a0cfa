import { distance, type Point } from '@/core/geometry/point'
import { freshCorner, freshPolyline, freshStyle } from '@/core/drawing/fresh'
import { constrainAngle } from '@/core/snap/snap'
import { newId } from '@/ui/new-id'
import type { Bench } from '../bench'
import { isFilledSet } from './fresh-style'
import { caught, onGridAlong } from './snapping'
import { lineFigure } from './draw-line'
import type { At, Tool } from './tool'

/** Draws straight lines from click to click; a click on the first node closes, Enter or Escape ends, Backspace takes one back. */
export function drawPolylineTool(bench: Bench): Tool {
  const nodes = () => bench.store.getState().inHand.polyline?.nodes ?? []

  const nextPlace = (at: At): { point: Point; closing: boolean } => {
    const drawn = nodes()
    const first = drawn[0], last = drawn.at(-1)
    if (first && drawn.length >= 2 && distance(first, at.p) <= bench.reach * 1.5) return { point: first, closing: true }
    const targets = bench.targetsAtRest
    const { point, marks } = caught(bench, at, targets)
    const turned = last && at.shift
    bench.hold({ marks: turned ? [] : marks })
    return { point: turned ? onGridAlong(last, constrainAngle(last, at.p), at.free ? null : targets.step) : point, closing: false }
  }

  const finish = (closed: boolean) => {
    const drawn = nodes()
    bench.letGo()
    if (drawn.length >= (closed ? 3 : 2)) {
      const id = newId()
      const style = freshStyle(bench.rules, isFilledSet(bench) && closed)
      const path = freshPolyline(id, bench.nameFor('path'), drawn, closed, freshCorner(bench.rules), style)
      bench.edit({ kind: 'add', objects: [path], ...bench.top }, 'Draw polyline')
      bench.select([id])
    }
    bench.take('select')
  }

  return {
    cursor: 'crosshair',
    hint: 'Click from node to node; the first closes · Enter: end · Shift: 45° · Backspace: one back',
    press(at) {
      const { point, closing } = nextPlace(at)
      const drawn = nodes()
      if (closing && drawn.length >= 3) finish(true)
      else if (!drawn.at(-1) || distance(drawn.at(-1)!, point) > 0) {
        bench.hold({ polyline: { nodes: [...drawn, point], next: point, closing: false } })
      }
      return null
    },
    hover(at) {
      const drawn = nodes()
      const { point, closing } = nextPlace(at)
      const last = drawn.at(-1)
      if (last) bench.hold({ polyline: { nodes: drawn, next: point, closing }, figure: { at: point, text: closing ? 'closes' : lineFigure(last, point) } })
    },
    twice() {
      finish(false)
    },
    key(key) {
      if (nodes().length === 0) return false
      if (key === 'Enter' || key === 'Escape') finish(false)
      else if (key === 'Backspace') bench.hold({ polyline: nodes().length > 1 ? { nodes: nodes().slice(0, -1), next: null, closing: false } : null })
      else return false
      return true
    },
  }
}
