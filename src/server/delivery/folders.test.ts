import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { decode } from 'fast-png'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { main } from '../../cli/main'
import { decoded } from '../../testing/decoded'
import { apart, DeliveredSets, seenByPeer } from '../../testing/delivered'
import { svgOfVector } from '../../testing/vector-svg'

/** What the folders of a delivery say of their pictures, beside the pictures. */

const delivery = new DeliveredSets()
const { folder, quayside, skerry } = delivery
beforeAll(() => delivery.make(), 300_000)
afterAll(() => delivery.forget())

const json = (path: string): unknown => JSON.parse(readFileSync(path, 'utf8'))
const sizeOf = (path: string): [number, number] => {
  const { width, height } = decoded(readFileSync(path))
  return [width, height]
}

describe('a folder', () => {
  it('of an asset catalogue names every picture in it and no other, each of the size that it states', () => {
    type Image = { filename: string; scale?: string; size?: string }
    let seen = 0
    for (const set of ['quayside', 'pdf', 'skerry'])
      for (const contents of delivery.files(set, 'apple', 'Contents.json')) {
        const { symbols = [], images = symbols } = json(contents) as { images?: Image[]; symbols?: Image[] }
        const beside = readdirSync(dirname(contents), { withFileTypes: true })
        expect(images.map(({ filename }) => filename).sort()).toEqual(
          beside
            .filter((entry) => entry.isFile() && entry.name !== 'Contents.json')
            .map(({ name }) => name)
            .sort(),
        )
        for (const { filename, scale, size } of images) {
          seen++
          if (/\.(?:pdf|svg)$/.test(filename)) continue
          const side = size ? Number(size.split('x')[0]) : 24 * Number(scale!.replace('x', ''))
          expect(sizeOf(join(dirname(contents), filename))).toEqual([side, side])
        }
      }
    expect(seen).toBe(quayside.icons.length * 5 + skerry.icons.length * 3)
  })

  it('of tiles has pictures of the sizes that their qualifiers say', () => {
    let seen = 0
    for (const { name } of skerry.icons)
      for (const file of delivery.files('skerry', join('windows', name), '.png')) {
        const [, w, h, scale] = /(\d+)x(\d+)Logo\.scale-(\d+)/.exec(file) ?? []
        const splash = Number(/SplashScreen\.scale-(\d+)/.exec(file)?.[1])
        const targeted = /targetsize-(\d+)/.exec(file)?.[1],
          store = /StoreLogo\.scale-(\d+)/.exec(file)?.[1]
        const expected = targeted
          ? [Number(targeted), Number(targeted)]
          : store
            ? [Number(store) / 2, Number(store) / 2]
            : splash
              ? [6.2 * splash, 3 * splash]
              : [Number(w), Number(h)].map((side) => (side * Number(scale)) / 100)
        expect(sizeOf(file), file).toEqual(expected.map(Math.round))
        seen++
      }
    expect(seen).toBe(skerry.icons.length * (7 * 5 + 14 * 3))
  })

  it('of a page has every file that its head and its manifest name, as they say', () => {
    for (const { name } of skerry.icons) {
      const own = join(folder, 'skerry', 'favicon', name)
      const head = readFileSync(join(own, 'head.html'), 'utf8')
      for (const [, file] of head.matchAll(/href="([^"]+)"/g)) expect(existsSync(join(own, file!)), file).toBe(true)
      const manifest = json(join(own, 'manifest.webmanifest')) as {
        name: string
        short_name: string
        id: string
        icons: { src: string; sizes: string; purpose: string }[]
      }
      const { icons } = manifest
      expect(manifest.name).toBe(name)
      expect([...manifest.short_name].length).toBeLessThanOrEqual(12)
      const purposes = ['any', 'maskable', 'monochrome']
      expect(icons.map(({ purpose }) => purpose)).toEqual([...purposes, ...purposes])
      for (const { src, sizes, purpose } of icons) {
        expect(sizeOf(join(own, src)).join('x')).toBe(sizes)
        if (purpose === 'any') continue
        const { data } = decoded(readFileSync(join(own, src)))
        const isRight = (value: number, i: number) =>
          purpose === 'maskable' ? i % 4 !== 3 || value === 255 : i % 4 === 3 || value === 0
        expect(data.every(isRight), src).toBe(true)
      }
    }
  })

  it('of a build is looked at without being written: whether it is what the set gives', async () => {
    const file = join(folder, 'skerry.wisesquare.json'),
      out = join(folder, 'build')
    const run = (...more: string[]) => main(['deliver', file, '--to', out, '--targets', 'svg,data', '--quiet', ...more])
    expect(await run('--check')).toBe(1)
    expect(existsSync(out)).toBe(false)
    expect(await run()).toBe(0)
    expect(await run('--check')).toBe(0)
    const [one] = readdirSync(join(out, 'svg')).map((name) => join(out, 'svg', name))
    writeFileSync(one!, 'by hand')
    expect(await run('--check')).toBe(1)
    expect(readFileSync(one!, 'utf8')).toBe('by hand')
  }, 60_000)

  it('of a home screen has no alpha in what stores take, which they refuse', () => {
    for (const { name } of skerry.icons)
      for (const file of ['light.png', 'tinted.png']) {
        const path = join(folder, 'skerry', 'apple', 'App.xcassets', `${name}.appiconset`, file)
        const { channels, palette } = decode(readFileSync(path))
        expect(palette ? palette.every((colour) => colour.length === 3) : channels === 3, `${name} ${file}`).toBe(true)
      }
  })

  it('of a home screen that tints is grey to the last bit', () => {
    for (const { name } of skerry.icons) {
      const path = join(folder, 'skerry', 'apple', 'App.xcassets', `${name}.appiconset`, 'tinted.png')
      const { data } = decoded(readFileSync(path))
      expect(
        data.every((value, i) => i % 4 === 3 || value === data[i - (i % 4)]),
        name,
      ).toBe(true)
    }
  })

  it('of a launcher names layers that are there, and lain over each other they are the picture for the shop', async () => {
    for (const { name } of skerry.icons) {
      const res = join(folder, 'skerry', 'android', name, 'res')
      const adaptive = readFileSync(join(res, 'mipmap-anydpi-v26', 'ic_launcher.xml'), 'utf8')
      const layers = [...adaptive.matchAll(/<(\w+) android:drawable="@drawable\/(\w+)"/g)].map(([, what, file]) => ({
        what,
        svg: svgOfVector(readFileSync(join(res, 'drawable', `${file}.xml`), 'utf8')),
      }))
      expect(layers.map(({ what }) => what)).toEqual(['background', 'foreground', 'monochrome'])
      // A mask shows 72 of 108 at most. What a vector drawable cannot have is said before, not compared.
      if (name !== 'porthole') {
        const [, root] = /<svg[^>]*viewBox="0 0 (\S+) /.exec(layers[0]!.svg)!
        const side = Number(root)
        const both = layers.slice(0, 2).map(({ svg }) => svg.replace(/<svg[^>]*>/, '<svg>').slice(5, -7))
        const shown = `<svg xmlns="http://www.w3.org/2000/svg" width="512" height="512" viewBox="${side / 6} ${side / 6} ${(side * 2) / 3} ${(side * 2) / 3}">${both.map((body, i) => body.replaceAll(/(id="|url\(#)/g, `$1l${i}`)).join('')}</svg>`
        const shop = decoded(readFileSync(join(folder, 'skerry', 'android', name, 'shop-512.png')))
        expect(apart(seenByPeer(shown, 512), shop).mean, name).toBeLessThan(1)
      }
      for (const [density, scale] of Object.entries({ mdpi: 1, hdpi: 1.5, xhdpi: 2, xxhdpi: 3, xxxhdpi: 4 }))
        for (const file of ['ic_launcher.png', 'ic_launcher_round.png'])
          expect(sizeOf(join(res, `mipmap-${density}`, file))).toEqual([48 * scale, 48 * scale])
    }
  })

  it('of design tokens holds the rules, each with its type and value', () => {
    const tokens = json(delivery.files('quayside', 'developers', 'tokens.json')[0]!) as Record<string, unknown>
    const leaves: { type: string; value: unknown }[] = []
    const walk = (node: unknown, type?: string) => {
      if (typeof node !== 'object' || node === null) return
      const own = node as Record<string, unknown>
      const of = (own.$type as string | undefined) ?? type
      if ('$value' in own) leaves.push({ type: of!, value: own.$value })
      else for (const [key, child] of Object.entries(own)) if (!key.startsWith('$')) walk(child, of)
    }
    walk(tokens)
    const values = leaves.map(({ value }) => JSON.stringify(value))
    for (const { type } of leaves) expect(type).toMatch(/^(?:dimension|color|number)$/)
    for (const { value } of quayside.rules.weights)
      expect(values.some((text) => text.includes(String(value)))).toBe(true)
    expect(leaves.filter(({ type }) => type === 'color').length).toBeGreaterThanOrEqual(quayside.rules.palette.length)
  })
})
