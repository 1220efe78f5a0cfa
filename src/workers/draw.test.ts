import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { drawPicture as drawPictureType } from './pictures'
import type { Asked } from './draw.worker'
import type { Reply, Request } from './serve'

/** A worker that answers as the test has it: a picture, or what it does for a document. */
class FakeWorker {
  static all: FakeWorker[] = []
  onmessage: ((event: { data: Reply }) => void) | null = null
  onerror: ((event: { preventDefault: () => void }) => void) | null = null
  terminated = false
  readonly asked: string[] = []

  constructor() {
    FakeWorker.all.push(this)
  }

  postMessage({ id, input }: Request): void {
    if (id === null) return
    const { drawing } = input as Asked,
      text = 'picture' in drawing ? drawing.picture : 'drawing'
    // Whatever stands behind what hangs waits for it, as in a worker.
    const waits = this.asked.includes('hang')
    this.asked.push(text)
    queueMicrotask(() => {
      if (this.terminated || waits || text === 'hang') return
      if (text === 'crash') this.onerror?.({ preventDefault: () => undefined })
      else if (text === 'odd') this.answer({ id, problem: '“Rope” comes to too much.' })
      else this.answer({ id, result: { data: new Uint8ClampedArray(4), url: 'data:,' } })
    })
  }

  private answer(data: Reply): void {
    if (!this.terminated) this.onmessage?.({ data })
  }

  terminate(): void {
    this.terminated = true
  }
}

const stored = (picture: string) => ({ picture, ground: 'light' as const })

describe('pictures drawn in a worker', () => {
  let drawPicture: typeof drawPictureType
  beforeEach(async () => {
    vi.useFakeTimers()
    vi.resetModules()
    FakeWorker.all = []
    vi.stubGlobal('Worker', FakeWorker)
    vi.stubGlobal(
      'ImageData',
      class {
        constructor(readonly data: Uint8ClampedArray) {}
      },
    )
    drawPicture = (await import('./pictures')).drawPicture
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })
  /** What becomes of pictures asked for at once, after a while. */
  const drawn = async (texts: readonly string[], ms = 0) => {
    const told: Record<string, string> = {}
    for (const text of texts)
      drawPicture(stored(text), 24, (picture) => (told[text] = 'problem' in picture ? picture.problem : 'drawn'))
    await vi.advanceTimersByTimeAsync(ms)
    return told
  }

  it('come each by itself: one that cannot be drawn says why, and the others of its batch come', async () => {
    expect(await drawn(['a', 'odd', 'b', 'c', 'd', 'e', 'f'])).toEqual({
      a: 'drawn',
      odd: '“Rope” comes to too much.',
      b: 'drawn',
      c: 'drawn',
      d: 'drawn',
      e: 'drawn',
      f: 'drawn',
    })
    expect(FakeWorker.all).toHaveLength(1)
  })

  it('are drawn by a new worker where one crashed', async () => {
    expect(await drawn(['a', 'b', 'crash', 'c', 'd'])).toEqual({
      a: 'drawn',
      b: 'drawn',
      crash: 'It cannot be drawn: the worker gave up.',
      c: 'drawn',
      d: 'drawn',
    })
    expect(FakeWorker.all.map(({ terminated }) => terminated)).toEqual([true, false])
  })

  it('that take too long are tried once more after all else, then given up', async () => {
    const told = await drawn(['a', 'hang', 'b', 'c', 'd', 'e'])
    expect(told).toEqual({ a: 'drawn' })
    await vi.advanceTimersByTimeAsync(90_000)
    expect(told).toEqual({ a: 'drawn', b: 'drawn', c: 'drawn', d: 'drawn', e: 'drawn' })
    await vi.advanceTimersByTimeAsync(90_000)
    expect(told).toEqual({
      a: 'drawn',
      hang: 'It takes too long to draw.',
      b: 'drawn',
      c: 'drawn',
      d: 'drawn',
      e: 'drawn',
    })
    expect(FakeWorker.all[0]!.terminated).toBe(true)
  })

  it('that are no longer wanted are not drawn, and drawings do not wait for stored pictures', async () => {
    const told: string[] = []
    for (const text of ['hang', 'a', 'b', 'c']) drawPicture(stored(text), 24, () => told.push(text))
    const giveUp = drawPicture(stored('late'), 24, () => told.push('late'))
    giveUp()
    drawPicture({ objects: [], rules: {} as never, ground: 'light' }, 24, () => told.push('drawing'))
    await vi.advanceTimersByTimeAsync(0)
    expect(told).toEqual(['drawing'])
    await vi.advanceTimersByTimeAsync(200_000)
    expect(told).toEqual(['drawing', 'a', 'b', 'c', 'hang'])
    expect(FakeWorker.all.flatMap(({ asked }) => asked)).not.toContain('late')
  })

  it('that can wait are drawn while hands rest, after all that is wanted at once', async () => {
    const page = new EventTarget()
    vi.stubGlobal('window', page)
    vi.resetModules()
    const { Drawer } = await import('./drawer')
    const drawer = new Drawer(() => new FakeWorker() as unknown as Worker),
      told: string[] = []
    const ask = (text: string, urgency?: 'at rest') =>
      drawer.ask({ source: stored(text), wanted: 24, done: () => told.push(text) }, urgency)
    const acting = async (acts: number) => {
      for (let i = 0; i < acts; i++) {
        page.dispatchEvent(new Event('wheel'))
        await vi.advanceTimersByTimeAsync(100)
      }
    }
    page.dispatchEvent(new Event('keydown'))
    for (const name of ['a', 'b', 'c', 'd', 'e']) ask(name, 'at rest')
    const giveUp = ask('late', 'at rest')
    await acting(5)
    expect(told).toEqual([])
    ask('now')
    giveUp()
    await vi.advanceTimersByTimeAsync(0)
    expect(told).toEqual(['now'])
    await acting(1)
    await vi.advanceTimersByTimeAsync(200)
    expect(told).toEqual(['now', 'a', 'b', 'c', 'd', 'e'])
  })
})
