import type { PictureFile } from './picture-file'

/** Writes PNG pictures as one ICO file: large ones as PNG, smaller ones as bitmaps, which every reader supports. */
export const ico: PictureFile = async (pictures) => {
  const { IconIco } = await import('@shockpkg/icon-encoder')
  const file = new IconIco()
  for (const { png } of pictures) await file.addFromPng(png, null, true)
  return file.encode()
}
