import { keepStrokeBack } from '../core/formats/import/strokes-back'
import type { Sought } from '../core/formats/import/strokes-of-set'
import { WorkerClient } from './client'
import type { UnderstandingCalls } from './understand.worker'

/** Cores that reading may take: who reads waits for it, and the page asks little of them meanwhile. */
const MOST = Math.min(4, globalThis.navigator?.hardwareConcurrency ?? 1)

/** Objects that go to a worker at once: few enough that all workers end together. */
const LOT = 8

/** How long a worker may be at one lot, in milliseconds. */
const SILENCE = 120_000

/** Fewer objects are looked through sooner than workers begin. */
const FEW = 200

/**
 * Finds the strokes of outlined objects in several workers at once. `tell` gets the number of finished objects. Results
 * are memoised. Objects of a crashed worker are searched later on demand.
 */
export async function understandAll(
  { objects, within, centred }: Sought,
  tell: (done: number, of: number) => void,
): Promise<void> {
  if (MOST < 2 || objects.length < FEW) return
  let next = 0,
    done = 0
  const one = async (): Promise<void> => {
    const client = new WorkerClient<UnderstandingCalls>(load, SILENCE)
    try {
      for (;;) {
        const lot = objects.slice(next, (next += LOT))
        if (lot.length === 0) return
        const backs = await client.call('understand', { objects: lot, within, centred })
        for (const [i, object] of lot.entries()) keepStrokeBack(object, within, centred, backs[i]!)
        tell((done += lot.length), objects.length)
      }
    } finally {
      client.end()
    }
  }
  await Promise.allSettled(Array.from({ length: MOST }, one))
}

const load = () => new Worker(new URL('./understand.worker.ts', import.meta.url), { type: 'module' })
