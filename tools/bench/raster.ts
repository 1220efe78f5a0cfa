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

const middle = (values: readonly number[]) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!

/** A watch that adds up what it is asked to time, in milliseconds. */
function watch() {
  let sum = 0
  return {
    time<T>(act: () => T): T {
      const begin = performance.now()
      const made = act()
      sum += performance.now() - begin
      return made
    },
    total: () => sum,
  }
}

/**
 * Documents at sizes, ours without and with what is computed once for all sizes, beside the peer. All three take turns
 * at each document, so that a machine that slows down slows all of them.
 */
function compare(what: string, documents: readonly string[], sizes: readonly number[]): void {
  const rounds = Array.from({ length: ROUNDS + 1 }, (_, round) => {
    const peer = watch(),
      whole = watch(),
      pixels = watch()
    for (const document of documents) {
      // What is remembered by its text is computed anew in each round.
      const svg = document.replace('<svg ', `<svg class="${' '.repeat(round)}" `)
      peer.time(() => sizes.forEach((size) => pixelsOfPeer(svg, size)))
      whole.time(() => sizes.forEach((size) => rasterised(svg, size)))
      const picture = readDocument(svg)
      pixelsOf(picture, sizes[0]!)
      pixels.time(() => sizes.forEach((size) => pixelsOf(picture, size)))
    }
    return { peer: peer.total(), whole: whole.total() / peer.total(), pixels: pixels.total() / peer.total() }
  }).slice(1)
  const at = (key: keyof (typeof rounds)[number], digits: number) =>
    middle(rounds.map((one) => one[key])).toFixed(digits)
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
