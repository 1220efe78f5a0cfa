import type { Field } from '../field'
import { type Placing, sizedPlacing, sizeOf } from './placed'

/** The size of something placed by a linear map, in per cent of its drawn size. */
export const size = <P extends Pick<Placing, 'map'>>(): Field<P> => ({
  id: 'size',
  what: 'the size',
  as: 'number',
  prefix: 'Size ',
  suffix: ' %',
  step: 5,
  limits: { least: 1, most: 10_000 },
  read: (placing) => sizeOf(placing) * 100,
  write: (placing, percent) => sizedPlacing(placing, percent / 100),
})
