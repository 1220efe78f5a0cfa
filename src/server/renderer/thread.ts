import { TASKS, type Tasks } from './tasks'
import { noteBeginning, type ThreadClock } from './thread-clock'

/** Runs one task in a thread. A rasteriser that broke takes its thread with it. */
export default async function run<K extends keyof Tasks>({
  task,
  input,
  clock,
}: {
  task: K
  input: Parameters<Tasks[K]>[0]
  clock: ThreadClock
}): Promise<unknown> {
  noteBeginning(clock)
  try {
    return await (TASKS[task] as (value: unknown) => unknown)(input)
  } catch (error) {
    if (error instanceof WebAssembly.RuntimeError) process.exit(1)
    throw error
  }
}
