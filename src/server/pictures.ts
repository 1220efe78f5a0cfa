import { createHash } from 'node:crypto'
import { Resvg } from '@resvg/resvg-js'
import { imageSize } from 'image-size'
import type { Db } from './database'
import { done, failed, type Result } from './failure'

/** The largest picture that is taken, in bytes, and the most pixels along a side. */
export const PICTURE_BYTES = 25 * 2 ** 20
const MOST = 8000

/** How many pixels long the longer side of a drawn picture (SVG) becomes. */
const DRAWN = 2048

export type PictureKind = 'image/png' | 'image/jpeg' | 'image/webp'

/** A picture that is kept: the id is made of its bytes, so that the same picture is kept once. */
export type StoredPicture = { readonly id: string; readonly kind: PictureKind; readonly w: number; readonly h: number; readonly bytes: Uint8Array }

const KINDS: Record<string, PictureKind> = { png: 'image/png', jpg: 'image/jpeg', webp: 'image/webp' }

/** Keeps a picture and gives its id and size in pixels. Drawings (SVG) become pixels first: nothing of their text is ever shown. */
export async function addPicture(db: Db, bytes: Uint8Array): Promise<Result<Omit<StoredPicture, 'bytes'>>> {
  if (bytes.length > PICTURE_BYTES) return failed('too-large', `The picture is larger than ${PICTURE_BYTES / 2 ** 20} MB, the most that is taken.`)
  const read = pixels(bytes)
  if (!read.ok) return read
  const { kind, w, h, bytes: kept } = read.value
  const id = createHash('sha256').update(kept).digest('hex').slice(0, 24)
  await db.insertInto('pictures').values({ id, kind, w, h, bytes: Buffer.from(kept), added_at: new Date().toISOString() }).onConflict((on) => on.column('id').doNothing()).execute()
  return done({ id, kind, w, h })
}

function pixels(bytes: Uint8Array): Result<Omit<StoredPicture, 'id'>> {
  let size: ReturnType<typeof imageSize>
  try {
    size = imageSize(bytes)
  } catch {
    return failed('invalid', 'This is no picture that can be read: PNG, JPEG, WebP or SVG.')
  }
  if (size.type === 'svg') return drawn(bytes)
  const kind = KINDS[size.type ?? '']
  if (!kind) return failed('invalid', 'This kind of picture is not taken: PNG, JPEG, WebP or SVG.')
  if (size.width < 1 || size.height < 1) return failed('invalid', 'The picture has no pixels.')
  if (size.width > MOST || size.height > MOST) return failed('too-large', `The picture is ${size.width} × ${size.height} pixels; at most ${MOST} along a side are taken.`)
  // What the camera turned on its side is shown upright.
  const turned = (size.orientation ?? 1) >= 5
  return done({ kind, w: turned ? size.height : size.width, h: turned ? size.width : size.height, bytes })
}

function drawn(bytes: Uint8Array): Result<Omit<StoredPicture, 'id'>> {
  try {
    const svg = Buffer.from(bytes), { width, height } = new Resvg(svg, { font: { loadSystemFonts: false } })
    const image = new Resvg(svg, { fitTo: { mode: width >= height ? 'width' : 'height', value: DRAWN }, font: { loadSystemFonts: false } }).render()
    return done({ kind: 'image/png', w: image.width, h: image.height, bytes: image.asPng() })
  } catch {
    return failed('invalid', 'This SVG file cannot be drawn.')
  }
}

export async function readPicture(db: Db, id: string): Promise<StoredPicture | null> {
  const row = await db.selectFrom('pictures').select(['id', 'kind', 'w', 'h', 'bytes']).where('id', '=', id).executeTakeFirst()
  return row ? { ...row, kind: row.kind as PictureKind } : null
}
