import { Puzzle } from 'lucide-react'
import type { ToolDefinition } from '../tool'
import { patchworkTool } from './gesture'
import { PatchworkSettings } from './settings'
import { beginPatchwork, patchworkNeeds } from '../../operations/patchwork'

export const patchwork: ToolDefinition = {
  id: 'patchwork',
  name: 'Patchwork',
  cluster: 'Combine',
  key: 'KeyS',
  byKeys: 'clicks',
  picture: Puzzle,
  make: patchworkTool,
  needs: patchworkNeeds,
  begin: beginPatchwork,
  Settings: PatchworkSettings,
}
