import { Pipette } from 'lucide-react'
import type { ToolDefinition } from '../tool'
import { sampleTool } from './gesture'
import { SampleSettings } from './settings'

export const sample: ToolDefinition = {
  id: 'sample',
  name: 'Sample',
  cluster: 'Shape',
  key: 'KeyI',
  picture: Pipette,
  isSeldom: true,
  make: sampleTool,
  Settings: SampleSettings,
}
