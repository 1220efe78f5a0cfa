import { SquareRoundCorner } from 'lucide-react'
import type { ToolDefinition } from './tool'
import { distance, type Point } from '@/core/geometry/point'
import { radiusOf } from '@/core/drawing/model/values'
import { pulledRadius } from '@/core/drawing/scene/grip'
import { changeNodes, type NodeAt, nodeAt } from '@/core/drawing/edit/node-edit'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import type { Radius } from '@/core/drawing/model/style'
import type { ResultCorner } from '@/core/drawing/scene/result-corners'
import { freshCorner } from '@/core/drawing/edit/fresh'
import type { Rounding } from '@/core/drawing/objects/object'
import { figure } from '@/ui/sum'
import type { Bench } from '../state/bench'
import {
  finishedOf,
  resultCornerAt,
  resultCorners,
  roundingInHand,
  withPicked,
  withResultRadius,
} from './result-corners'
import { allNodes, editedPath, putPath } from '../operations/node-selection'
import { sliceInHand } from '../state/slice'
import { toScreen } from '../state/view'
import { afterRelease, editDrag, pathDrag, travelled } from './drags'
import type { At, Drag, Tool } from './tool'
import { pickAt, pickWithin } from './under'

/** Screen pixels around a corner in which a press takes it. */
const GRIP = 14

/** Rounds corners by dragging inwards from them: one, or all of the object with Shift. A press elsewhere selects. */
function cornerTool(bench: Bench): Tool {
  return {
    cursor: 'default',
    hint: 'Drag inwards from a corner · Shift: all corners · of an assembly: click picks corners, drag rounds all picked',
    marks() {
      const object = roundingInHand(bench)
      if (!object) return []
      const all = resultCorners(bench, object),
        finished = finishedOf(object, all)
      return all.map((corner) => ({ as: 'corner', at: corner.at, filled: finished.has(corner) }))
    },
    hover(at) {
      const object = roundingInHand(bench)
      if (object) return hoverResult(bench, object, at)
      const found = cornerAt(bench, at)
      bench.hold({
        intent: found ? { at: at.p, word: 'corner' } : null,
        marks: found
          ? [
              {
                kind: 'point',
                at: found.at,
                label: radiusText(bench, nodeAt(found.path, found.place)!.corner ?? found.path.corner),
              },
            ]
          : [],
      })
    },
    removal: () => removalOfCorners(bench),
    press(at) {
      bench.put(CORNER, { place: null })
      const object = roundingInHand(bench)
      const all = object && resultCorners(bench, object),
        corner = all && resultCornerAt(bench, all, at)
      if (object && corner) return pullResult(bench, object, all, corner, at)
      const found = cornerAt(bench, at)
      if (found)
        return afterRelease(pull(bench, found.path, found.place), () => bench.put(CORNER, { place: found.place }))
      const other = object ? pickAt(bench, at) : pickWithin(bench, at)
      bench.select(other ? [other.id] : [])
      return null
    },
  }
}

/** The corner of a path that was pulled last. */
const CORNER = sliceInHand('corner', { place: null as NodeAt | null })

/** Resets the corner in hand, or all finished corners of a combination. */
function removalOfCorners(bench: Bench): (() => void) | null {
  const object = roundingInHand(bench)
  if (object) {
    if (!object.corners) return null
    const { corners: _, ...plain } = object
    return () => bench.edit({ kind: 'replace', objects: [plain] }, `Leave the corners of ${object.name}`)
  }
  const path = editedPath(bench),
    { place } = bench.read(CORNER)
  if (!path || !place || nodeAt(path, place)?.corner === undefined) return null
  return () =>
    putPath(
      bench,
      changeNodes(path, [place], ({ corner: _, ...node }) => node),
      `Leave a corner of ${path.name}`,
    )
}

/** The corner of the selected object under the pointer. */
function cornerAt(bench: Bench, at: At): { path: PathObject; place: NodeAt; at: Point } | null {
  const path = editedPath(bench),
    { view } = bench.store.getState()
  if (!path || !view) return null
  let best: { path: PathObject; place: NodeAt; at: Point } | null = null,
    least = GRIP
  path.contours.forEach(({ nodes, closed }, contour) =>
    nodes.forEach((node, n) => {
      const away = distance(toScreen(view, node), at.screen)
      const isEnd = !closed && (n === 0 || n === nodes.length - 1)
      if (isEnd || away > least) return
      least = away
      best = { path, place: { contour, node: n }, at: { x: node.x, y: node.y } }
    }),
  )
  return best
}

function hoverResult(bench: Bench, object: Rounding, at: At): void {
  const all = resultCorners(bench, object),
    corner = resultCornerAt(bench, all, at)
  const radius = object.corners?.radius ?? 0
  bench.hold({
    intent: corner ? { at: at.p, word: corner.inner ? 'inner corner' : 'corner' } : null,
    marks:
      corner && finishedOf(object, all).has(corner)
        ? [{ kind: 'point', at: corner.at, label: radiusText(bench, radius) }]
        : [],
  })
}

/** A click picks a corner of a combination, or no longer; a drag gives all that are finished their radius. */
function pullResult(
  bench: Bench,
  object: Rounding,
  corners: readonly ResultCorner[],
  corner: ResultCorner,
  start: At,
): Drag {
  const on = finishedOf(object, corners).has(corner)
  const drawn = on ? object : withPicked(object, corners, corner, true)
  return editDrag<Rounding>(
    bench,
    (at) => {
      if (!travelled(start, at)) return null
      const raw = distance(at.p, corner.at),
        { step } = bench.rules.grid
      const named = bench.rules.radii.find(({ value }) => Math.abs(value - raw) <= step / 2)
      const radius = at.free ? raw : (named?.name ?? Math.round(raw / step) * step)
      return {
        edit: withResultRadius(at.shift && !on ? object : drawn, radius),
        held: { marks: [], intent: null, figure: { at: at.p, text: `radius ${radiusText(bench, radius)}` } },
      }
    },
    {
      show: (next) => bench.preview({ kind: 'replace', objects: [next] }),
      put: (next) => bench.edit({ kind: 'replace', objects: [next] }, `Round corners of ${object.name}`),
      click() {
        const radius = object.corners?.radius || freshCorner(bench.rules)
        const next = withResultRadius(withPicked(object, corners, corner, !on), radius)
        bench.edit({ kind: 'replace', objects: [next] }, `${on ? 'Leave' : 'Pick'} a corner of ${object.name}`)
      },
    },
  )
}

const radiusText = (bench: Bench, radius: Radius): string =>
  typeof radius === 'string' ? `${radius} ${figure(radiusOf(radius, bench.rules))}` : figure(radius)

function pull(bench: Bench, path: PathObject, place: NodeAt): Drag {
  const { nodes } = path.contours[place.contour]!
  return pathDrag(bench, `Round a corner of ${path.name}`, (at) => {
    const corner = pulledRadius(nodes, place.node, at.p, bench.scene, { step: at.free ? null : bench.rules.grid.step })
    const places = at.shift ? allNodes(path) : [place]
    return {
      edit: changeNodes(path, places, (node) => ({ ...node, corner })),
      held: { marks: [], intent: null, figure: { at: at.p, text: `radius ${radiusText(bench, corner)}` } },
    }
  })
}

export const corner: ToolDefinition = {
  id: 'corner',
  name: 'Corner',
  cluster: 'Shape',
  key: 'KeyE',
  picture: SquareRoundCorner,
  make: cornerTool,
}
