import { Crop, Crosshair } from 'lucide-react'
import type { ToolDefinition } from './tool'
import { distance, type Point } from '@/core/geometry/point'
import { frameOfReference, pixelAt, placedBy, type Reference } from '@/core/drawing/model/reference'
import { framePoint } from '@/core/drawing/model/frame'
import { pullFrame } from '@/core/drawing/edit/resize'
import { figure } from '@/ui/sum'
import type { Bench } from '../state/bench'
import { changeReference, previewReference, referenceInHand, withChange } from '../operations/references'
import { toScreen } from '../state/view'
import { editDrag, lasso } from './drags'
import { caught } from './snapping'
import type { At, Drag, Tool } from './tool'

/** Screen pixels around a corner in which a press takes it. */
const GRIP = 8

const referenceDrag = (
  bench: Bench,
  label: string,
  next: (at: At) => { edit: Reference; figure: string } | null,
): Drag =>
  editDrag(
    bench,
    (at) => {
      const step = next(at)
      return step && { edit: step.edit, held: { figure: { at: at.p, text: step.figure } } }
    },
    {
      show: (reference) => previewReference(bench, reference),
      put: (reference) => changeReference(bench, reference, {}, label),
    },
  )

/** A drag of the reference in hand: its corners size it, the rest moves it; null where there is none to drag. */
export function pullReference(bench: Bench, at: At): Drag | null {
  const reference = bench.store.getState().panel === 'references' ? referenceInHand(bench) : null
  const { view } = bench.store.getState()
  if (!reference || reference.locked || reference.hidden || !view) return null
  const frame = frameOfReference(reference)
  const corner = [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
    { x: 0, y: 1 },
    { x: 1, y: 1 },
  ].find((handle) => distance(toScreen(view, framePoint(frame, handle)), at.screen) <= GRIP)
  if (corner) {
    return referenceDrag(bench, `Size the reference ${reference.name}`, (next) => {
      const to = caught(bench, next, bench.targetsAtRest).point
      const { x, y, w, h } = pullFrame(frame, corner, to, { proportional: !next.shift, centred: next.alt })
      return w > 0 && h > 0
        ? { edit: withChange(reference, { x, y, w, h }), figure: `${figure(w)} × ${figure(h)}` }
        : null
    })
  }
  const pixel = pixelAt(reference, at.p)
  if (pixel.x < 0 || pixel.y < 0 || pixel.x > reference.size.w || pixel.y > reference.size.h) return null
  return referenceDrag(bench, `Move the reference ${reference.name}`, (next) => {
    const by = { x: next.p.x - at.p.x, y: next.p.y - at.p.y }
    return {
      edit: withChange(reference, { x: reference.x + by.x, y: reference.y + by.y }),
      figure: `${figure(Number(by.x.toFixed(3)))}, ${figure(Number(by.y.toFixed(3)))}`,
    }
  })
}

const STEPS = [
  'Press a place in the picture',
  'Press where that place belongs',
  'Press a second place in the picture',
  'Press where that one belongs',
]

/** Places the reference in hand by two of its points: each is pressed in the picture, then where it belongs. */
function placeTool(bench: Bench): Tool {
  let places: Point[] = []
  const show = () =>
    bench.hold({
      marks: places.map((at, i) => ({
        kind: 'point',
        at,
        label: i % 2 ? `goes here ${(i + 1) / 2}` : `place ${i / 2 + 1}`,
      })),
    })
  return {
    cursor: 'crosshair',
    hint: 'Two places of the picture, each pressed there and then where it belongs · Escape: begin again',
    hover: (at) => bench.hold({ intent: { at: at.p, word: STEPS[places.length]! } }),
    press(at) {
      const reference = referenceInHand(bench)
      if (!reference) return null
      // A place of the picture is where the pointer is; where it belongs snaps.
      places = [...places, places.length % 2 ? caught(bench, at, bench.targetsAtRest).point : at.p]
      show()
      if (places.length === 4) {
        const [p, a, q, b] = places as [Point, Point, Point, Point]
        places = []
        changeReference(bench, placedBy(reference, [p, q], [a, b]), {}, `Place the reference ${reference.name}`)
        bench.take('select')
      }
      return null
    },
    key(key, down = true) {
      if (!down || key !== 'Escape' || places.length === 0) return false
      places = []
      bench.letGo()
      return true
    },
  }
}

/** Crops the reference in hand to a box drawn on it; a press without a drag shows all of it again. */
function cropTool(bench: Bench): Tool {
  return {
    cursor: 'crosshair',
    hint: 'Drag over the part of the reference to show · a click shows all of it again',
    press(start) {
      const reference = referenceInHand(bench)
      if (!reference) return null
      let crop: Reference['crop']
      const drag = lasso(bench, start, {
        choose(box) {
          const corners = [
            [0, 0],
            [1, 0],
            [1, 1],
            [0, 1],
          ].map(([x, y]) => pixelAt(reference, { x: box.x + x! * box.w, y: box.y + y! * box.h }))
          const within = (values: number[], most: number): [number, number] => [
            Math.max(0, Math.min(...values)),
            Math.min(most, Math.max(...values)),
          ]
          const [x0, x1] = within(
              corners.map(({ x }) => x),
              reference.size.w,
            ),
            [y0, y1] = within(
              corners.map(({ y }) => y),
              reference.size.h,
            )
          crop =
            x1 - x0 >= 1 && y1 - y0 >= 1
              ? { x: Math.round(x0), y: Math.round(y0), w: Math.round(x1 - x0), h: Math.round(y1 - y0) }
              : undefined
        },
        click: () => undefined,
        restore: () => undefined,
      })
      return {
        ...drag,
        release(at) {
          drag.release(at)
          changeReference(bench, reference, { crop }, `Crop the reference ${reference.name}`)
          if (crop) bench.take('select')
        },
      }
    },
  }
}

export const placeByPoints: ToolDefinition = {
  id: 'place',
  name: 'Place a reference',
  picture: Crosshair,
  make: placeTool,
}
export const crop: ToolDefinition = { id: 'crop', name: 'Crop a reference', picture: Crop, make: cropTool }
