// Measures patchworks of many circles: laying them out beside a peer that merely unites the same circles, then one
// sweep after the other, as the bench makes them: npm run bench:patchwork
import { pathData } from '../../src/core/formats/path-data'
import { ellipse as ellipsePath } from '../../src/core/geometry/path'
import { sceneOf } from '../../src/core/drawing/evaluate/evaluated-scene'
import { laidOut } from '../../src/core/drawing/kinds/patchwork/laid'
import type { Patchwork } from '../../src/core/drawing/kinds/patchwork/schema'
import { kept } from '../../src/core/drawing/kinds/patchwork/sweeping'
import { patchesNow, sweptPaths } from '../../src/core/drawing/kinds/patchwork/swept'
import type { DrawingObject } from '../../src/core/drawing/objects/object'
import { STARTERS } from '../../src/core/rules/starters'
import { paperPeer } from '../../src/testing/peers'
import { random } from '../../src/testing/shapes'

const scene = sceneOf(STARTERS[0]!.rules)
const peer = paperPeer()
const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const next = random(7)

/** Centre and radius. */
type Circle = readonly [x: number, y: number, r: number]

/** A patchwork as it is after S is pressed over circles. Each is a new one, of which nothing is known yet. */
const patchworkOf = (circles: readonly Circle[]): Patchwork => ({
  kind: 'patchwork',
  id: 'p',
  name: 'Patchwork',
  swept: [],
  members: circles.map(([x, y, r], i): DrawingObject => ({
    kind: 'ellipse',
    id: `c${i}`,
    name: `c${i}`,
    style,
    x: x - r,
    y: y - r,
    w: 2 * r,
    h: 2 * r,
  })),
})

function timed<T>(act: () => T): { ms: number; result: T } {
  const start = performance.now(),
    result = act()
  return { ms: performance.now() - start, result }
}

const ROUNDS = 5,
  SWEEPS = 8

function measure(what: string, circles: readonly Circle[]): void {
  let lay = Infinity,
    unite = Infinity,
    patches = 0
  const sweeps: number[] = []
  const paths = circles.map(([x, y, r]) => pathData([ellipsePath({ x, y }, r, r)]))
  for (let round = 0; round < ROUNDS; round++) {
    let object = patchworkOf(circles)
    const laid = timed(() => laidOut(object, scene))
    lay = Math.min(lay, laid.ms)
    unite = Math.min(unite, timed(() => peer.run({ op: 'union', paths })).ms)
    patches = laid.result.list.length
    // The first look at the patches belongs to the layout; each sweep then joins some that lie side by side.
    patchesNow(object, scene)
    for (let i = 0; i < SWEEPS; i++) {
      const { ms, result } = timed(() => {
        const swept = kept(
          object,
          scene,
          patchesNow(object, scene).slice(i * 12, i * 12 + 12),
          { id: `s${i}`, name: `s${i}`, style },
          null,
        )
        sweptPaths(swept, scene)
        patchesNow(swept, scene)
        return swept
      })
      object = result
      sweeps.push(ms)
    }
  }
  sweeps.sort((a, b) => a - b)
  const at = (share: number) => sweeps[Math.floor((sweeps.length - 1) * share)]!.toFixed(0)
  console.log(
    `${what.padEnd(26)} ${String(patches).padStart(6)} patches, laid out in ${lay.toFixed(0).padStart(4)} ms (${(lay / unite).toFixed(2)} of the peer's union), ` +
      `a sweep ${at(0.5)} ms, the slowest ${at(1)} ms`,
  )
}

const scattered = (count: number, least: number, most: number): Circle[] =>
  Array.from({ length: count }, () => {
    const r = least + next() * (most - least)
    return [r + next() * (24 - 2 * r), r + next() * (24 - 2 * r), r]
  })
const scales = (rows: number, columns: number): Circle[] =>
  Array.from({ length: rows * columns }, (_, i) => {
    const row = Math.floor(i / columns)
    return [2 + (i % columns) * 1.5 + (row % 2) * 0.75, 2 + row * 1.4, 1.5]
  })

measure('60 circles, scattered', scattered(60, 1, 4))
measure('60 circles, crammed', scattered(60, 4, 8))
measure('200 circles as scales', scales(14, 14))
measure('200 circles, scattered', scattered(200, 0.5, 2))
measure('200 circles, crammed', scattered(200, 2, 5))
