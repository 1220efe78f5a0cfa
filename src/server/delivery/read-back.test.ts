import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Resvg } from '@resvg/resvg-wasm'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { main } from '../../cli/main'
import { iconSvg } from '../../core/formats/drawn'
import { readSetFile, writeSetFile } from '../../core/formats/set-file'
import type { IconSet } from '../../core/set/set'
import { Portrait } from '../../core/targets/portrait'
import { decoded } from '../../../tools/decoded'
import { startRasteriser } from '../renderer/raster'

/** Delivered files, read by programs that share nothing with this one. */

type Picture = { readonly width: number; readonly data: Uint8Array }

const folder = mkdtempSync(join(tmpdir(), 'wise-square-read-'))
afterAll(() => rmSync(folder, { recursive: true }))

const read = (name: string): IconSet => readSetFile(readFileSync(`demo/${name}.wisesquare.json`, 'utf8')).set!
const some = (set: IconSet, names: readonly string[]): IconSet => ({
  ...set,
  icons: set.icons.filter(({ name }) => names.includes(name)),
})
const quayside = some(read('quayside'), ['ferry', 'departure', 'radio', 'knot', 'fog-horn'])
const app = read('skerry-app')
const skerry = { ...some(app, ['passenger', 'porthole']), rules: { ...app.rules, sizes: [64, 128], densities: [1] } }

const program = (name: string, ...args: string[]): string =>
  execFileSync(name, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] })

beforeAll(async () => {
  const log = vi.spyOn(console, 'log').mockImplementation(() => undefined)
  for (const [name, set, options] of [
    ['quayside', quayside, {}],
    ['pdf', quayside, { apple: { form: 'pdf' } }],
    ['skerry', skerry, {}],
  ] as const) {
    const file = join(folder, `${name}.wisesquare.json`)
    writeFileSync(file, writeSetFile({ ...set, delivery: { options } }))
    const targets =
      name === 'pdf'
        ? 'apple'
        : name === 'skerry'
          ? 'favicon,apple-app,android,android-app,windows,linux,linux-app'
          : 'all'
    expect(await main(['deliver', file, '--to', join(folder, name), '--targets', targets, '--quiet'])).toBe(0)
  }
  log.mockRestore()
}, 300_000)

const fileOf = (...path: string[]): Picture => decoded(readFileSync(join(folder, ...path)))

/** How far two pictures are apart on white: the mean and the greatest difference of a channel, of 255. */
function apart(a: Picture, b: Picture): { mean: number; most: number } {
  expect(a.width).toBe(b.width)
  let sum = 0,
    most = 0
  const seen = ({ data }: Picture, i: number, k: number) => 255 + ((data[i + k]! - 255) * data[i + 3]!) / 255
  for (let i = 0; i < a.data.length; i += 4)
    for (let k = 0; k < 3; k++) {
      const off = Math.abs(seen(a, i, k) - seen(b, i, k))
      sum += off
      most = Math.max(most, off)
    }
  return { mean: sum / (a.data.length * 0.75), most }
}

/** A document as this program’s proofs show it. */
async function proof(svg: string, side: number): Promise<Picture> {
  const rasterise = await startRasteriser()
  const { data } = rasterise(svg, { side: 'width', pixels: side })
  const straight = new Uint8Array(data.length)
  for (let i = 0; i < data.length; i += 4)
    for (let k = 0; k < 4; k++)
      straight[i + k] = k === 3 || data[i + 3] === 0 ? data[i + k]! : Math.round((data[i + k]! * 255) / data[i + 3]!)
  return { width: side, data: straight }
}

const files = (set: string, path: string, ending: string): string[] =>
  (readdirSync(join(folder, set, path), { recursive: true }) as string[])
    .filter((name) => name.endsWith(ending))
    .map((name) => join(folder, set, path, name))

