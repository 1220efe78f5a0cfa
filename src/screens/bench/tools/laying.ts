import { slice } from '../state/slice'

export type LayBy = 'corners' | 'tilted' | 'three'

/** What the tools that lay shapes in a box start from; `laySize` is what a click places, null when none was typed. */
export const LAY = slice('lay', {
  sides: 6,
  /** How each tool lays its shape, by tool name; absent for shapes drawn from corner to corner. */
  layBy: {} as Readonly<Record<string, LayBy>>,
  part: 'whole' as 'whole' | 'ring' | 'pie' | 'arc',
  laySize: null as { readonly w: number; readonly h: number } | null,
})
