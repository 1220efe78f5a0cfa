import { type Framed, isFramed, kindOf } from '../../drawing/model/object'
import type { Point } from '../../geometry/point'
import type { Seen } from './seen'
import { NEARLY, SAME } from './tolerance'

/** Whether a distance is small enough to have been meant as 0, and is not 0. */
export const isNearly = (away: number, unit: number): boolean => away > SAME * unit && away < NEARLY * unit

type Round = Seen & { readonly object: Framed }
export const isRound = (one: Seen): one is Round =>
  isFramed(one.object) && kindOf(one.object).fills === 'ellipse' && Math.abs(one.object.w - one.object.h) < 1e-6
export const centreOf = ({ x, y, w, h }: Framed): Point => ({ x: x + w / 2, y: y + h / 2 })
