'use client'

import { useMemo } from 'react'
import { onGridOf } from '@/core/set/merge-set'
import { iconPart, type SetConflict } from '@/core/set/merge-icon'
import type { IconSet } from '@/core/set/set'
import { settledIn } from '@/core/set/settle-set'
import { Button } from '@/ui/button'
import { Dialog } from '@/ui/dialog'
import { useTheme } from '@/ui/theme'
import { PixelPicture } from '@/ui/pixel-picture'
import { sourceOf } from '@/workers/draw'
import { useSession, useSessionState } from '../session/use-session'

const SIZE = 64

/** Everything that was changed here and in another window, each with both ways to go on. */
export function ConflictDialog({ conflicts, onClose }: { conflicts: readonly SetConflict[]; onClose: () => void }) {
  const parts = [...new Set(conflicts.map(({ part }) => part))]
  return (
    <Dialog title="Changed here and in another window" open onClose={onClose} width={620}>
      <p className="px-4 pt-3 text-quiet">
        Both versions are kept until you choose. All other changes of both windows are in the set already.
      </p>
      {parts.map((part) => (
        <Part key={part} conflicts={conflicts.filter((one) => one.part === part)} />
      ))}
    </Dialog>
  )
}

/** The conflicts of one icon, or of the set. */
function Part({ conflicts }: { conflicts: readonly SetConflict[] }) {
  const session = useSession()
  const settleAll = (keep: 'mine' | 'theirs') => {
    for (const one of conflicts) session.getState().settle(one, keep)
  }
  const title = useTitle(conflicts[0]!)
  return (
    <section aria-label={title} className="border-b border-hair px-4 py-3 last:border-b-0">
      <div className="mb-2 flex items-center gap-3">
        <h3 className="min-w-0 flex-1 truncate font-[640]">{title}</h3>
        {conflicts.length > 1 && (
          <>
            <Button onClick={() => settleAll('mine')}>All as here</Button>
            <Button onClick={() => settleAll('theirs')}>All as there</Button>
          </>
        )}
      </div>
      <ul>
        {conflicts.map((conflict) => (
          <Row key={`${conflict.master} ${conflict.object} ${conflict.key}`} conflict={conflict} />
        ))}
      </ul>
    </section>
  )
}

function useTitle({ part }: SetConflict): string {
  const icon = useSessionState(({ history }) => history.present.icons.find(({ id }) => iconPart(id) === part))
  if (icon) return icon.name
  return { name: 'The name of the set', rules: 'The rules', delivery: 'What is delivered', order: 'The order' }[
    part as 'name'
  ]
}

function Row({ conflict }: { conflict: SetConflict }) {
  const session = useSession()
  const saver = useSessionState((state) => state.saver)
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  const ways = useMemo(() => {
    const { present, base, stored } = saver
    return (['mine', 'theirs'] as const).map((keep) => {
      const { set } = settledIn({ set: present, base }, onGridOf(stored.set, present.rules), conflict, keep)
      return { keep, source: pictureOf(set, conflict, ground) }
    })
  }, [saver, conflict, ground])
  return (
    <li className="flex items-center gap-3 py-1.5">
      <span className="min-w-0 flex-1">
        {conflict.object !== null && <b className="font-[640]">{conflict.name} </b>}
        <span className="text-quiet">{wordsOf(conflict)}</span>
      </span>
      {ways.map(({ keep, source }) => (
        <button
          key={keep}
          type="button"
          onClick={() => session.getState().settle(conflict, keep)}
          className="flex min-w-40 items-center gap-2 border border-hair px-2 py-1.5 text-left hover:border-ink"
        >
          {source && <PixelPicture source={source} size={SIZE} label="" />}
          <span className="leading-[15px]">
            {keep === 'mine' ? 'as here' : 'as there'}
            <br />
            <span className="text-quiet tabular-nums">
              {figureOf(keep === 'mine' ? conflict.mine : conflict.theirs)}
            </span>
          </span>
        </button>
      ))}
    </li>
  )
}

function pictureOf(set: IconSet, { part }: SetConflict, ground: 'light' | 'dark') {
  const icon = set.icons.find(({ id }) => iconPart(id) === part)
  return icon ? sourceOf(icon, set.rules, ground, SIZE) : null
}

/** A conflict in words. */
function wordsOf({ key, master }: SetConflict): string {
  const where = master === null ? '' : ` on the ${master} grid`
  if (key === 'gone') return `was deleted there and changed here${where}`
  if (key === 'all') return 'changed as a whole on both sides'
  return `${key === 'contours' ? 'nodes' : key}${where}`
}

const figureOf = (value: unknown): string =>
  typeof value === 'number' ? String(Math.round(value * 100) / 100) : typeof value === 'string' ? value : ''
