import { Square } from 'lucide-react'
import { LaySettings } from './lay-settings'
import type { BoxShape } from './box-shape'
import { boxTool } from './box-tool'

const RECTANGLE: BoxShape = {
  word: 'Rectangle',
  even: 'square',
  ways: ['tilted'],
  fresh: (_, fresh, corner) => ({ kind: 'rectangle', ...fresh, corner }),
}

export const rectangle = boxTool(RECTANGLE, { id: 'rectangle', key: 'Digit1', picture: Square, Settings: LaySettings })
