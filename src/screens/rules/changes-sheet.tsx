'use client'

import type { IconSet } from '@/core/set/set'
import { useTheme } from '@/ui/theme'
import { PixelPicture } from '@/ui/pixel-picture'
import { VirtualGrid } from '@/ui/virtual-grid'
import { sourceOf } from '@/workers/draw'
import type { Changes } from './changes'
import { Leave } from './changes-strip'

/** How large each icon is shown on the sheet, in pixels. */
const SIZE = 64

/** All icons that a pending change alters, before and after it, those that need a hand first, with why. */
export function ChangesSheet({
  before,
  after,
  changes: { found },
  left,
  onLeave,
}: {
  before: IconSet
  after: IconSet
  changes: Changes
  left: ReadonlySet<string>
  onLeave: (icon: string) => void
}) {
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  return (
    <VirtualGrid
      items={found}
      keyOf={({ before: { id } }) => id}
      width={200}
      height={132}
      label="All icons that change"
      className="min-h-0 overflow-y-auto bg-film"
      cell={({ before: was, after: is, strains }) => (
        <figure className="h-full border border-hair bg-sheet p-2 text-small">
          <div className="flex items-center justify-between">
            <PixelPicture source={sourceOf(was, before.rules, ground)} size={SIZE} label={`${was.name} before`} />
            <span aria-hidden className="text-quiet">
              →
            </span>
            <PixelPicture source={sourceOf(is, after.rules, ground)} size={SIZE} label={`${was.name} after`} />
          </div>
          <figcaption className="mt-1 flex items-baseline justify-between gap-2">
            <span className="truncate font-[640]">{was.name}</span>
            <Leave icon={was} isLeft={left.has(was.id)} onLeave={onLeave} />
          </figcaption>
          <p title={strains.join('\n')} className="line-clamp-2 leading-[13px] text-quiet">
            {strains.length > 0 && <span className="text-snag">◇ </span>}
            {strains.join(' ')}
          </p>
        </figure>
      )}
    />
  )
}
