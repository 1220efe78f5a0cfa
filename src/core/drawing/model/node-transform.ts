import { transformArc } from '../../geometry/arc'
import { applyTidy, tidy } from '../../geometry/tidy'
import type { Transform } from '../../geometry/transform'
import type { Node } from './node'

/** A node under an affine map, with its handles and the arc that leaves it. */
export function transformNode(node: Node, map: Transform): Node {
  const [a, b, c, d] = map
  const next: Node = { ...node, ...applyTidy(map, node) }
  if (a === 1 && b === 0 && c === 0 && d === 1) return next
  const linear: Transform = [a, b, c, d, 0, 0]
  if (node.in) next.in = applyTidy(linear, node.in)
  if (node.out) next.out = applyTidy(linear, node.out)
  if (node.arc) {
    const { rx, ry, turn = 0, large, sweep = false } = node.arc
    const arc = transformArc(
      {
        kind: 'arc',
        from: { x: 0, y: 0 },
        to: { x: 1, y: 0 },
        rx,
        ry,
        turn: (turn * Math.PI) / 180,
        large: false,
        sweep,
      },
      linear,
    )
    next.arc = {
      rx: tidy(arc.rx),
      ry: tidy(arc.ry),
      ...(arc.turn !== 0 && { turn: (arc.turn * 180) / Math.PI }),
      ...(large && { large }),
      ...(arc.sweep && { sweep: true as const }),
    }
  }
  return next
}
