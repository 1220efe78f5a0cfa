import { Bytes } from './bytes'

/** The glyph of a code point. */
type Mapping = { readonly code: number; readonly glyph: number }

type Run = { readonly start: number; end: number; readonly glyph: number }

/** Code points in runs whose glyphs follow one another. */
function runsOf(mappings: readonly Mapping[]): Run[] {
  const found: Run[] = []
  for (const { code, glyph } of [...mappings].sort((a, b) => a.code - b.code)) {
    const last = found.at(-1)
    if (last && code === last.end + 1 && glyph === last.glyph + code - last.start) last.end = code
    else found.push({ start: code, end: code, glyph })
  }
  return found
}

/** The table of code points (OpenType 1.9, “cmap”): for the basic plane in format 4, for all planes in format 12. */
export function cmapTable(mappings: readonly Mapping[]): Bytes {
  const basic = segments(mappings.filter(({ code }) => code < 0xffff)),
    all = groups(mappings)
  const head = 4 + 4 * 8
  const entries = [
    [0, 3, head],
    [0, 4, head + basic.length],
    [3, 1, head],
    [3, 10, head + basic.length],
  ] as const
  const table = new Bytes().u16(0, entries.length)
  for (const [platform, encoding, offset] of entries) table.u16(platform, encoding).u32(offset)
  return table.add(basic).add(all)
}

function segments(mappings: readonly Mapping[]): Bytes {
  const list: Run[] = [...runsOf(mappings), { start: 0xffff, end: 0xffff, glyph: 0 }],
    count = list.length,
    log = Math.floor(Math.log2(count))
  return new Bytes()
    .u16(4, 16 + 8 * count, 0, 2 * count, 2 * 2 ** log, log, 2 * (count - 2 ** log))
    .u16(...list.map(({ end }) => end))
    .u16(0)
    .u16(...list.map(({ start }) => start))
    .u16(...list.map(({ start, glyph }) => (start === 0xffff ? 1 : glyph - start)))
    .u16(...list.map(() => 0))
}

function groups(mappings: readonly Mapping[]): Bytes {
  const list = runsOf(mappings)
  const table = new Bytes().u16(12, 0).u32(16 + 12 * list.length, 0, list.length)
  for (const { start, end, glyph } of list) table.u32(start, end, glyph)
  return table
}
