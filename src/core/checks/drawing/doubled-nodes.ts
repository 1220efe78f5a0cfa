import type { NodeRun } from '../../drawing/model/node'
import { distance } from '../../geometry/point'
import type { Check } from '../check'
import { type PathObject, after, eachNode, inPaths, many, without } from '../look/paths'
import { isStraight } from '../look/straights'
import { SAME } from '../look/tolerance'

const isDoubled = (run: NodeRun, at: number, unit: number): boolean => {
  const next = after(run, at)
  return (
    !!next && run.nodes.length > 2 && isStraight(run.nodes[at]!, next) && distance(run.nodes[at]!, next) < SAME * unit
  )
}

/** Two nodes at one place. */
export const doubledNodes: Check = {
  id: 'doubled-nodes',
  concerns: 'litter',
  word: 'doubled nodes',
  severity: 'warning',
  find: (checked) =>
    inPaths(
      checked,
      (path, unit) => eachNode(path, (run, at) => isDoubled(run, at, unit)),
      // The later of the two stays, with the handle that enters the earlier.
      (path, faults) => {
        const handed: PathObject = {
          ...path,
          contours: path.contours.map((run, contour) => ({
            ...run,
            nodes: run.nodes.map((node, i) => {
              const k = i === 0 ? run.nodes.length - 1 : i - 1
              const last = run.nodes[k]!
              return faults.some((at) => at.contour === contour && at.node === k) && last.in
                ? { ...node, in: last.in }
                : node
            }),
          })),
        }
        return without(handed, faults)
      },
      (name, count) => `“${name}” has ${many(count, 'two nodes at one place', 'places with two nodes each')}.`,
    ),
}
