// Reads files that were cut and mixed, and small ones that cost much, and says which are neither read nor refused, or take
// long: npm run fuzz:svg,
// npm run fuzz:svg -- 5000 1 (how many, from which seed)
import { readdirSync, readFileSync } from 'node:fs'
import { isFailed, readIcon } from '../../src/core/formats/import/read-icon'
import { ownTime } from '../../src/server/renderer/own-time'
import { HARD } from '../../src/testing/hard-svg'
import { hostileSvg } from '../../src/testing/hostile-svg'
import { mixedSvg } from '../../src/testing/mixed-svg'
import { random } from '../../src/testing/shapes'

const [count = 2000, first = 1] = process.argv.slice(2).map(Number)
/** The longest that one file may take, in milliseconds. */
const LONG = 1000
/** The longest that it may take to refuse a hostile file, in milliseconds of processor time. */
const HOSTILE = 2000

const folder = 'node_modules/lucide-static/icons'
const texts = [
  ...HARD.map(({ hard }) => hard),
  ...readdirSync(folder)
    .filter((name) => name.endsWith('.svg'))
    .map((name) => readFileSync(`${folder}/${name}`, 'utf8')),
]
let wrong = 0,
  refused = 0,
  longest = 0
for (let seed = first; seed < first + count; seed++) {
  const text = mixedSvg(texts, random(seed))
  const begin = performance.now()
  try {
    const read = readIcon({ path: 'x.svg', text })
    if (isFailed(read)) {
      refused++
      if (!/\.$/.test(read.sentence)) throw new Error(`no sentence: ${read.sentence}`)
    }
  } catch (error) {
    wrong++
    console.log(`seed ${seed}: ${String(error)}`)
  }
  const ms = performance.now() - begin
  longest = Math.max(longest, ms)
  if (ms > LONG) {
    wrong++
    console.log(`seed ${seed} took ${Math.round(ms)} ms`)
  }
}
for (let seed = first; seed < first + Math.ceil(count / 20); seed++)
  for (const { what, text, says } of hostileSvg(random(seed))) {
    const begin = ownTime() ?? 0
    const read = readIcon({ path: 'x.svg', text })
    const ms = (ownTime() ?? 0) - begin
    if (isFailed(read) && says.test(read.sentence) && ms < HOSTILE) continue
    wrong++
    console.log(`seed ${seed}, ${what}: ${isFailed(read) ? read.sentence : 'read'} after ${Math.round(ms)} ms`)
  }
console.log(`${count} files, ${wrong} wrong, ${refused} refused, the longest took ${Math.round(longest)} ms`)
process.exit(wrong > 0 ? 1 : 0)
