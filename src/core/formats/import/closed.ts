import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { refusalIn } from '../../drawing/evaluate/evaluate'
import { nodesOf } from '../../drawing/model/nodes'
import type { NodeRun } from '../../drawing/model/node'
import type { DrawingObject } from '../../drawing/objects/object'
import type { Join, Style } from '../../drawing/model/style'
import type { Contour } from '../../geometry/path'
import { distance } from '../../geometry/point'
import { line, type Segment } from '../../geometry/segment'
import { isSameOutline } from '../../outline/same-outline'
import { STARTERS } from '../../rules/starters'
import { unbroken } from './unbroken'

/** A closed contour; `join` is the join of its first node, left out if the style has the same. */
export type Closed = { readonly contour: Contour; readonly join?: Join }

const scene = sceneOf(STARTERS[0]!.rules)

/**
 * Closes a contour that returns to its start within a tolerance in units, so that shapes are recognised however they
 * were written. A fill is closed in any case. A stroke is closed with the join of its style, else with the first join
 * that paints the same area, compared by outlines; it stays open if none does, or if it is dashed.
 */
export function closed(contour: Contour, style: Style, within: number): Closed {
  if (contour.closed || !returns(contour.segments, within)) return { contour }
  const whole: Contour = { segments: toStart(contour.segments), closed: true }
  if (style.stroke === 'none') return { contour: whole }
  if (style.dash) return { contour }
  const joins = [...new Set<Join>([style.join ?? 'miter', 'round', 'miter', 'bevel'])]
  const open = inkOf(nodesOf(contour), style)
  const join = joins.find((one) => {
    const { nodes } = nodesOf(whole)
    const drawn = inkOf(
      { nodes: nodes.map((node, i) => (i === 0 ? { ...node, join: one } : node)), closed: true },
      style,
    )
    return open && drawn && isSameOutline(drawn, open, within)
  })
  if (!join) return { contour }
  return join === joins[0] ? { contour: whole } : { contour: whole, join }
}

/** Whether segments end where they begin and enclose something. */
function returns(segments: readonly Segment[], within: number): boolean {
  const [first] = segments,
    last = segments.at(-1)
  if (!first || !last || distance(first.from, last.to) > within) return false
  return segments.length > 2 || segments.some(({ kind }) => kind !== 'line')
}

/** Segments whose last one ends exactly at the start. */
function toStart(segments: readonly Segment[]): Segment[] {
  const { from } = segments[0]!,
    last = segments.at(-1)!
  if (last.to.x === from.x && last.to.y === from.y) return [...segments]
  const moved = last.kind === 'line' ? line(last.from, from) : { ...last, to: from }
  return [...segments.slice(0, -1), moved]
}

/** The area that the stroke of a run of nodes paints; null where it cannot be drawn. */
function inkOf(run: NodeRun, style: Style) {
  const { dash: _, fills: __, ...stroked } = { ...style, fill: 'none' as const }
  const object = { kind: 'path', id: 'x', name: 'x', corner: 0, contours: [run], style: stroked } as DrawingObject
  return unbroken(() => (refusalIn(object, scene) ? null : scene.ink(object)), null)
}
