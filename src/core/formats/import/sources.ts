import { fileError, type FileProblem } from '../../findings/problem'
import { Refusal } from '../../findings/refusal'
import { fontFlavour, iconsOfFont, iconsOfSvgFont } from './font'
import { MOST, type Source } from './reading'
import { parseXml } from './svg/xml'

/**
 * What an unpacked file holds to be read: itself as text, or every glyph of a font. A WOFF2 font is unpacked before, to a
 * font of another form; else it is not read.
 */
export function sourcesIn(path: string, bytes: Uint8Array): readonly (Source | FileProblem)[] {
  if (bytes.length > 4 * MOST.characters)
    return [fileError(path, `It is larger than ${(4 * MOST.characters) / 1e6} MB.`)]
  try {
    const flavour = fontFlavour(bytes)
    if (flavour === 'woff2') return [fileError(path, 'The WOFF2 font cannot be unpacked.')]
    if (flavour) return iconsOfFont(path, bytes)
    const text = textOf(bytes)
    if (text === null) return [fileError(path, 'It is not text.')]
    return (/<font[\s>]/.test(text) && iconsOfSvgFont(path, parseXml(text))) || [{ path, text }]
  } catch (error) {
    if (error instanceof Refusal) return [fileError(path, error.message)]
    return [fileError(path, 'It is broken.')]
  }
}

function textOf(bytes: Uint8Array): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return null
  }
}
