'use client'

import type { Panel } from './panel'
import clsx from 'clsx'
import { goToStep } from '../../../session/session'
import { useSession, useSessionState } from '../../../session/use-session'

/** Every step since the set was opened, latest first; a press goes back, or forth again, to any of them. */
function HistoryPanel() {
  const session = useSession()
  const { past, future, present } = useSessionState(({ history }) => history)
  const names = new Map(present.icons.map(({ id, name }) => [id, name]))
  const steps = [...past, ...future.toReversed()]
  if (steps.length === 0)
    return <p className="px-4 py-3 text-quiet">Every step you take appears here. Click a step to go back to it.</p>
  return (
    <ol aria-label="Steps" className="flex flex-col-reverse">
      {[{ label: 'As it was opened', icon: null }, ...steps].map(({ label, icon }, i) => (
        <li key={i}>
          <button
            type="button"
            aria-current={i === past.length ? 'step' : undefined}
            onClick={() => goToStep(session, i)}
            className={clsx(
              'flex h-[22px] w-full items-center gap-3 border-b border-faint px-4 text-left hover:bg-film',
              i === past.length && 'bg-hand-wash shadow-[inset_3px_0_var(--hand)]',
              i > past.length && 'text-quiet',
            )}
          >
            <span className="w-6 text-right text-quiet">{i}</span>
            <span className="flex-1 truncate">{label}</span>
            <span className="text-quiet">{icon ? names.get(icon) : 'set'}</span>
          </button>
        </li>
      ))}
    </ol>
  )
}

export const historyPanel: Panel = {
  id: 'history',
  word: 'History',
  useCount: () => useSessionState(({ history }) => history.past.length),
  Body: HistoryPanel,
}
