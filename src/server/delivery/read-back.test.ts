import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { unzipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { iconSvg } from '../../core/picture/drawn'
import { png } from '../../core/formats/png'
import { rasterised } from '../../testing/rasterised'
import { readSetFile } from '../../core/formats/set-file'
import { IconRenderer } from '../../core/targets/icon-renderer'
import { type Decoded, decoded } from '../../testing/decoded'
import { apart, DeliveredSets, program, proof } from '../../testing/delivered'
import { pngOf } from '../../testing/rasterise'
import { svgOfVector } from '../../testing/vector-svg'

/** Delivered files, read by programs that share nothing with this one. */

const delivery = new DeliveredSets()
const { folder, quayside, skerry } = delivery
beforeAll(() => delivery.make(), 300_000)
afterAll(() => delivery.forget())

const fileOf = (...path: string[]): Decoded => decoded(readFileSync(join(folder, ...path)))
const files = (set: string, path: string, ending: string): string[] => delivery.files(set, path, ending)

describe('what is delivered', () => {
  it('as PNG has the pixels of the proof', async () => {
    for (const icon of quayside.icons)
      for (const size of quayside.rules.sizes) {
        const file = fileOf('quayside', 'png', String(size), `${icon.name}.png`)
        const document = new IconRenderer(icon, quayside.rules, null).document(size, 'light')
        expect(apart(file, proof(document, size)).most).toBe(0)
      }
  })

  it('as PNG comes to at most two thirds of what another rasteriser makes of icons of one colour, and to less than it of all', async () => {
    for (const name of ['quayside', 'quayside-solid', 'skerry-app']) {
      const { rules, icons } = readSetFile(readFileSync(`demo/${name}.wisesquare.json`, 'utf8')).set!
      let own = 0,
        theirs = 0
      for (const icon of icons)
        for (const size of rules.sizes) {
          const document = new IconRenderer(icon, rules, null).document(size, 'light')
          own += png(rasterised(document, size)).length
          theirs += pngOf(document, size).length
        }
      expect(own / theirs, name).toBeLessThanOrEqual(name === 'skerry-app' ? 0.87 : 2 / 3)
    }
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
      // The largest is a PNG within the file, of 32 bits: no system reads a palette there.
      const bytes = readFileSync(join(folder, 'skerry', 'windows', app.name, `${app.name}.ico`)),
        at = bytes.indexOf('\x89PNG', 0, 'latin1')
      expect([bytes[at + 24], bytes[at + 25]]).toEqual([8, 6])
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
        proof(iconSvg(icon, quayside.rules, 'light'), 96),
      )
      expect(mean, icon.name).toBeLessThan(1)
      // Vectors, not pictures.
      expect(readFileSync(pdf, 'latin1')).not.toContain('/Subtype /Image')
    }
  })

  it('as Kotlin compiles beside the declarations of what it calls', { timeout: 300_000 }, () => {
    const declared = readdirSync('src/testing/compose').map((name) => join('src/testing/compose', name)),
      written = [...files('quayside', 'android/compose', '.kt'), ...files('skerry', 'android/compose', '.kt')],
      out = join(folder, 'icons.jar')
    expect(written).toHaveLength(quayside.icons.length + skerry.icons.length)
    program('kotlinc', '-nowarn', ...declared, ...written, '-d', out)
    const classes = Object.keys(unzipSync(readFileSync(out))).filter((path) => /^icons\/\w+Kt\.class$/.test(path))
    expect(classes).toHaveLength(written.length)
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
      // The picture for the shop has no palette: eight bits of each of four channels.
      if (isApp) {
        const shop = readFileSync(join(folder, 'skerry', 'android', icon.name, 'shop-512.png'))
        expect([shop[24], shop[25]]).toEqual([8, 6])
      }
      // What a vector drawable cannot have is said before, not compared.
      if (icon.name === 'porthole') continue
      const own = proof(svg, 96)
      const set = isApp ? skerry : quayside
      expect(apart(own, proof(iconSvg(icon, set.rules, 'light'), 96)).mean, icon.name).toBeLessThan(0.5)
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

  it('to software centres is an application by the name of a domain, whose entry and icon have that name too', () => {
    const share = join(folder, 'centre', 'linux', 'share')
    for (const file of files('centre', join('linux', 'share', 'metainfo'), '.xml')) {
      expect(program('appstreamcli', 'validate', '--no-net', file)).toContain('successful')
      const id = /<id>(.*)<\/id>/.exec(readFileSync(file, 'utf8'))![1]!
      expect(id).toMatch(/^org\.skerry\.[A-Z]\w+$/)
      expect(program('desktop-file-validate', join(share, 'applications', `${id}.desktop`))).toBe('')
      for (const size of [64, 128])
        expect(
          fileOf('centre', 'linux', 'share', 'icons', 'hicolor', `${size}x${size}`, 'apps', `${id}.png`).width,
        ).toBe(size)
    }
    expect(files('centre', join('linux', 'share', 'metainfo'), '.xml')).toHaveLength(skerry.icons.length)
  })

  it('to Windows has every picture that the lines of its manifest name, at every scale and of its size', () => {
    for (const { name } of skerry.icons) {
      const root = join(folder, 'skerry', 'windows', name)
      const lines = readFileSync(join(root, 'visual-elements.xml'), 'utf8')
      const named = [...lines.matchAll(/Assets\\(\w+)\.png/g)].map(([, one]) => one!)
      expect(new Set(named).size).toBe(7)
      const sides = { SplashScreen: [620, 300], StoreLogo: [50, 50] } as Record<string, number[]>
      for (const one of named)
        for (const scale of [100, 125, 150, 200, 400]) {
          const [w, h] = sides[one] ?? /(\d+)x(\d+)/.exec(one)!.slice(1).map(Number)
          const { width, height } = decoded(readFileSync(join(root, 'Assets', `${one}.scale-${scale}.png`)))
          expect([width, height]).toEqual([w!, h!].map((side) => Math.round((side * scale) / 100)))
        }
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
      const { mean } = apart(decoded(readFileSync(join(out, `${i}.png`))), proof(readFileSync(file, 'utf8'), 96))
      // What lies under a soft shadow is drawn with it, not lost.
      expect(readFileSync(file, 'utf8')).not.toContain('feDropShadow')
      // Two ways to count what an edge covers of a pixel.
      expect(mean, file).toBeLessThan(1.5)
    }
  })

  it('as a font has a glyph for every icon under its code point, as large as it is drawn', () => {
    const script = `
import json, logging, sys
from fontTools.ttLib import TTFont
logging.basicConfig(level=logging.WARNING, stream=sys.stdout)
font = TTFont(sys.argv[1], checkChecksums=2)
for tag in font.keys(): font[tag]
glyphs = font['glyf']
print(json.dumps({'upm': font['head'].unitsPerEm, 'names': [font['name'].getDebugName(id) for id in (1, 2, 3, 4, 6)], 'vendor': font['OS/2'].achVendID, 'cmap': {hex(code)[2:]: [getattr(glyphs[name], side, 0) for side in ('xMin', 'yMin', 'xMax', 'yMax')] for code, name in font.getBestCmap().items()}}))`
    const fonts = join(folder, 'quayside', 'developers', 'font')
    const codes = JSON.parse(readFileSync(join(fonts, 'code-points.json'), 'utf8')) as Record<string, string>
    const [ttf, woff2] = ['ttf', 'woff2'].map(
      (format) =>
        JSON.parse(program('/usr/bin/python3', '-c', script, join(fonts, `quayside.${format}`))) as {
          upm: number
          names: string[]
          vendor: string
          cmap: Record<string, number[]>
        },
    )
    expect(woff2).toEqual(ttf)
    expect(ttf!.names).toEqual(['Quayside', 'Regular', '1.0;Quayside-Regular', 'Quayside Regular', 'Quayside-Regular'])
    expect(ttf!.vendor.trim()).toBe('')
    for (const icon of quayside.icons) {
      const [x0, y0, x1, y1] = ttf!.cmap[codes[icon.name]!]!
      expect(Math.min(x0!, y0!)).toBeGreaterThanOrEqual(0)
      expect(Math.max(x1!, y1!)).toBeLessThanOrEqual(ttf!.upm)
      expect(Math.max(x1! - x0!, y1! - y0!)).toBeGreaterThan(0.6 * ttf!.upm)
    }
  })
})
