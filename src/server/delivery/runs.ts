import { nanoid } from 'nanoid'
import { TARGETS } from '../../core/targets/targets'
import type { Db } from '../database/database'
import type { Renderer } from '../renderer/renderer'
import type { StoredSet } from './stored-set'
import { Run } from './run'

/** Those of some names that are targets, in the order they are offered. */
export const knownTargets = (names: readonly string[]): readonly string[] =>
  TARGETS.map(({ id }) => id).filter((id) => names.includes(id))

/** How long an unused delivery is kept, in milliseconds. */
const KEPT = 600_000

/** A run, how many asked for it and have not given it up, and when it is forgotten. */
type Kept = { readonly run: Run; readonly key: string; holders: number; forget: NodeJS.Timeout }

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

const keyOf = ({ id, revision, family }: StoredSet, targets: readonly string[]) =>
  `${id} ${revision} ${family.released?.number ?? 0} ${targets.join()}`

/**
 * Returns a run that makes the current delivery of a set: a running or finished one, or a new one. The caller holds it
 * until `giveUpRun`. Other runs continue.
 */
export function holdRun(db: Db, renderer: Renderer, stored: StoredSet, targets: readonly string[]): Run {
  const key = keyOf(stored, targets)
  for (const [id, kept] of runs) {
    const { state } = kept.run.progress
    if (kept.key !== key || state === 'failed' || state === 'cancelled') continue
    kept.holders++
    clearTimeout(kept.forget)
    kept.forget = forgetLater(id)
    return kept.run
  }
  const id = nanoid(10),
    run = new Run(id, stored, targets, db, renderer)
  runs.set(id, { run, key, holders: 1, forget: forgetLater(id) })
  return run
}

/** A run of a set by its id; null where there is none, or none any more. */
export function runOf(setId: string, id: string): Run | null {
  const kept = runs.get(id)
  if (!kept || kept.run.stored.id !== setId) return null
  clearTimeout(kept.forget)
  kept.forget = forgetLater(id)
  return kept.run
}

/** Gives a run up; the last one who does calls it off, if it is still under way. False where there is none. */
export async function giveUpRun(setId: string, id: string): Promise<boolean> {
  const kept = runs.get(id)
  if (!kept || kept.run.stored.id !== setId) return false
  kept.holders = Math.max(0, kept.holders - 1)
  if (kept.holders === 0 && kept.run.progress.state === 'running') await kept.run.cancel()
  return true
}
