import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import { Kept } from '@/core/saving/kept'

interface Store extends DBSchema {
  unsaved: { key: [string, string]; value: Kept; indexes: { set: string } }
}

let opened: Promise<IDBPDatabase<Store>> | null = null

/**
 * What a browser keeps for all windows of this program. Each window has its own record for a set, so that none writes
 * over another's.
 */
function database(): Promise<IDBPDatabase<Store>> {
  opened ??= openDB<Store>('wise-square', 1, {
    upgrade: (db) => db.createObjectStore('unsaved', { keyPath: ['setId', 'writer'] }).createIndex('set', 'setId'),
    terminated: () => (opened = null),
  })
  opened.catch(() => (opened = null))
  return opened
}

/** Keeps unsaved changes of a window; false when the browser does not (its storage is full or closed to this page). */
export async function keepUnsaved(work: Kept): Promise<boolean> {
  try {
    await (await database()).put('unsaved', work)
    return true
  } catch {
    return false
  }
}

export async function forgetUnsaved({ setId, writer }: Pick<Kept, 'setId' | 'writer'>): Promise<void> {
  try {
    await (await database()).delete('unsaved', [setId, writer])
  } catch {
    // Storage is closed to this page; then nothing was kept either.
  }
}

/** What windows that are gone left unsaved of a set, and what of it cannot be read: as it is, with its key. */
export type LeftUnsaved = {
  readonly kept: readonly Kept[]
  readonly unreadable: readonly { readonly setId: string; readonly writer: string }[]
}

export async function leftUnsaved(setId: string): Promise<LeftUnsaved> {
  const kept: Kept[] = [],
    unreadable: LeftUnsaved['unreadable'][number][] = []
  try {
    const all: unknown[] = await (await database()).getAllFromIndex('unsaved', 'set', setId)
    const open = await openWriters()
    for (const one of all) {
      const { writer } = one as { writer: string }
      if (open.has(writer)) continue
      const parsed = Kept.safeParse(one)
      if (parsed.success) kept.push(parsed.data as Kept)
      else unreadable.push(one as LeftUnsaved['unreadable'][number])
    }
  } catch {
    // Storage is closed to this page.
  }
  return { kept: kept.sort((a, b) => (a.at < b.at ? -1 : 1)), unreadable }
}

const LOCK = 'wise-square window '

/**
 * Holds the sign that a window has a set open, until it is closed, however it is, or leaves the set; resolves once it
 * is held, with the way to let go, which resolves once nobody takes it to be open any more.
 */
export function holdWindow(writer: string): Promise<() => Promise<void>> {
  if (!navigator.locks) return Promise.resolve(() => Promise.resolve())
  return new Promise((held) => {
    // Not settled until then; the browser lets go of the lock by itself when the window is gone.
    const over: Promise<unknown> = navigator.locks.request(
      LOCK + writer,
      () =>
        new Promise<void>((letGo) =>
          held(async () => {
            letGo()
            await over
          }),
        ),
    )
  })
}

/** The windows that are open. */
async function openWriters(): Promise<ReadonlySet<string>> {
  const { held = [] } = (await navigator.locks?.query()) ?? {}
  return new Set(held.flatMap(({ name }) => (name?.startsWith(LOCK) ? [name.slice(LOCK.length)] : [])))
}
