// Measures what it takes to look for snags in 500 icons, cold and again after one of them was edited, beside drawing them:
// npm run bench:checks
import { readFileSync } from 'node:fs'
import { CHECKS } from '../../src/core/checks/checks'
import { snagsIn } from '../../src/core/checks/snags'
import { wholeDrawing } from '../../src/core/drawing/evaluate/evaluate'
import { sceneOf } from '../../src/core/drawing/evaluate/evaluated-scene'
import { moveObject } from '../../src/core/drawing/objects/transform-object'
import { inkOfAll } from '../../src/core/drawing/scene/ink'
import { readSetFile } from '../../src/core/formats/set-file'
import { balanceOf } from '../../src/core/proof/balance'
import { masterFor } from '../../src/core/set/set'

const COUNT = 500

/** The demo icons again and again, each a drawing of which nothing is known yet. */
function drawings() {
  const { set } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8'))
  const { icons, rules } = set!
  const list = Array.from({ length: COUNT }, (_, i) => structuredClone(masterFor(icons[i % icons.length]!).objects))
  return { list, rules }
}

const timed = (act: () => void): number => {
  const start = performance.now()
  act()
  return performance.now() - start
}

for (const round of ['cold', 'warm']) {
  const { list, rules } = drawings()
  const scene = sceneOf(rules)
  const drawn = timed(() => list.forEach((objects) => inkOfAll(wholeDrawing(objects, scene))))
  const fresh = drawings()
  const own = sceneOf(fresh.rules)
  const checked = timed(() => fresh.list.forEach((objects) => snagsIn({ objects, scene: own, rules: fresh.rules })))
  const edited = fresh.list.slice(0, 39).map((objects) => {
    const next = objects.map((object) => moveObject(object, { x: 0.5, y: 0 }))
    return timed(() => snagsIn({ objects: next, scene: own, rules: fresh.rules }))
  })
  const seen = timed(() => fresh.list.forEach((objects) => balanceOf(objects, own, fresh.rules)))
  console.log(
    `${round}: ${COUNT} icons checked in ${checked.toFixed(0)} ms (${(checked / drawn).toFixed(2)} of drawing their ink), ` +
      `one that was edited in ${Math.max(...edited).toFixed(0)} ms at most, weighed by eye in ${seen.toFixed(0)} ms`,
  )
}

const { list, rules } = drawings()
const scene = sceneOf(rules)
list.forEach((objects) => inkOfAll(wholeDrawing(objects, scene)))
const each = CHECKS.map(({ id, find }) => ({
  id,
  ms: timed(() => list.forEach((objects) => find({ objects, scene, rules }))),
})).sort((a, b) => b.ms - a.ms)
console.log(
  `the slowest: ${each
    .slice(0, 6)
    .map(({ id, ms }) => `${id} ${ms.toFixed(0)} ms`)
    .join(', ')}`,
)
