import { EventEmitter } from 'node:events'
import { z } from 'zod'
import type { Told, Visitor } from '../core/saving/told'

/** Which set a window shows, and which icon of it, if any. */
export const Presence = z.strictObject({
  window: z.string().regex(/^[\w-]{8,80}$/),
  set: z.string().min(1).max(40).nullable(),
  icon: z.string().max(40).nullable(),
})

/** How long a window that says nothing is taken to be there, in milliseconds: hidden windows are slow. */
const PATIENCE = 150_000

type Shared = {
  readonly emitter: EventEmitter
  readonly windows: Map<string, Visitor & { readonly gone: NodeJS.Timeout }>
}
const shared = globalThis as { wiseSquareEvents?: Shared }
const { emitter, windows } = (shared.wiseSquareEvents ??= {
  emitter: new EventEmitter().setMaxListeners(0),
  windows: new Map(),
})

/** Tells all who listen. */
export const tell = (told: Told): void => void emitter.emit('told', told)

/** Hears everything that is told from now on; returns the way to stop. */
export function listen(hear: (told: Told) => void): () => void {
  emitter.on('told', hear)
  return () => emitter.off('told', hear)
}

/** Hears when the server is asked to end: whoever keeps a connection open has to let go of it. */
export function onEnding(end: () => void): () => void {
  emitter.on('ending', end)
  return () => emitter.off('ending', end)
}

export const tellEnding = (): void => void emitter.emit('ending')

const visitorsOf = (set: string): Visitor[] =>
  [...windows.values()].flatMap(({ gone: _, ...visitor }) => (visitor.set === set ? visitor : []))

/** Notes where a window is and tells those who are there too. */
export function visit({ window, set, icon }: z.infer<typeof Presence>): void {
  const before = windows.get(window)
  clearTimeout(before?.gone)
  if (set === null) windows.delete(window)
  else {
    const gone = setTimeout(() => visit({ window, set: null, icon: null }), PATIENCE).unref()
    windows.set(window, { window, set, icon, gone })
  }
  if (before?.set === set && before.icon === icon) return
  for (const one of new Set([before?.set, set]))
    if (one) tell({ kind: 'visitors', set: one, visitors: visitorsOf(one) })
}
