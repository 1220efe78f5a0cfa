import archivo from './archivo.json' with { type: 'json' }
import type { Face } from './face'

/** The weights of the shipped face. */
export const WEIGHTS = [400, 600, 700] as const

/** The shipped typeface, Archivo (SIL Open Font License), at a weight. Made by `npm run faces` from the font files. */
export const shippedFace = (weight: (typeof WEIGHTS)[number]): Face =>
  (archivo as unknown as Record<string, Face>)[weight]!
