import { IconName } from '../../set/names'

/** What the path of a file says of its icon: its name, the folders it lies in, its size and its style. */
export type Named = {
  readonly name: string
  /** The name with the word for its style, which may be a part of the name after all; null where it has none. */
  readonly fullName: string | null
  readonly tags: readonly string[]
  readonly size: number | null
  readonly style: Style | null
}

/** The styles that names and folders speak of; most sets have one of them without a word. */
export const STYLES = ['outline', 'solid', 'duotone', 'light', 'bold', 'thin', 'regular', 'sharp', 'rounded'] as const
export type Style = (typeof STYLES)[number]

const WORDS: Readonly<Record<string, Style>> = {
  ...Object.fromEntries(STYLES.map((style) => [style, style])),
  outlined: 'outline',
  line: 'outline',
  linear: 'outline',
  stroke: 'outline',
  fill: 'solid',
  filled: 'solid',
  glyph: 'solid',
  round: 'rounded',
  twotone: 'duotone',
}

const styleIn = (word: string): Style | null => {
  const key = word.toLowerCase().replace(/[^a-z]/g, '')
  return Object.hasOwn(WORDS, key) ? WORDS[key]! : null
}

/** A size in pixels as folders and files write it: 24, 24px, 24x24; 24@2x counts as 24. */
function sizeIn(word: string): { size: number; isSure: boolean } | null {
  const [, first, second, unit = ''] = /^(\d{1,4})(?:x(\d{1,4}))?(px|dp|pt)?(?:@\dx)?$/i.exec(word) ?? []
  if (first === undefined || (second !== undefined && second !== first)) return null
  const size = Number(first)
  return size >= 8 && size <= 2048 ? { size, isSure: second !== undefined || unit !== '' } : null
}

/** Folders that only say where files are kept. */
const PLAIN = new Set(['svg', 'svgs', 'icons', 'icon', 'assets', 'src', 'dist', 'img', 'images', 'export', 'exports'])

/**
 * Reads the path of a file whose square is so many units wide: `nav/24/arrow-left-fill.svg` is “arrow-left”, tagged “nav”, of
 * size 24, in the style “solid”. A bare number at the end of a name is a size only where it is that of the square: clock-12
 * is a clock.
 */
export function namedBy(path: string, side: number): Named {
  const parts = path.split('/').filter(Boolean)
  let stem = (parts.pop() ?? '').replace(/\.[^.]*$/, '').replace(/@\d(?:\.\d)?x$/i, '')
  let size: number | null = null,
    style: Style | null = null,
    full: string | null = null
  // At the end of a name may stand, once each, a size and a style.
  for (let i = 0; i < 2; i++) {
    const [, before, last] = /^(.+?)[-_. ]([^-_. ]+)$/.exec(stem) ?? []
    if (before === undefined || last === undefined) break
    const own: ReturnType<typeof sizeIn> = size === null ? sizeIn(last) : null,
      isSize = own !== null && (own.isSure || own.size === side)
    const ownStyle: Style | null = style === null ? styleIn(last) : null
    if (isSize) size = own.size
    else if (ownStyle !== null) {
      style = ownStyle
      full = stem
    } else break
    stem = before
  }
  const tags: string[] = []
  for (const folder of parts) {
    const own = sizeIn(folder)
    const ownStyle: Style | null = styleIn(folder)
    if (own) size ??= own.size
    else if (ownStyle !== null) {
      style ??= ownStyle
      // A folder is sure, so the word in the name is a part of the name.
      if (full !== null && style === ownStyle) full = null
    } else if (!PLAIN.has(folder.toLowerCase())) tags.push(tagOf(folder))
  }
  return {
    name: iconName(stem),
    fullName: full === null ? null : iconName(full),
    tags: [...new Set(tags.filter(Boolean))],
    size,
    style,
  }
}

const tagOf = (folder: string): string =>
  folder
    .replace(/,/g, ' ')
    .replace(/[\p{Cc}\p{Cf}]/gu, '')
    .trim()
    .slice(0, 40)
    .trim()

/** A text as the name of an icon: without what no file name may have. */
function iconName(text: string): string {
  const clean = text
    .normalize('NFC')
    .replace(/[\p{Cc}\p{Cf}\p{Zl}\p{Zp}\p{Surrogate}]/gu, '')
    .replace(/[/\\:*?"<>|]+/g, '-')
    .replace(/^[\s.]+|[\s.]+$/g, '')
    .slice(0, 76)
    .trim()
  return IconName.safeParse(clean).success ? clean : clean ? `icon-${clean}`.slice(0, 80) : 'icon'
}
