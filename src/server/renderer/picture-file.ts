import { imageSize } from 'image-size'
import { TooMuch } from '../../core/formats/import/budget'
import { readSvg } from '../../core/formats/import/svg/read-svg'
import { png } from '../../core/formats/png'
import { done, failed, type Result } from '../result'
import { startForeignRasteriser } from './foreign-drawing'

/** The most pixels along a side of a picture that is taken. */
const MOST = 8000

/** How many pixels long the longer side of a drawn picture (SVG) becomes. */
const DRAWN = 2048

export type PictureKind = 'image/png' | 'image/jpeg' | 'image/webp'

/** A stored picture: media type, size in pixels, bytes. */
export type ReadPicture = {
  readonly kind: PictureKind
  readonly w: number
  readonly h: number
  readonly bytes: Uint8Array
}

const KINDS: Record<string, PictureKind> = { png: 'image/png', jpg: 'image/jpeg', webp: 'image/webp' }

/**
 * Converts a picture file to its stored form. SVG drawings become pixels: their text is never shown, and they read no
 * files.
 */
export async function readPictureFile(bytes: Uint8Array): Promise<Result<ReadPicture>> {
  let size: ReturnType<typeof imageSize>
  try {
    size = imageSize(bytes)
  } catch {
    return failed('invalid', 'This is no picture that can be read: PNG, JPEG, WebP or SVG.')
  }
  if (size.type === 'svg') return drawn(bytes)
  const kind = KINDS[size.type ?? '']
  if (!kind) return failed('invalid', 'This kind of picture is not taken: PNG, JPEG, WebP or SVG.')
  if (!(size.width >= 1 && size.height >= 1)) return failed('invalid', 'The picture has no pixels.')
  if (size.width > MOST || size.height > MOST)
    return failed(
      'too-large',
      `The picture is ${size.width} × ${size.height} pixels; at most ${MOST} along a side are taken.`,
    )
  // What the camera turned on its side is shown upright.
  const turned = (size.orientation ?? 1) >= 5
  return done({ kind, w: turned ? size.height : size.width, h: turned ? size.width : size.height, bytes })
}

/** The exceeded bound of an SVG file, as a sentence; null within the bounds. */
function excessOf(bytes: Uint8Array): string | null {
  try {
    readSvg(new TextDecoder().decode(bytes), 'drawn')
    return null
  } catch (error) {
    return error instanceof TooMuch ? error.message : null
  }
}

async function drawn(bytes: Uint8Array): Promise<Result<ReadPicture>> {
  const excess = excessOf(bytes)
  if (excess !== null) return failed('invalid', excess)
  const rasterise = await startForeignRasteriser()
  try {
    const pixels = rasterise(bytes, DRAWN)
    return done({ kind: 'image/png', w: pixels.width, h: pixels.height, bytes: png(pixels) })
  } catch (error) {
    if (error instanceof WebAssembly.RuntimeError) throw error
    return failed('invalid', 'This SVG file cannot be drawn.')
  }
}
