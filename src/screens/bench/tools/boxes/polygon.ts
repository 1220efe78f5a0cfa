import { Hexagon } from 'lucide-react'
import { LAY } from '../laying'
import type { BoxShape } from './box-shape'
import { boxTool } from './box-tool'
import { PolygonSettings } from './lay-settings'

const POLYGON: BoxShape = {
  word: 'Polygon',
  counts: true,
  fresh: (bench, fresh) => ({ kind: 'polygon', ...fresh, sides: bench.read(LAY).sides, corner: 0 }),
}

export const polygon = boxTool(POLYGON, {
  id: 'polygon',
  key: 'Digit3',
  picture: Hexagon,
  isSeldom: true,
  Settings: PolygonSettings,
})
