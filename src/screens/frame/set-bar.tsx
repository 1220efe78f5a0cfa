'use client'

import Link from 'next/link'
import { type ReactNode, useMemo } from 'react'
import { type Command, keyName, useCommandSet } from '@/ui/commands'
import { redoStep, undoStep } from './session'
import { useSession, useSessionState } from './set-provider'
import { BarCommand, StageLinks, TopBar } from './top-bar'

/** The top bar of a set's screens: its name, the stages, undo and redo, and how saving stands. */
export function SetBar({ children }: { children?: ReactNode }) {
  const session = useSession()
  const name = useSessionState(({ history }) => history.present.name)
  // Read so that the words follow the history.
  useSessionState(({ history }) => history)
  const [undo, redo] = useMemo<[Command, Command]>(
    () => [
      {
        id: 'undo',
        name: 'Undo',
        keys: ['$mod+KeyZ'],
        needs: () => (session.getState().history.past.length > 0 ? null : 'There is nothing to undo.'),
        run: () => undoStep(session),
      },
      {
        id: 'redo',
        name: 'Redo',
        keys: ['$mod+Shift+KeyZ', '$mod+KeyY'],
        needs: () => (session.getState().history.future.length > 0 ? null : 'There is nothing to redo.'),
        run: () => redoStep(session),
      },
    ],
    [session],
  )
  const commands = useMemo(() => [undo, redo], [undo, redo])
  useCommandSet('history', commands)
  const { past, future } = session.getState().history
  const hint = (verb: string, command: Command, label?: string) => label && `${verb}: ${label} (${keyName(command.keys![0]!)})`
  return (
    <TopBar
      crumb={
        <>
          <Link href="/" className="text-quiet hover:text-ink">Shelf</Link>
          <span className="text-quiet">/</span>
          <span className="truncate text-title font-[640]">{name}</span>
          {children}
        </>
      }
      stages={<StageLinks setId={session.getState().setId} />}
      edits={
        <>
          <BarCommand command={undo} title={hint('Undo', undo, past.at(-1)?.label)} />
          <BarCommand command={redo} title={hint('Redo', redo, future.at(-1)?.label)} />
          <SavedState />
        </>
      }
    />
  )
}

function SavedState() {
  const saving = useSessionState((state) => state.saving)
  const revision = useSessionState((state) => state.revision)
  const text = { saved: `Saved · rev ${revision}`, saving: 'Saving…', waiting: 'Not saved yet', moved: 'Moved aside' }[saving.state]
  return (
    <>
      <span
        role="status"
        title={saving.state === 'waiting' ? `${saving.why} Your changes are kept in this browser and sent again by themselves.` : undefined}
        className={`ml-1.5 min-w-24 text-right ${saving.state === 'waiting' ? 'text-snag' : saving.state === 'moved' ? 'text-fault' : 'text-quiet'}`}
      >
        {saving.state === 'waiting' && '◆ '}
        {text}
      </span>
      {saving.state === 'moved' && <MovedNotice copy={saving.copy} />}
    </>
  )
}

/** Two windows changed the same set: nothing is lost, and the person chooses where to go on. */
function MovedNotice({ copy }: { copy: { id: string; name: string } | null }) {
  return (
    <div role="alertdialog" aria-label="The set was changed in another window" className="fixed inset-0 z-50 grid place-items-center bg-ink/25">
      <div className="w-[440px] rounded-sheet border border-ink bg-sheet p-5 text-lead">
        <p className="text-title font-[640]">This set was changed in another window</p>
        <p className="mt-2 text-quiet">
          {copy ? `Both versions are kept. What you drew here is now the set “${copy.name}”.` : 'What you drew here is kept in this browser; the server could not store it yet.'}
        </p>
        <div className="mt-4 flex gap-2">
          <button type="button" className="h-7 rounded-sheet border border-ink bg-ink px-3 text-sheet" onClick={() => window.location.reload()}>
            Open the newer version
          </button>
          {copy && (
            <a className="flex h-7 items-center rounded-sheet border border-ink px-3" href={`/sets/${copy.id}/draw`}>
              Go on with mine
            </a>
          )}
        </div>
      </div>
    </div>
  )
}
