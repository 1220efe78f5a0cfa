'use client'

import clsx from 'clsx'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { AlertDialog } from 'radix-ui'
import { type ReactNode, useMemo, useState } from 'react'
import { Button } from '@/ui/button'
import { type Command, useCommandSet } from '@/ui/commands'
import { keyName, useKeyboard } from '@/ui/keys'
import { canStep, isOver, type Saving, type Session, step } from '../session/session'
import { useSession, useSessionState } from '../session/use-session'
import { ConflictDialog } from './conflict-dialog'
import { BarCommand, StageLinks, TopBar } from './top-bar'

/** Ways to the shelf and to the stages of a set. */
const stageCommands = (goTo: (path: string) => void, setId: string): Command[] => [
  { id: 'to-shelf', name: 'Go to the shelf', words: 'sets home open', run: () => goTo('/') },
  {
    id: 'to-rules',
    name: 'Go to Rules',
    words: 'settings grid keylines weights radii palette tokens',
    run: () => goTo(`/sets/${setId}/rules`),
  },
  { id: 'to-draw', name: 'Go to Draw', words: 'edit', run: () => goTo(`/sets/${setId}/draw`) },
  {
    id: 'to-review',
    name: 'Go to Review',
    words: 'import read svg files sheet print tags overview',
    run: () => goTo(`/sets/${setId}/review`),
  },
  {
    id: 'to-deliver',
    name: 'Go to Deliver',
    words: 'export save download svg png pdf font publish release',
    run: () => goTo(`/sets/${setId}/deliver`),
  },
]

