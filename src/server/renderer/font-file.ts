import { fontFlavour } from '../../core/formats/import/font'
import { done, failed, type Result } from '../result'

/** The most bytes that a font may unpack to. */
const MOST = 64 * 2 ** 20

/** A WOFF2 font (W3C, WOFF File Format 2.0) as the TrueType or OpenType font that is packed in it. */
export async function readFontFile(bytes: Uint8Array): Promise<Result<Uint8Array>> {
  if (fontFlavour(bytes) !== 'woff2' || bytes.length < 48) return failed('invalid', 'This is no WOFF2 font.')
  // How large it is unpacked stands in its header (§4.1, totalSfntSize).
  if (new DataView(bytes.buffer, bytes.byteOffset).getUint32(16) > MOST)
    return failed('too-large', `The font is larger than ${MOST / 2 ** 20} MB, the most that is taken.`)
  const { decompress } = await import('wawoff2')
  try {
    return done(new Uint8Array(await decompress(bytes)))
  } catch {
    return failed('invalid', 'The WOFF2 font cannot be unpacked.')
  }
}
