import type { PaintPlace } from '@/core/drawing/edit/finish'
import { slot } from './slot'

/** The paint that colours go to, and the stop of it where it is a gradient. */
export const PAINT = slot('paint', { place: 'fill' as PaintPlace, stop: null as number | null })
