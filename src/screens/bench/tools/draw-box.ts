import { LAY } from './laying'
import { type Box, boxAbout, boxBetween } from '@/core/geometry/box'
import type { Point } from '@/core/geometry/point'
import { frameOf } from '@/core/drawing/evaluate/extent'
import { framePoint } from '@/core/drawing/model/frame'
import { toFrame } from '@/core/drawing/edit/numbers'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { touchBySizing } from '@/core/snap/snap-circle'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import { figure } from '@/ui/sum'
import type { Bench } from '../state/bench'
import { type BoxShape, freshShape } from './boxes/box-shape'
import { caught, showCaught, withSizes } from './snapping'
import { threePlaces } from './three-places'
import { tiltedBox } from './tilted-box'
import type { At, Drag, Tool } from './tool'

/**
 * Draws a shape from corner to corner; Shift makes the sides equal, Alt draws from the centre. With a size typed, a
 * click places it. Rectangles and ellipses can be drawn tilted as well, circles through or touching three places.
 */
export function drawBoxTool(bench: Bench, shape: BoxShape): Tool {
  const tilted = tiltedBox(bench, shape),
    three = threePlaces(bench)
  const way = () => {
    const layBy = bench.read(LAY).layBy[shape.word] ?? 'corners'
    if (layBy === 'corners' || !shape.ways?.includes(layBy)) return null
    return layBy === 'three' ? three : tilted
  }
  return {
    cursor: 'crosshair',
    get hint() {
      const other = way()
      if (other === three)
        return 'Three presses: on a point the circle goes through it, on an edge it touches it · Esc: start over'
      if (other === tilted) return 'Drag the baseline, then press where the height ends · Shift: as high as wide'
      return `Drag from corner to corner · Shift: ${shape.even ?? 'equal sides'} · Alt: from the centre${shape.counts ? ' · up, down: sides' : ''} · [KeyX]: no snapping`
    },
    hover(at) {
      const other = way()
      if (other) other.hover?.(at)
      else showCaught(bench, at)
    },
    building: () => way()?.building?.() ?? null,
    press: (at) => (way() ?? { press: (from: At) => fromCorner(bench, shape, from) }).press(at),
    key(key, down = true) {
      if (way()?.key?.(key, down)) return true
      if (!shape.counts || !down || (key !== 'ArrowUp' && key !== 'ArrowDown')) return false
      const sides = bench.read(LAY).sides + (key === 'ArrowUp' ? 1 : -1)
      bench.put(LAY, { sides: Math.max(3, Math.min(120, sides)) })
      return true
    },
  }
}

function fromCorner(bench: Bench, shape: BoxShape, at: At): Drag {
  const targets = bench.targetsAtRest
  const from = caught(bench, at, targets).point
  const sized = withSizes(targets, from)
  const id = newId(),
    name = bench.nameFor(shape.word)
  let box: Box | null = null
  const add = (size: Box) => ({
    kind: 'add' as const,
    objects: [freshShape(bench, shape, id, name, size)] as DrawingObject[],
    ...bench.top,
  })
  return {
    move(next: At) {
      const { point, marks } = caught(bench, next, sized)
      box = inRoom(bench, shape, drawnBox(from, point, next))
      const touching =
        shape.ways?.includes('three') && next.shift && next.alt && !next.free
          ? touchBySizing({ centre: from, r: box.w / 2 }, targets, bench.reach)
          : null
      if (touching) box = boxAbout(from, 2 * touching.circle.r, 2 * touching.circle.r)
      const edit = add(box),
        drawn = frameOf(edit.objects[0]!, bench.scene)
      bench.preview(edit)
      bench.select([id])
      bench.hold({
        marks: touching?.marks ?? marks,
        figure: { at: framePoint(drawn, { x: 0.5, y: 1 }), text: `${figure(drawn.w)} × ${figure(drawn.h)}` },
      })
    },
    release(end: At) {
      bench.letGo()
      const { laySize } = bench.read(LAY)
      const isClick = !box || box.w === 0 || box.h === 0
      const isTyped = isClick && laySize !== null
      if (isTyped) box = end.alt ? boxAbout(from, laySize.w, laySize.h) : { ...from, ...laySize }
      if (!box || box.w === 0 || box.h === 0) {
        bench.preview(null)
        bench.select([])
        if (box && box.w !== box.h)
          say({ text: `${shape.word} of no ${box.w === 0 ? 'width' : 'height'}: nothing to draw. Drag aslant.` })
        return
      }
      // A typed size replaces the drawn size.
      const drawn = add(box)
      const edit = isTyped ? { ...drawn, objects: [toFrame(drawn.objects[0]!, box, bench.scene)] } : drawn
      bench.edit(edit, `Draw ${shape.word.toLowerCase()}`)
      bench.select([id])
      bench.take('select')
    },
    cancel() {
      bench.preview(null)
      bench.select([])
      bench.letGo()
    },
  }
}

/** A box without height gets that of the shape, about the line that was drawn, where the shape has one. */
function inRoom(bench: Bench, { slim }: BoxShape, box: Box): Box {
  if (slim === undefined || box.h > 0 || box.w === 0) return box
  const { weights } = bench.rules
  const h = Math.min(slim * weights[0]!.value, box.w)
  return { ...box, y: box.y - h / 2, h }
}

function drawnBox(from: Point, to: Point, { shift, alt }: At): Box {
  let dx = to.x - from.x,
    dy = to.y - from.y
  if (shift) {
    const side = Math.max(Math.abs(dx), Math.abs(dy))
    dx = Math.sign(dx || 1) * side
    dy = Math.sign(dy || 1) * side
  }
  const end = { x: from.x + dx, y: from.y + dy }
  return boxBetween(alt ? { x: from.x - dx, y: from.y - dy } : from, end)
}
