import fc from 'fast-check'
import { afterEach, expect, it, vi } from 'vitest'
import { likeness, type Seen } from '../core/proof/look-alikes'
import { runs } from '../testing/runs'
import type { AlikesCalls } from './alikes.worker'
import type { Reply, Request } from './serve'

type Asked = Parameters<AlikesCalls['alikes']>[0]

/** Runs the real worker in this thread: what goes there and back is copied. */
class HereWorker {
  static sent: Asked[] = []
  onmessage: ((event: { data: Reply }) => void) | null = null
  onerror = null
  private readonly there: Promise<{ onmessage: (event: { data: Request }) => void }>

  constructor() {
    const self = { onmessage: () => undefined }
    vi.stubGlobal('self', self)
    vi.stubGlobal('postMessage', (data: Reply) => this.onmessage?.({ data: structuredClone(data) }))
    this.there = import('./alikes.worker').then(() => self)
  }

  postMessage(asked: Request): void {
    HereWorker.sent.push(asked.input as Asked)
    void this.there.then(({ onmessage }) => onmessage({ data: structuredClone(asked) }))
  }

  terminate(): void {}
}

afterEach(() => vi.unstubAllGlobals())

const LEAST = 0.6

const cover = fc
  .array(fc.constantFrom(0, 0.5, 1), { minLength: 4, maxLength: 4 })
  .map((fours) => Float32Array.from({ length: 256 }, (_, i) => fours[(i >> 7) * 2 + ((i >> 3) & 1)]!))

it('alikes of a family that grows and changes are those of all its pairs, and each cover is sent once', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(cover, { minLength: 2, maxLength: 7 }),
      fc.array(fc.nat(6), { maxLength: 4 }),
      async (covers, changes) => {
        vi.resetModules()
        vi.stubGlobal('Worker', HereWorker)
        HereWorker.sent = []
        const { alikesOf } = await import('./alikes')
        const family = covers.map((one, i): Seen => ({ id: `icon-${i}`, balance: { cover: one } }))
        const families = [family.slice(0, 2), family, ...changes.map((at) => family.filter((_, i) => i !== at))]
        for (const some of families) {
          const pairs = await new Promise<readonly { a: string; b: string; likeness: number }[]>((done) =>
            alikesOf(some, LEAST, done, expect.unreachable),
          )
          const found = some.flatMap((a, i) =>
            some
              .slice(i + 1)
              .map((b) => ({ a: a.id, b: b.id, likeness: likeness(a.balance!.cover, b.balance!.cover) })),
          )
          const keyed = (all: typeof found) => all.map(({ a, b }) => [a, b].sort().join(' ')).sort()
          expect(keyed([...pairs])).toEqual(keyed(found.filter((one) => one.likeness >= LEAST)))
          expect(pairs.map((one) => one.likeness)).toEqual(pairs.map((one) => one.likeness).sort((a, b) => b - a))
        }
        // One that left and came back goes along again; those that stay do not.
        HereWorker.sent.forEach(({ covers: sent, family: all }, i) => {
          const before = new Set(HereWorker.sent[i - 1]?.family.map((one) => one.cover))
          expect(sent.map(([number]) => number)).toEqual(all.map((one) => one.cover).filter((one) => !before.has(one)))
        })
      },
    ),
    runs(25),
  )
})

it('a question that waits gives way to a later one of its kind, and one that is given up is not told', async () => {
  vi.resetModules()
  vi.stubGlobal('Worker', HereWorker)
  HereWorker.sent = []
  const { alikesOf } = await import('./alikes')
  const family: Seen[] = ['a', 'b'].map((id) => ({ id, balance: { cover: new Float32Array(256).fill(1) } }))
  const told: string[] = []
  alikesOf(family, LEAST, () => told.push('first'), expect.unreachable)
  const last = new Promise<void>((done) =>
    alikesOf(family, LEAST, () => done(void told.push('second')), expect.unreachable),
  )
  alikesOf(family, 0.9, () => told.push('given up'), expect.unreachable)()
  const other = new Promise<void>((done) =>
    alikesOf(family, 0.8, () => done(void told.push('another kind')), expect.unreachable),
  )
  await Promise.all([last, other])
  expect(told).toEqual(['second', 'another kind'])
  expect(HereWorker.sent.map(({ least }) => least)).toEqual([LEAST, 0.8])
})
