import { z } from 'zod'

/** A number of the rules that drawings are checked against. Where the rules do not have it, nothing is checked. */
type Limit = {
  /** Its name for a reader of the page. */
  readonly name: string
  /** Its name beside the field; `smallest` is the smallest delivered size, in pixels. */
  readonly label: (smallest: string) => string
  /** Grid units, which are brought to every other grid, or pixels of the smallest delivered size. */
  readonly unit: 'units' | 'pixels'
  /** How much one press of an arrow key changes it. */
  readonly step: number
  readonly value: z.ZodNumber
}

/** The numbers that checks ask for, by their names in the set file, in the order in which they are written and shown. */
export const LIMITS = {
  /** The least gap, in pixels of the smallest size. */
  gap: {
    name: 'Smallest gap',
    label: (smallest) => `smallest gap, px at ${smallest}`,
    unit: 'pixels',
    step: 0.5,
    value: z.number().min(0).max(64, 'A gap may be at most 64 pixels.'),
  },
  /** The least counter, in pixels of the smallest size. */
  counter: {
    name: 'Smallest counter',
    label: (smallest) => `smallest counter, px at ${smallest}`,
    unit: 'pixels',
    step: 0.5,
    value: z.number().min(0).max(64, 'A counter may be at most 64 pixels.'),
  },
  /** The diameter of the circle in the middle of the square that no platform cuts into. */
  safeZone: {
    name: 'Safe zone',
    label: () => 'safe zone, ⌀',
    unit: 'units',
    step: 1,
    value: z.number().positive('The safe zone must be above 0.').max(2048),
  },
} as const satisfies Record<string, Limit>

export type LimitKey = keyof typeof LIMITS

/** The keys of the limits, in order. */
export const LIMIT_KEYS = Object.keys(LIMITS) as LimitKey[]

/** The limits as they stand in the schema of the rules. */
export const limitShape = Object.fromEntries(LIMIT_KEYS.map((key) => [key, LIMITS[key].value.optional()])) as Record<
  LimitKey,
  z.ZodOptional<z.ZodNumber>
>

/** The limits of a rule book that are lengths on its grid, each changed. */
export function onAnotherGrid(
  limits: Partial<Readonly<Record<LimitKey, number | undefined>>>,
  change: (value: number) => number,
): Partial<Record<LimitKey, number>> {
  return Object.fromEntries(
    LIMIT_KEYS.flatMap((key) => {
      const value = limits[key]
      return value === undefined || LIMITS[key].unit === 'pixels' ? [] : [[key, change(value)]]
    }),
  )
}
