// Measures what each target takes of a delivery to all of them, on one thread, beside its pictures alone: as pixels, and as
// PNG. Each is measured in a process of its own, so that neither finds what the other has remembered:
// npm run bench:delivery -- all, npm run bench:delivery -- all 100
import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { drawnIcon } from '../../src/core/formats/drawn'
import { png } from '../../src/core/formats/png'
import { rasterised } from '../../src/core/formats/rasterised'
import { readSetFile } from '../../src/core/formats/set-file'
import type { IconSet } from '../../src/core/set/set'
import { IconRenderer } from '../../src/core/targets/icon-renderer'
import { filesOfIcon } from '../../src/core/targets/plan'
import { TARGETS } from '../../src/core/targets/targets'
import { madeIcon } from '../../src/server/renderer/make'

/** What is measured: all that targets write, or their pictures alone. */
type Part = 'all' | 'pictures'
type Row = { files: number; made: number; pixels: number; encoded: number }

const COUNT = Number(process.argv[3] ?? 300)
const read = (name: string): IconSet => readSetFile(readFileSync(`demo/${name}.wisesquare.json`, 'utf8')).set!
const many = (set: IconSet, count: number): IconSet => ({
  ...set,
  icons: Array.from({ length: count }, (_, i) => {
    const icon = set.icons[i % set.icons.length]!
    return { ...icon, id: `icon-${i}`, name: `${icon.name}-${i}` }
  }),
})
const sets = [many(read('quayside'), COUNT), read('skerry-app')]

async function measured(part: Part): Promise<Record<string, Row>> {
  const rows = Object.fromEntries(TARGETS.map(({ id }) => [id, { files: 0, made: 0, pixels: 0, encoded: 0 }]))
  for (const set of sets)
    for (const icon of set.icons) {
      const drawn = drawnIcon(icon, set.rules)
      if (drawn.svg === undefined) throw new Error(drawn.problem)
      for (const { id, isForApps } of TARGETS) {
        if ((set.kind === 'app') !== (isForApps === true)) continue
        const row = rows[id]!
        if (part === 'all') {
          const start = performance.now()
          const { files } = await madeIcon(icon, drawn, set, [id])
          row.made += performance.now() - start
          row.files += files.length
          continue
        }
        const renderer = new IconRenderer(icon, set.rules, drawn)
        for (const { made } of filesOfIcon(icon, set, [id])) {
          const pictures =
            made.as === 'raster' ? [made.picture] : made.as === 'ico' || made.as === 'icns' ? made.pictures : []
          for (const picture of pictures) {
            const document = picture.svg(renderer),
              start = performance.now()
            const image = rasterised(document, picture.pixels),
              drawnAt = performance.now()
            png(image, picture.colours)
            row.pixels += drawnAt - start
            row.encoded += performance.now() - drawnAt
          }
        }
      }
    }
  return rows
}

const own = process.env['PART'] as Part | undefined
if (own) console.log(JSON.stringify(await measured(own)))
else {
  const of = (part: Part) =>
    JSON.parse(
      execFileSync(process.execPath, [fileURLToPath(import.meta.url), 'all', String(COUNT)], {
        env: { ...process.env, PART: part },
        encoding: 'utf8',
        maxBuffer: 1e8,
      }),
    ) as Record<string, Row>
  const made = of('all'),
    alone = of('pictures')
  const sum = (rows: Record<string, Row>, key: keyof Row) => Object.values(rows).reduce((all, row) => all + row[key], 0)
  const all = sum(made, 'made')
  console.log(`${COUNT} interface icons and ${sets[1]!.icons.length} of applications, drawn before, on one thread`)
  console.log('target            files       ms    share  its pixels alone  as PNG')
  const line = (id: string, files: number, ms: number, pixels: number, encoded: number) =>
    console.log(
      `${id.padEnd(14)} ${String(files).padStart(8)} ${ms.toFixed(0).padStart(8)} ${((100 * ms) / all).toFixed(1).padStart(6)} % ${pixels.toFixed(0).padStart(14)} ${encoded.toFixed(0).padStart(8)}`,
    )
  for (const [id, row] of Object.entries(made)) line(id, row.files, row.made, alone[id]!.pixels, alone[id]!.encoded)
  const pixels = sum(alone, 'pixels'),
    encoded = sum(alone, 'encoded')
  line('all', sum(made, 'files'), all, pixels, encoded)
  console.log(
    `${(all / pixels).toFixed(2)} x of the pixels alone, ${(all / (pixels + encoded)).toFixed(2)} x of the pictures as PNG`,
  )
}
