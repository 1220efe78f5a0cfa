'use client'

import { LOSS } from './operations/node-selection'
import { Button } from '@/ui/button'
import { Dialog } from '@/ui/dialog'
import { useBench, useSlice } from './state/context'

/** Asks, once while a set is open, before an edit of its nodes makes a path of a live shape. */
export function LostDialog() {
  const bench = useBench()
  const question = useSlice(LOSS).question
  if (!question) return null
  const answer = (yes: boolean) => {
    bench.put(LOSS, { question: null })
    if (yes) question.accept()
    else bench.drop()
  }
  return (
    <Dialog title={`Make a path of “${question.name}”?`} open onClose={() => answer(false)}>
      <p className="px-4 pt-3">
        This kind of object cannot take this edit. As a path it looks the same and can be edited freely, but it loses{' '}
        {question.lost}. Undo brings that back. You are not asked again.
      </p>
      <div className="flex justify-end gap-2 p-4">
        <Button onClick={() => answer(false)}>Leave it</Button>
        <Button look="strong" autoFocus onClick={() => answer(true)}>
          Make it a path
        </Button>
      </div>
    </Dialog>
  )
}
