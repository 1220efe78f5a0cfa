import { RotateCw } from 'lucide-react'
import type { ToolDefinition } from '../tool'
import { turnTool } from './gesture'
import { TurnSettings } from './settings'

export const turn: ToolDefinition = {
  id: 'turn',
  name: 'Turn',
  cluster: 'Shape',
  key: 'KeyR',
  picture: RotateCw,
  make: turnTool,
  Settings: TurnSettings,
}
