import type { Picture } from '@/core/proof/picture'

/** A picture that the server keeps: its id and its size in pixels. */
type KeptPicture = { readonly id: string; readonly w: number; readonly h: number }

export const pictureUrl = (id: string): string => `/api/pictures/${id}`

/** The file kinds that can be references. */
export const PICTURE_FILES = 'image/png,image/jpeg,image/webp,image/svg+xml'

export const isPicture = (file: File): boolean => PICTURE_FILES.split(',').includes(file.type)

/** Has the server keep a picture. Throws a sentence when it cannot. */
export async function keepPicture(file: Blob): Promise<KeptPicture> {
  const answer = await fetch('/api/pictures', { method: 'POST', body: file }).catch(() => null)
  if (!answer) throw new Error('The server cannot be reached; the picture was not taken.')
  const body = (await answer.json().catch(() => ({}))) as KeptPicture & { message?: string }
  if (!answer.ok) throw new Error(body.message ?? 'The picture could not be added.')
  return body
}

const known = new Map<string, Promise<Picture | null>>()
const there = new Map<string, Picture>()

/** The undimmed pixels of a stored picture; null if it is missing. Memoised. */
export function pixelsOf(id: string): Promise<Picture | null> {
  let pixels = known.get(id)
  if (!pixels) known.set(id, (pixels = read(id)))
  return pixels
}

/** The pixels when they have been read already; else they are read for next time. */
export function pixelsNow(id: string): Picture | null {
  if (!there.has(id)) void pixelsOf(id)
  return there.get(id) ?? null
}

async function read(id: string): Promise<Picture | null> {
  const answer = await fetch(pictureUrl(id)).catch(() => null)
  if (!answer?.ok) {
    known.delete(id)
    return null
  }
  const bitmap = await createImageBitmap(await answer.blob(), {
    premultiplyAlpha: 'none',
    colorSpaceConversion: 'none',
  })
  const context = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d', { willReadFrequently: true })!
  context.drawImage(bitmap, 0, 0)
  const picture = context.getImageData(0, 0, bitmap.width, bitmap.height)
  bitmap.close()
  there.set(id, picture)
  return picture
}
