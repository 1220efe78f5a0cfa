import type { Call, Calls, Reply, Request, Transferred } from './serve'

type Plain<T> = T extends Transferred<infer U> ? U : T

/** What a call gives, as it arrives in the page. */
type Given<C extends Call> = Plain<Awaited<ReturnType<C>>>

/** What a call says of how far it is. */
type Told<C extends Call> = C extends (input: never, tell: (progress: infer P) => void) => unknown ? P : never

/**
 * The reason why a call has no result: the function threw (`refused`), the worker crashed (`crashed`) or was silent too long
 * (`late`), another call crashed it (`interrupted`), or the client was closed (`ended`). The message is a sentence.
 */
export class WorkerFault extends Error {
  constructor(
    readonly kind: 'refused' | 'crashed' | 'late' | 'interrupted' | 'ended',
    message: string,
  ) {
    super(message)
  }
}

type Waiting = {
  readonly give: (result: never) => void
  readonly refuse: (fault: WorkerFault) => void
  readonly tell: ((progress: never) => void) | undefined
}

/**
 * Client of a worker whose functions are offered by `serve`. The first call starts the worker. Every call settles, with the
 * function's result or a `WorkerFault`. A worker that crashes or is silent too long is terminated, all waiting calls are
 * rejected, and the next call starts a new one.
 */
export class WorkerClient<C extends Calls> {
  private worker: Worker | null = null
  private isEnded = false
  private nextId = 1
  /** In the order in which the worker answers. */
  private readonly waiting = new Map<number, Waiting>()
  private timer: ReturnType<typeof setTimeout> | undefined

  /**
   * `load` starts a worker. `silence` is the longest time without a message from it, in milliseconds. `onLost` is called when
   * a worker ended; its state is lost.
   */
  constructor(
    private readonly load: () => Worker,
    private readonly silence: number,
    private readonly onLost: () => void = () => undefined,
  ) {}

  call<K extends keyof C & string>(
    call: K,
    input: Parameters<C[K]>[0],
    tell?: (progress: Told<C[K]>) => void,
  ): Promise<Given<C[K]>> {
    if (this.isEnded) return Promise.reject(new WorkerFault('ended', 'It was given up.'))
    return new Promise((give, refuse) => {
      const id = this.nextId++
      this.waiting.set(id, { give, refuse, tell })
      try {
        this.worker ??= this.begin()
        this.worker.postMessage({ id, call, input } satisfies Request)
      } catch (error) {
        this.waiting.delete(id)
        refuse(new WorkerFault('crashed', error instanceof Error ? error.message : String(error)))
      }
      if (this.waiting.size === 1) this.watch()
    })
  }

  /** Tells the worker something that it does not answer; nothing where there is none. */
  notify<K extends keyof C & string>(call: K, input: Parameters<C[K]>[0]): void {
    this.worker?.postMessage({ id: null, call, input } satisfies Request)
  }

  /** Ends the worker for good. */
  end(): void {
    this.isEnded = true
    this.lose('ended', 'It was given up.')
  }

  private begin(): Worker {
    const worker = this.load()
    worker.onmessage = ({ data }: MessageEvent<Reply>) => {
      if (worker === this.worker) this.hear(data)
    }
    const broken = (event: Event) => {
      event.preventDefault()
      if (worker === this.worker) this.lose('crashed', (event as ErrorEvent).message || 'The worker broke down.')
    }
    worker.onerror = broken
    worker.onmessageerror = broken
    return worker
  }

  private hear(reply: Reply): void {
    const waiting = this.waiting.get(reply.id)
    if (!waiting) return
    if ('progress' in reply) waiting.tell?.(reply.progress as never)
    else this.waiting.delete(reply.id)
    this.watch()
    if ('result' in reply) waiting.give(reply.result as never)
    if ('problem' in reply) waiting.refuse(new WorkerFault('refused', reply.problem))
  }

  /** Begins to wait for the next sign of life. */
  private watch(): void {
    clearTimeout(this.timer)
    if (this.waiting.size > 0)
      this.timer = setTimeout(() => this.lose('late', 'It takes too long to compute.'), this.silence)
  }

  private lose(kind: WorkerFault['kind'], message: string): void {
    clearTimeout(this.timer)
    this.worker?.terminate()
    this.worker = null
    const all = [...this.waiting.values()]
    this.waiting.clear()
    this.onLost()
    for (const [i, { refuse }] of all.entries())
      refuse(i === 0 || kind === 'ended' ? new WorkerFault(kind, message) : INTERRUPTED)
  }
}

const INTERRUPTED = new WorkerFault('interrupted', 'Another question brought the worker down.')
