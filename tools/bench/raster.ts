// Draws many icons to pixels in one thread, with our rasteriser and with a peer in turn: npm run bench:raster,
// npm run bench:raster -- 500
import { readFileSync } from 'node:fs'
import { rasterised } from '../../src/core/formats/rasterised'
import { readDocument } from '../../src/core/formats/read-document'
import { readSetFile } from '../../src/core/formats/set-file'
import { pixelsOf } from '../../src/core/raster/raster'
import { composedIcon } from '../../src/core/targets/composition'
import { IconRenderer } from '../../src/core/targets/icon-renderer'
import { lineIcons } from '../../src/testing/line-icons'
import { pixelsOf as pixelsOfPeer } from '../../src/testing/rasterise'

const COUNT = Number(process.argv[2] ?? 500)
const ROUNDS = 5

const ms = (act: () => void): number => {
  const begin = performance.now()
  act()
  return performance.now() - begin
}
const middle = (values: readonly number[]) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!

/** Documents at sizes, ours without and with what is computed once for all sizes, beside the peer. */
function compare(what: string, documents: readonly string[], sizes: readonly number[]): void {
  const all = Array.from({ length: ROUNDS }, (_, round) => {
    // What is remembered by its text is computed anew in each round.
    const fresh = documents.map((svg) => svg.replace('<svg ', `<svg class="${' '.repeat(round)}" `))
    const peer = ms(() => fresh.forEach((svg) => sizes.forEach((size) => pixelsOfPeer(svg, size))))
    const whole = ms(() => fresh.forEach((svg) => sizes.forEach((size) => rasterised(svg, size))))
    const pictures = documents.map(readDocument)
    pictures.forEach((picture) => pixelsOf(picture, sizes[0]!))
    const pixels = ms(() => pictures.forEach((picture) => sizes.forEach((size) => pixelsOf(picture, size))))
    return { peer, whole: whole / peer, pixels: pixels / peer }
  })
  const at = (key: keyof (typeof all)[number], digits: number) => middle(all.map((one) => one[key])).toFixed(digits)
  console.log(
    `${what}: peer ${at('peer', 0)} ms, ours ${at('pixels', 2)} × of that with outlines computed before, ${at('whole', 2)} × in all`,
  )
}

compare(`${COUNT} line icons at 16 to 64`, lineIcons(COUNT), [16, 20, 24, 32, 48, 64])
const { rules, icons } = readSetFile(readFileSync('demo/skerry-app.wisesquare.json', 'utf8')).set!
const apps = icons.map((icon) =>
  composedIcon(new IconRenderer(icon, rules, null), 1024, { share: 1, plate: 'full', fallback: null, ground: 'light' }),
)
compare(`${apps.length} app icons at 1024`, apps, [1024])
