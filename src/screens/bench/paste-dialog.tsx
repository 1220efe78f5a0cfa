'use client'

import { Button } from '@/ui/button'
import { Dialog } from '@/ui/dialog'
import { PASTING } from './operations/clipboard'
import { useBench, useSlice } from './state/context'

/** Asks before a paste that adds rules or parts which this set lacks; nothing is pasted until it is answered. */
export function PasteDialog() {
  const bench = useBench()
  const question = useSlice(PASTING).question
  if (!question) return null
  const answer = (yes: boolean) => {
    bench.put(PASTING, { question: null })
    if (yes) question.accept()
  }
  return (
    <Dialog title={question.title} open onClose={() => answer(false)}>
      <p className="px-4 pt-3">It refers to values that this set does not have:</p>
      <ul aria-label="What this set lacks" className="mx-4 mt-1.5 max-h-40 list-disc overflow-y-auto pl-4">
        {question.lacks.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </ul>
      <p className="px-4 pt-1.5 text-quiet">
        If you bring them along, they are added to the rules and parts of this set in one step.
      </p>
      <div className="flex justify-end gap-2 p-4">
        <Button onClick={() => answer(false)}>Paste nothing</Button>
        <Button look="strong" autoFocus onClick={() => answer(true)}>
          Bring along
        </Button>
      </div>
    </Dialog>
  )
}
