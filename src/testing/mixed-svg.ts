/**
 * A file made of others: three times something wrong, or a bit of another file, is put in; mostly into the values of
 * attributes, so that it stays well-formed and is read on, else anywhere.
 */
export function mixedSvg(texts: readonly string[], next: () => number): string {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!
  const inValues = next() < 0.8
  let text = pick(texts)
  for (let k = 0; k < 3; k++) {
    const other = pick(texts)
    if (inValues) {
      const values = [...text.matchAll(/="([^"<]*)"/g)],
        strange = [...other.matchAll(/="([^"<]*)"/g)].map(([, value]) => value!)
      const value = values.length > 0 ? pick(values) : null
      if (!value) continue
      const from = value.index + 2,
        at = from + Math.floor(next() * (value[1]!.length + 1)),
        cut = Math.min(from + value[1]!.length, at + Math.floor(9 * next()))
      const put = pick(['', '1e309', '-', 'NaN', '%', ' 0 0 0', '1e-30', '99999999', 'url(#a)', pick([...strange, ''])])
      text = text.slice(0, at) + put + text.slice(cut)
      continue
    }
    const at = Math.floor(next() * text.length),
      from = Math.floor(next() * other.length)
    const put = pick(['', '<', '"', '&x;', ']]>', other.slice(from, from + 30)])
    text = text.slice(0, at) + put + text.slice(at + Math.floor(9 * next()))
  }
  return text
}
