// What becomes of icons that are fitted to smaller grids, as a table: npm run bench:fit [-- SVG-FOLDER-FOR-PICTURES]
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { narrows } from '../../src/core/geometry/walls'
import { evaluateAll, outline } from '../../src/core/drawing/evaluate/evaluate'
import { sceneOf } from '../../src/core/drawing/evaluate/evaluated-scene'
import { inkOfAll } from '../../src/core/drawing/scene/ink'
import type { DrawingObject } from '../../src/core/drawing/objects/object'
import { walk } from '../../src/core/drawing/objects/tree'
import { svgOf } from '../../src/core/picture/svg'
import { readSetFile } from '../../src/core/formats/set-file'
import { type Path, pathNodes } from '../../src/core/geometry/path'
import { crispness } from '../../src/core/geometry/crispness'
import { rulesForGrid } from '../../src/core/rules/rules-for-grid'
import { fitLossesOf, originalOf } from '../../src/core/rules/fit/fit-losses'
import { scaled } from '../../src/core/rules/fit/brought'
import { fitted } from '../../src/core/rules/fit/fit'
import type { Rules } from '../../src/core/rules/rules'
import { starter } from '../../src/core/rules/starters'
import { masterFor } from '../../src/core/set/set'
import { objectsOf } from '../../src/testing/icon-objects'

/** How many icons of others are fitted; `COUNT` says another number. */
const COUNT = Number(process.env['COUNT'] ?? 600)

type Drawing = { readonly name: string; readonly objects: readonly DrawingObject[] }
const demo = (file: string): { drawings: Drawing[]; rules: Rules } => {
  const { set } = readSetFile(readFileSync(`demo/${file}.wisesquare.json`, 'utf8'))
  return {
    rules: set!.rules,
    drawings: set!.icons.map((icon) => ({ name: icon.name, objects: masterFor(icon).objects })),
  }
}

function others(): { drawings: Drawing[]; rules: Rules } {
  const folder = join(dirname(createRequire(import.meta.url).resolve('lucide-static/package.json')), 'icons')
  const files = readdirSync(folder).sort()
  const every = Math.floor(files.length / COUNT)
  return {
    // Weights that can be crisp on both sides: what is counted is what fitting does.
    rules: { ...starter('interface-24')!.rules, weightSteps: 'whole' },
    drawings: files
      .filter((_, i) => i % every === 0)
      .slice(0, COUNT)
      .map((file) => ({ name: file.slice(0, -4), objects: objectsOf(readFileSync(join(folder, file), 'utf8')) })),
  }
}

const inkIn = (objects: readonly DrawingObject[], rules: Rules): Path => inkOfAll(evaluateAll(objects, sceneOf(rules)))

/** The narrowest ground in an ink, in units, where it is below three. */
const narrowest = (ink: Path): number => Math.min(3, ...narrows(ink, 3, 0.5).map(({ width }) => width))

const nodesIn = (objects: readonly DrawingObject[], rules: Rules) =>
  [...walk(objects)].map(({ object }) => pathNodes(outline(object, sceneOf(rules))))

function row(
  source: string,
  { drawings, rules }: { drawings: Drawing[]; rules: Rules },
  base: number,
  folder?: string,
): void {
  const scale = base / rules.grid.size
  const book = rulesForGrid(rules, base)
  const sum = {
    before: 0,
    long: 0,
    after: 0,
    longAfter: 0,
    shift: 0,
    nodes: 0,
    fitted: 0,
    narrower: 0,
    contours: 0,
    segments: 0,
    lopsided: 0,
    moved: 0,
    back: 0,
    ms: 0,
    slowest: 0,
  }
  const worst: string[] = []
  for (const { name, objects } of drawings) {
    const start = performance.now()
    const result = fitted(objects, rules, book)
    const ms = performance.now() - start
    sum.ms += ms
    sum.slowest = Math.max(sum.slowest, ms)
    if (result.isFitted) sum.fitted++
    else worst.push(`${name} not fitted`)
    const was = inkIn(objects, rules),
      is = inkIn(result.objects, book)
    const before = crispness(was, rules.grid.size, base),
      after = crispness(is, base, base)
    sum.before += before.crisp * scale
    sum.long += before.length * scale
    sum.after += after.crisp
    sum.longAfter += after.length
    const gapBefore = narrowest(was) * scale,
      gapAfter = narrowest(is)
    if (gapAfter < Math.min(gapBefore, 1) - 0.02) {
      sum.narrower++
      worst.push(`${name} ${gapBefore.toFixed(2)} to ${gapAfter.toFixed(2)}`)
    }
    const flaws = fitLossesOf(originalOf(was, inkIn(scaled(objects, rules, book), book), scale), is)
    for (const what of ['contours', 'segments', 'lopsided', 'moved'] as const)
      if (flaws.some((flaw) => flaw.what === what)) sum[what]++
    if (flaws.length > 0) {
      sum.back++
      worst.push(
        `${name}: ${flaws.map(({ what, at }) => `${what} at ${at.x.toFixed(2)} ${at.y.toFixed(2)}`).join(', ')}`,
      )
    }
    const there = nodesIn(objects, rules),
      here = nodesIn(result.objects, book)
    there.forEach((list, i) => {
      if (list.length !== here[i]?.length) return
      list.forEach((p, k) => {
        sum.shift += Math.hypot(here[i]![k]!.x - p.x * scale, here[i]![k]!.y - p.y * scale)
        sum.nodes++
      })
    })
    if (folder) {
      mkdirSync(folder, { recursive: true })
      writeFileSync(
        join(folder, `${source}-${base}-${name}-before.svg`),
        svgOf(objects, rules, rules.grid.size, 'light'),
      )
      writeFileSync(join(folder, `${source}-${base}-${name}-after.svg`), svgOf(result.objects, book, base, 'light'))
    }
  }
  const share = (a: number, b: number) => `${Math.round((100 * a) / (b || 1))} %`
  console.log(
    `| ${source} | ${base} | ${drawings.length} | ${share(sum.before, sum.long)} | ${share(sum.after, sum.longAfter)} | ${sum.fitted} | ${sum.contours} | ${sum.segments} | ${sum.lopsided} | ${sum.moved} | ${sum.narrower} | ${sum.back} (${((100 * sum.back) / drawings.length).toFixed(1)} %) | ${(sum.shift / sum.nodes).toFixed(2)} | ${(sum.ms / drawings.length).toFixed(1)} | ${sum.slowest.toFixed(0)} |`,
  )
  if (process.env['WORST']) console.log(worst.join('\n'))
}

console.log(
  '| icons | size | how many | crisp before | crisp after | fitted | contours | segments came | lopsided | moved | gaps narrower | to send back | mean shift (px) | ms | slowest |',
)
console.log('|---|---|---|---|---|---|---|---|---|---|---|---|---|---|---|')
const folder = process.argv[2]
const sources = { quayside: demo('quayside'), 'skerry-app': demo('skerry-app'), lucide: others() }
for (const base of [16, 20, 32]) for (const [name, source] of Object.entries(sources)) row(name, source, base, folder)
