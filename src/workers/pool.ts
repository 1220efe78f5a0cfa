import { drawingWorker } from './begin'
import { Drawer, type Job } from './drawer'

/** Number of cores. The page keeps one of them. */
const CORES = globalThis.navigator?.hardwareConcurrency ?? 2

/** Lazily started pool of workers for per-icon questions. */
const pool = Array.from({ length: Math.max(1, Math.min(4, CORES - 1)) }, () => new Drawer(drawingWorker))

/** Asks something of each of many drawings, while hands rest; returns the way to give them all up. */
export function askAll(jobs: readonly Job[]): () => void {
  const ways = jobs.map((job, i) => pool[i % pool.length]!.ask(job, 'at rest'))
  return () => {
    for (const giveUp of ways) giveUp()
  }
}
