import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import fc from 'fast-check'
import { applyEdit, type SetEdit } from '@/core/set/edit'
import { STARTERS } from '@/core/rules/starters'
import type { Icon, IconSet } from '@/core/set/set'
import { difference, overlay, startSaving, unsaved } from './saver'
import { commit, createSession, type Session, undoStep } from './session'

const icon = (id: string): Icon => ({ id, name: id, masters: [{ base: 24, objects: [] }] })
const set: IconSet = { name: 'Pier', kind: 'interface', rules: STARTERS[0]!.rules, icons: [icon('oar'), icon('buoy'), icon('ferry')] }
const rename = (id: string, name: string): SetEdit => ({ kind: 'rename-icon', id, name })

describe('the difference of two sets', () => {
  const edit: fc.Arbitrary<SetEdit> = fc.oneof(
    fc.tuple(fc.constantFrom('oar', 'buoy', 'ferry'), fc.integer({ min: 0, max: 2 })).map(([id, to]): SetEdit => ({ kind: 'move-icon', id, to })),
    fc.constantFrom('oar', 'buoy').map((id): SetEdit => ({ kind: 'remove-icons', ids: [id] })),
    fc.tuple(fc.constantFrom('oar', 'ferry'), fc.string({ minLength: 1 })).map(([id, name]) => rename(id, name)),
    fc.integer({ min: 0, max: 3 }).map((at): SetEdit => ({ kind: 'add-icons', icons: [icon(`new-${at}`)], at })),
    fc.constant<SetEdit>({ kind: 'rename-set', name: 'Mole' }),
    fc.constant<SetEdit>({ kind: 'rules', rules: { ...set.rules, cap: 'butt' }, renames: [] }),
  )

  it('laid over the first gives the second', () => {
    fc.assert(
      fc.property(fc.uniqueArray(edit, { maxLength: 6, selector: (one) => JSON.stringify(one) }), (edits) => {
        const after = edits.reduce(applyEdit, set)
        const writes = difference(set, after)
        expect(overlay(set, writes ?? {})).toEqual(after)
        if (writes === null) expect(after).toEqual(set)
      }),
    )
  })

  it('holds only what changed', () => {
    const after = applyEdit(set, rename('buoy', 'can-buoy'))
    expect(difference(set, after)).toEqual({ icons: [{ ...icon('buoy'), name: 'can-buoy' }] })
    expect(difference(set, set)).toBeNull()
  })
})

