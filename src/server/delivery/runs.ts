import { nanoid } from 'nanoid'
import { targetsOf } from '../../core/targets/plan'
import { TARGETS } from '../../core/targets/targets'
import type { Db } from '../database'
import type { Renderer } from '../renderer/renderer'
import type { StoredFamily } from './family'
import { Run } from './run'

/** The targets of a delivery from an address, `targets=svg,png`; without that those that the set is delivered to. */
export function targetsFrom(query: URLSearchParams, stored: StoredFamily): readonly string[] {
  const named = query.get('targets')?.split(',') ?? targetsOf(stored.family)
  return TARGETS.map(({ id }) => id).filter((id) => named.includes(id))
}

/** How long what was made is kept while nobody asks for it, in milliseconds. */
const KEPT = 600_000

type Kept = { readonly run: Run; readonly key: string; forget: NodeJS.Timeout }

const shared = globalThis as { wiseSquareRuns?: Map<string, Kept> }
const runs = (shared.wiseSquareRuns ??= new Map<string, Kept>())

function forgetLater(id: string): NodeJS.Timeout {
  const timer = setTimeout(() => {
    const kept = runs.get(id)
    if (!kept) return
    if (kept.run.progress.state === 'running') kept.forget = forgetLater(id)
    else {
      runs.delete(id)
      void kept.run.forget()
    }
  }, KEPT)
  timer.unref()
  return timer
}

const keyOf = ({ id, revision }: StoredFamily, targets: readonly string[]) => `${id} ${revision} ${targets.join()}`

/**
 * The run that makes a set's delivery as it is now: one that is under way or done, or a new one. What was being made of
 * the set as it was before is called off.
 */
export function runOf(db: Db, renderer: Renderer, stored: StoredFamily, targets: readonly string[]): Run {
  const key = keyOf(stored, targets)
  for (const [id, kept] of runs) {
    if (kept.key === key && kept.run.progress.state !== 'failed' && kept.run.progress.state !== 'cancelled') {
      clearTimeout(kept.forget)
      kept.forget = forgetLater(id)
      return kept.run
    }
    if (kept.run.stored.id !== stored.id) continue
    runs.delete(id)
    clearTimeout(kept.forget)
    void kept.run.cancel()
  }
  const id = nanoid(10),
    run = new Run(id, stored, targets, db, renderer)
  runs.set(id, { run, key, forget: forgetLater(id) })
  return run
}

/** The run that was begun for a set last; null where there is none. */
export function lastRunOf(setId: string): Run | null {
  return [...runs.values()].reverse().find(({ run }) => run.stored.id === setId)?.run ?? null
}

/** Calls off what is being made of a set. */
export async function cancelRunOf(setId: string): Promise<boolean> {
  const run = lastRunOf(setId)
  if (!run || run.progress.state !== 'running') return false
  await run.cancel()
  return true
}
