import type { PictureFile } from './picture-file'

/** Pictures (PNG) as one ICO: large ones as they are, smaller ones as bitmaps, which every reader takes. */
export const ico: PictureFile = async (pictures) => {
  const { IconIco } = await import('@shockpkg/icon-encoder')
  const file = new IconIco()
  for (const { png } of pictures) await file.addFromPng(png, null, true)
  return file.encode()
}
