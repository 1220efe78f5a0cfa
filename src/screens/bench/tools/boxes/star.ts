import { Star } from 'lucide-react'
import { LAY } from '../laying'
import type { BoxShape } from './box-shape'
import { boxTool } from './box-tool'
import { StarSettings } from './lay-settings'

/** How deep the sides of a new star are drawn in. */
const DEPTH = 0.5

const STAR: BoxShape = {
  word: 'Star',
  counts: true,
  fresh: (bench, fresh) => ({ kind: 'polygon', ...fresh, sides: bench.read(LAY).sides, depth: DEPTH, corner: 0 }),
}

export const star = boxTool(STAR, { id: 'star', key: 'Digit4', picture: Star, isSeldom: true, Settings: StarSettings })
