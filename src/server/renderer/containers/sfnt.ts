/** A font file by its tables (OpenType 1.9, “Font file”): the bytes of each by its tag. */
type Tables = Map<string, Uint8Array>

const padded = (length: number): number => (length + 3) & ~3

/** The sum of the big-endian words of bytes, modulo 2³². */
function checksum(bytes: Uint8Array): number {
  const whole = new Uint8Array(padded(bytes.length))
  whole.set(bytes)
  const view = new DataView(whole.buffer)
  let sum = 0
  for (let at = 0; at < whole.length; at += 4) sum = (sum + view.getUint32(at)) >>> 0
  return sum
}

/** Required sum of a font's checksum and its adjustment (OpenType, head.checksumAdjustment). */
const WHOLE = 0xb1b0afba

/** Tables as a TrueType font, in order of their tags, with their checksums. */
export function fontOf(tables: Tables): Uint8Array {
  const entries = [...tables].sort(([a], [b]) => (a < b ? -1 : 1)),
    count = entries.length,
    log = Math.floor(Math.log2(count))
  const head = tables.get('head')!
  new DataView(head.buffer, head.byteOffset).setUint32(8, 0)
  const begin = 12 + 16 * count
  const font = new Uint8Array(entries.reduce((sum, [, bytes]) => sum + padded(bytes.length), begin)),
    view = new DataView(font.buffer)
  view.setUint32(0, 0x10000)
  for (const [i, value] of [count, 16 * 2 ** log, log, 16 * (count - 2 ** log)].entries())
    view.setUint16(4 + 2 * i, value)
  let at = begin
  entries.forEach(([tag, bytes], i) => {
    const record = 12 + 16 * i
    for (let k = 0; k < 4; k++) font[record + k] = tag.charCodeAt(k)
    view.setUint32(record + 4, checksum(bytes))
    view.setUint32(record + 8, at)
    view.setUint32(record + 12, bytes.length)
    font.set(bytes, at)
    at += padded(bytes.length)
  })
  const record = entries.findIndex(([tag]) => tag === 'head')
  view.setUint32(view.getUint32(12 + 16 * record + 8) + 8, (WHOLE - checksum(font)) >>> 0)
  return font
}

/** Where names are for: Windows, Unicode, English of the United States. */
const WINDOWS = [3, 1, 0x409] as const

/** A naming table (OpenType 1.9, “name”): texts by their numbers. */
export function nameTable(texts: Readonly<Record<number, string>>): Uint8Array {
  const records = Object.entries(texts).map(([id, text]) => ({ id: Number(id), bytes: utf16(text) }))
  const strings = 6 + 12 * records.length
  const table = new Uint8Array(records.reduce((sum, { bytes }) => sum + bytes.length, strings)),
    view = new DataView(table.buffer)
  view.setUint16(2, records.length)
  view.setUint16(4, strings)
  let offset = 0
  records.forEach(({ id, bytes }, i) => {
    for (const [k, value] of [...WINDOWS, id, bytes.length, offset].entries()) view.setUint16(6 + 12 * i + 2 * k, value)
    table.set(bytes, strings + offset)
    offset += bytes.length
  })
  return table
}

function utf16(text: string): Uint8Array {
  const bytes = new Uint8Array(2 * text.length),
    view = new DataView(bytes.buffer)
  for (let i = 0; i < text.length; i++) view.setUint16(2 * i, text.charCodeAt(i))
  return bytes
}
