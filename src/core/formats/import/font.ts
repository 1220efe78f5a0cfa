import { Refusal } from '../../findings/refusal'
import { parse, type Font } from 'opentype.js'
import { PRIVATE, type Source } from './reading'
import { elementsIn, type XmlElement } from './svg/xml'

/** A glyph as an icon: its name, its code point, its outline with y upwards, and how far it advances. */
type Glyph = { readonly name: string; readonly code: number | null; readonly d: string; readonly advance: number }

/** The glyphs of a font that are drawn, and where its lines of text begin and end, in its units. */
type Face = { readonly ascent: number; readonly descent: number; readonly glyphs: readonly Glyph[] }

/** The sides of grids that icons of a font may have been drawn on; the first where none fits better. */
const GRIDS = [24, 16, 20, 32, 48] as const

/** The most glyphs that one font is read of. */
const MOST = 20_000

/** How near to a half unit of a grid a coordinate lies that was drawn on it, in units. */
const ON_GRID = 0.03

/** The first bytes of font files, and their formats. */
const FLAVOURS: Readonly<Record<string, 'sfnt' | 'woff' | 'woff2'>> = {
  '\0\x01\0\0': 'sfnt',
  OTTO: 'sfnt',
  true: 'sfnt',
  wOFF: 'woff',
  wOF2: 'woff2',
}

/** What a file is by its first bytes where it is a font; null of anything else. */
export const fontFlavour = (bytes: Uint8Array): 'sfnt' | 'woff' | 'woff2' | null =>
  FLAVOURS[String.fromCharCode(...bytes.subarray(0, 4))] ?? null

/** The icons of a TrueType, OpenType or WOFF font, each as a document with the code point that it has. Throws `Unreadable`. */
export function iconsOfFont(path: string, bytes: Uint8Array): Source[] {
  let font: Font
  try {
    font = parse(new Uint8Array(bytes).buffer)
  } catch {
    throw new Refusal('unreadable', 'The font cannot be read.')
  }
  const glyphs: Glyph[] = []
  for (let i = 0; i < Math.min(font.glyphs.length, MOST); i++) {
    const { name, unicodes, path: outline, advanceWidth } = font.glyphs.get(i)
    const unicode = unicodes.find((code) => code >= PRIVATE) ?? unicodes[0]
    const d = outline.commands.map(commandOf).join('')
    if (d === '' || name === '.notdef') continue
    glyphs.push({ name: nameOf(name, unicode), code: unicode ?? null, d, advance: advanceWidth ?? font.unitsPerEm })
  }
  return documentsOf(path, { ascent: font.ascender, descent: font.descender, glyphs })
}

/** The icons of an SVG font (SVG 1.1 §20); none where the document has no font. */
export function iconsOfSvgFont(path: string, root: XmlElement): Source[] | null {
  const font = elementsIn(root, 'font')[0]
  if (!font) return null
  const face = elementsIn(font, 'font-face')[0]?.attributes ?? {}
  const em = Number(face['units-per-em'] ?? 1000),
    width = font.attributes['horiz-adv-x']
  const glyphs = elementsIn(font, 'glyph')
    .slice(0, MOST)
    .flatMap(({ attributes: own }): Glyph[] => {
      const signs = [...(own.unicode ?? '')],
        code = signs.length === 1 ? signs[0]!.codePointAt(0)! : null
      if (!own.d?.trim()) return []
      const name = own['glyph-name'] ?? (signs.length > 1 ? own.unicode : undefined)
      return [
        { name: nameOf(name, code ?? undefined), code, d: own.d, advance: Number(own['horiz-adv-x'] ?? width ?? em) },
      ]
    })
  return documentsOf(path, { ascent: Number(face.ascent ?? em), descent: Number(face.descent ?? 0), glyphs })
}

type Command = Font['glyphs'] extends { get(i: number): { path: { commands: (infer C)[] } } } ? C : never

function commandOf(command: Command): string {
  const { type, x, y, x1, y1, x2, y2 } = command as Record<string, number> & { readonly type: string }
  switch (type) {
    case 'M':
    case 'L':
      return `${type}${x} ${y}`
    case 'Q':
      return `Q${x1} ${y1} ${x} ${y}`
    case 'C':
      return `C${x1} ${y1} ${x2} ${y2} ${x} ${y}`
    default:
      return 'Z'
  }
}

/** A glyph's name; of one without, or with one that tells its code point alone, that. */
const nameOf = (name: string | null | undefined, code: number | undefined): string =>
  name && !/^(?:uni[0-9A-F]{4}|u[0-9A-F]{4,6}|glyph\d+|gid\d+)$/i.test(name)
    ? name.replaceAll('/', '-')
    : `u${(code ?? 0).toString(16).padStart(4, '0')}`

/** Glyphs as documents: each in the square of its line of text, on the grid that the font was drawn on. */
function documentsOf(path: string, { ascent, descent, glyphs }: Face): Source[] {
  const height = ascent - descent
  if (!(height > 0)) throw new Refusal('unreadable', 'The font does not state its line height.')
  const grid = gridOf(glyphs, height)
  const folder = path.replace(/\.[^.]*$/, '')
  return glyphs.map(({ name, code, d, advance }) => {
    const side = Math.max(height, advance),
      k = grid / side
    const map = [k, 0, 0, -k, ((side - advance) / 2) * k, (ascent + (side - height) / 2) * k]
    return {
      path: `${folder}/${name}.svg`,
      text: `<svg viewBox="0 0 ${grid} ${grid}"><path transform="matrix(${map.join(' ')})" d="${d}"/></svg>`,
      ...(code !== null && { code }),
    }
  })
}

/** The grid on whose half units most ends of level and plumb lines lie. */
function gridOf(glyphs: readonly Glyph[], height: number): number {
  const numbers = glyphs.slice(0, 200).flatMap(({ d }) => [...d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)])
  const share = (grid: number) => {
    const on = numbers.filter(([, x, y]) =>
      [x, y].every((text) => {
        const halves = (2 * Number(text) * grid) / height
        return Math.abs(halves - Math.round(halves)) < 2 * ON_GRID
      }),
    )
    return on.length / Math.max(1, numbers.length)
  }
  return GRIDS.reduce<number>((best, grid) => (share(grid) > share(best) + 0.1 ? grid : best), GRIDS[0])
}
