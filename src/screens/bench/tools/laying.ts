import { slot } from '../slot'

/** What the tools that lay shapes in a box start from; `laySize` is what a click places, null when none was typed. */
export const LAY = slot('lay', {
  sides: 6,
  layBy: 'corners' as 'corners' | 'tilted' | 'three',
  part: 'whole' as 'whole' | 'ring' | 'pie' | 'arc',
  laySize: null as { readonly w: number; readonly h: number } | null,
})
