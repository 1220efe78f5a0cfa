import type { Face, Glyph } from './face'

/** The part of opentype.js's font that is used. */
type FontLike = {
  readonly unitsPerEm: number
  charToGlyph(char: string): GlyphLike
  getAdvanceWidth(text: string, size: number): number
}

type GlyphLike = {
  readonly index: number
  readonly advanceWidth?: number | undefined
  getPath(x: number, y: number, size: number): { readonly commands: readonly Command[] }
}

type Command = {
  readonly type: string
  readonly x?: number
  readonly y?: number
  readonly x1?: number
  readonly y1?: number
  readonly x2?: number
  readonly y2?: number
}

/** The printable characters of Latin 1, and a few signs that texts have. */
const CHARACTERS: readonly string[] = [
  ...Array.from({ length: 95 }, (_, i) => String.fromCharCode(32 + i)),
  ...Array.from({ length: 96 }, (_, i) => String.fromCharCode(160 + i)),
  ...'–—‘’“”…•€ŒœŠšŽžŸ',
]

/** The outlines and kerning of a font, for the characters it has of those given. */
export function faceOfFont(font: FontLike, name: string, characters: readonly string[] = CHARACTERS): Face {
  const there = characters
    .map((char) => ({ char, glyph: font.charToGlyph(char) }))
    .filter(({ glyph }) => glyph.index !== 0)
  const glyphs: Record<string, Glyph> = {}
  for (const { char, glyph } of there)
    glyphs[char] = {
      advance: glyph.advanceWidth ?? 0,
      contours: contoursOf(glyph.getPath(0, 0, font.unitsPerEm).commands),
    }
  const kerning: Record<string, number> = {}
  const kerned = there.filter(({ char }) => /[\p{L}\p{N}\p{P}]/u.test(char))
  for (const a of kerned) {
    for (const b of kerned) {
      // Whatever table the font keeps its kerning in, a pair is as much wider or narrower than its characters.
      const value = round(
        font.getAdvanceWidth(a.char + b.char, font.unitsPerEm) -
          (a.glyph.advanceWidth ?? 0) -
          (b.glyph.advanceWidth ?? 0),
      )
      if (value !== 0) kerning[a.char + b.char] = value
    }
  }
  return { name, unitsPerEm: font.unitsPerEm, glyphs, kerning }
}

/** Path commands, y downwards, as contours with y upwards. */
function contoursOf(commands: readonly Command[]): Glyph['contours'] {
  const contours: number[][][] = []
  const at = (x?: number, y?: number) => [round(x ?? 0), round(-(y ?? 0))]
  for (const { type, x, y, x1, y1, x2, y2 } of commands) {
    if (type === 'M') contours.push([at(x, y)])
    else if (type === 'L') contours.at(-1)?.push(at(x, y))
    else if (type === 'Q') contours.at(-1)?.push([...at(x1, y1), ...at(x, y)])
    else if (type === 'C') contours.at(-1)?.push([...at(x1, y1), ...at(x2, y2), ...at(x, y)])
  }
  return contours.filter((contour) => contour.length > 2)
}

const round = (value: number): number => Math.round(value * 100) / 100 + 0
