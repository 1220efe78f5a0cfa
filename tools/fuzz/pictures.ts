// Draws drawings with odd numbers and rasterises them at several sizes, looking for what is not finite, breaks the
// rasteriser or takes too long: npm run fuzz:pictures -- COUNT SEED
import { pictureIn } from '../../src/core/picture/stored'
import { svgOfPicture } from '../../src/core/picture/svg'
import fc from 'fast-check'
import { wildObject } from '../../src/testing/wild'
import { drawnIcon } from '../../src/core/picture/drawn'
import { bringClock } from '../../src/core/geometry/deadline'
import { STARTERS } from '../../src/core/rules/starters'
import { SAMPLE_RULES } from '../../src/testing/sample-rules'
import { pixelsOf } from '../../src/testing/rasterise'

const [count = 1000, seed = 1] = process.argv.slice(2).map(Number)
const LIMIT = 4000,
  SIZES = [1, 16, 24, 96]
bringClock(() => {
  const end = performance.now() + LIMIT
  return () => performance.now() > end
})
const books = STARTERS.map(({ rules }) => ({ ...rules, parts: SAMPLE_RULES.parts }))
let drawn = 0,
  refused = 0,
  failed = 0,
  slowest = 0
const drawings = fc.sample(fc.array(wildObject, { minLength: 1, maxLength: 3 }), { numRuns: count, seed })
for (const [i, objects] of drawings.entries()) {
  const book = books[i % books.length]!,
    rules = i % 3 === 0 ? { ...book, strokes: 'outlined' as const } : book
  const start = performance.now()
  const fail = (why: string) => {
    failed++
    console.log(`case ${i}: ${why}\n  ${JSON.stringify(objects)}`)
  }
  try {
    const { picture, problem } = drawnIcon(
      { id: 'wild', name: 'wild', masters: [{ base: rules.grid.size, objects }] },
      rules,
    )
    if (picture) {
      drawn++
      const svg = svgOfPicture(pictureIn(picture))
      if (/NaN|Infinity|undefined|null/.test(svg)) fail('a number is not finite')
      for (const size of SIZES) pixelsOf(svg, size)
    } else {
      refused++
      if (!/[.]$/.test(problem!)) fail(`no sentence: ${problem}`)
    }
  } catch (error) {
    fail(String(error))
    // A rasteriser that broke is of no more use.
    if (error instanceof WebAssembly.RuntimeError) break
  }
  const took = performance.now() - start
  slowest = Math.max(slowest, took)
  if (took > LIMIT + 2000) fail(`it took ${Math.round(took)} ms`)
}
console.log(
  `${drawn} drawn, ${refused} refused in a sentence, ${failed} failed of ${count} from seed ${seed}; the slowest took ${Math.round(slowest)} ms`,
)
process.exitCode = failed > 0 ? 1 : 0
