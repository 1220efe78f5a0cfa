import { laidNodes, withLaidNodes } from '../../drawing/objects/laid-nodes'
import type { DrawingObject } from '../../drawing/objects/object'
import { distance, type Point } from '../../geometry/point'
import type { Check } from '../check'
import { isNearly } from '../look/circles'
import { replacing, said, seenIn } from '../look/seen'

/** An open end, and the object with that end elsewhere. */
type End = { readonly at: Point; readonly moved: (to: Point) => DrawingObject }

function endsOf(object: DrawingObject): End[] {
  const runs = laidNodes(object)
  return runs.flatMap(({ closed, nodes }, contour) =>
    closed
      ? []
      : [0, nodes.length - 1].map((at) => ({
          at: nodes[at]!,
          moved: ({ x, y }: Point) =>
            withLaidNodes(
              object,
              runs.map((run, i) =>
                i === contour ? { ...run, nodes: run.nodes.map((one, k) => (k === at ? { ...one, x, y } : one)) } : run,
              ),
            ),
        })),
  )
}

/** Open ends that nearly meet a node of another object. */
export const endsOff: Check = {
  id: 'ends-off',
  concerns: 'slips',
  word: 'ends that nearly meet a node',
  severity: 'warning',
  find({ objects, rules }) {
    const unit = rules.grid.size / 24
    const all = seenIn(objects).map((one) => ({
      one,
      ends: endsOf(one.object),
      nodes: laidNodes(one.object).flatMap(({ nodes }) => nodes),
    }))
    const known = new Set<string>()
    return all.flatMap(({ one, ends }, i) =>
      ends.flatMap(({ at, moved }) => {
        const others = all.filter((_, k) => k !== i)
        // An end exactly on a node of another object is intended.
        if (others.some(({ nodes }) => nodes.some((node) => distance(node, at) === 0))) return []
        for (const other of others) {
          const node = other.nodes.find((near) => isNearly(distance(near, at), unit))
          if (!node) continue
          const key = [one.object.id, other.one.object.id].sort().join(' ')
          if (known.has(key)) return []
          known.add(key)
          return [
            {
              sentence: `An end of “${one.object.name}” is ${said(distance(node, at))} off a node of “${other.one.object.name}”.`,
              objects: [one.object.id, other.one.object.id],
              spot: { at: { x: at.x, y: at.y } },
              ...replacing(one, moved({ x: node.x, y: node.y })),
            },
          ]
        }
        return []
      }),
    )
  },
}
