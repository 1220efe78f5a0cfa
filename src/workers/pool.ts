import { drawingWorker } from './begin'
import { Drawer, type Job } from './drawer'

/** Workers for what is asked of every icon of a set, as many as there are cores, begun when first needed. */
const pool = Array.from(
  { length: Math.min(4, globalThis.navigator?.hardwareConcurrency ?? 2) },
  () => new Drawer(drawingWorker),
)

/** Asks something of each of many drawings; returns the way to give them all up. */
export function askAll(jobs: readonly Job[]): () => void {
  const ways = jobs.map((job, i) => pool[i % pool.length]!.ask(job))
  return () => {
    for (const giveUp of ways) giveUp()
  }
}
