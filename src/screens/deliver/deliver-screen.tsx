'use client'

import clsx from 'clsx'
import { useEffect, useMemo, useState } from 'react'
import { plannedFiles, planProblems } from '@/core/targets/delivery'
import { TARGETS } from '@/core/targets/targets'
import type { Rules } from '@/core/rules/rules'
import type { SetEdit } from '@/core/set/edit'
import { SetBar } from '../frame/set-bar'
import { commit } from '../frame/session'
import { useSession, useSessionState } from '../frame/set-provider'
import { CommonCommands } from '../frame/top-bar'
import { bytesInWords, FileTree, type Sizes } from './file-tree'

const STROKES = [
  { key: 'kept', name: 'Keep strokes', note: 'Centre lines with their weight: small, and easy to restyle.' },
  {
    key: 'outlined',
    name: 'Outline strokes',
    note: 'The shapes that strokes paint, circles as arcs: for places that only fill.',
  },
] as const

/** The choice is kept in the set; what is usual is left out of it. */
function strokesEdit({ strokes: _, ...rules }: Rules, strokes: 'kept' | 'outlined'): SetEdit {
  return { kind: 'rules', rules: strokes === 'kept' ? rules : { ...rules, strokes }, renames: [] }
}

/** What will be written, exactly, and the download. */
export function DeliverScreen() {
  const session = useSession()
  const set = useSessionState(({ history }) => history.present)
  const setId = useSessionState((state) => state.setId)
  const revision = useSessionState((state) => state.revision)
  const saved = useSessionState((state) => state.saving.state === 'saved')
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set(TARGETS.map(({ id }) => id)))
  const files = useMemo(() => plannedFiles(set, chosen), [set, chosen])
  const query = `targets=${TARGETS.filter(({ id }) => chosen.has(id))
    .map(({ id }) => id)
    .join()}`
  const clashes = useMemo(() => planProblems(files), [files])
  const plan = usePlan(saved && files.length > 0 ? `/api/sets/${setId}/delivery/plan?${query}&rev=${revision}` : null)
  const sizes = plan?.sizes ?? null
  const isReady = files.length > 0 && saved && clashes.length === 0
  const total = sizes ? [...sizes.values()].reduce((sum, bytes) => sum + bytes, 0) : null
  return (
    <div className="grid h-dvh min-w-[1024px] grid-cols-[360px_minmax(0,1fr)] grid-rows-[44px_minmax(0,1fr)] overflow-hidden">
      <CommonCommands />
      <SetBar />
      <aside className="flex flex-col border-r border-ink bg-sheet">
        <section aria-label="Formats" className="border-b border-hair px-4 py-3">
          <h2 className="mb-1 font-[640]">Formats</h2>
          {TARGETS.map(({ id, name, note }) => (
            <label key={id} className="flex gap-3 border-t border-hair py-2 first-of-type:border-0">
              <input
                type="checkbox"
                checked={chosen.has(id)}
                onChange={(event) => setChosen(withOrWithout(chosen, id, event.target.checked))}
                className="mt-0.5 self-start accent-(--ink)"
              />
              <span>
                <span className="block font-[560]">{name}</span>
                <span className="block text-quiet">{note}</span>
              </span>
            </label>
          ))}
        </section>
        <section aria-label="Strokes" className="border-b border-hair px-4 py-3">
          <h2 className="mb-1 font-[640]">Strokes</h2>
          {STROKES.map(({ key, name, note }) => (
            <label key={key} className="flex gap-3 border-t border-hair py-2 first-of-type:border-0">
              <input
                type="radio"
                name="strokes"
                checked={(set.rules.strokes ?? 'kept') === key}
                onChange={() => commit(session, strokesEdit(set.rules, key), name)}
                className="mt-0.5 self-start accent-(--ink)"
              />
              <span>
                <span className="block font-[560]">{name}</span>
                <span className="block text-quiet">{note}</span>
              </span>
            </label>
          ))}
        </section>
        <section aria-label="Sizes" className="border-b border-hair px-4 py-3">
          <h2 className="mb-1 font-[640]">From the rules</h2>
          <p className="text-quiet">
            sizes {set.rules.sizes.join(', ')} · densities{' '}
            {set.rules.densities.map((density) => `${density}×`).join(', ')}
          </p>
        </section>
        <div className="mt-auto border-t border-ink px-4 py-3">
          <Problems
            sentences={[...clashes, ...(plan?.problems ?? []), ...(plan?.fault !== undefined ? [plan.fault] : [])]}
          />
          <p role="status" className="mb-2 text-quiet">
            {files.length === 0
              ? nothing(set.icons.length, chosen.size)
              : `${sizes?.size ?? files.length} files${plan?.fault !== undefined || clashes.length > 0 ? '' : total === null ? ', weighing…' : `, ${bytesInWords(total)}`}`}
          </p>
          <a
            href={isReady ? `/api/sets/${setId}/delivery?${query}` : undefined}
            aria-disabled={!isReady}
            download
            className={clsx(
              'flex h-8 items-center justify-center rounded-sheet border text-lead',
              isReady
                ? 'border-ink bg-ink text-sheet hover:border-hand hover:bg-hand hover:text-white'
                : 'border-hair bg-hair text-quiet',
            )}
          >
            Download as a zip
          </a>
          <p className="mt-2 text-small text-quiet">
            The same from a terminal:
            <code className="block font-mono whitespace-nowrap">bin/wise-square deliver FILE --to DIR</code>
          </p>
        </div>
      </aside>
      <main aria-label="Files" className="min-h-0 bg-film p-4">
        <FileTree name={set.name} files={files} sizes={sizes} rules={set.rules} />
      </main>
    </div>
  )
}

