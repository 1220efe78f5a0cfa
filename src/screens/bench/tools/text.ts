import { flushSync } from 'react-dom'
import { Type } from 'lucide-react'
import type { ToolDefinition } from './tool'
import { freshStyle } from '@/core/drawing/edit/fresh'
import { newId } from '@/ui/new-id'
import type { Bench } from '../state/bench'
import { caught, showCaught } from './snapping'
import type { Tool } from './tool'
import { slice } from '../state/slice'

/** Whether the words of the selected text are about to be typed. */
export const TEXT = slice('text', { typing: false })

/** Places a text whose baseline begins where the press is; it is typed in the line of settings above. */
function textTool(bench: Bench): Tool {
  return {
    cursor: 'text',
    hint: 'Click where the baseline begins, then type the text',
    hover: (at) => showCaught(bench, at),
    press(at) {
      const { point } = caught(bench, at, bench.targetsAtRest)
      // The field takes the very next key.
      const words = () => flushSync(() => bench.put(TEXT, { typing: true }))
      bench.letGo()
      bench.add(
        [
          {
            kind: 'text',
            id: newId(),
            name: bench.nameFor('Text'),
            at: point,
            text: 'Text',
            size: bench.rules.grid.size / 4,
            spacing: 0,
            boldness: 600,
            style: freshStyle(bench.rules, true),
          },
        ],
        'Place a text',
      )
      bench.take('select')
      // The press itself would take the focus away again.
      return { move: () => undefined, release: words, cancel: () => undefined }
    },
  }
}

export const text: ToolDefinition = {
  id: 'text',
  name: 'Text',
  cluster: 'Lay',
  key: 'Digit8',
  picture: Type,
  isSeldom: true,
  make: textTool,
}
