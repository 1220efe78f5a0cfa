import type { Answer, DrawingCalls, Sent, SentDrawing, StoredSource, Wanted } from './draw.worker'
import { WorkerClient, type WorkerFault } from './client'
import type { Accepted } from '../core/drawing/model/accepted'
import type { DrawingObject } from '../core/drawing/objects/object'
import type { Ground } from '../core/picture/picture'
import type { Rules } from '../core/rules/rules'
import type { Master } from '../core/set/set'
import { Numbers } from './numbered'
import { untilRest } from './rest'

/**
 * Source of a picture: a stored picture, or a drawing under rules in the colours for a ground. `base` is a further grid,
 * `kept` are the stored masters on further grids, `main` is the drawing to compare with.
 */
export type Source =
  | StoredSource
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

/** What became of a question, or why nothing did, as a sentence. */
export type Answered = Answer | { readonly problem: string }

export type Job = { readonly source: Source; readonly wanted: Wanted; readonly done: (answer: Answered) => void }

/** Jobs that a worker has at once: enough to keep it busy, few enough to cancel the rest. */
const AHEAD = 4
/** Background jobs that a worker has at once; urgent jobs come next. */
const AHEAD_OF_REST = 2
/** The longest time without an answer, in milliseconds. Drawings end long before by their own limit. */
const SILENCE = 90_000

/** When something is wanted: before all else, or when nothing else is and the hands of who is waiting rest. */
export type Urgency = 'now' | 'at rest'

/**
 * A queue of pictures for one worker. A worker that crashes or is silent too long is replaced; its other pictures are drawn
 * by the next one. A picture that took too long is tried once more, after all others, since the machine may have been busy.
 */
export class Drawer {
  private readonly client: WorkerClient<DrawingCalls>
  private numbers = this.newNumbers()
  /** In the order in which it is asked; given up by the thousand when a large set changes. */
  private readonly waiting = new Set<Job>()
  /** Pictures of a worker that was replaced; they come first. */
  private readonly returned = new Set<Job>()
  private readonly waitingForRest = new Set<Job>()
  private resting: ReturnType<typeof setTimeout> | undefined
  /** What the worker has, in the order in which it draws. */
  private readonly inWork = new Set<Job>()
  private readonly tried = new WeakSet<Job>()
  private unneeded: number[] = []

  /** `load` begins a worker. */
  constructor(load: () => Worker) {
    this.client = new WorkerClient(load, SILENCE, () => (this.numbers = this.newNumbers()))
  }

  /** Asks for a picture; returns the way to give it up. */
  ask(job: Job, urgency: Urgency = 'now'): () => void {
    const waiting = urgency === 'now' ? this.waiting : this.waitingForRest
    waiting.add(job)
    this.feed()
    return () => {
      // A restart may have moved it.
      this.returned.delete(job)
      this.waiting.delete(job)
      this.waitingForRest.delete(job)
    }
  }

  private feed(): void {
    this.give(this.returned, AHEAD)
    this.give(this.waiting, AHEAD)
    if (this.returned.size + this.waiting.size > 0 || this.waitingForRest.size === 0) return
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
      waiting.delete(job)
      this.inWork.add(job)
      const asked = { drawing: this.sent(job.source), wanted: job.wanted }
      void this.client.call('answer', asked).then(
        (answer) => this.end(job, answer),
        (fault: WorkerFault) => this.fail(job, fault),
      )
    }
  }

  private end(job: Job, answered: Answered): void {
    this.inWork.delete(job)
    job.done(answered)
    this.feed()
  }

  private fail(job: Job, { kind, message }: WorkerFault): void {
    this.inWork.delete(job)
    if (kind === 'interrupted') this.returned.add(job)
    else if (kind === 'late' && !this.tried.has(job)) {
      this.tried.add(job)
      this.waiting.add(job)
    } else job.done({ problem: WORDS[kind] ?? message })
    // The worker's other pictures return first.
    queueMicrotask(() => this.feed())
  }

  /** The message for a worker: only objects that it does not have yet. */
  private sent(source: Source): SentDrawing {
    if ('picture' in source) return source
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

  private newNumbers(): Numbers {
    this.unneeded = []
    return new Numbers((number) => {
      if (this.unneeded.push(number) === 1)
        setTimeout(() => this.client.notify('forget', this.unneeded.splice(0)), 1000)
    })
  }
}

/** Sentences for pictures whose worker gave no answer. */
const WORDS: Partial<Record<WorkerFault['kind'], string>> = {
  crashed: 'It cannot be drawn: the worker gave up.',
  late: 'It takes too long to draw.',
}
