'use client'

import { useEffect, useState } from 'react'
import { applyDrawingEdit, type DrawingEdit } from '@/core/drawing/edit/edit'
import type { SetEdit } from '@/core/set/edit'
import { type Icon, type IconSet, masterFor } from '@/core/set/set'
import { Button } from '@/ui/button'
import { Dialog } from '@/ui/dialog'
import { useTheme } from '@/ui/theme'
import { say } from '@/ui/notice'
import { PixelPicture } from '@/ui/pixel-picture'
import { mendsOfIcon } from '@/workers/questions'
import { commit, type Session, undoStep } from '../session/session'

type Mended = { readonly icon: Icon; readonly edits: readonly DrawingEdit[] }

/** Every repair that is known in a set, icon by icon before and after it; those that are kept are done as one step. */
export function MendDialog({ session, set, onClose }: { session: Session; set: IconSet; onClose: () => void }) {
  const [found, setFound] = useState<readonly Mended[]>([])
  const [looked, setLooked] = useState(0)
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const [failed, setFailed] = useState<readonly string[]>([])
  const [tries, setTries] = useState(0)
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  useEffect(() => {
    let isWanted = true
    void (async () => {
      await Promise.resolve()
      setFound([])
      setFailed([])
      setLooked(0)
      for (const icon of set.icons) {
        const answer = await mendsOfIcon(icon, set.rules)
        if (!isWanted) return
        setLooked((n) => n + 1)
        if ('problem' in answer) setFailed((all) => [...all, `${icon.name}: ${answer.problem}`])
        else if (answer.edits.length > 0) setFound((all) => [...all, { icon, edits: answer.edits }])
      }
    })()
    return () => {
      isWanted = false
    }
  }, [set, tries])
  const isDone = looked >= set.icons.length
  const kept = found.filter(({ icon }) => !left.has(icon.id))
  const count = kept.reduce((sum, { edits }) => sum + edits.length, 0)
  const mend = () => {
    const edits = kept.map(({ icon, edits: own }): SetEdit => ({
      kind: 'draw',
      icon: icon.id,
      master: masterFor(icon).base,
      edit: { kind: 'all', edits: own },
    }))
    const label = `Mend ${count === 1 ? 'a snag' : `${count} snags`} in ${kept.length === 1 ? 'one icon' : `${kept.length} icons`}`
    commit(session, { kind: 'all', edits }, label)
    say({ text: `${label}.`, action: { label: 'Undo', run: () => undoStep(session) } })
    onClose()
  }
  return (
    <Dialog title="Mend the set" open onClose={onClose} width={720}>
      <div className="p-4">
        <p role="status" className="text-quiet">
          {isDone
            ? found.length === 0
              ? 'Nothing in this set can be repaired automatically.'
              : `${found.length === 1 ? 'One icon' : `${found.length} icons`} can be mended. Only ticked icons are mended.`
            : `${looked} of ${set.icons.length} icons looked at…`}
        </p>
        {failed.length > 0 && (
          <p className="mt-1 text-fault">
            {failed.length === 1
              ? `One icon could not be looked at. ${failed[0]}`
              : `${failed.length} icons could not be looked at. ${failed[0]}`}{' '}
            <button type="button" className="underline" onClick={() => setTries(tries + 1)}>
              Try again
            </button>
          </p>
        )}
        <ul className="mt-3 grid max-h-[44vh] grid-cols-3 gap-px overflow-y-auto">
          {found.map(({ icon, edits }) => {
            const { objects } = masterFor(icon)
            const after = edits.reduce(applyDrawingEdit, objects)
            return (
              <li key={icon.id} className="border border-hair p-2">
                <div className="flex items-center justify-between">
                  <PixelPicture
                    source={{ objects, rules: set.rules, ground }}
                    size={64}
                    label={`${icon.name} before`}
                  />
                  <span aria-hidden className="text-quiet">
                    →
                  </span>
                  <PixelPicture
                    source={{ objects: after, rules: set.rules, ground }}
                    size={64}
                    label={`${icon.name} after`}
                  />
                </div>
                <label className="mt-1 flex items-center gap-1.5 text-small">
                  <input
                    type="checkbox"
                    checked={!left.has(icon.id)}
                    onChange={() => {
                      const next = new Set(left)
                      if (!next.delete(icon.id)) next.add(icon.id)
                      setLeft(next)
                    }}
                  />
                  <span className="truncate">{icon.name}</span>
                  <span className="ml-auto text-quiet">
                    {edits.length === 1 ? '1 repair' : `${edits.length} repairs`}
                  </span>
                </label>
              </li>
            )
          })}
        </ul>
        <div className="mt-4 flex justify-end gap-2">
          <Button onClick={onClose}>Close</Button>
          <Button look="strong" disabled={count === 0} onClick={mend}>
            Mend {count > 0 ? count : ''}
          </Button>
        </div>
      </div>
    </Dialog>
  )
}