describe('saving by itself', () => {
  type Sent = { url: string; body: { base: number; writes: { icons?: Icon[] } } }
  let sent: Sent[]
  let answers: (() => Promise<Response>)[]
  let session: Session
  let stop: () => void
  const ok = (revision: number) => async () => Response.json(revision)

  beforeEach(() => {
    vi.useFakeTimers()
    const store = new Map<string, string>()
    vi.stubGlobal('localStorage', { getItem: (key: string) => store.get(key) ?? null, setItem: (key: string, value: string) => store.set(key, value), removeItem: (key: string) => store.delete(key) })
    sent = []
    answers = []
    vi.stubGlobal('fetch', async (url: string, { body }: { body: string }) => {
      sent.push({ url, body: JSON.parse(body) })
      return answers.shift()!()
    })
    session = createSession('pier', set, 4)
    stop = startSaving(session, set)
  })
  afterEach(() => {
    stop()
    vi.unstubAllGlobals()
    vi.useRealTimers()
  })
  const saving = () => session.getState().saving.state

  it('sends a run of edits as one, on top of the revision it knows', async () => {
    answers = [ok(5)]
    commit(session, rename('oar', 'sweep'), 'rename')
    commit(session, rename('oar', 'scull'), 'rename')
    expect(saving()).toBe('saving')
    expect(unsaved('pier')).toEqual({ base: 4, writer: expect.any(String), writes: { icons: [{ ...icon('oar'), name: 'scull' }] } })
    await vi.advanceTimersByTimeAsync(500)
    expect(sent).toHaveLength(1)
    expect(sent[0]!.body).toEqual({ base: 4, writer: expect.any(String), writes: { icons: [{ ...icon('oar'), name: 'scull' }] } })
    expect([saving(), session.getState().revision, unsaved('pier')]).toEqual(['saved', 5, null])
  })

  it('sends afterwards what came while a request was under way', async () => {
    let release = () => undefined as void
    answers = [() => new Promise((resolve) => (release = () => resolve(Response.json(5)))), ok(6)]
    commit(session, rename('oar', 'sweep'), 'rename')
    await vi.advanceTimersByTimeAsync(200)
    commit(session, rename('ferry', 'packet'), 'rename')
    await vi.advanceTimersByTimeAsync(200)
    expect(sent).toHaveLength(1)
    release()
    await vi.advanceTimersByTimeAsync(200)
    expect(sent[1]!.body).toEqual({ base: 5, writer: expect.any(String), writes: { icons: [{ ...icon('ferry'), name: 'packet' }] } })
    expect(saving()).toBe('saved')
  })

  it('tries again until the server is back, and keeps the work meanwhile', async () => {
    answers = [() => Promise.reject(new Error('down')), async () => Response.json({ message: 'database or disk is full' }, { status: 503 }), ok(5)]
    commit(session, rename('oar', 'sweep'), 'rename')
    await vi.advanceTimersByTimeAsync(200)
    expect(session.getState().saving).toEqual({ state: 'waiting', why: 'The server cannot be reached.' })
    expect(unsaved('pier')).not.toBeNull()
    await vi.advanceTimersByTimeAsync(2000)
    expect(session.getState().saving).toEqual({ state: 'waiting', why: 'database or disk is full' })
    await vi.advanceTimersByTimeAsync(2000)
    expect([saving(), unsaved('pier')]).toEqual(['saved', null])
  })

  it('takes back an edit that may have arrived although no answer came', async () => {
    answers = [() => Promise.reject(new Error('cut off')), ok(6)]
    commit(session, rename('oar', 'sweep'), 'rename')
    await vi.advanceTimersByTimeAsync(200)
    undoStep(session)
    expect(unsaved('pier')!.writes.icons).toEqual([icon('oar')])
    await vi.advanceTimersByTimeAsync(3000)
    expect(sent[1]!.body.writes.icons).toEqual([icon('oar')])
    expect([saving(), session.getState().revision]).toEqual(['saved', 6])
  })

  it('has nothing to send once an edit is undone', async () => {
    commit(session, rename('oar', 'sweep'), 'rename')
    undoStep(session)
    await vi.advanceTimersByTimeAsync(500)
    const icons = sent[0]?.body.writes.icons
    expect(icons === undefined || icons[0]!.name === 'oar').toBe(true)
  })

  it('keeps both versions when another window was faster', async () => {
    answers = [async () => Response.json({ code: 'conflict' }, { status: 409 }), async () => Response.json({ id: 'copy', name: 'Pier (kept copy)' })]
    commit(session, rename('oar', 'sweep'), 'rename')
    await vi.advanceTimersByTimeAsync(500)
    expect(session.getState().saving).toEqual({ state: 'moved', copy: { id: 'copy', name: 'Pier (kept copy)' } })
    expect(sent[1]!.url).toBe('/api/sets')
    expect(JSON.stringify(sent[1]!.body)).toContain('sweep')
    expect(unsaved('pier')).toBeNull()
  })

  it('holds on to the work when not even the copy could be stored', async () => {
    answers = [async () => Response.json({ code: 'conflict' }, { status: 409 }), () => Promise.reject(new Error('down'))]
    commit(session, rename('oar', 'sweep'), 'rename')
    await vi.advanceTimersByTimeAsync(500)
    expect(session.getState().saving).toEqual({ state: 'moved', copy: null })
    expect(unsaved('pier')).not.toBeNull()
  })
})
