// Measures how long snapping takes to answer in a square of 200 objects, everything switched on: npm run bench:snap
import type { DrawingObject } from '../../src/core/drawing/objects/object'
import { STARTERS } from '../../src/core/rules/starters'
import { snapBox, snapPoint } from '../../src/core/snap/snap'
import { touchByMoving } from '../../src/core/snap/snap-circle'
import { SNAPS, snapTargets } from '../../src/core/snap/targets'
import { random } from '../../src/testing/shapes'

const rules = STARTERS[0]!.rules
const on = { ...SNAPS, edges: true }
const next = random(3)
const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const objects = Array.from({ length: 200 }, (_, i): DrawingObject => {
  const common = { id: `o${i}`, name: `o${i}`, style },
    x = next() * 20,
    y = next() * 20
  if (i % 4 === 0) return { kind: 'rectangle', ...common, x, y, w: 1 + next() * 4, h: 1 + next() * 4, corner: 'outer' }
  if (i % 4 === 1) return { kind: 'ellipse', ...common, x, y, w: 3, h: 3 }
  if (i % 4 === 2) return { kind: 'line', ...common, from: { x, y }, to: { x: next() * 24, y: next() * 24 } }
  return {
    kind: 'path',
    ...common,
    corner: 0,
    contours: [
      {
        closed: false,
        nodes: [
          { x, y, out: { x: next() * 4, y: next() * 4 } },
          { x: next() * 24, y: next() * 24, in: { x: -next() * 4, y: 2 } },
        ],
      },
    ],
  }
})

function measured(what: string, act: (x: number, y: number) => void): void {
  const times = Array.from({ length: 2000 }, () => {
    const x = next() * 24,
      y = next() * 24,
      start = performance.now()
    act(x, y)
    return performance.now() - start
  }).sort((a, b) => a - b)
  console.log(`${what.padEnd(34)} median ${times[1000]!.toFixed(2)} ms, 95th percentile ${times[1900]!.toFixed(2)} ms`)
}

const start = performance.now()
const targets = snapTargets(rules, objects, on)
console.log(
  `targets of 200 objects, once for a drag: ${(performance.now() - start).toFixed(1)} ms (${targets.points.length} places, ${targets.curves.length} curves)`,
)
measured('a place, a line under way from another', (x, y) => snapPoint({ x, y }, targets, 0.33, { x: 1, y: 1 }))
measured('a box that is moved', (x, y) => snapBox({ x, y, w: 3, h: 2 }, targets, 0.33))
measured('a circle that is moved', (x, y) => touchByMoving({ centre: { x, y }, r: 1.5 }, targets, 0.33))
