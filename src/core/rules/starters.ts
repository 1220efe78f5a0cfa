import type { Rules } from './rules'

type SetKind = 'interface' | 'app'

/** A rule book to start a set from. */
export type Starter = {
  readonly id: string
  readonly name: string
  readonly kind: SetKind
  readonly note: string
  readonly rules: Rules
}

const ink = { name: 'ink', color: '#14231f', dark: '#f4f7f5' }

/** What may not be delivered, once the rules say how small a gap and a counter may be. */
const checks: Rules['checks'] = { 'small-gap': 'error', 'small-counter': 'error' }

const common = { cap: 'round', join: 'round', miterLimit: 4, palette: [ink], checks, weightSteps: 'whole' } as const

/** Keylines of about equal area for a live area: circle, square, tall and wide, on whole units. */
function keylines(circle: number, square: number, long: number, short: number): Rules['keylines'] {
  return [
    { name: 'circle', shape: 'ellipse', w: circle, h: circle },
    { name: 'square', shape: 'rectangle', w: square, h: square },
    { name: 'tall', shape: 'rectangle', w: short, h: long },
    { name: 'wide', shape: 'rectangle', w: long, h: short },
  ]
}

const line = (
  main: number,
  other: number,
  outer: number,
  inner: number,
  word = 'fine',
): Pick<Rules, 'weights' | 'radii'> => ({
  weights: [
    { name: 'main', value: main },
    { name: word, value: other },
  ],
  radii: [
    { name: 'outer', value: outer },
    { name: 'inner', value: inner },
  ],
})

/** The rule books that ship with the product, in the order they are offered. */
export const STARTERS: readonly Starter[] = [
  {
    id: 'interface-24',
    name: 'Interface 24',
    kind: 'interface',
    note: 'Line icons on a 24 grid, main weight 2, live area 22.',
    rules: {
      grid: { size: 24, step: 0.5, major: 4 },
      liveArea: 22,
      keylines: keylines(22, 20, 22, 18),
      ...line(2, 1.5, 2, 1),
      ...common,
      palette: [ink],
      sizes: [16, 20, 24, 32, 48],
      densities: [1, 2, 3],
    },
  },
  {
    id: 'interface-20',
    name: 'Interface 20',
    kind: 'interface',
    note: 'Line icons on a 20 grid, main weight 2, live area 18.',
    rules: {
      grid: { size: 20, step: 0.5, major: 5 },
      liveArea: 18,
      keylines: keylines(18, 16, 18, 14),
      ...line(2, 1, 2, 1),
      ...common,
      palette: [ink],
      sizes: [16, 20, 24, 40],
      densities: [1, 2, 3],
    },
  },
  {
    id: 'compact-16',
    name: 'Compact 16',
    kind: 'interface',
    note: 'Small line icons on a 16 grid, main weight 1, live area 14.',
    rules: {
      grid: { size: 16, step: 0.5, major: 4 },
      liveArea: 14,
      keylines: keylines(14, 12, 14, 11),
      ...line(1, 2, 1.5, 1, 'strong'),
      ...common,
      palette: [ink],
      sizes: [16, 32],
      densities: [1, 2, 3],
    },
  },
  {
    id: 'app-1024',
    name: 'App icon 1024',
    kind: 'app',
    note: 'Filled app icons on a 1024 square, safe zone 832, one plate.',
    rules: {
      grid: { size: 1024, step: 8, major: 128 },
      liveArea: 832,
      keylines: keylines(640, 576, 656, 512),
      weights: [
        { name: 'main', value: 64 },
        { name: 'fine', value: 32 },
      ],
      radii: [
        { name: 'outer', value: 48 },
        { name: 'inner', value: 24 },
        { name: 'plate', value: 224 },
      ],
      ...common,
      palette: [
        ink,
        { name: 'ground', color: '#11807f' },
        { name: 'paper', color: '#fbfcfb' },
        { name: 'signal', color: '#d5401b' },
      ],
      sizes: [64, 128, 256, 512, 1024],
      densities: [1],
    },
  },
  {
    id: 'blank',
    name: 'Blank',
    kind: 'interface',
    note: 'A 24 grid and one weight, nothing else decided.',
    rules: {
      grid: { size: 24, step: 0.5, major: 4 },
      liveArea: 24,
      keylines: [],
      weights: [{ name: 'main', value: 1 }],
      radii: [],
      ...common,
      palette: [ink],
      sizes: [24],
      densities: [1],
    },
  },
]

export const starter = (id: string): Starter | undefined => STARTERS.find((entry) => entry.id === id)

/** The interface rule book to start from on a grid of any size: that of 24 units, brought to it. */
export function starterRules(grid: number): Rules {
  const { rules } = STARTERS.find((one) => one.kind === 'interface' && one.rules.grid.size === grid) ?? STARTERS[0]!
  if (rules.grid.size === grid) return rules
  const k = grid / rules.grid.size
  const scaled = (value: number) => Math.max(1, Math.round(value * k))
  const sizes = grid <= 64 ? [16, 20, 24, 32, 48] : [64, 128, 256, 512, 1024]
  return {
    ...rules,
    grid: {
      size: grid,
      step: grid >= 256 ? grid / 128 : 0.5,
      major: Math.min(512, Math.max(1, scaled(rules.grid.major))),
    },
    liveArea: scaled(rules.liveArea),
    keylines: rules.keylines.map((one) => ({ ...one, w: scaled(one.w), h: scaled(one.h) })),
    // Whole weights have both edges on pixels.
    weights: rules.weights.map(({ name, value }) => ({ name, value: scaled(value) })),
    radii: rules.radii.map(({ name, value }) => ({ name, value: value * k })),
    sizes: [...new Set([...sizes, ...(grid <= 64 ? [grid] : [])])].sort((a, b) => a - b),
  }
}
