// Draws many icons to pixels in one thread, with our rasteriser and with a peer in turn: npm run bench:raster,
// npm run bench:raster -- 500
import { readFileSync } from 'node:fs'
import type { Shape } from '../../src/core/drawing/scene/shape'
import { readPathData } from '../../src/core/formats/path-reader'
import { readSetFile } from '../../src/core/formats/set-file'
import { type Picture, pictureOf } from '../../src/core/picture/picture'
import { picturePixels } from '../../src/core/picture/pixels'
import { svgOfPicture } from '../../src/core/picture/svg'
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

/** A picture whose parts are new, so that nothing is remembered of them. */
const anew = (picture: Picture): Picture => ({
  ...picture,
  layers: picture.layers.map((layer) => ({
    ...layer,
    shapes: layer.shapes.map((shape) => ({ ...shape, path: [...shape.path] })),
  })),
})

/**
 * Pictures at sizes, ours without and with what is computed once for all sizes, beside the peer, which reads their
 * documents. All three take turns at each picture, so that a machine that slows down slows all of them.
 */
function compare(what: string, pictures: readonly Picture[], sizes: readonly number[]): void {
  const documents = pictures.map(svgOfPicture)
  const rounds = Array.from({ length: ROUNDS + 1 }, () => {
    const peer = watch(),
      whole = watch(),
      pixels = watch()
    pictures.forEach((picture, i) => {
      peer.time(() => sizes.forEach((size) => pixelsOfPeer(documents[i]!, size)))
      const fresh = anew(picture)
      whole.time(() => sizes.forEach((size) => picturePixels(fresh, size)))
      pixels.time(() => sizes.forEach((size) => picturePixels(fresh, size)))
    })
    return { peer: peer.total(), whole: whole.total() / peer.total(), pixels: pixels.total() / peer.total() }
  }).slice(1)
  const at = (key: keyof (typeof rounds)[number], digits: number) =>
    middle(rounds.map((one) => one[key])).toFixed(digits)
  console.log(
    `${what}: peer ${at('peer', 0)} ms, ours ${at('pixels', 2)} × of that with outlines computed before, ${at('whole', 2)} × in all`,
  )
}

const INK = { name: '', light: '#14231f', dark: '#14231f', ink: false, opacity: 1 }

/** Line icons of a large set that is not ours, as pictures. */
const lines = lineIcons(COUNT).map((svg) => {
  const shapes = [...svg.matchAll(/ d="([^"]*)"/g)].map(([, d]): Shape => ({
    id: 'line',
    path: readPathData(d!),
    fill: null,
    stroke: { paint: INK, width: 2, weight: 2, cap: 'round', join: 'round', miterLimit: 4 },
  }))
  return pictureOf(shapes, 24, 'light')
})

compare(`${COUNT} line icons at 16 to 64`, lines, [16, 20, 24, 32, 48, 64])
const { rules, icons } = readSetFile(readFileSync('demo/skerry-app.wisesquare.json', 'utf8')).set!
const apps = icons.map((icon) =>
  composedIcon(new IconRenderer(icon, rules, null), 1024, { share: 1, plate: 'full', fallback: null, ground: 'light' }),
)
compare(`${apps.length} app icons at 1024`, apps, [1024])
