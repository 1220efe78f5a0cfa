import { keepStrokeBack } from '../core/formats/import/strokes-back'
import type { Sought } from '../core/formats/import/strokes-of-set'
import type { Understood } from './understand.worker'

/** Cores that reading may take: who reads waits for it, and the page asks little of them meanwhile. */
const MOST = Math.min(4, globalThis.navigator?.hardwareConcurrency ?? 1)

/** Objects that go to a worker at once: few enough that all workers end together. */
const LOT = 8

/** Fewer objects are looked through sooner than workers begin. */
const FEW = 200

/**
 * Looks for the strokes that paint objects in several workers at once; `tell` is told how many objects are done. What is
 * found is remembered with the objects. What a worker that ends too early leaves is looked for later by whoever needs it.
 */
export async function understandAll(
  { objects, within, centred }: Sought,
  tell: (done: number, of: number) => void,
): Promise<void> {
  if (MOST < 2 || objects.length < FEW) return
  let next = 0,
    done = 0
  const one = (): Promise<void> =>
    new Promise((end) => {
      const worker = new Worker(new URL('./understand.worker.ts', import.meta.url), { type: 'module' })
      let lot: Sought['objects'] = []
      const feed = () => {
        lot = objects.slice(next, (next += LOT))
        if (lot.length > 0) return worker.postMessage({ objects: lot, within, centred } satisfies Sought)
        worker.terminate()
        end()
      }
      worker.onmessage = ({ data }: MessageEvent<Understood>) => {
        for (const [i, object] of lot.entries()) keepStrokeBack(object, within, centred, data[i]!)
        tell((done += lot.length), objects.length)
        feed()
      }
      worker.onerror = (event) => {
        event.preventDefault()
        worker.terminate()
        end()
      }
      feed()
    })
  await Promise.allSettled(Array.from({ length: MOST }, one))
}
