import { pathData } from '../../core/formats/path-data'
import { readPathData } from '../../core/formats/path-reader'
import { transformPath } from '../../core/geometry/path'
import type { FontPlan } from '../../core/targets/target'
import { pdfOf } from './pdf'

// What writes a container is loaded when the first of them is written: most threads never write one.

/** Pictures (PNG) as one ICO: large ones as they are, smaller ones as bitmaps, which every reader takes. */
export async function ico(pictures: readonly Uint8Array[]): Promise<Uint8Array> {
  const { IconIco } = await import('@shockpkg/icon-encoder')
  const file = new IconIco()
  for (const picture of pictures) await file.addFromPng(picture, null, true)
  return file.encode()
}

/**
 * The places of an ICNS that a picture of so many pixels goes to: by itself, as the double of one half as large, and in the
 * form that older readers know. */
const PLACES: Readonly<Record<number, readonly string[]>> = {
  16: ['icp4', 'is32', 's8mk'],
  32: ['icp5', 'ic11', 'il32', 'l8mk'],
  64: ['ic12'],
  128: ['ic07', 'it32', 't8mk'],
  256: ['ic08', 'ic13'],
  512: ['ic09', 'ic14'],
  1024: ['ic10'],
}

/** Pictures (PNG) by their sizes as one ICNS. */
export async function icns(
  pictures: readonly { readonly pixels: number; readonly png: Uint8Array }[],
): Promise<Uint8Array> {
  const { IconIcns } = await import('@shockpkg/icon-encoder')
  const file = new IconIcns()
  for (const { pixels, png } of pictures) await file.addFromPng(png, [...(PLACES[pixels] ?? [])], true)
  return file.encode()
}

/** A document as a page of vectors, a unit of it to a point. */
export function pdf(svg: string): Promise<Uint8Array> {
  const [, side = '24'] = /viewBox="0 0 (\S+) /.exec(svg) ?? []
  const size = Number(side)
  return pdfOf({ size: [size, size], info: { Producer: 'Wise Square', Creator: 'Wise Square' } }, (_, place) =>
    place(svg, 0, 0, size),
  )
}

const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`)

/** Glyphs as a TrueType font, one em to a side; the same glyphs always give the same bytes. */
async function ttf({ family, size, glyphs }: FontPlan): Promise<Uint8Array> {
  const { default: svg2ttf } = await import('svg2ttf')
  const written = glyphs.map(({ name, code, d }) => {
    // A font counts upwards from its base line.
    const path = transformPath(readPathData(d), [1, 0, 0, -1, 0, size])
    return `<glyph glyph-name="${escaped(name)}" unicode="&#${code};" horiz-adv-x="${size}" d="${pathData(path, 1)}"/>`
  })
  const svg = `<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg"><defs><font id="font" horiz-adv-x="${size}"><font-face font-family="${escaped(family)}" units-per-em="${size}" ascent="${size}" descent="0"/><missing-glyph horiz-adv-x="${size}"/>${written.join('')}</font></defs></svg>`
  return new Uint8Array(svg2ttf(svg, { ts: 0, version: '1.0', description: family, url: '' }).buffer)
}

export async function font(plan: FontPlan, format: 'ttf' | 'woff2'): Promise<Uint8Array> {
  const plain = await ttf(plan)
  if (format === 'ttf') return plain
  const { compress } = await import('wawoff2')
  return new Uint8Array(await compress(plain))
}