/** The top bar of a set's screens: its name, the stages, undo and redo, and how saving stands. */
export function SetBar({ children }: { children?: ReactNode }) {
  const session = useSession()
  const name = useSessionState(({ history }) => history.present.name)
  const rulesWait = useSessionState((state) => state.rulesWait)
  // Read so that the words follow the history.
  useSessionState(({ history }) => history)
  const [undo, redo] = useMemo<[Command, Command]>(
    () => [
      {
        id: 'undo',
        name: 'Undo',
        keys: ['$mod+KeyZ'],
        needs: () => heldSentence(session) ?? (canStep(session, 'back') ? null : 'There is nothing to undo.'),
        run: () => step(session, 'back'),
      },
      {
        id: 'redo',
        name: 'Redo',
        keys: ['$mod+Shift+KeyZ', '$mod+KeyY'],
        needs: () => heldSentence(session) ?? (canStep(session, 'forth') ? null : 'There is nothing to redo.'),
        run: () => step(session, 'forth'),
      },
    ],
    [session],
  )
  const router = useRouter(),
    { setId } = session.getState()
  const commands = useMemo(
    () => [undo, redo, ...stageCommands((path) => router.push(path), setId)],
    [undo, redo, router, setId],
  )
  useCommandSet('history', commands)
  const keyboard = useKeyboard()
  const { past, future } = session.getState().history
  const hint = (verb: string, command: Command, label?: string) =>
    label && `${verb}: ${label} (${keyName(command.keys![0]!, keyboard)})`
  return (
    <TopBar
      crumb={
        <>
          <Link href="/" className="text-quiet hover:text-ink">
            Shelf
          </Link>
          <span className="text-quiet">/</span>
          <span title={name} className="min-w-10 truncate text-title font-[640]">
            {name}
          </span>
          {children}
        </>
      }
      stages={<StageLinks setId={session.getState().setId} rulesWait={rulesWait} />}
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

/** Why no step can be taken back just now. */
const heldSentence = (session: Session): string | null =>
  session.getState().isHeld ? 'Release the mouse button first.' : null

const WORDS = {
  saved: 'Saved',
  saving: 'Saving…',
  waiting: 'Not saved yet',
  refused: 'Not saved',
  conflict: 'Changed twice',
  deleted: 'Deleted elsewhere',
} as const

function SavedState() {
  const saving = useSessionState((state) => state.saving)
  const revision = useSessionState((state) => state.revision)
  const [isChoosing, setChoosing] = useState(false)
  const isPending = saving.state === 'waiting' || saving.state === 'refused'
  return (
    <>
      <span
        role="status"
        title={isPending ? `${saving.why} ${keptSentence(saving)}` : undefined}
        className={clsx(
          'ml-1.5 min-w-24 text-right',
          saving.state === 'waiting' || saving.state === 'conflict'
            ? 'text-snag'
            : saving.state === 'refused' || isOver({ saving })
              ? 'text-fault'
              : 'text-quiet',
        )}
      >
        {(isPending || saving.state === 'conflict') && '◆ '}
        {saving.state === 'saved' ? `Saved · rev ${revision}` : WORDS[saving.state]}
      </span>
      {saving.state === 'conflict' && (
        <Button onClick={() => setChoosing(true)}>
          {saving.conflicts.length === 1 ? 'Choose…' : `Choose ${saving.conflicts.length}…`}
        </Button>
      )}
      {saving.state === 'conflict' && isChoosing && (
        <ConflictDialog conflicts={saving.conflicts} onClose={() => setChoosing(false)} />
      )}
      {isPending && <PendingNotice saving={saving} />}
      {saving.state === 'deleted' && <DeletedDialog />}
    </>
  )
}

type Pending = Extract<Saving, { state: 'waiting' | 'refused' }>

function keptSentence({ state, kept }: Pending): string {
  if (!kept) return 'This browser cannot keep your changes either. Leave this page open until they are saved.'
  return state === 'waiting'
    ? 'Your changes are kept in this browser and sent again by themselves.'
    : 'Your changes are kept in this browser; undo what was refused. All else is saved.'
}

/** A line under the bar, for what does not pass by itself in a moment. */
function PendingNotice({ saving }: { saving: Pending }) {
  if (saving.state === 'waiting' && saving.kept) return null
  return (
    <p
      role="alert"
      className="fixed top-11 right-0 z-30 max-w-[560px] border-b border-l border-fault bg-sheet px-3 py-1.5 text-fault"
    >
      {saving.why} {keptSentence(saving)}
    </p>
  )
}

/** The set was taken off the shelf in another window: it can be put back and drawn on. */
function DeletedDialog() {
  const { setId } = useSession().getState()
  const [fault, setFault] = useState<string | null>(null)
  const putBack = async () => {
    const response = await fetch(`/api/sets/${setId}/restore`, { method: 'POST' }).catch(() => null)
    if (response?.ok) window.location.reload()
    else setFault('The server could not put it back yet. Try again in a moment.')
  }
  return (
    <OverDialog title="This set was deleted in another window">
      <p className="text-quiet">
        Your last changes are kept in this browser. Restore the set and they are added to it again.
      </p>
      {fault && <p className="mt-2 text-fault">{fault}</p>}
      <div className="mt-4 flex gap-2">
        <Button look="strong" onClick={() => void putBack()}>
          Restore it
        </Button>
        <Link className="flex h-6 items-center rounded-sheet border border-ink px-2.5" href="/">
          To the shelf
        </Link>
      </div>
    </OverDialog>
  )
}

/** A question that has to be answered before anything else: keys and pointer reach nothing beneath it. */
function OverDialog({ title, children }: { title: string; children: ReactNode }) {
  return (
    <AlertDialog.Root open>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-50 bg-ink/25" />
        <AlertDialog.Content
          data-modal
          aria-describedby={undefined}
          onEscapeKeyDown={(event) => event.preventDefault()}
          className="fixed top-[28vh] left-1/2 z-50 w-[440px] -translate-x-1/2 rounded-sheet border border-ink bg-sheet p-5 text-lead outline-none"
        >
          <AlertDialog.Title className="mb-2 text-title font-[640]">{title}</AlertDialog.Title>
          {children}
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  )
}
