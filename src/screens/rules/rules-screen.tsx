'use client'

import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import type { Rules } from '@/core/rules/rules'
import type { OnNewGrid } from '@/core/set/restyle'
import { Button } from '@/ui/button'
import { Choice } from '@/ui/choice'
import { commit } from '../session/session'
import { SetBar } from '../frame/set-bar'
import { useSession, useSessionState } from '../session/use-session'
import { CommonCommands } from '../frame/top-bar'
import { keepWaitingRules, waitingRules } from '../session/waiting-rules'
import { NOTHING_YET, useChanges } from './changes'
import { RuleDiagram } from './diagram'
import { ChangesSheet } from './changes-sheet'
import { type Draft, draftOf, noted, outcome, rebased, ruled, settled, type Ways } from './draft'
import { RulesFiles } from './rules-files'
import { RulesForm } from './rules-form'
import { changesInWords, ChangesStrip } from './changes-strip'
import { useFitted } from './use-fitted'

/** A change that is not applied yet, and the rules it was made on. */
type Waiting = {
  readonly draft: Draft
  readonly left: readonly string[]
  readonly drawings: OnNewGrid | 'kept'
  readonly basis: Rules
}

/** The rule book beside a diagram of it, and what a change would do to the icons. Nothing is applied before “Apply”. */
export function RulesScreen() {
  const session = useSession()
  const set = useSessionState(({ history }) => history.present)
  const [kept] = useState(() => waitingRules(session.getState().setId) as Waiting | null)
  const [draft, setDraft] = useState<Draft | null>(() => kept && rebased(kept.draft, kept.basis, set.rules))
  const [left, setLeft] = useState<ReadonlySet<string>>(kept ? new Set(kept.left) : NOBODY)
  // A pending change is rebased when the rules change beneath it.
  const [basis, setBasis] = useState(set.rules)
  if (basis !== set.rules) {
    setBasis(set.rules)
    setDraft(draft && rebased(draft, basis, set.rules))
  }
  const shown = useMemo(() => draft ?? draftOf(set.rules), [draft, set.rules])
  const [drawings, setDrawings] = useState<OnNewGrid | 'kept'>(kept?.drawings ?? 'fitted')
  useEffect(() => {
    const waiting: Waiting | null = draft && { draft, left: [...left], drawings, basis: set.rules }
    keepWaitingRules(session, waiting)
  }, [session, draft, left, drawings, set.rules])
  const [whole, setWhole] = useState(false)
  const isOtherGrid = shown.grid.size !== set.rules.grid.size
  const ways = useMemo(
    (): Ways => ({
      ...(isOtherGrid && drawings !== 'kept' && { drawings }),
      ...(left.size > 0 && { except: [...left] }),
    }),
    [isOtherGrid, drawings, left],
  )
  const underNow = useMemo(() => (draft ? ruled(draft, set.rules) : null), [draft, set.rules])
  // Its effect on thousands of icons is computed after the form is updated.
  const lately = useDeferredValue(underNow),
    under = lately === underNow ? underNow : null
  const fitting = useFitted(set, under?.ok && isOtherGrid && drawings === 'fitted' ? under.rules : null)
  const isFitting = fitting !== null && fitting.fits === null
  const fits = fitting?.fits ?? null
  const result = useMemo(
    () => (under?.ok ? (isFitting ? null : outcome(under, set, { ...ways, ...(fits && { fits }) })) : under),
    [under, set, ways, fits, isFitting],
  )
  const after = result?.ok ? result.set : null
  const changes = useChanges(set, after, fits) ?? (underNow?.ok && !under ? NOTHING_YET : null)
  const wrong = result && !result.ok ? result : null

  const leave = (icon: string) => {
    const next = new Set(left)
    if (!next.delete(icon)) next.add(icon)
    setLeft(next)
  }
  const discard = () => {
    setDraft(null)
    setLeft(NOBODY)
  }
  const apply = () => {
    if (!result?.ok || !under?.ok) return
    discard()
    commit(
      session,
      {
        kind: 'rules',
        rules: under.rules,
        renames: under.renames,
        ...ways,
        ...(fits && { fits }),
        ...(under.rules.follows && { isFollowing: true as const }),
      },
      'Change the rules',
    )
  }

  return (
    <div className="grid h-dvh min-w-[720px] grid-cols-[360px_minmax(0,1fr)] grid-rows-[44px_minmax(0,1fr)_auto] overflow-hidden">
      <CommonCommands />
      <SetBar />
      <div className="row-span-2 flex min-h-0 flex-col border-r border-ink bg-sheet">
        <div className="min-h-0 flex-1 overflow-y-auto">
          <RulesForm
            draft={shown}
            onChange={(next) => setDraft(noted(shown, settled(next)))}
            problems={wrong?.problems ?? NONE}
          />
        </div>
        <div className="border-t border-ink px-4 py-2.5">
          <p role="status" className={`mb-2 min-h-4 ${wrong ? 'text-fault' : 'text-quiet'}`}>
            {wrong
              ? wrong.sentence
              : fitting && isFitting
                ? `${fitting.done} of ${fitting.of} drawings are fitted to the new grid…`
                : changes
                  ? changesInWords(changes, set.icons.length).replace(/[^.…]$/, '$&.')
                  : 'No change is pending.'}
          </p>
          {isOtherGrid && (
            <div className="mb-2 flex items-center justify-between">
              <span className="text-quiet">drawings are</span>
              <Choice
                label="What happens to the drawings"
                value={drawings}
                options={[
                  { value: 'fitted', label: 'fitted' },
                  { value: 'scaled', label: 'scaled' },
                  { value: 'kept', label: 'left as they are' },
                ]}
                onChange={setDrawings}
              />
            </div>
          )}
          <div className="flex gap-2">
            <Button look="strong" disabled={!result?.ok} onClick={apply}>
              Apply
            </Button>
            <Button disabled={!draft} onClick={discard}>
              Discard
            </Button>
          </div>
          <RulesFiles set={set} onDraft={setDraft} />
        </div>
      </div>
      {whole && after && changes ? (
        <ChangesSheet before={set} after={after} changes={changes} left={left} onLeave={leave} />
      ) : (
        <Diagram draft={shown} onChange={(change) => setDraft({ ...shown, ...change })} />
      )}
      <ChangesStrip
        before={set}
        after={after}
        changes={changes}
        left={left}
        onLeave={leave}
        onFollow={() => setLeft(NOBODY)}
        whole={whole}
        onWhole={() => setWhole(!whole)}
      />
    </div>
  )
}

const NOBODY: ReadonlySet<string> = new Set()

const NONE: ReadonlyMap<string, string> = new Map()

function Diagram({
  draft,
  onChange,
}: {
  draft: Draft
  onChange: React.ComponentProps<typeof RuleDiagram>['onChange']
}) {
  const frame = useRef<HTMLDivElement>(null)
  const [side, setSide] = useState(480)
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) =>
      setSide(Math.max(200, Math.floor(Math.min(entry!.contentRect.width, entry!.contentRect.height)))),
    )
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
