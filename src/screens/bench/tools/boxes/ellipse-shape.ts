import { LAY } from '../laying'
import type { BoxShape } from './box-shape'

/** Initial values of a new ellipse, for a whole ellipse, an arc or a pie. */
const PARTS = {
  whole: {},
  ring: { hole: 0.5 },
  pie: { from: 0, to: 270, cut: 'pie' },
  arc: { from: 0, to: 180, cut: 'open' },
} as const

export const ELLIPSE: BoxShape = {
  word: 'Ellipse',
  even: 'circle',
  ways: ['tilted', 'three'],
  fresh: (bench, fresh) => ({ kind: 'ellipse', ...fresh, ...PARTS[bench.read(LAY).part] }),
}
