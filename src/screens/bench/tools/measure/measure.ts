import { Ruler } from 'lucide-react'
import type { ToolDefinition } from '../tool'
import { measureTool } from './gesture'
import { MeasureSettings } from './settings'

export const measure: ToolDefinition = {
  id: 'measure',
  name: 'Measure',
  cluster: 'Shape',
  key: 'KeyU',
  picture: Ruler,
  isSeldom: true,
  make: measureTool,
  Settings: MeasureSettings,
}
