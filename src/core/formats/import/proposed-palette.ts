import { converter } from 'culori'
import type { Rules } from '../../rules/rules'
import { INK } from './svg/paint'
import type { Count } from './tally'

/** Colours none of whose parts differ by more, of 255, were meant to be one. */
const ALIKE = 8

/** How many swatches are named at most. */
const MOST = 24

const asOklch = converter('oklch')

/** Hues by the degree at which each ends (OKLCH). */
const HUES: readonly (readonly [number, string])[] = [
  [15, 'rose'],
  [45, 'red'],
  [75, 'orange'],
  [115, 'yellow'],
  [160, 'green'],
  [200, 'teal'],
  [240, 'sky'],
  [285, 'blue'],
  [320, 'violet'],
  [350, 'pink'],
  [361, 'rose'],
]

/** A plain word for a colour. */
function wordFor(hex: string): string {
  const { l, c = 0, h = 0 } = asOklch(hex.slice(0, 7)) ?? { l: 0 }
  if (c < 0.03) return l > 0.95 ? 'white' : l < 0.25 ? 'black' : 'grey'
  return HUES.find(([end]) => h < end)![1]
}

/** Whether two colours are nearly equal, and probably meant to be one. */
function areAlike(a: string, b: string): boolean {
  if (a === INK || b === INK || a.length !== b.length) return false
  return [1, 3, 5, 7].every(
    (at) =>
      Math.abs(Number.parseInt(a.slice(at, at + 2) || '0', 16) - Number.parseInt(b.slice(at, at + 2) || '0', 16)) <=
      ALIKE,
  )
}

/** The palette of colours by how often they occur; ink is the colour of the text around, else the most frequent one. */
export function paletteOf(counts: readonly Count<string>[]): {
  palette: Rules['palette']
  named: readonly Count<string>[]
} {
  const own = counts.find(({ value }) => value === INK)
  const leader = own ?? counts[0]
  const rest = counts.filter(
    (one, i) =>
      one !== leader && one.value !== INK && !counts.slice(0, i).some((other) => areAlike(one.value, other.value)),
  )
  const swatches = rest.filter(({ count }) => rest.length <= MOST || count > 1).slice(0, MOST)
  const ink =
    !leader || leader.value === INK || wordFor(leader.value) === 'black'
      ? { name: INK, color: leader && leader.value !== INK ? leader.value : '#14231f', dark: '#f4f7f5' }
      : { name: INK, color: leader.value }
  const taken = new Map<string, number>([[INK, 1]])
  const palette = swatches.map(({ value }) => {
    const word = wordFor(value),
      times = (taken.get(word) ?? 0) + 1
    taken.set(word, times)
    return { name: times === 1 ? word : `${word}-${times}`, color: value }
  })
  return { palette: [ink, ...palette], named: leader ? [leader, ...swatches] : [] }
}
