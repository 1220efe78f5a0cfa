import { ArrowBigRight } from 'lucide-react'
import type { BoxShape } from './box-shape'
import { boxTool } from './box-tool'
import { OtherShapeSettings } from './lay-settings'

const ARROW: BoxShape = {
  word: 'Arrow',
  slim: 5,
  fresh: (_, fresh) => ({ kind: 'arrow', ...fresh, head: 0.4, shaft: 0.4, corner: 0 }),
}

export const arrow = boxTool(ARROW, {
  id: 'arrow',
  key: 'Shift+Digit3',
  under: 'polygon',
  picture: ArrowBigRight,
  Settings: OtherShapeSettings,
})
