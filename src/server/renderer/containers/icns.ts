import type { PictureFile } from './picture-file'

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
export const icns: PictureFile = async (pictures) => {
  const { IconIcns } = await import('@shockpkg/icon-encoder')
  const file = new IconIcns()
  for (const { pixels, png } of pictures) await file.addFromPng(png, [...(PLACES[pixels] ?? [])], true)
  return file.encode()
}
