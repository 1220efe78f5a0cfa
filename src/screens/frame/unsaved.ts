import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import { z } from 'zod'
import { SetWrites } from '@/core/formats/writes'

/** Changes on top of a revision that are not on the server yet, and the window that made them. */
const Unsaved = z.object({ setId: z.string(), writer: z.string(), base: z.int(), writes: SetWrites })

export type Unsaved = z.infer<typeof Unsaved>

interface Kept extends DBSchema {
  unsaved: { key: [string, string]; value: Unsaved; indexes: { set: string } }
}

let opened: Promise<IDBPDatabase<Kept>> | null = null

/**
 * What a browser keeps for all windows of this program. Each window has its own record for a set, so that none writes
 * over another's.
 */
function database(): Promise<IDBPDatabase<Kept>> {
  opened ??= openDB<Kept>('wise-square', 1, {
    upgrade: (db) => db.createObjectStore('unsaved', { keyPath: ['setId', 'writer'] }).createIndex('set', 'setId'),
    terminated: () => (opened = null),
  })
  opened.catch(() => (opened = null))
  return opened
}

/** Keeps unsaved changes of a window; false when the browser does not (its storage is full or closed to this page). */
export async function keepUnsaved(work: Unsaved): Promise<boolean> {
  try {
    await (await database()).put('unsaved', work)
    return true
  } catch {
    return false
  }
}

export async function forgetUnsaved({ setId, writer }: Pick<Unsaved, 'setId' | 'writer'>): Promise<void> {
  try {
    await (await database()).delete('unsaved', [setId, writer])
  } catch {
    // Storage is closed to this page; then nothing was kept either.
  }
}

/**
 * What windows that are gone left unsaved of a set. Whatever there is that cannot be read is passed over, and stays.
 */
export async function leftUnsaved(setId: string): Promise<Unsaved[]> {
  try {
    const all: unknown[] = await (await database()).getAllFromIndex('unsaved', 'set', setId)
    const open = await openWriters()
    return all.flatMap((one) => {
      const parsed = Unsaved.safeParse(one)
      return parsed.success && !open.has(parsed.data.writer) ? [parsed.data] : []
    })
  } catch {
    return []
  }
}

const LOCK = 'wise-square window '

/**
 * Holds the sign that a window has a set open, until it is closed, however it is, or leaves the set; resolves once it
 * is held, with the way to let go.
 */
export function holdWindow(writer: string): Promise<() => void> {
  if (!navigator.locks) return Promise.resolve(() => undefined)
  return new Promise((held) => {
    // Not settled until then; the browser lets go of the lock by itself when the window is gone.
    void navigator.locks.request(LOCK + writer, () => new Promise<void>((letGo) => held(letGo)))
  })
}

/** The windows that are open. */
async function openWriters(): Promise<ReadonlySet<string>> {
  const { held = [] } = (await navigator.locks?.query()) ?? {}
  return new Set(held.flatMap(({ name }) => (name?.startsWith(LOCK) ? [name.slice(LOCK.length)] : [])))
}
