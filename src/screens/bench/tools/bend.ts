import { Spline } from 'lucide-react'
import { distance, type Point } from '@/core/geometry/point'
import { freehandRun } from '@/core/drawing/kinds/bend/trace'
import type { DrawingEdit } from '@/core/drawing/edit/edit'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import type { Bench } from '../state/bench'
import { gather } from '../operations/gather'
import { BendSettings } from './bend-settings'
import { FREEHAND } from './freehand/gesture'
import type { Tool, ToolDefinition } from './tool'

/** Draws a stroke along which the selection is bent, shown while it is drawn; a bend takes further strokes. */
function bending(bench: Bench): Tool {
  return {
    cursor: 'crosshair',
    hint: 'Draw a stroke: the selection is bent along it · another stroke bends it again',
    press(at) {
      const open = bench.one('bend'),
        objects = bench.free
      if (objects.length === 0) {
        say({ text: 'Select the objects to bend first.' })
        return null
      }
      const points: Point[] = [at.p]
      const { smoothness } = bench.read(FREEHAND)
      const box = bench.extent(objects)!
      const base = open?.base ?? {
        from: { x: box.x, y: box.y + box.h / 2 },
        to: { x: box.x + box.w, y: box.y + box.h / 2 },
      }
      const strokeNow = () => {
        const trace = { points: points.map(short), smoothness }
        const run = points.length > 1 ? freehandRun(trace) : null
        return run && { run, trace }
      }
      const id = newId()
      const bent = (stroke: NonNullable<ReturnType<typeof strokeNow>>): DrawingEdit =>
        open
          ? { kind: 'replace', objects: [{ ...open, strokes: [...open.strokes, stroke] }] }
          : {
              kind: 'gather',
              ids: objects.map((object) => object.id),
              container: { kind: 'bend', id, name: 'Bend', base, strokes: [stroke], width: 1 },
            }
      return {
        move(next) {
          for (const p of next.since ?? [next.p]) if (distance(points.at(-1)!, p) >= bench.reach / 8) points.push(p)
          const stroke = strokeNow()
          bench.hold({ drawn: [{ as: 'line', points: [...points] }] })
          if (stroke) bench.preview(bent(stroke))
        },
        release() {
          bench.drop()
          const stroke = strokeNow()
          if (!stroke) return
          if (open) bench.edit(bent(stroke), `Bend ${open.name} along another stroke`)
          else gather(bench, objects, 'Bend', { kind: 'bend', base, strokes: [stroke], width: 1 })
        },
        cancel: () => bench.drop(),
      }
    },
  }
}

const short = ({ x, y }: Point): Point => ({ x: Math.round(x * 1e4) / 1e4, y: Math.round(y * 1e4) / 1e4 })

export const bendAlong: ToolDefinition = {
  id: 'bend',
  name: 'Bend',
  cluster: 'Combine',
  key: 'KeyZ',
  picture: Spline,
  isSeldom: true,
  make: bending,
  needs: (bench) => (bench.free.length > 0 ? null : 'Select the objects to bend first.'),
  Settings: BendSettings,
}