describe('what is delivered', () => {
  it('as PNG has the pixels of the proof in at most three fifths of what the rasteriser makes of them', async () => {
    await startRasteriser()
    let own = 0,
      theirs = 0
    for (const icon of quayside.icons)
      for (const size of quayside.rules.sizes) {
        const file = readFileSync(join(folder, 'quayside', 'png', String(size), `${icon.name}.png`))
        const document = new Portrait(icon, quayside.rules, null).document(size, 'light')
        const image = new Resvg(document, { fitTo: { mode: 'width', value: size } }).render()
        own += file.length
        theirs += image.asPng().length
        expect(apart(decoded(file), await proof(document, size)).most).toBe(0)
      }
    expect(own / theirs).toBeLessThanOrEqual(0.6)
  })

  it('to Windows and browsers is an ICO with every size, pixel for pixel the PNG beside it', () => {
    const out = mkdtempSync(join(folder, 'ico-'))
    for (const app of skerry.icons) {
      program('icotool', '-x', '-o', out, join(folder, 'skerry', 'favicon', app.name, 'favicon.ico'))
      for (const [i, size] of [16, 32, 48].entries()) {
        const from = fileOf('skerry', 'favicon', app.name, `icon-${size}.png`)
        const own = decoded(readFileSync(join(out, `favicon_${i + 1}_${size}x${size}x32.png`)))
        expect(apart(own, from).most).toBe(0)
      }
      const listed = program('icotool', '-l', join(folder, 'skerry', 'windows', app.name, `${app.name}.ico`))
      expect([...listed.matchAll(/--width=(\d+)/g)].map(([, width]) => Number(width))).toEqual([
        16, 20, 24, 32, 40, 48, 64, 256,
      ])
    }
  })

  it('to Apple is an ICNS that older readers know too, and a page of vectors that paints what the proof shows', async () => {
    const out = mkdtempSync(join(folder, 'icns-'))
    const file = join(folder, 'skerry', 'apple', 'porthole.icns')
    program('icns2png', '-x', '-o', out, file)
    const sizes = readdirSync(out).flatMap((name) => /_(\d+)x/.exec(name)?.[1] ?? [])
    expect(sizes.map(Number).sort((a, b) => a - b)).toEqual([16, 32, 128, 256, 512, 1024])
    for (const icon of quayside.icons) {
      const pdf = join(folder, 'pdf', 'apple', 'Icons.xcassets', `${icon.name}.imageset`, `${icon.name}.pdf`)
      program('pdftocairo', '-png', '-singlefile', '-transp', '-scale-to', '96', pdf, join(out, icon.name))
      const { mean } = apart(
        decoded(readFileSync(join(out, `${icon.name}.png`))),
        await proof(iconSvg(icon, quayside.rules, 'light'), 96),
      )
      expect(mean, icon.name).toBeLessThan(1)
      // Vectors, not pictures.
      expect(readFileSync(pdf, 'latin1')).not.toContain('/Subtype /Image')
    }
    for (const contents of [
      ...files('quayside', 'apple', 'Contents.json'),
      ...files('skerry', 'apple', 'Contents.json'),
    ]) {
      const { images = [] } = JSON.parse(readFileSync(contents, 'utf8')) as { images?: { filename: string }[] }
      const beside = readdirSync(join(contents, '..'))
      for (const { filename } of images) expect(beside).toContain(filename)
    }
  })

  it('to Android compiles, and paints what the proof shows', async () => {
    const out = mkdtempSync(join(folder, 'android-'))
    for (const res of [
      join(folder, 'quayside', 'android', 'res'),
      ...skerry.icons.map(({ name }) => join(folder, 'skerry', 'android', name, 'res')),
    ])
      program('aapt2', 'compile', '--dir', res, '-o', join(out, 'compiled.zip'))
    for (const icon of [...quayside.icons, ...skerry.icons]) {
      const isApp = skerry.icons.includes(icon)
      const xml = readFileSync(
        join(folder, isApp ? 'skerry' : 'quayside', 'android/res/drawable', `ic_${icon.name.replaceAll('-', '_')}.xml`),
        'utf8',
      )
      const svg = svgOfVector(xml)
      // What a vector drawable cannot have is said before, not compared.
      if (icon.name === 'porthole') continue
      const own = await proof(svg, 96)
      const set = isApp ? skerry : quayside
      expect(apart(own, await proof(iconSvg(icon, set.rules, 'light'), 96)).mean, icon.name).toBeLessThan(0.5)
    }
  })

  it('to desktops is a theme that its cache takes, folder by folder', () => {
    for (const [set, theme] of [
      ['quayside', 'quayside'],
      ['skerry', 'skerry-app-icons'],
    ] as const) {
      const root = join(folder, set, 'linux', theme)
      program('gtk-update-icon-cache', '--force', root)
      const cache = readFileSync(join(root, 'icon-theme.cache'), 'latin1')
      const index = readFileSync(join(root, 'index.theme'), 'utf8')
      const listed = [...index.matchAll(/^\[([^\]]+)\]$/gm)].map(([, name]) => name!).slice(1)
      const named = [...index.matchAll(/^(?:Scaled)?Directories=(.*)$/gm)].flatMap(([, list]) => list!.split(','))
      expect(named.filter(Boolean).sort()).toEqual([...listed].sort())
      for (const name of listed) {
        expect(cache).toContain(name)
        expect(readdirSync(join(root, name)).length).toBeGreaterThan(0)
      }
    }
  })

  it('to desktops is an entry that menus take, and the icon it names in every folder, of its size', () => {
    const share = join('linux', 'share'),
      theme = join(share, 'icons', 'hicolor')
    const out = mkdtempSync(join(folder, 'desktop-'))
    for (const { name } of skerry.icons) {
      const entry = join(folder, 'skerry', share, 'applications', `${name}.desktop`)
      expect(program('desktop-file-validate', entry)).toBe('')
      const icon = /^Icon=(.*)$/m.exec(readFileSync(entry, 'utf8'))![1]!
      const sizes = files('skerry', theme, `/${icon}.png`).map((file) => {
        const size = Number(/hicolor\/(\d+)x\1\//.exec(file)![1])
        expect(decoded(readFileSync(file)).width).toBe(size)
        return size
      })
      expect(sizes.sort((a, b) => a - b)).toEqual([16, 22, 24, 32, 48, 64, 128, 256, 512])
      const vectors = join(folder, 'skerry', theme, 'scalable', 'apps', `${icon}.svg`)
      program('rsvg-convert', '-w', '128', '-h', '128', '-o', join(out, `${icon}.png`), vectors)
      const drawn = decoded(readFileSync(join(out, `${icon}.png`)))
      expect(apart(drawn, fileOf('skerry', theme, '128x128', 'apps', `${icon}.png`)).mean).toBeLessThan(0.5)
    }
  })

  it('as XML is well formed, and every SVG paints the same by another renderer', async () => {
    for (const set of ['quayside', 'skerry']) {
      const all = [...files(set, '', '.svg'), ...files(set, '', '.xml')]
      program('xmllint', '--noout', ...all)
    }
    const out = mkdtempSync(join(folder, 'rsvg-'))
    const svgs = [
      ...files('quayside', 'svg', '.svg'),
      ...files('quayside', 'linux', '.svg'),
      ...files('skerry', 'favicon', 'icon.svg'),
    ]
    for (const [i, file] of svgs.entries()) {
      program('rsvg-convert', '-w', '96', '-h', '96', '-o', join(out, `${i}.png`), file)
      const { mean } = apart(decoded(readFileSync(join(out, `${i}.png`))), await proof(readFileSync(file, 'utf8'), 96))
      // Two ways to count what an edge covers of a pixel.
      expect(mean, file).toBeLessThan(1.5)
    }
  })

  it('as a font has a glyph for every icon under its code point, as large as it is drawn', () => {
    const script = `
import json, sys
from fontTools.ttLib import TTFont
font = TTFont(sys.argv[1])
glyphs = font['glyf']
print(json.dumps({'upm': font['head'].unitsPerEm, 'family': font['name'].getDebugName(1), 'cmap': {hex(code)[2:]: [getattr(glyphs[name], side, 0) for side in ('xMin', 'yMin', 'xMax', 'yMax')] for code, name in font.getBestCmap().items()}}))`
    const fonts = join(folder, 'quayside', 'developers', 'font')
    const codes = JSON.parse(readFileSync(join(fonts, 'code-points.json'), 'utf8')) as Record<string, string>
    const [ttf, woff2] = ['ttf', 'woff2'].map(
      (format) =>
        JSON.parse(program('/usr/bin/python3', '-c', script, join(fonts, `quayside.${format}`))) as {
          upm: number
          family: string
          cmap: Record<string, number[]>
        },
    )
    expect(woff2).toEqual(ttf)
    expect(ttf!.family).toBe('Quayside')
    for (const icon of quayside.icons) {
      const [x0, y0, x1, y1] = ttf!.cmap[codes[icon.name]!]!
      expect(Math.min(x0!, y0!)).toBeGreaterThanOrEqual(0)
      expect(Math.max(x1!, y1!)).toBeLessThanOrEqual(ttf!.upm)
      expect(Math.max(x1! - x0!, y1! - y0!)).toBeGreaterThan(0.6 * ttf!.upm)
    }
  })
})

