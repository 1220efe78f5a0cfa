import { Bytes } from './bytes'

/** Glyphs that become one glyph where they follow each other. */
type Ligature = { readonly parts: readonly number[]; readonly glyph: number }

/** Tables one after the other behind a list of their offsets; `before` bytes stand before the list. */
function listed(before: number, tables: readonly Bytes[], offsetsOf: (offsets: readonly number[]) => Bytes): Bytes {
  let at = before
  const list = offsetsOf(
    tables.map(({ length }) => {
      const offset = at
      at += length
      return offset
    }),
  )
  for (const table of tables) list.add(table)
  return list
}

/** The substitution table (OpenType 1.9, “GSUB”) with one feature, “liga”, for the default and the Latin script. */
export function ligatureTable(ligatures: readonly Ligature[]): Bytes {
  // No order of lookups, no required feature, one feature: the first.
  const language = new Bytes().u16(0, 0xffff, 1, 0),
    script = new Bytes().u16(4, 0).add(language)
  const scripts = listed(2 + 2 * 6, [script, script], ([first, second]) =>
    new Bytes().u16(2).tag('DFLT').u16(first!).tag('latn').u16(second!),
  )
  const features = new Bytes().u16(1).tag('liga').u16(8).u16(0, 1, 0)
  const lookups = new Bytes().u16(1, 4).add(new Bytes().u16(4, 0, 1, 8).add(substitution(ligatures)))
  const [atScripts, atFeatures] = [10, 10 + scripts.length]
  return new Bytes()
    .u16(1, 0, atScripts, atFeatures, atFeatures + features.length)
    .add(scripts)
    .add(features)
    .add(lookups)
}

/** Ligatures by their first glyph, longer ones first, so that none hides another (“GSUB”, lookup type 4). */
function substitution(ligatures: readonly Ligature[]): Bytes {
  const firsts = [...new Set(ligatures.map(({ parts }) => parts[0]!))].sort((a, b) => a - b)
  const sets = firsts.map((first) => {
    const own = ligatures.filter(({ parts }) => parts[0] === first).sort((a, b) => b.parts.length - a.parts.length)
    const tables = own.map(({ parts, glyph }) => new Bytes().u16(glyph, parts.length, ...parts.slice(1)))
    return listed(2 + 2 * own.length, tables, (offsets) => new Bytes().u16(own.length, ...offsets))
  })
  const coverage = new Bytes().u16(1, firsts.length, ...firsts)
  return listed(6 + 2 * sets.length, [...sets, coverage], (offsets) =>
    new Bytes().u16(1, offsets.at(-1)!, sets.length, ...offsets.slice(0, -1)),
  )
}
