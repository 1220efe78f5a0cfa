import { Shapes } from 'lucide-react'
import type { Bench } from '../state/bench'
import { caught, showCaught } from './snapping'
import type { Tool, ToolDefinition } from './tool'
import { say } from '@/ui/notice'
import { PARTS, partsOf, placePart } from '../operations/parts'
import { PartTray } from './part-tray'

/** The part that the next press places. */
const partInHand = (bench: Bench): string | null => {
  const parts = partsOf(bench.rules),
    { inHand } = bench.read(PARTS)
  return parts.find(({ name }) => name === inHand)?.name ?? parts[0]?.name ?? null
}

function partTool(bench: Bench): Tool {
  return {
    cursor: 'crosshair',
    hint: 'Choose a part in the line above, then click where to insert it',
    hover: (at) => showCaught(bench, at),
    press(at) {
      const name = partInHand(bench)
      if (name === null) {
        say({ text: 'The set has no part yet. Select objects and save them as a part (Shift 9).' })
        return null
      }
      placePart(bench, name, caught(bench, at, bench.targetsAtRest).point)
      bench.letGo()
      return null
    },
  }
}

export const part: ToolDefinition = {
  id: 'part',
  name: 'Part',
  cluster: 'Lay',
  key: 'Digit9',
  picture: Shapes,
  isSeldom: true,
  make: partTool,
  Settings: PartTray,
}
