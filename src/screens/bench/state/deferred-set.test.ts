import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { STARTERS } from '@/core/rules/starters'
import { storedAs } from '../../../testing/samples'
import type { IconSet } from '@/core/set/set'
import { commit, createSession, show } from '../../session/session'
import { DeferredSet } from './deferred-set'

const set: IconSet = { name: 'Pier', kind: 'interface', rules: STARTERS[0]!.rules, icons: [] }
const named = (name: string) => ({ kind: 'rename-set' as const, name })

describe('what stands beside the square', () => {
  let idle: (() => void)[]
  beforeEach(() => {
    vi.useFakeTimers()
    idle = []
    vi.stubGlobal('requestIdleCallback', (run: () => void) => idle.push(run))
    vi.stubGlobal('cancelIdleCallback', () => undefined)
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })

  it('follows what is done at once, and what is in hand when there is time', () => {
    const session = createSession('pier', storedAs(set), 'hand'),
      deferred = new DeferredSet(session, () => 2)
    const stop = deferred.follow()
    const name = () => deferred.store.getState().set.name
    commit(session, named('Mole'), 'rename')
    const beside = () => deferred.beside.getState().set.name
    expect([name(), beside()]).toEqual(['Mole', 'Pier'])
    vi.advanceTimersByTime(1)
    expect(beside()).toBe('Mole')
    show(session, named('Jetty'))
    show(session, named('Wharf'))
    expect(name()).toBe('Mole')
    vi.advanceTimersByTime(100)
    expect([name(), idle.length]).toEqual(['Mole', 1])
    idle[0]!()
    expect(name()).toBe('Wharf')
    show(session, named('Quay'))
    show(session, null)
    expect(name()).toBe('Mole')
    for (const wish of ['Pontoon', 'Slip']) deferred.wish(() => ({ ...set, name: wish }))
    vi.advanceTimersByTime(100)
    idle.at(-1)!()
    expect(name()).toBe('Slip')
    show(session, null)
    expect(name()).toBe('Mole')
    stop()
    commit(session, named('Pier head'), 'rename')
    expect(name()).toBe('Mole')
  })
})
