import { bringClock } from '../../core/geometry/deadline'
import { TASKS, type Tasks } from './tasks'

/** How long one drawing may take to compute, in milliseconds, before it is given up with a sentence. The thread itself is ended later. */
const DRAWING = 4000

bringClock(() => {
  const end = performance.now() + DRAWING
  return () => performance.now() > end
})

/** Runs one task in a thread. A rasteriser that broke takes its thread with it. */
export default async function run<K extends keyof Tasks>({ task, input }: { task: K; input: Parameters<Tasks[K]>[0] }): Promise<unknown> {
  try {
    return await (TASKS[task] as (value: unknown) => unknown)(input)
  } catch (error) {
    if (error instanceof WebAssembly.RuntimeError) process.exit(1)
    throw error
  }
}
