import { cross, distance, type Point, subtract, unit } from '@/core/geometry/point'
import { tidy } from '@/core/geometry/tidy'
import type { Frame } from '@/core/drawing/model/frame'
import { constrainAngle } from '@/core/snap/snap'
import { newId } from '@/ui/new-id'
import { figure } from '@/ui/sum'
import type { Bench } from '../state/bench'
import { lineFigure } from './draw-line'
import { type BoxShape, freshShape } from './boxes/box-shape'
import { caught, showCaught } from './snapping'
import type { At, Tool } from './tool'

type Pressing = Omit<Tool, 'cursor' | 'hint' | 'twice'>

/** Draws a shape on a baseline: a drag draws the baseline, the height follows the pointer until the next press. */
export function tiltedBox(bench: Bench, shape: BoxShape): Pressing {
  let base: { a: Point; b: Point; id: string; name: string; frame: Frame } | null = null

  const frameTo = (at: At): Frame => {
    const { a, b } = base!
    const { point } = caught(bench, at, bench.targetsAtRest)
    const along = unit(subtract(b, a))
    let h = cross(along, subtract(point, a))
    const w = distance(a, b)
    if (at.shift) h = Math.sign(h || 1) * w
    return onBaseline(a, b, h)
  }
  const show = (at: At) => {
    const frame = frameTo(at),
      { id, name } = base!
    base = { ...base!, frame }
    bench.preview({ kind: 'add', objects: [freshShape(bench, shape, id, name, frame)], ...bench.top })
    bench.select([id])
    bench.hold({ figure: { at: at.p, text: `${figure(tidy(frame.w))} × ${figure(tidy(frame.h))}` }, drawn: [] })
  }
  const giveUp = () => {
    base = null
    bench.preview(null)
    bench.select([])
    bench.letGo()
  }
  /** Keeps the shape's displayed height. */
  const keep = ({ id, name }: { id: string; name: string }, frame: Frame) => {
    base = null
    bench.drop()
    if (frame.h < 1e-6) return
    bench.edit(
      { kind: 'add', objects: [freshShape(bench, shape, id, name, frame)], ...bench.top },
      `Draw ${shape.word.toLowerCase()}`,
    )
    bench.select([id])
    bench.take('select')
  }
  return {
    building() {
      const open = base
      return open && { back: giveUp, forth: null, keep: () => keep(open, open.frame) }
    },
    press(at) {
      if (base) {
        keep(base, frameTo(at))
        return null
      }
      const a = caught(bench, at, bench.targetsAtRest).point
      let b = a
      return {
        move(next) {
          const { point, marks } = next.shift
            ? { point: constrainAngle(a, next.p), marks: [] }
            : caught(bench, next, bench.targetsAtRest, a)
          b = point
          bench.hold({ marks, drawn: [{ as: 'line', points: [a, b] }], figure: { at: b, text: lineFigure(a, b) } })
        },
        release(end) {
          bench.letGo()
          if (distance(a, b) < 1e-6) return
          base = { a, b, id: newId(), name: bench.nameFor(shape.word), frame: onBaseline(a, b, 0) }
          show(end)
        },
        cancel: giveUp,
      }
    },
    hover(at) {
      if (base) show(at)
      else showCaught(bench, at)
    },
    key(key, down = true) {
      if (!base || !down || key !== 'Escape') return false
      giveUp()
      return true
    },
  }
}

/**
 * The frame with one side from a to b and a height to its right (negative: to its left), as seen along it with y
 * downwards.
 */
function onBaseline(a: Point, b: Point, h: number): Frame {
  const d = subtract(b, a),
    w = Math.hypot(d.x, d.y)
  const angle = (Math.atan2(d.y, d.x) * 180) / Math.PI
  const centre = { x: (a.x + b.x) / 2 - (d.y / w) * (h / 2), y: (a.y + b.y) / 2 + (d.x / w) * (h / 2) }
  const size = { w: tidy(w), h: tidy(Math.abs(h)) }
  const turn = tidy(angle)
  return { x: tidy(centre.x - size.w / 2), y: tidy(centre.y - size.h / 2), ...size, ...(turn !== 0 && { turn }) }
}
