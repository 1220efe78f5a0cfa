'use client'

import { useEffect, useState } from 'react'
import { keptRepairs, type Repair } from '@/core/checks/mended'
import type { SetEdit } from '@/core/set/edit'
import { type Icon, type IconSet, masterFor } from '@/core/set/set'
import { Button } from '@/ui/button'
import { Dialog } from '@/ui/dialog'
import { say } from '@/ui/notice'
import { toggled } from '@/ui/toggled'
import { repairsOfIcon } from '@/workers/questions'
import { commit, type Session, undoStep } from '../session/session'
import { RepairPicture } from './repair-picture'

type Found = { readonly icon: Icon; readonly repairs: readonly Repair[] }

const NONE: ReadonlySet<number> = new Set()

/** Every known repair of a set, icon by icon, each with a tick; those that are ticked are made as one step. */
export function MendDialog({ session, set, onClose }: { session: Session; set: IconSet; onClose: () => void }) {
  const [found, setFound] = useState<readonly Found[]>([])
  const [looked, setLooked] = useState(0)
  const [left, setLeft] = useState<ReadonlyMap<string, ReadonlySet<number>>>(new Map())
  const [failed, setFailed] = useState<readonly string[]>([])
  const [tries, setTries] = useState(0)
  useEffect(() => {
    let isWanted = true
    void (async () => {
      await Promise.resolve()
      setFound([])
      setFailed([])
      setLooked(0)
      for (const icon of set.icons) {
        const answer = await repairsOfIcon(icon, set.rules)
        if (!isWanted) return
        setLooked((n) => n + 1)
        if ('problem' in answer) setFailed((all) => [...all, `${icon.name}: ${answer.problem}`])
        else if (answer.repairs.length > 0) setFound((all) => [...all, { icon, repairs: answer.repairs }])
      }
    })()
    return () => {
      isWanted = false
    }
  }, [set, tries])
  const isDone = looked >= set.icons.length
  const kept = found
    .map(({ icon, repairs }) => ({ icon, repairs, ticked: keptRepairs(repairs, left.get(icon.id) ?? NONE) }))
    .filter(({ ticked }) => ticked.size > 0)
  const count = kept.reduce((sum, { ticked }) => sum + ticked.size, 0)
  const mend = () => {
    const edits = kept.map(({ icon, repairs, ticked }): SetEdit => ({
      kind: 'draw',
      icon: icon.id,
      master: masterFor(icon).base,
      edit: { kind: 'all', edits: repairs.filter((_, i) => ticked.has(i)).map(({ edit }) => edit) },
    }))
    const label = `Mend ${count === 1 ? 'a snag' : `${count} snags`} in ${kept.length === 1 ? 'one icon' : `${kept.length} icons`}`
    commit(session, { kind: 'all', edits }, label)
    say({ text: `${label}.`, action: { label: 'Undo', run: () => undoStep(session) } })
    onClose()
  }
  return (
    <Dialog title="Mend the set" open onClose={onClose} width={860}>
      <div className="p-4">
        <p role="status" className="text-quiet">
          {isDone
            ? found.length === 0
              ? 'Nothing in this set can be repaired automatically.'
              : `${found.length === 1 ? 'One icon' : `${found.length} icons`} can be mended. Only ticked repairs are made; red shows the result.`
            : `${looked} of ${set.icons.length} icons checked…`}
        </p>
        {failed.length > 0 && (
          <p className="mt-1 text-fault">
            {failed.length === 1
              ? `One icon could not be checked. ${failed[0]}`
              : `${failed.length} icons could not be checked. ${failed[0]}`}{' '}
            <button type="button" className="underline" onClick={() => setTries(tries + 1)}>
              Try again
            </button>
          </p>
        )}
        <ul className="mt-3 max-h-[52vh] overflow-y-auto border-t border-hair">
          {found.map(({ icon, repairs }) => (
            <IconRepairs
              key={icon.id}
              icon={icon}
              repairs={repairs}
              rules={set.rules}
              left={left.get(icon.id) ?? NONE}
              onLeft={(next) => setLeft(new Map(left).set(icon.id, next))}
            />
          ))}
        </ul>
        <div className="mt-4 flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="strong" disabled={count === 0} onClick={mend}>
            Mend {count > 0 ? (count === 1 ? '1 snag' : `${count} snags`) : ''}
          </Button>
        </div>
      </div>
    </Dialog>
  )
}

/** An icon with its repairs: a picture of the ticked ones, or of the one that is pointed at, and a tick for each. */
function IconRepairs({
  icon,
  repairs,
  rules,
  left,
  onLeft,
}: Found & {
  rules: IconSet['rules']
  left: ReadonlySet<number>
  onLeft: (left: ReadonlySet<number>) => void
}) {
  const [pointed, setPointed] = useState<number | null>(null)
  const ticked = keptRepairs(repairs, left)
  return (
    <li className="flex gap-4 border-b border-hair py-2">
      <RepairPicture
        objects={masterFor(icon).objects}
        repairs={repairs}
        shown={pointed === null ? ticked : new Set([pointed])}
        rules={rules}
        label={`Repairs of ${icon.name}`}
      />
      <div className="min-w-0 flex-1">
        <p className="font-[640]">{icon.name}</p>
        <ul>
          {repairs.map(({ snag }, i) => (
            <li key={i} onPointerEnter={() => setPointed(i)} onPointerLeave={() => setPointed(null)}>
              <label className="flex items-start gap-2 py-[2px] hover:bg-film">
                <input
                  type="checkbox"
                  className="mt-px"
                  checked={ticked.has(i)}
                  // Without a repair before it of the same object it cannot be made.
                  disabled={!ticked.has(i) && !left.has(i)}
                  onChange={() => onLeft(toggled(left, i))}
                />
                <span className="min-w-0 flex-1">{snag.sentence}</span>
              </label>
            </li>
          ))}
        </ul>
      </div>
    </li>
  )
}
