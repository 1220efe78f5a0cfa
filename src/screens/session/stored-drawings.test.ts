import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { STARTERS } from '@/core/rules/starters'
import type { IconSet } from '@/core/set/set'
import { shownBy, StoredDrawings } from './stored-drawings'

const icon = (id: string) => ({ id, name: id, masters: [{ base: 24, objects: [] }] })
const set: IconSet = {
  name: 'Pier',
  kind: 'interface',
  rules: STARTERS[0]!.rules,
  icons: Array.from({ length: 150 }, (_, i) => icon(`icon-${i}`)),
}

describe('drawings that the server keeps', () => {
  let asked: string[][]
  let answer: (id: string) => object | null
  beforeEach(() => {
    vi.useFakeTimers()
    asked = []
    vi.stubGlobal('fetch', async (url: string) => {
      const ids = new URL(url, 'http://here').searchParams.get('ids')!.split(',')
      asked.push(ids)
      return Response.json(ids.flatMap((id) => answer(id) ?? []))
    })
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })

  it('are asked for together, once, and those that are still being drawn again after a while', async () => {
    let isSlow = true
    answer = (id) =>
      id === 'icon-7'
        ? isSlow
          ? { id, pending: true }
          : { id, problem: 'It takes too long.' }
        : id === 'icon-9'
          ? null
          : { id, picture: id }
    const stored = new StoredDrawings('pier', set),
      told = vi.fn()
    stored.subscribe(told)
    for (const one of set.icons) expect(stored.of(one, set.rules)).toBeUndefined()
    for (const one of set.icons) stored.of(one, set.rules)
    await vi.advanceTimersByTimeAsync(10)
    expect(asked.map((ids) => ids.length)).toEqual([60, 60, 30])
    expect(told).toHaveBeenCalled()
    expect([
      stored.of(set.icons[3]!, set.rules),
      stored.of(set.icons[7]!, set.rules),
      stored.of(set.icons[9]!, set.rules),
    ]).toEqual([{ id: 'icon-3', picture: 'icon-3' }, undefined, null])
    isSlow = false
    await vi.advanceTimersByTimeAsync(1000)
    expect([asked.at(-1), stored.of(set.icons[7]!, set.rules)]).toEqual([
      ['icon-7'],
      { id: 'icon-7', problem: 'It takes too long.' },
    ])
  })

  it('do not hold for what changed since, nor under other rules', async () => {
    answer = (id) => ({ id, picture: id })
    const stored = new StoredDrawings('pier', set),
      [first] = set.icons
    const changed = { ...first!, name: 'oar' },
      rules = { ...set.rules }
    expect([stored.of(changed, set.rules), stored.of(first!, rules)]).toEqual([null, null])
    expect(shownBy(null, changed, set.rules, 'dark', 24)).toEqual({ objects: [], rules: set.rules, ground: 'dark' })
    stored.of(first!, set.rules)
    await vi.advanceTimersByTimeAsync(10)
    expect(shownBy(stored.of(first!, set.rules), first!, set.rules, 'dark', 24)).toEqual({
      picture: 'icon-0',
      ground: 'dark',
    })
    expect(shownBy(undefined, first!, set.rules, 'dark', 24)).toBeNull()
  })
})
