'use client'

import type { IconSet } from '@/core/set/set'
import { iconProblems } from '@/core/set/set'
import { Button } from '@/ui/button'
import { Dialog } from '@/ui/dialog'
import { PixelPicture } from '@/ui/pixel-picture'
import { useFetched } from '@/ui/use-fetched'
import { sourceOf } from '@/workers/draw'
import { useSession } from '../../session/use-session'
import { useBench, useSetRules } from '../state/context'
import { restoreIcon } from '../operations/icons'

/** The icons that were deleted from the set, each with the way back. */
export function BinDialog({ onClose }: { onClose: () => void }) {
  const bench = useBench()
  const rules = useSetRules()
  const { setId } = useSession().getState()
  const { value: icons, problem: unread } = useFetched(setId, async (signal) => {
    const response = await fetch(`/api/sets/${setId}/bin`, { signal })
    if (!response.ok) throw new Error('The deleted icons cannot be read.')
    return ((await response.json()) as IconSet).icons
  })
  return (
    <Dialog title="Deleted icons" open onClose={onClose}>
      <div className="max-h-80 overflow-y-auto px-4 py-2">
        {icons === null && <p className={`py-3 ${unread ? 'text-fault' : 'text-quiet'}`}>{unread ?? 'Looking…'}</p>}
        {icons?.length === 0 && <p className="py-3 text-quiet">No icon of this set was deleted.</p>}
        {icons?.map((icon) => {
          const [problem] = iconProblems(icon, rules)
          return (
            <div key={icon.id} className="flex items-center gap-3 border-b border-hair py-2 last:border-0">
              {problem ? (
                <span className="size-6" />
              ) : (
                <PixelPicture source={sourceOf(icon, rules, 'light')} size={24} label={icon.name} />
              )}
              <span className="flex-1">
                {icon.name}
                {problem && <span className="block text-fault">{problem}</span>}
              </span>
              <Button
                disabled={problem !== undefined}
                onClick={() => {
                  restoreIcon(bench, icon)
                  onClose()
                }}
              >
                Put back
              </Button>
            </div>
          )
        })}
      </div>
    </Dialog>
  )
}
