// Measures what each target takes of a delivery to all of them, on one thread, beside its pictures alone: as pixels, and as
// PNG; and what all of them take together, where each picture that several want is made once, beside each picture once.
// Each is measured in a process of its own, so that neither finds what the other has remembered:
// npm run bench:delivery -- all, npm run bench:delivery -- all 100
import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { drawnIcon } from '../../src/core/picture/drawn'
import { png } from '../../src/core/formats/png'
import { picturePixels } from '../../src/core/picture/pixels'
import { svgOfPicture } from '../../src/core/picture/svg'
import { readSetFile } from '../../src/core/formats/set-file'
import type { IconSet } from '../../src/core/set/set'
import { IconRenderer } from '../../src/core/targets/icon-renderer'
import { filesOfIcon } from '../../src/core/targets/plan'
import { TARGETS } from '../../src/core/targets/targets'
import { madeIcon } from '../../src/server/renderer/make'

/** What is measured: all that targets write, one by one or together, or their pictures alone. */
type Part = 'all' | 'together' | 'pictures'
type Row = { files: number; made: number; pixels: number; encoded: number }

/** The row of all targets at once. */
const TOGETHER = 'together'

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
  const none = (): Row => ({ files: 0, made: 0, pixels: 0, encoded: 0 })
  const rows = Object.fromEntries([TOGETHER, ...TARGETS.map(({ id }) => id)].map((id) => [id, none()]))
  for (const set of sets)
    for (const icon of set.icons) {
      const drawn = drawnIcon(icon, set.rules)
      if (drawn.picture === undefined) throw new Error(drawn.problem)
      const own = TARGETS.filter(({ isForApps }) => (set.kind === 'app') === (isForApps === true)).map(({ id }) => id)
      const make = async (row: Row, targets: readonly string[]) => {
        const start = performance.now()
        const { files } = await madeIcon(icon, drawn, set, targets)
        row.made += performance.now() - start
        row.files += files.length
      }
      if (part === 'together') {
        await make(rows[TOGETHER]!, own)
        continue
      }
      const known = new Set<string>()
      for (const id of own) {
        if (part === 'all') {
          await make(rows[id]!, [id])
          continue
        }
        const renderer = new IconRenderer(icon, set.rules, drawn)
        for (const { made } of filesOfIcon(icon, set, [id])) {
          const pictures =
            made.as === 'raster' ? [made.picture] : made.as === 'ico' || made.as === 'icns' ? made.pictures : []
          for (const picture of pictures) {
            const drawing = picture.of(renderer),
              start = performance.now()
            const image = picturePixels(drawing, picture.pixels),
              drawnAt = performance.now()
            png(image, picture.colours)
            const endAt = performance.now(),
              key = `${picture.pixels} ${picture.colours} ${svgOfPicture(drawing)}`
            for (const row of known.has(key) ? [rows[id]!] : [rows[id]!, rows[TOGETHER]!]) {
              row.files++
              row.pixels += drawnAt - start
              row.encoded += endAt - drawnAt
            }
            known.add(key)
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
    together = of('together')[TOGETHER]!,
    alone = of('pictures')
  const all = Object.values(made).reduce((sum, row) => sum + row.made, 0)
  console.log(`${COUNT} interface icons and ${sets[1]!.icons.length} of applications, drawn before, on one thread`)
  console.log('target            files       ms    share  pictures   their pixels alone  as PNG')
  const line = (id: string, row: Row, { files, pixels, encoded }: Row) =>
    console.log(
      `${id.padEnd(14)} ${String(row.files).padStart(8)} ${row.made.toFixed(0).padStart(8)} ${((100 * row.made) / all).toFixed(1).padStart(6)} % ${String(files).padStart(9)} ${pixels.toFixed(0).padStart(20)} ${encoded.toFixed(0).padStart(7)}`,
    )
  for (const { id } of TARGETS) line(id, made[id]!, alone[id]!)
  line(TOGETHER, together, alone[TOGETHER]!)
  const { pixels, encoded } = alone[TOGETHER]!
  console.log(
    `together ${(together.made / (pixels + encoded)).toFixed(2)} x of their pictures as PNG, ${(together.made / pixels).toFixed(2)} x of the pixels alone`,
  )
}
