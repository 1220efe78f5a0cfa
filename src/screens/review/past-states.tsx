'use client'

import clsx from 'clsx'
import { useState } from 'react'
import { Button } from '@/ui/button'
import type { PastState } from './past'

/** The states of a set that are kept, and a name for the present one or the one that is looked at. */
export function PastStates({
  states,
  chosen,
  onChoose,
  onName,
}: {
  states: readonly PastState[] | null
  chosen: number | null
  onChoose: (revision: number) => void
  /** The named or unnamed state of a row, null for the current set; unnamed states are deleted in time. */
  onName: (of: number | null, name: string | null) => void
}) {
  const [name, setName] = useState('')
  return (
    <div className="flex min-h-0 flex-col border-r border-hair">
      <form
        className="flex gap-1.5 border-b border-hair p-3"
        onSubmit={(event) => {
          event.preventDefault()
          if (name.trim() === '') return
          onName(null, name)
          setName('')
        }}
      >
        <input
          aria-label="Name for the set as it is now"
          placeholder="name it as it is now"
          value={name}
          maxLength={80}
          onChange={({ target }) => setName(target.value)}
          className="field flex-1"
        />
        <Button type="submit" disabled={name.trim() === ''}>
          Keep
        </Button>
      </form>
      <ul aria-label="States" className="min-h-0 flex-1 overflow-y-auto py-1">
        {states?.map((state) => (
          <li key={state.revision} className="group relative">
            <button
              type="button"
              aria-pressed={state.revision === chosen}
              onClick={() => onChoose(state.revision)}
              className={clsx(
                'block w-full border-l-2 px-3 py-1.5 text-left leading-[17px]',
                state.revision === chosen ? 'border-hand bg-faint' : 'border-transparent hover:bg-film',
              )}
            >
              {state.name !== null && <span className="block truncate pr-12 font-[640]">{state.name}</span>}
              <span className={state.name === null ? undefined : 'text-quiet'}>{whenOf(state.at)}</span>
              <span className="block text-small text-quiet">
                {state.changed === 0
                  ? 'no icon changed since'
                  : `${state.changed === 1 ? '1 icon' : `${state.changed} icons`} changed since`}
              </span>
            </button>
            {state.name !== null && (
              <Button
                look="plain"
                aria-label={`Remove the name ${state.name}`}
                title="Without a name it is deleted after thirty days"
                onClick={() => onName(state.revision, null)}
                className="absolute top-1 right-1 h-5 px-1.5 text-small opacity-0 group-focus-within:opacity-100 group-hover:opacity-100"
              >
                unname
              </Button>
            )}
          </li>
        ))}
      </ul>
    </div>
  )
}

const whenOf = (at: string): string =>
  new Date(at).toLocaleString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  })
