'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import { proofSvg } from '@/core/formats/delivery'
import { realSize } from '@/core/rules/real-size'
import type { IconSet } from '@/core/set/set'
import { Button } from '@/ui/button'
import { useFilm } from '@/ui/film'
import { PixelPicture } from '@/ui/pixel-picture'
import { commit } from '../frame/session'
import { SetBar } from '../frame/set-bar'
import { useSession, useSessionState } from '../frame/set-provider'
import { CommonCommands } from '../frame/top-bar'
import { RuleDiagram } from './diagram'
import { type Draft, draftOf, type Outcome, outcome } from './draft'
import { RulesForm } from './rules-form'

/** The rule book beside a diagram of it, and what a change would do to the icons. Nothing is applied before “Apply”. */
export function RulesScreen() {
  const session = useSession()
  const set = useSessionState(({ history }) => history.present)
  const [draft, setDraft] = useState<Draft | null>(null)
  // A pending change is laid over the rules it was made on; when those change, by undo for example, it is given up.
  const [basis, setBasis] = useState(set.rules)
  if (basis !== set.rules) {
    setBasis(set.rules)
    setDraft(null)
  }
  const shown = useMemo(() => draft ?? draftOf(set.rules), [draft, set.rules])
  const result = useMemo(() => (draft ? outcome(draft, set) : null), [draft, set])
  const problems = result && !result.ok ? result.problems : NONE

  const apply = () => {
    if (result?.ok) commit(session, { kind: 'rules', rules: result.rules, renames: result.renames }, 'Change the rules')
  }

  return (
    <div className="grid h-dvh min-w-[1024px] grid-cols-[360px_minmax(0,1fr)] grid-rows-[44px_minmax(0,1fr)_auto] overflow-hidden">
      <CommonCommands />
      <SetBar />
      <div className="row-span-2 flex min-h-0 flex-col border-r border-ink bg-sheet">
        <div className="min-h-0 flex-1 overflow-y-auto">
          <RulesForm draft={shown} onChange={setDraft} problems={problems} />
        </div>
        <div className="border-t border-ink px-4 py-2.5">
          <p role="status" className={`mb-2 min-h-4 ${result && !result.ok ? 'text-fault' : 'text-quiet'}`}>
            {!result ? 'No change is pending.' : result.ok ? summary(set, result) : result.sentence}
          </p>
          <div className="flex gap-2">
            <Button look="strong" disabled={!result?.ok} onClick={apply}>Apply</Button>
            <Button disabled={!draft} onClick={() => setDraft(null)}>Discard</Button>
          </div>
        </div>
      </div>
      <Diagram draft={shown} onChange={(change) => setDraft({ ...shown, ...change })} />
      <Strip before={set} outcome={result} />
    </div>
  )
}

const NONE: ReadonlyMap<string, string> = new Map()

function Diagram({ draft, onChange }: { draft: Draft; onChange: React.ComponentProps<typeof RuleDiagram>['onChange'] }) {
  const frame = useRef<HTMLDivElement>(null)
  const [side, setSide] = useState(480)
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setSide(Math.max(200, Math.floor(Math.min(entry!.contentRect.width, entry!.contentRect.height)))))
    observer.observe(frame.current!)
    return () => observer.disconnect()
  }, [])
  return (
    <div className="min-h-0 bg-film p-6">
      <div ref={frame} className="grid h-full place-items-center">
        <RuleDiagram rules={draft} side={side} onChange={onChange} />
      </div>
    </div>
  )
}

type Change = { readonly id: string; readonly name: string; readonly before: string; readonly after: string }

/** The icons that a pending change would alter. */
function changes(before: IconSet, after: IconSet, ground: 'light' | 'dark'): Change[] {
  return before.icons.flatMap((icon, i) => {
    const was = proofSvg(icon, before.rules, ground), is = proofSvg(after.icons[i]!, after.rules, ground)
    return was === is ? [] : [{ id: icon.id, name: icon.name, before: was, after: is }]
  })
}

function summary(set: IconSet, result: Outcome & { ok: true }): string {
  const count = changes(set, result.set, 'light').length
  return count === 0 ? 'No icon changes its look.' : `${count} of ${set.icons.length} icons change.`
}

/** The icons before and after the pending change. */
function Strip({ before, outcome: result }: { before: IconSet; outcome: Outcome | null }) {
  const ground = useFilm() === 'night' ? 'dark' : 'light'
  const changed = useMemo(() => (result?.ok ? changes(before, result.set, ground) : null), [before, result, ground])
  const size = realSize(before.rules)
  return (
    <section aria-label="Before and after" className="h-[124px] overflow-hidden border-t border-ink bg-sheet">
      <h2 className="px-4 pt-2 font-[640]">
        {changed ? `Before and after · ${changed.length} of ${before.icons.length} icons change` : 'Icons under these rules'}
      </h2>
      <div tabIndex={0} role="group" aria-label="Before and after" className="flex items-start gap-5 overflow-x-auto px-4 py-2">
        {before.icons.length === 0 && <p className="text-quiet">No icon is drawn yet; the rules wait for the first.</p>}
        {changed
          ? changed.map((change) => (
              <figure key={change.id} className="flex-none text-center">
                <div className="flex items-center gap-1.5">
                  <PixelPicture svg={change.before} size={size} label={`${change.name} before`} />
                  <span aria-hidden className="text-quiet">→</span>
                  <PixelPicture svg={change.after} size={size} label={`${change.name} after`} />
                </div>
                <figcaption className="mt-1 text-small text-quiet">{change.name}</figcaption>
              </figure>
            ))
          : before.icons.map((icon) => (
              <figure key={icon.id} className="flex-none text-center">
                <PixelPicture svg={proofSvg(icon, before.rules, ground)} size={size} label={icon.name} className="mx-auto" />
                <figcaption className="mt-1 text-small text-quiet">{icon.name}</figcaption>
              </figure>
            ))}
      </div>
    </section>
  )
}
