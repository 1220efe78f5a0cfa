// Compares our stroke outlines with the rasteriser's own stroking over real line icons: npm run bench:strokes --
// [COUNT] [CAP] [JOIN]
import type { Stroke } from '../../src/core/outline/line-style'
import { compareStrokes } from '../../src/testing/strokes'

const [count = '1000', cap = 'round', join = 'round'] = process.argv.slice(2)
const { mean, worst, ms, segments, failed } = compareStrokes(Number(count), {
  cap: cap as Stroke['cap'],
  join: join as Stroke['join'],
  miterLimit: 4,
})
console.log(
  `mean difference ${(100 * mean).toFixed(3)} % of ink, ${ms.toFixed(0)} ms, ${segments} segments, ${failed.length} failed`,
)
for (const one of [...failed.slice(0, 5), ...worst.map((w) => `${w.name} ${(100 * w.difference).toFixed(3)} %`)])
  console.log(`  ${one}`)
