import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { WorkerClient, type WorkerFault } from './client'
import type { Reply, Request } from './serve'

/** What the worker of this test offers: it doubles, throws, gives what cannot be copied, hangs, breaks down, counts. */
const calls = {
  double: (n: number) => 2 * n,
  later: async (n: number) => (await Promise.resolve(), n),
  fail: (why: string) => {
    throw new Error(why)
  },
  failLater: async (why: string) => {
    throw new Error(why)
  },
  uncopied: (_: null) => () => 1,
  hang: (_: null) => new Promise<never>(() => undefined),
  count: async (n: number, tell: (at: number) => void) => {
    for (let i = 1; i <= n; i++) {
      await new Promise((done) => setTimeout(done, 900))
      tell(i)
    }
    return 'counted'
  },
}
type Offered = typeof calls

/** A worker in this thread: messages both ways are copied, each worker has a scope of its own. */
class HereWorker {
  static all: HereWorker[] = []
  onmessage: ((event: { data: Reply }) => void) | null = null
  onerror: ((event: { preventDefault: () => void; message: string }) => void) | null = null
  isTerminated = false
  private scope: { onmessage?: (event: { data: Request }) => void } = {}

  constructor() {
    HereWorker.all.push(this)
  }

  async begin(): Promise<void> {
    vi.resetModules()
    const { serve } = await import('./serve')
    vi.stubGlobal('self', this.scope)
    serve(calls)
  }

  postMessage(data: Request): void {
    const copy = structuredClone(data)
    queueMicrotask(() => {
      if (this.isTerminated) return
      if (copy.call === 'crash') return this.onerror?.({ preventDefault: () => undefined, message: 'out of memory' })
      vi.stubGlobal('postMessage', (reply: Reply) => {
        const answer = structuredClone(reply)
        if (!this.isTerminated) this.onmessage?.({ data: answer })
      })
      this.scope.onmessage?.({ data: copy })
    })
  }

  terminate(): void {
    this.isTerminated = true
  }
}

describe('every call of a worker is settled', () => {
  let client: WorkerClient<Offered & { crash: (n: null) => void }>
  let lost = 0
  beforeEach(async () => {
    vi.useFakeTimers()
    HereWorker.all = []
    lost = 0
    // The next worker is ready before it is needed.
    const next = [new HereWorker(), new HereWorker()]
    for (const one of next) await one.begin()
    client = new WorkerClient(
      () => next.shift() as unknown as Worker,
      1000,
      () => lost++,
    )
  })
  afterEach(() => {
    client.end()
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })
  const faultOf = (call: Promise<unknown>) =>
    call.then(
      () => 'a result',
      (fault: WorkerFault) => `${fault.kind}: ${fault.message}`,
    )

  it('by what the function gives, in order, or by the sentence that it threw, at once or later', async () => {
    const all = Promise.all([
      client.call('later', 1),
      client.call('double', 2),
      faultOf(client.call('fail', 'It is too wide.')),
      faultOf(client.call('failLater', 'It is too late.')),
      client.call('double', 3),
    ])
    await vi.advanceTimersByTimeAsync(10)
    expect(await all).toEqual([1, 4, 'refused: It is too wide.', 'refused: It is too late.', 6])
    expect(await faultOf(client.call('uncopied', null))).toMatch(/^refused: .*could not be cloned/)
  })

  it('by an error where the question cannot be sent', async () => {
    expect(await faultOf(client.call('double', (() => 1) as never))).toMatch(/^crashed: .*could not be cloned/)
  })

  it('where the worker breaks down or is silent, for all that wait, and the next call begins another', async () => {
    const first = [client.call('crash', null), client.call('double', 1)].map(faultOf)
    await vi.advanceTimersByTimeAsync(10)
    expect(await Promise.all(first)).toEqual([
      'crashed: out of memory',
      'interrupted: Another question brought the worker down.',
    ])
    const second = [client.call('double', 4).then(String), faultOf(client.call('hang', null))]
    await vi.advanceTimersByTimeAsync(1100)
    expect(await Promise.all(second)).toEqual(['8', 'late: It takes too long to compute.'])
    expect([lost, HereWorker.all.map(({ isTerminated }) => isTerminated)]).toEqual([2, [true, true]])
  })

  it('however long it takes, while it says how far it is', async () => {
    const told: number[] = []
    const counted = client.call('count', 3, (at) => told.push(at))
    await vi.advanceTimersByTimeAsync(3000)
    expect([await counted, told]).toEqual(['counted', [1, 2, 3]])
  })

  it('when the worker is ended, then and from then on', async () => {
    const waiting = [client.call('hang', null), client.call('double', 1)].map(faultOf)
    client.end()
    expect(await Promise.all([...waiting, faultOf(client.call('double', 1))])).toEqual(
      Array(3).fill('ended: It was given up.'),
    )
  })
})
