import { Shell } from 'lucide-react'
import type { BoxShape } from './box-shape'
import { boxTool } from './box-tool'
import { OtherShapeSettings } from './lay-settings'

const SPIRAL: BoxShape = {
  word: 'Spiral',
  isLine: true,
  fresh: (_, fresh) => ({ kind: 'spiral', ...fresh, turns: 2, inner: 0.1 }),
}

export const spiral = boxTool(SPIRAL, {
  id: 'spiral',
  key: 'Shift+Digit4',
  under: 'polygon',
  picture: Shell,
  Settings: OtherShapeSettings,
})
