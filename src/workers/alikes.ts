import type { Alike, Seen } from '../core/proof/look-alikes'
import type { AnsweredAlikes, AskedAlikes } from './alikes.worker'
import { untilRest } from './rest'

type Job = {
  readonly family: readonly Seen[]
  readonly least: number
  readonly done: (pairs: readonly Alike<string>[]) => void
}

/** A worker that compares all pictures of a family; of several questions that wait, each of the last kind is asked. */
class Comparer {
  private worker: Worker | null = null
  private waiting: Job[] = []
  private inWork: Job | null = null
  private asked = 0
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
      if (this.inWork === job) this.inWork = { ...job, done: () => undefined }
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
    this.worker ??= this.begin()
    this.worker.postMessage({ id: ++this.asked, least: job.least, family, covers } satisfies AskedAlikes)
  }

  private begin(): Worker {
    const worker = new Worker(new URL('./alikes.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<AnsweredAlikes>) => this.end(data.pairs)
    worker.onerror = (event) => {
      event.preventDefault()
      worker.terminate()
      this.worker = null
      this.there = new Set()
      this.end([])
    }
    return worker
  }

  private end(pairs: readonly Alike<string>[]): void {
    const job = this.inWork
    this.inWork = null
    job?.done(pairs)
    this.feedSoon()
  }
}

const comparer = new Comparer()

/**
 * Finds the pairs of a family that are at least so much alike, by their ids, the most alike first, in a worker; `done` is
 * told once, unless a later question of the kind comes first. Returns the way to give it up.
 */
export const alikesOf = (
  family: readonly Seen[],
  least: number,
  done: (pairs: readonly Alike<string>[]) => void,
): (() => void) => comparer.ask({ family, least, done })
