'use client'

import { useState } from 'react'
import { Button } from './button'
import { Dialog } from './dialog'

/** Asks for a name. `onName` gives a sentence when the name will not do; it is shown, and the dialog stays. */
export function NameDialog({
  title,
  name,
  label = 'Name',
  action = 'Rename',
  onName,
  onClose,
}: {
  title: string
  name: string
  /** The label of the field. */
  label?: string
  /** The word on the button. */
  action?: string
  onName: (name: string) => string | null | Promise<string | null>
  onClose: () => void
}) {
  const [text, setText] = useState(name)
  const [problem, setProblem] = useState<string | null>(null)
  return (
    <Dialog title={title} open onClose={onClose} width={360}>
      <form
        className="p-4"
        onSubmit={async (event) => {
          event.preventDefault()
          const answer = await onName(text.trim())
          if (answer === null) onClose()
          else setProblem(answer)
        }}
      >
        <input
          aria-label={label}
          aria-invalid={problem !== null}
          autoFocus
          value={text}
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => {
            setText(event.target.value)
            setProblem(null)
          }}
          className="field w-full"
        />
        <p role="alert" className="mt-1.5 min-h-4 text-fault">
          {problem}
        </p>
        <div className="mt-3 flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="strong" type="submit">
            {action}
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
