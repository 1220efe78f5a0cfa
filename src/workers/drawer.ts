import type { Answered, Asked, Sent, SentDrawing, Wanted } from './draw.worker'
import type { Accepted } from '../core/drawing/model/accepted'
import type { DrawingObject } from '../core/drawing/model/object'
import type { Ground } from '../core/formats/svg-paint'
import type { Rules } from '../core/rules/rules'
import type { Master } from '../core/set/set'
import { Numbers } from './numbered'
import { untilRest } from './rest'

/**
 * What a picture shows: a document, or a drawing under rules in the colours for a ground; on the grid `base`, where that
 * is not the set's own, with what is kept of the icon on other grids; `main` is the drawing that it is compared with.
 */
export type Source =
  | { readonly svg: string }
  | {
      readonly objects: readonly DrawingObject[]
      readonly rules: Rules
      readonly ground: Ground
      readonly base?: number | undefined
      readonly kept?: readonly Master[] | undefined
      readonly accepted?: readonly Accepted[] | undefined
      readonly to?: Rules
      readonly becomes?: readonly DrawingObject[]
      readonly main?: readonly DrawingObject[] | undefined
    }

export type Job = { readonly source: Source; readonly wanted: Wanted; readonly done: (answer: Answered) => void }

/**
 * How many jobs a worker has at once: enough that it never waits for the page, few enough that what is no longer wanted
 * is not drawn.
 */
const AHEAD = 4
/** How many of what can wait: what is wanted at once comes after these. */
const AHEAD_OF_REST = 2
/** How long one picture may take, in milliseconds, before the worker is given up and a new one begun. */
const LIMIT = 9000

/** When something is wanted: before all else, or when nothing else is and the hands of who is waiting rest. */
export type Urgency = 'now' | 'at rest'

/**
 * A worker that draws, one picture after the other. One that takes too long or crashes is given up; what it had beside
 * that is drawn by the next.
 */
export class Drawer {
  private worker: Worker | null = null
  private numbers = new Numbers(() => undefined)
  private nextId = 1
  /** In the order in which it is asked; given up by the thousand when a large set changes. */
  private waiting = new Set<Job>()
  private readonly waitingForRest = new Set<Job>()
  private resting: ReturnType<typeof setTimeout> | undefined
  /** What the worker has, in the order in which it draws. */
  private readonly inWork = new Map<number, Job>()
  private timer: ReturnType<typeof setTimeout> | undefined
  private unneeded: number[] = []

  /** `load` begins a worker. */
  constructor(private readonly load: () => Worker) {}

  /** Asks for a picture; returns the way to give it up. */
  ask(job: Job, urgency: Urgency = 'now'): () => void {
    const waiting = urgency === 'now' ? this.waiting : this.waitingForRest
    waiting.add(job)
    this.feed()
    return () => {
      // A restart may have moved it.
      this.waiting.delete(job)
      this.waitingForRest.delete(job)
    }
  }

  private feed(): void {
    this.give(this.waiting, AHEAD)
    if (this.waiting.size > 0 || this.waitingForRest.size === 0) return
    const rest = untilRest()
    if (rest === 0) this.give(this.waitingForRest, AHEAD_OF_REST)
    else
      this.resting ??= setTimeout(() => {
        this.resting = undefined
        this.feed()
      }, rest)
  }

  private give(waiting: Set<Job>, most: number): void {
    for (const job of waiting) {
      if (this.inWork.size >= most) return
      this.worker ??= this.begin()
      waiting.delete(job)
      const id = this.nextId++
      this.inWork.set(id, job)
      this.worker.postMessage({ id, drawing: this.sent(job.source), wanted: job.wanted } satisfies Asked)
      if (this.inWork.size === 1) this.watch()
    }
  }

  /** What goes to the worker: of a drawing only the objects that it does not have yet. */
  private sent(source: Source): SentDrawing {
    if ('svg' in source) return source
    const { objects, base, kept, accepted, to, becomes, main } = source
    return {
      objects: this.listOf(objects),
      rules: this.numbers.of(source.rules),
      ground: source.ground,
      ...(base !== undefined && { base }),
      ...(kept && { kept: this.numbers.of(kept) }),
      ...(accepted && { accepted }),
      ...(to && { to: this.numbers.of(to) }),
      ...(becomes && { becomes: this.listOf(becomes) }),
      ...(main && { main: this.listOf(main) }),
    }
  }

  private listOf(objects: readonly DrawingObject[]): Sent {
    const list = this.numbers.of<object>(objects, [])
    return { number: list.number, ...(list.thing && { thing: objects.map((object) => this.numbers.of(object)) }) }
  }

  private begin(): Worker {
    this.unneeded = []
    this.numbers = new Numbers((number) => {
      if (this.unneeded.push(number) === 1)
        setTimeout(() => this.worker?.postMessage({ forget: this.unneeded.splice(0) } satisfies Asked), 1000)
    })
    const worker = this.load()
    worker.onmessage = ({ data }: MessageEvent<Answered>) => {
      if (worker !== this.worker) return
      const job = this.inWork.get(data.id)
      this.inWork.delete(data.id)
      this.watch()
      job?.done(data)
      this.feed()
    }
    worker.onerror = (event) => {
      event.preventDefault()
      if (worker === this.worker) this.giveUpFirst('It cannot be drawn: the worker gave up.')
    }
    return worker
  }

  /** Begins the time of the picture that the worker is at. */
  private watch(): void {
    clearTimeout(this.timer)
    if (this.inWork.size > 0) this.timer = setTimeout(() => this.giveUpFirst('It takes too long to draw.'), LIMIT)
  }

  /** Says of the picture that the worker was at that it cannot be drawn; all others are drawn by a new worker. */
  private giveUpFirst(problem: string): void {
    const [first] = this.inWork
    if (first) this.inWork.delete(first[0])
    this.restart()
    first?.[1].done({ id: first[0], problem })
    this.feed()
  }

  private restart(): void {
    this.worker?.terminate()
    this.worker = null
    clearTimeout(this.timer)
    this.waiting = new Set([...this.inWork.values(), ...this.waiting])
    this.inWork.clear()
  }
}