/** A vector drawable as SVG, attribute by attribute. */
function svgOfVector(xml: string): string {
  const names: Record<string, string> = {
    pathData: 'd',
    fillColor: 'fill',
    fillAlpha: 'fill-opacity',
    strokeColor: 'stroke',
    strokeAlpha: 'stroke-opacity',
    strokeWidth: 'stroke-width',
    strokeLineCap: 'stroke-linecap',
    strokeLineJoin: 'stroke-linejoin',
    strokeMiterLimit: 'stroke-miterlimit',
  }
  let ids = 0
  const definitions: string[] = []
  const size = /viewportWidth="([^"]+)"/.exec(xml)![1]!
  const attribute = (text: string, name: string) => new RegExp(`android:${name}="([^"]*)"`).exec(text)?.[1]
  const gradientsOut = xml.replace(
    /<path([^>]*)>\s*<aapt:attr name="android:(fill|stroke)Color">\s*<gradient([^>]*)>([\s\S]*?)<\/gradient>\s*<\/aapt:attr>\s*<\/path>/g,
    (_, own: string, key: string, gradient: string, items: string) => {
      const id = `g${ids++}`
      const stops = [...items.matchAll(/<item([^/]*)\/>/g)].map(([, item]) => {
        const colour = attribute(item!, 'color')!
        const alpha = colour.length === 9 ? Number.parseInt(colour.slice(1, 3), 16) / 255 : 1
        return `<stop offset="${attribute(item!, 'offset')}" stop-color="#${colour.slice(-6)}" stop-opacity="${alpha}"/>`
      })
      const place =
        attribute(gradient, 'type') === 'linear'
          ? `linearGradient x1="${attribute(gradient, 'startX')}" y1="${attribute(gradient, 'startY')}" x2="${attribute(gradient, 'endX')}" y2="${attribute(gradient, 'endY')}"`
          : `radialGradient cx="${attribute(gradient, 'centerX')}" cy="${attribute(gradient, 'centerY')}" r="${attribute(gradient, 'gradientRadius')}"`
      definitions.push(`<${place} id="${id}" gradientUnits="userSpaceOnUse">${stops.join('')}</${place.split(' ')[0]}>`)
      return `<path${own} android:${key}Color="url(#${id})"/>`
    },
  )
  const body = gradientsOut
    .replace(/^[\s\S]*?<vector[^>]*>|<\/vector>\s*$/g, '')
    .replace(/<group([^>]*)>(\s*<clip-path[^>]*\/>)?/g, (_, own: string, clip: string | undefined) => {
      const value = (name: string, usual: number) => Number(attribute(own, name) ?? usual)
      const map = `translate(${value('translateX', 0)} ${value('translateY', 0)}) rotate(${value('rotation', 0)}) scale(${value('scaleX', 1)} ${value('scaleY', 1)})`
      if (!clip) return `<g transform="${map}">`
      const id = `c${ids++}`
      definitions.push(`<clipPath id="${id}"><path d="${attribute(clip, 'pathData')}"/></clipPath>`)
      return `<g transform="${map}" clip-path="url(#${id})">`
    })
    .replaceAll('</group>', '</g>')
    .replace(/<path([^>]*?)\/?>/g, (_, own: string) => {
      const map = Object.entries(names).flatMap(([name, key]) => {
        const value = attribute(own, name)
        return value === undefined ? [] : [`${key}="${value}"`]
      })
      return `<path ${own.includes('fillColor') ? '' : 'fill="none" '}${map.join(' ')}/>`
    })
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${size}" height="${size}" viewBox="0 0 ${size} ${size}"><defs>${definitions.join('')}</defs>${body}</svg>\n`
}
