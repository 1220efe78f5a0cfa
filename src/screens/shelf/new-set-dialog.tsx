'use client'

import clsx from 'clsx'
import { useState } from 'react'
import { STARTERS, type Starter } from '@/core/rules/starters'
import { Button } from '@/ui/button'
import { Dialog } from '@/ui/dialog'
import { RuleDiagram } from '../rules/diagram'
import { reached, useShelfActions } from './shelf-actions'

/** Starts a set: a rule book and a name. */
export function NewSetDialog({ onClose, onCreated }: { onClose: () => void; onCreated: (id: string) => void }) {
  const { create } = useShelfActions()
  const [book, setBook] = useState<Starter>(STARTERS[0]!)
  const [name, setName] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  return (
    <Dialog title="New set" open onClose={onClose} width={620}>
      <form
        onSubmit={async (event) => {
          event.preventDefault()
          const result = await reached(create(book.id, name))
          if (result.ok) onCreated(result.value)
          else setProblem(result.failure.message)
        }}
      >
        <div className="grid grid-cols-[1fr_200px] gap-5 p-4">
          <div>
            <label className="block text-quiet" htmlFor="set-name">
              Name
            </label>
            <input
              id="set-name"
              autoFocus
              value={name}
              placeholder="Harbour signs"
              aria-invalid={problem !== null}
              onChange={(event) => {
                setName(event.target.value)
                setProblem(null)
              }}
              className="field mt-1 w-full placeholder:text-quiet/60"
            />
            <p role="alert" className="mt-1 min-h-4 text-fault">
              {problem}
            </p>
            <p className="mt-1 text-quiet">Rule book to start from</p>
            <div role="radiogroup" aria-label="Rule book" className="mt-1 border-t border-hair">
              {STARTERS.map((entry) => (
                <button
                  key={entry.id}
                  type="button"
                  role="radio"
                  aria-checked={entry === book}
                  onClick={() => setBook(entry)}
                  className={clsx(
                    'flex w-full items-baseline gap-3 border-b border-hair px-2 py-1.5 text-left',
                    entry === book ? 'bg-hand-wash shadow-[inset_3px_0_var(--hand)]' : 'hover:bg-film',
                  )}
                >
                  <span className="w-26 flex-none font-[640]">{entry.name}</span>
                  <span className="text-quiet">{entry.note}</span>
                </button>
              ))}
            </div>
          </div>
          <div className="self-center">
            <RuleDiagram rules={book.rules} side={200} />
          </div>
        </div>
        <div className="flex justify-end gap-2 border-t border-hair px-4 py-3">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="strong" type="submit">
            Create the set
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
