import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readSetFile } from '../formats/set-file'
import { applyEdit } from '../set/edit'
import { directedEdit } from '../set/many'
import { inMirror } from '../picture/picture'
import { picturePixels } from '../picture/pixels'
import { svgOfPicture } from '../picture/svg'
import { IconRenderer } from './icon-renderer'
import { plannedFiles } from './plan'

const demo = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
const [ferry, dinghy, buoy] = demo.icons
/** A ferry that mirrors, and a buoy that is the dinghy right to left. */
const set = [directedEdit([ferry!], 'mirrored'), directedEdit([buoy!], { icon: dinghy!.id })].reduce(applyEdit, {
  ...demo,
  icons: demo.icons.slice(0, 3),
})

/** The files of targets by their paths: texts, and documents of pictures. */
function filesOf(targets: readonly string[], options: Record<string, Record<string, string | boolean>> = {}) {
  const renderers = set.icons.map((icon) => new IconRenderer(icon, set.rules, null))
  const of = (id: string) => renderers.find(({ icon }) => icon.id === id)!
  return new Map(
    plannedFiles({ ...set, delivery: { options } }, targets).map(({ path, icon, made }) => [
      path,
      made.as === 'fixed'
        ? made.text
        : made.as === 'text'
          ? made.text(of(icon!.id))
          : made.as === 'joined'
            ? made.join(renderers.map((one) => made.piece(one)))
            : made.as === 'raster'
              ? svgOfPicture(made.picture.of(of(icon!.id)))
              : '',
    ]),
  )
}

const mirrored = (data: ArrayLike<number>, side: number) =>
  Array.from({ length: data.length }, (_, i) => {
    const pixel = Math.floor(i / 4),
      x = pixel % side
    return data[4 * (pixel - x + side - 1 - x) + (i % 4)]!
  })

describe('right to left', () => {
  it('a document in the mirror has the pixels of the document, left and right exchanged', () => {
    for (const icon of demo.icons) {
      const picture = new IconRenderer(icon, demo.rules, null).picture(24, 'light')
      const [own, turned] = [picturePixels(picture, 48).data, picturePixels(inMirror(picture), 48).data]
      const apart = mirrored(own, 48).reduce((most, value, i) => Math.max(most, Math.abs(value - turned[i]!)), 0)
      expect(apart, icon.name).toBeLessThanOrEqual(1)
    }
  })

  it('a resource mirrors by itself, and another one stands for it in its folder', () => {
    const files = filesOf(['android'], { android: { pictures: true } })
    expect(files.get('android/res/drawable/ic_ferry.xml')).toContain('android:autoMirrored="true"')
    expect(files.get('android/res/drawable/ic_buoy.xml')).not.toContain('autoMirrored')
    expect(files.get('android/res/drawable-ldrtl/ic_buoy.xml')).toBe(files.get('android/res/drawable/ic_dinghy.xml'))
    const picture = 'ic_ferry_picture.png'
    const ferry = new IconRenderer(
      set.icons.find(({ name }) => name === 'ferry')!,
      set.rules,
      null,
    )
    expect(files.get(`android/res/drawable-ldrtl-hdpi/${picture}`)).toBe(
      svgOfPicture(inMirror(ferry.picture(24, 'light'))),
    )
    expect([...files.keys()].filter((path) => path.includes('ldrtl') && path.includes('dinghy'))).toEqual([])
  })

  it('an image set says its direction, and has the pictures that it names and no others', () => {
    for (const form of ['png', 'pdf', 'svg'])
      for (const dark of [false, true]) {
        const files = filesOf(['apple'], { apple: { form, dark, template: false } })
        const named = [...files].flatMap(([path, text]) => {
          if (!path.endsWith('.imageset/Contents.json')) return []
          const { images } = JSON.parse(text) as { images: Record<string, unknown>[] }
          const keys = images.map(({ filename: _, ...image }) => JSON.stringify(image))
          expect(new Set(keys).size, path).toBe(keys.length)
          return images.map((image) => ({ ...image, path: path.replace('Contents.json', String(image['filename'])) }))
        })
        expect(named.map(({ path }) => path).sort()).toEqual(
          [...files.keys()].filter((path) => !path.endsWith('.json')).sort(),
        )
        const directions = (name: string) =>
          new Set(
            named
              .filter(({ path }) => path.includes(`/${name}.imageset/`))
              .map((one) => one['language-direction' as never]),
          )
        expect([directions('ferry'), directions('dinghy'), directions('buoy')]).toEqual([
          new Set(['left-to-right']),
          new Set([undefined]),
          new Set(['left-to-right', 'right-to-left']),
        ])
      }
  })

  it('names in Swift are cases of their own, each an image set that is there', () => {
    const files = filesOf(['apple'], { apple: { swift: true } })
    const source = files.get('apple/Icons.swift')!
    const cases = [...source.matchAll(/^ {4}case (`?\w+`?) = "(.*)"$/gm)]
    expect(cases.map(([, one]) => one)).toEqual(['ferry', 'dinghy', 'buoy'])
    for (const [, , image] of cases)
      expect(files.has(`apple/Icons.xcassets/${image}.imageset/Contents.json`)).toBe(true)
  })

  it('components say so in their root, and come with the rule that mirrors; a set without any has none', () => {
    const files = filesOf(['react', 'vue', 'svelte', 'solid', 'functions', 'element'])
    for (const [path, text] of files) {
      if (/[fF]erry(?:Icon)?\.(?:tsx?|js|svelte)$/.test(path)) expect(text, path).toContain('data-rtl')
      if (/[bB]uoy(?:Icon)?\.(?:tsx?|js|svelte)$/.test(path)) expect(text, path).not.toContain('data-rtl')
    }
    expect(files.get('developers/react/direction.css')).toContain(':dir(rtl)')
    expect(JSON.parse(files.get('developers/react/package.json')!)).toMatchObject({
      sideEffects: ['./direction.css'],
      exports: { './direction.css': './direction.css' },
    })
    const plain = plannedFiles({ ...demo, icons: [dinghy!] }, ['react']).map(({ path }) => path)
    expect(plain.some((path) => path.endsWith('.css'))).toBe(false)
  })
})
