// Masters of other people's icons as an eye sees them, with why fits gave way: npm run bench:eye [-- FOLDER … [--sizes 16,20] [--sheet OUT.png [--every]]]
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { basename, dirname, join } from 'node:path'
import { gatheredSet } from '../../src/core/formats/import/gather'
import { isFailed, readIcon } from '../../src/core/formats/import/read-icon'
import { iconSvg } from '../../src/core/picture/drawn'
import { scaled } from '../../src/core/rules/fit/brought'
import { fitted } from '../../src/core/rules/fit/fit'
import { rulesForGrid } from '../../src/core/rules/rules-for-grid'
import type { Rules } from '../../src/core/rules/rules'
import { type Icon, masterFor } from '../../src/core/set/set'
import { inkOf } from '../../src/testing/eye/ink'
import { seenIn } from '../../src/testing/eye/seen'
import { type Cell, sheetOf } from '../../src/testing/eye/sheet'

/** How many icons of a folder are looked at; `COUNT` says another number. */
const COUNT = Number(process.env['COUNT'] ?? 80)

const option = (name: string): string | undefined => {
  const at = process.argv.indexOf(name)
  return at < 0 ? undefined : process.argv[at + 1]
}
const options = new Set(['--sizes', '--sheet'])
const named = process.argv
  .slice(2)
  .filter((word, i, all) => word !== '--every' && !options.has(word) && !options.has(all[i - 1] ?? ''))
const folders =
  named.length > 0
    ? named
    : [join(dirname(createRequire(import.meta.url).resolve('lucide-static/package.json')), 'icons')]

/** Every so many-th file of a folder, read into a set under the rules that are proposed for it. */
function setOf(folder: string) {
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.svg'))
    .sort()
  const every = Math.max(1, Math.floor(files.length / COUNT))
  const read = files
    .filter((_, i) => i % every === 0)
    .slice(0, COUNT)
    .map((file) => readIcon({ path: file, text: readFileSync(join(folder, file), 'utf8') }, 'live'))
    .filter((one) => !isFailed(one))
  return gatheredSet(read, { name: basename(folder), left: new Set(), parts: false })!.set
}

/** How often each word comes, the most frequent first. */
function countsOf(words: readonly string[]): string {
  const counts = new Map<string, number>()
  for (const word of words) counts.set(word, (counts.get(word) ?? 0) + 1)
  return [...counts]
    .sort((a, b) => b[1] - a[1])
    .map(([word, count]) => `${word} ${count}`)
    .join(', ')
}

const cells: Cell[] = []

function row(name: string, icons: readonly Icon[], rules: Rules, size: number): number {
  const book = rulesForGrid({ ...rules, masters: [{ base: size }] }, size)
  const bad: string[] = [],
    back: string[] = [],
    reasons: string[] = [],
    why: string[] = []
  let crisp = 0,
    withEdges = 0,
    ms = 0,
    slowest = 0
  for (const icon of icons) {
    const { objects } = masterFor(icon)
    const start = performance.now()
    const result = fitted(objects, rules, book)
    const took = performance.now() - start
    ms += took
    slowest = Math.max(slowest, took)
    reasons.push(...new Set(result.gaveWay))
    if (!result.isFitted) back.push(`${icon.name} (${countsOf(result.gaveWay)})`)
    const drawn = iconSvg({ masters: masters(size, result.objects) }, book, 'light', size)
    const source = iconSvg({ masters: masters(rules.grid.size, objects) }, rules, 'light')
    const plain = inkOf(source, size),
      now = inkOf(drawn, size)
    const { seen, crisp: share } = seenIn(plain, now)
    if (share !== null) {
      crisp += share
      withEdges++
    }
    if (seen.length === 0 && !process.argv.includes('--every')) continue
    if (seen.length === 0) {
      cells.push({ name: `${icon.name} ${size}`, source, plain, fitted: now })
      continue
    }
    bad.push(icon.name)
    why.push(...seen.map(({ what }) => what))
    if (process.env['WORST'])
      console.log(
        `  ${icon.name} ${size}: ${seen.map(({ what, note }) => `${what} ${note}`).join('; ')}${result.isFitted ? '' : ' (only scaled)'}; gave way: ${countsOf(result.gaveWay)}`,
      )
    cells.push({ name: `${icon.name} ${size}`, source, plain, fitted: now })
  }
  const scaledOnly = icons.filter((icon) => {
    const { objects } = masterFor(icon)
    const drawn = iconSvg({ masters: masters(size, scaled(objects, rules, book)) }, book, 'light', size)
    return (
      seenIn(inkOf(iconSvg({ masters: masters(rules.grid.size, objects) }, rules, 'light'), size), inkOf(drawn, size))
        .seen.length > 0
    )
  }).length
  console.log(
    `| ${name} | ${size} | ${icons.length} | ${scaledOnly} | ${bad.length} | ${((100 * crisp) / (withEdges || 1)).toFixed(0)} % | ${countsOf(why)} | ${back.length} | ${countsOf(reasons)} | ${(ms / icons.length).toFixed(0)} | ${slowest.toFixed(0)} |`,
  )
  if (process.env['WORST'] && back.length > 0) console.log(`  only scaled: ${back.join('; ')}`)
  return bad.length
}

const masters = (base: number, objects: readonly Icon['masters'][number]['objects'][number][]) => [
  { base, objects: [...objects] },
]

console.log(
  '| icons | size | how many | to send back, only scaled | to send back, fitted | edges on pixels | what is seen | fell back to scaling | fits gave way for | ms | slowest |',
)
console.log('|---|---|---|---|---|---|---|---|---|---|---|')
let looked = 0,
  sent = 0
for (const folder of folders) {
  const { icons, rules } = setOf(folder)
  const sizes = (option('--sizes') ?? '16,20,24,32').split(',').map(Number)
  for (const size of sizes.filter((one) => one !== rules.grid.size)) {
    sent += row(basename(folder), icons, rules, size)
    looked += icons.length
  }
}
console.log(`${looked} masters, ${sent} to send back: ${((100 * sent) / looked).toFixed(1)} %`)
const sheet = option('--sheet')
if (sheet) {
  writeFileSync(sheet, sheetOf(cells))
  console.log(cells.map(({ name }) => name).join(' | '))
}
