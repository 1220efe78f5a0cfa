import type { PaintPlace } from '@/core/drawing/edit/paint'
import { slice } from './slice'

/** The paint that colours go to, and the stop of it where it is a gradient. */
export const PAINT = slice('paint', { place: 'fill' as PaintPlace, stop: null as number | null })