function nothing(icons: number, targets: number): string {
  if (icons === 0) return 'There is no icon to deliver yet.'
  return targets > 0 ? 'There is nothing to write.' : 'Choose at least one format.'
}

function withOrWithout(ids: ReadonlySet<string>, id: string, on: boolean): ReadonlySet<string> {
  const next = new Set(ids)
  if (on) next.add(id)
  else next.delete(id)
  return next
}

/** What stands against the delivery, or is left out of it. */
function Problems({ sentences }: { sentences: readonly string[] }) {
  if (sentences.length === 0) return null
  return (
    <ul aria-label="Problems" className="mb-2 max-h-40 overflow-y-auto">
      {sentences.slice(0, 20).map((sentence) => (
        <li key={sentence} className="border-l-2 border-fault py-0.5 pl-2 text-fault">
          {sentence}
        </li>
      ))}
      {sentences.length > 20 && <li className="pl-2.5 text-quiet">and {sentences.length - 20} more</li>}
    </ul>
  )
}

/** What the server will write: the size of every file in bytes, what it leaves out and why; or why it cannot. */
type Plan = { readonly sizes: Sizes | null; readonly problems: readonly string[]; readonly fault?: string }

/** The server's plan, once it has made the files; null until then. */
function usePlan(url: string | null): Plan | null {
  const [answer, setAnswer] = useState<{ url: string; plan: Plan } | null>(null)
  useEffect(() => {
    if (!url) return
    const abort = new AbortController()
    fetchPlan(url, abort.signal).then(
      (plan) => setAnswer({ url, plan }),
      () => undefined,
    )
    return () => abort.abort()
  }, [url])
  return answer?.url === url ? answer.plan : null
}

/** Asks until the files are made. */
async function fetchPlan(url: string, signal: AbortSignal): Promise<Plan> {
  for (;;) {
    const response = await fetch(url, { signal })
    if (response.status !== 202) return planOf(response.ok, await response.json())
    await new Promise((resolve) => setTimeout(resolve, 500))
  }
}

function planOf(
  ok: boolean,
  body: { files?: { path: string; bytes: number }[]; problems?: { icon: string; message: string }[]; message?: string },
): Plan {
  if (!ok || !body.files)
    return { sizes: null, problems: [], fault: body.message ?? 'The server could not make the files.' }
  const problems = (body.problems ?? []).map(({ icon, message }) => `“${icon}” is left out. ${message}`)
  return { sizes: new Map(body.files.map(({ path, bytes }) => [path, bytes])), problems }
}
