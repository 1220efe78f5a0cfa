import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { isLookedThrough, strokeBack } from '../core/formats/import/strokes-back'
import { readIcon, type ReadIcon } from '../core/formats/import/read-icon'
import type { Sought } from '../core/formats/import/strokes-of-set'
import type { Reply, Request } from './serve'

/** A worker that looks as the real one does, at copies, and breaks down after so many lots. */
class FakeWorker {
  static all: FakeWorker[] = []
  onmessage: ((event: { data: Reply }) => void) | null = null
  onerror: ((event: { preventDefault: () => void }) => void) | null = null
  terminated = false
  lots = 0

  constructor() {
    FakeWorker.all.push(this)
  }

  postMessage({ id, input }: Request): void {
    const { objects, within, centred } = input as Sought
    const isLast = FakeWorker.all[0] === this && ++this.lots > 2
    setTimeout(() => {
      if (isLast) return this.onerror?.({ preventDefault: () => undefined })
      const backs = structuredClone(objects).map((object) => strokeBack(object, within, centred))
      this.onmessage?.({ data: structuredClone({ id: id!, result: backs }) })
    })
  }

  terminate(): void {
    this.terminated = true
  }
}

beforeEach(() => {
  FakeWorker.all = []
  vi.resetModules()
  vi.stubGlobal('Worker', FakeWorker)
  vi.stubGlobal('navigator', { hardwareConcurrency: 3 })
})
afterEach(() => vi.unstubAllGlobals())

it('several workers find what one would, and what a worker that breaks down had is left to who needs it', async () => {
  // Imported anew together: what is known of objects is kept in the module.
  const { understandAll } = await import('./understanders')
  const anew = await import('../core/formats/import/strokes-back')
  const objects = Array.from({ length: 240 }, (_, i) => {
    const text = `<svg viewBox="0 0 24 24"><rect x="${i / 60}" y="4" width="${4 + (i % 12)}" height="2" rx="${i % 2}"/></svg>`
    return (readIcon({ path: 'bar.svg', text }) as ReadIcon).objects[0]!
  })
  const told: number[] = []
  await understandAll({ objects, within: 0.01, centred: false }, (done, of) => {
    expect(of).toBe(objects.length)
    told.push(done)
  })
  expect(FakeWorker.all).toHaveLength(3)
  expect(FakeWorker.all.every(({ terminated }) => terminated)).toBe(true)
  const left = objects.filter((object) => !anew.isLookedThrough(object, 0.01, false))
  expect(left.length).toBeGreaterThan(0)
  expect(left.length).toBeLessThan(20)
  expect(told.at(-1)).toBe(objects.length - left.length)
  for (const object of objects) {
    expect(isLookedThrough(object, 0.01, false)).toBe(false)
    expect(anew.strokeBack(object, 0.01, false)).toEqual(strokeBack(object, 0.01, false))
  }
})
