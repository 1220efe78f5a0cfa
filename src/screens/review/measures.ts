import { median } from '@/core/checks/family/ink-beside'
import type { Balance } from '@/core/proof/balance'
import type { Rules } from '@/core/rules/rules'

/** A figure that icons of a family are compared by. */
export type Measure = {
  readonly id: string
  readonly word: string
  readonly hint: string
  readonly read: (balance: Balance, rules: Rules) => number
  readonly said: (value: number) => string
  /** How far from the middle of the family, as a share of it, an icon stands out; endless where none ever does. */
  readonly stands: number
}

const percent = (value: number): string => `${Math.round(value * 100)} %`

/** The keyline that a silhouette comes nearest to, and how much of it it fills. */
function reach({ w, h }: Balance, { keylines, liveArea }: Rules): number {
  const all = keylines.length > 0 ? keylines : [{ w: liveArea, h: liveArea }]
  const room = (one: { w: number; h: number }) => Math.abs(one.w - w) / one.w + Math.abs(one.h - h) / one.h
  const own = all.reduce((best, one) => (room(one) < room(best) ? one : best))
  return Math.max(w / own.w, h / own.h)
}

export const MEASURES: readonly Measure[] = [
  {
    id: 'weight',
    word: 'visual weight',
    hint: 'How much the icon differs from its ground, pixel by pixel at 16',
    read: ({ weight }) => weight,
    said: percent,
    stands: 0.4,
  },
  {
    id: 'size',
    word: 'size against its keyline',
    hint: 'How much of the keyline it comes nearest to the silhouette fills',
    read: reach,
    said: percent,
    stands: 0.08,
  },
  {
    id: 'round',
    word: 'roundness',
    hint: 'How much of the least circle around it a rubber band around the icon encloses',
    read: ({ roundness }) => roundness,
    said: percent,
    stands: Infinity,
  },
  {
    id: 'off',
    word: 'off the middle',
    hint: 'How far the ink balances off the middle of the square, as a share of it',
    read: ({ centre }, { grid }) => Math.hypot(centre.x, centre.y) / grid.size,
    said: percent,
    stands: 3,
  },
  {
    id: 'nodes',
    word: 'nodes',
    hint: 'Segments of the outline of all its ink',
    read: ({ nodes }) => nodes,
    said: String,
    stands: 1.2,
  },
  {
    id: 'strokes',
    word: 'painted by strokes',
    hint: 'How much of what is painted is strokes, the rest being fills',
    read: ({ strokes }) => strokes,
    said: percent,
    stands: Infinity,
  },
  {
    id: 'crisp',
    word: 'crisp at the smallest size',
    hint: 'The share of straight edges that lie on pixels at the smallest delivered size',
    read: ({ crisp }) => crisp[0] ?? 1,
    said: percent,
    stands: Infinity,
  },
]

export type Reading = { readonly id: string; readonly name: string; readonly value: number; readonly stands: boolean }

/** What a measure reads of each icon of a family, and which stand out. */
export function readings(
  measure: Measure,
  siblings: readonly { readonly id: string; readonly name: string; readonly balance: Balance | null }[],
  rules: Rules,
): { readonly all: readonly Reading[]; readonly middle: number } {
  const read = siblings.flatMap(({ id, name, balance }) =>
    balance ? [{ id, name, value: measure.read(balance, rules) }] : [],
  )
  const middle = median(read.map(({ value }) => value))
  return {
    middle,
    all: read.map((one) => ({ ...one, stands: Math.abs(one.value - middle) > measure.stands * Math.abs(middle) })),
  }
}

/** How many readings a chart shows at most: more would be closer than pixels. */
const SHOWN = 240

/** Readings to display: of neighbours at the same place, the one farthest from the middle. */
export function shownOf(all: readonly Reading[], middle: number): readonly Reading[] {
  const share = Math.ceil(all.length / SHOWN)
  if (share <= 1) return all
  return Array.from({ length: Math.ceil(all.length / share) }, (_, i) =>
    all
      .slice(i * share, (i + 1) * share)
      .reduce((far, one) => (Math.abs(one.value - middle) > Math.abs(far.value - middle) ? one : far)),
  )
}
