import type { Alike, Seen } from '../core/proof/look-alikes'
import type { AlikesCalls } from './alikes.worker'
import { WorkerClient } from './client'
import { untilRest } from './rest'

type Job = {
  readonly family: readonly Seen[]
  readonly least: number
  readonly done: (pairs: readonly Alike<string>[]) => void
  readonly failed: (why: string) => void
}

/** How long the worker may compare, in milliseconds. */
const SILENCE = 300_000

const load = () => new Worker(new URL('./alikes.worker.ts', import.meta.url), { type: 'module' })

/** A worker that compares all pictures of a family; of several questions that wait, each of the last kind is asked. */
class Comparer {
  private readonly client = new WorkerClient<AlikesCalls>(load, SILENCE, () => (this.there = new Set()))
  private waiting: Job[] = []
  private inWork: Job | null = null
  private soon: ReturnType<typeof setTimeout> | undefined
  private numbers = new WeakMap<Float32Array, number>()
  private next = 1
  /** The covers that the worker has. */
  private there = new Set<number>()

  ask(job: Job): () => void {
    this.waiting = [...this.waiting.filter(({ least }) => least !== job.least), job]
    this.feedSoon()
    return () => {
      this.waiting = this.waiting.filter((one) => one !== job)
      if (this.inWork === job) this.inWork = { ...job, done: () => undefined, failed: () => undefined }
    }
  }

  /** Whole families are sent: that is a task of its own, while hands rest. */
  private feedSoon(): void {
    this.soon ??= setTimeout(() => {
      this.soon = undefined
      if (untilRest() === 0) this.feed()
      else this.feedSoon()
    }, untilRest())
  }

  private feed(): void {
    if (this.inWork) return
    const job = this.waiting.shift()
    if (!job) return
    this.inWork = job
    const covers: [number, Float32Array][] = []
    const has = new Set<number>()
    const family = job.family.map(({ id, balance }) => {
      if (!balance) return { id, cover: null }
      let number = this.numbers.get(balance.cover)
      if (number === undefined) this.numbers.set(balance.cover, (number = this.next++))
      if (!this.there.has(number) && !has.has(number)) covers.push([number, balance.cover])
      has.add(number)
      return { id, cover: number }
    })
    this.there = has
    this.client.call('alikes', { least: job.least, family, covers }).then(
      (pairs) => this.end(({ done }) => done(pairs)),
      ({ message }: Error) => this.end(({ failed }) => failed(message)),
    )
  }

  private end(tell: (job: Job) => void): void {
    const job = this.inWork
    this.inWork = null
    if (job) tell(job)
    this.feedSoon()
  }
}

const comparer = new Comparer()

/**
 * Finds the pairs of a family that are at least so much alike, by their ids, the most alike first, in a worker; `done` or
 * `failed` is told once, unless a later question of the kind comes first. Returns the way to give it up.
 */
export const alikesOf = (
  family: readonly Seen[],
  least: number,
  done: (pairs: readonly Alike<string>[]) => void,
  failed: (why: string) => void,
): (() => void) => comparer.ask({ family, least, done, failed })
