import { Signature } from 'lucide-react'
import type { ToolDefinition } from '../tool'
import { freehandTool } from './gesture'
import { FreehandSettings } from './settings'

export const freehand: ToolDefinition = {
  id: 'freehand',
  name: 'Freehand',
  cluster: 'Lay',
  key: 'Digit7',
  picture: Signature,
  isSeldom: true,
  make: freehandTool,
  Settings: FreehandSettings,
}
