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

/** How long the browser's database and its locks may take to answer, in milliseconds; then one goes on without them. */
const PATIENCE = 3000

/** What a promise gives, or an error when it takes too long. */
function inTime<T>(work: Promise<T>): Promise<T> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error('The browser does not answer.')), PATIENCE)
    work.then(resolve, reject).finally(() => clearTimeout(timer))
  })
}

/** Keeps unsaved changes of a window; false when the browser does not (its storage is full, closed to this page or silent). */
export async function keepUnsaved(work: Kept): Promise<boolean> {
  try {
    await inTime(database().then((db) => db.put('unsaved', work)))
    return true
  } catch {
    return false
  }
}

export async function forgetUnsaved({ setId, writer }: Pick<Kept, 'setId' | 'writer'>): Promise<void> {
  try {
    await inTime(database().then((db) => db.delete('unsaved', [setId, writer])))
  } catch {
    // Storage is closed to this page; then nothing was kept either.
  }
}

/** Unsaved changes of closed windows, and records that cannot be read, each with its key. */
export type LeftUnsaved = {
  readonly kept: readonly Kept[]
  readonly unreadable: readonly { readonly setId: string; readonly writer: string }[]
  /** False if the browser's storage did not answer. */
  readonly isKnown: boolean
}

/**
 * Claims the unsaved changes of closed windows for `writer`, so that no other window takes them over too. Returns them,
 * oldest first. If the browser does not say which windows are open, all records are claimed, or none with `certain`.
 */
export async function claimLeft(setId: string, writer: string, { certain = false } = {}): Promise<LeftUnsaved> {
  const kept: Kept[] = [],
    unreadable: LeftUnsaved['unreadable'][number][] = []
  try {
    const open = await inTime(openWriters())
    if (open === null && certain) return { kept, unreadable, isKnown: false }
    const isOpen = (one: unknown) => typeof one === 'string' && one !== writer && (open?.has(one) ?? false)
    await inTime(
      database().then(async (db) => {
        const all = db.transaction('unsaved', 'readwrite')
        for (let at = await all.store.index('set').openCursor(setId); at; at = await at.continue()) {
          const one: { setId: string; writer: string; claimedBy?: unknown } = at.value
          if (one.writer === writer || isOpen(one.writer) || isOpen(one.claimedBy)) continue
          const parsed = Kept.safeParse(one)
          if (!parsed.success) unreadable.push(one)
          else {
            kept.push(parsed.data as Kept)
            await at.update({ ...at.value, claimedBy: writer })
          }
        }
        await all.done
      }),
    )
  } catch {
    return { kept, unreadable, isKnown: false }
  }
  return { kept: kept.sort((a, b) => (a.at < b.at ? -1 : 1)), unreadable, isKnown: true }
}

/** All that a browser keeps of a set. */
export const keptUnsaved = async (setId: string): Promise<Kept[]> =>
  (await database()).getAllFromIndex('unsaved', 'set', setId)

const LOCK = 'wise-square window '

/**
 * Holds the sign that a window has a set open, until it is closed, however it is, or leaves the set; resolves once it
 * is held, with the way to let go, which resolves once nobody takes it to be open any more.
 */
export function holdWindow(writer: string): Promise<() => Promise<void>> {
  const without = () => Promise.resolve()
  if (!navigator.locks) return Promise.resolve(without)
  const holding = new Promise<() => Promise<void>>((held) => {
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
  return inTime(holding).catch(() => without)
}

/** The windows that are open; null where the browser does not say. */
async function openWriters(): Promise<ReadonlySet<string> | null> {
  if (!navigator.locks) return null
  const { held = [] } = await navigator.locks.query()
  return new Set(held.flatMap(({ name }) => (name?.startsWith(LOCK) ? [name.slice(LOCK.length)] : [])))
}
