import { CopyCheck } from 'lucide-react'
import type { ToolDefinition } from '../tool'
import { COPIES, copiesTool } from './gesture'
import { CopiesSettings } from './settings'

export const copies: ToolDefinition = {
  id: 'copies',
  name: 'Copies',
  key: 'Alt+Shift+KeyG',
  picture: CopyCheck,
  make: copiesTool,
  needs: (bench) => (bench.one('repeat') ? null : 'Select a repeat first.'),
  begin: (bench) => bench.put(COPIES, { chosen: [] }),
  Settings: CopiesSettings,
}
