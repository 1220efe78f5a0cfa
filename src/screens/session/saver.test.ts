import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { SetEdit } from '@/core/set/edit'
import { leftOf } from '@/core/saving/kept'
import type { SaveRequest } from '@/core/saving/wire'
import { boxIcon as icon, pier as set, storedAs } from '../../testing/samples'
import { whenLeft, startSaving } from './saver'
import { commit, createSession, type Session, undoStep } from './session'
import { claimLeft, forgetUnsaved, keepUnsaved, keptUnsaved } from './unsaved'

const rename = (id: string, name: string): SetEdit => ({ kind: 'rename-icon', id, name })

/** Lets time go by, and the browser's database do what it has to. */
const pass = async (ms: number) => {
  await vi.advanceTimersByTimeAsync(ms)
  for (let i = 0; i < 40; i++) await new Promise((resolve) => setImmediate(resolve))
}

type Sent = { readonly url: string; readonly body: SaveRequest; readonly keepalive: boolean }
let sent: Sent[]
let answers: (() => Promise<Response>)[]
const ok = (revision: number) => async () => Response.json({ revision })
const refuse = (status: number, code: string, message: string) => async () =>
  Response.json({ code, message }, { status })
const down = () => Promise.reject(new Error('down'))

beforeEach(() => {
  // The browser's database does its work between timers.
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  vi.stubGlobal('navigator', {})
  vi.stubGlobal('BroadcastChannel', undefined)
  sent = []
  answers = []
  vi.stubGlobal('fetch', async (url: string, init: { body?: Uint8Array; keepalive?: boolean }) => {
    const body = init.body && (JSON.parse(new TextDecoder().decode(init.body)) as SaveRequest)
    sent.push({ url, body: body!, keepalive: init.keepalive === true })
    return answers.shift()!()
  })
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

describe('saving by itself', () => {
  let session: Session
  let leave: () => void
  beforeEach(() => {
    session = createSession('pier', storedAs(set, 4), 'here-here')
    leave = startSaving(session)
  })
  afterEach(async () => {
    answers = [ok(99), ok(100)]
    leave()
    await pass(0)
    await forgetUnsaved({ setId: 'pier', writer: 'here-here' })
  })
  const saving = () => session.getState().saving
  const kept = async () => (await keptUnsaved('pier')).find(({ writer }) => writer === 'here-here') ?? null
  const names = () => sent.map(({ body }) => body?.writes.icons?.map(({ name }) => name).join())

  it('keeps a change at once, and sends a run of edits as one, on the revision of the icon', async () => {
    answers = [ok(5)]
    commit(session, rename('oar', 'sweep'), 'rename')
    commit(session, rename('oar', 'scull'), 'rename')
    expect(saving().state).toBe('saving')
    await pass(0)
    const scull = { ...icon('oar'), name: 'scull' }
    expect((await kept())!.change.icons).toEqual([{ id: 'oar', from: icon('oar'), to: scull }])
    await pass(200)
    expect(sent.map(({ body }) => body)).toEqual([
      { epoch: 'first', id: 'here-here-1', bases: { icons: { oar: 4 } }, writes: { icons: [scull] } },
    ])
    expect([saving().state, session.getState().revision, await kept()]).toEqual(['saved', 5, null])
  })

  it('sends afterwards what came while a request was under way, and keeps it seen from what was saved', async () => {
    let release = () => undefined as void
    answers = [() => new Promise((resolve) => (release = () => resolve(Response.json({ revision: 5 })))), ok(6)]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(200)
    commit(session, rename('oar', 'scull'), 'rename')
    await pass(200)
    expect(names()).toEqual(['sweep'])
    release()
    await pass(10)
    expect(names()).toEqual(['sweep', 'scull'])
    expect(sent[1]!.body.bases).toEqual({ icons: { oar: 5 } })
    await pass(200)
    expect([saving().state, await kept()]).toEqual(['saved', null])
  })

  it.each([
    ['an answer that is cut off', async () => new Response('', { status: 200 })],
    ['another answer than was asked for', async () => Response.json({ revision: 'five' })],
    ['a bare fault', async () => new Response('oops', { status: 404 })],
    ['no answer', down],
    ['a full disk', refuse(503, 'unavailable', 'The disk is full: nothing was changed.')],
  ])('asks the very same again after %s, until there is a whole number for it', async (_, answer) => {
    answers = [answer, answer, ok(5)]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(200)
    expect([saving().state, saving().kept, session.getState().revision]).toEqual(['waiting', true, 4])
    expect((await kept())!.sent).toEqual(sent[0]!.body)
    await pass(10_000)
    expect(new Set(sent.map(({ body }) => JSON.stringify(body))).size).toBe(1)
    expect([sent.length, saving().state, session.getState().revision, await kept()]).toEqual([3, 'saved', 5, null])
  })

  it('tries again in time, however busily one draws on', async () => {
    answers = [down, ok(5), ok(6)]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(200)
    for (let i = 0; i < 8; i++) {
      commit(session, rename('ferry', `packet-${i}`), 'rename')
      await pass(300)
    }
    expect([sent.length >= 2, session.getState().revision >= 5]).toEqual([true, true])
  })

  it('holds back what was refused until it is undone, and saves all else', async () => {
    answers = [refuse(422, 'invalid', 'That will not do.'), async () => Response.json(nothingNew), ok(5), ok(6)]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(300)
    expect(saving()).toEqual({ state: 'refused', why: 'That will not do.', kept: true })
    await pass(60_000)
    expect(sent).toHaveLength(2)
    commit(session, rename('ferry', 'packet'), 'rename')
    await pass(300)
    expect([names().at(-1), saving().state]).toEqual(['packet', 'refused'])
    undoStep(session)
    undoStep(session)
    await pass(300)
    expect([names().at(-1), saving().state, await kept()]).toEqual(['ferry', 'saved', null])
  })
  const nothingNew = { epoch: 'first', revision: 4, revisions: {}, writes: {} }

  it('takes in what was saved elsewhere, asks where both changed one value, and sends what is chosen', async () => {
    const there = { ...icon('oar'), name: 'sweep' }
    const changes = { epoch: 'first', revision: 5, revisions: { icons: { oar: 5 } }, writes: { icons: [there] } }
    answers = [refuse(409, 'conflict', ''), async () => Response.json(changes), ok(6)]
    commit(session, rename('oar', 'scull'), 'rename')
    await pass(300)
    const { saving: now, settle } = session.getState()
    expect(now).toMatchObject({ state: 'conflict', conflicts: [{ key: 'name', mine: 'scull', theirs: 'sweep' }] })
    expect((await kept())!.change.icons[0]!.to!.name).toBe('scull')
    settle(now.state === 'conflict' ? now.conflicts[0]! : undefined!, 'mine')
    await pass(300)
    expect([sent.at(-1)!.body.bases, names().at(-1), saving().state]).toEqual([{ icons: { oar: 5 } }, 'scull', 'saved'])
  })

  it('lets what is under way go on when the set is left, and what came after it', async () => {
    let release = () => undefined as void
    answers = [() => new Promise((resolve) => (release = () => resolve(Response.json({ revision: 5 })))), ok(6)]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(200)
    commit(session, rename('ferry', 'packet'), 'rename')
    leave()
    let isOver = false
    void whenLeft('pier').then(() => (isOver = true))
    await pass(0)
    expect(isOver).toBe(false)
    release()
    await pass(10)
    expect([names(), isOver, await kept()]).toEqual([['sweep', 'packet'], true, null])
  })

  it('says so when the browser keeps nothing either', async () => {
    const put = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    answers = [down]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(200)
    expect(saving()).toEqual({ state: 'waiting', why: 'The server cannot be reached.', kept: false })
    put.mockRestore()
  })

  it('is kept alive beyond its page only while browsers allow it, counted in bytes', async () => {
    answers = [ok(5), ok(6)]
    const many = Array.from({ length: 10 }, (_, i) => icon(`icon-${i}`))
    const session = createSession('quay', storedAs({ ...set, icons: many }, 4), 'wide-wide'),
      leave = startSaving(session)
    const tags = (text: string) => Array.from({ length: 40 }, (_, i) => `${String(i).padStart(2, '0')}${text}`)
    const labelled = (text: string): SetEdit => ({
      kind: 'labels',
      labels: many.map(({ id }) => ({ id, tags: tags(text), aliases: tags(text) })),
    })
    commit(session, labelled('港'.repeat(38)), 'tag')
    await pass(200)
    commit(session, labelled('x'.repeat(38)), 'tag')
    await pass(200)
    const [wide, narrow] = sent.map(({ body }) => JSON.stringify(body).length)
    expect(wide! / narrow!).toBeCloseTo(1, 1)
    expect(sent.map(({ keepalive }) => keepalive)).toEqual([false, true])
    leave()
    await forgetUnsaved({ setId: 'quay', writer: 'wide-wide' })
  })

  it('takes no more edits once the set was deleted, and keeps what is unsaved', async () => {
    answers = [refuse(404, 'not-found', 'This set is no longer there.')]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(300)
    commit(session, rename('ferry', 'packet'), 'rename')
    expect([saving().state, session.getState().history.present.icons[2]!.name]).toEqual(['deleted', 'ferry'])
    expect((await kept())!.change.icons[0]!.to!.name).toBe('sweep')
  })
})

describe('what a window leaves unsaved that is closed while others are open', () => {
  const mark = { ...icon('buoy'), name: 'mark' }
  const change = { icons: [{ id: 'buoy', from: icon('buoy'), to: mark }] }
  const gone = { setId: 'mole', writer: 'gone-gone', at: '2026-01-01', change, sent: null }
  let session: Session, leave: () => void
  const listeners = new Map<string, () => void>()
  beforeEach(() => {
    const held = ['here-here', 'next-next'].map((writer) => ({ name: `wise-square window ${writer}` }))
    vi.stubGlobal('navigator', { locks: { query: async () => ({ held }) } })
    vi.stubGlobal('addEventListener', (name: string, listener: () => void) => listeners.set(name, listener))
    vi.stubGlobal('removeEventListener', () => undefined)
    session = createSession('mole', storedAs(set, 4), 'here-here')
    leave = startSaving(session)
  })
  afterEach(async () => {
    leave()
    await pass(0)
  })
  const saving = () => session.getState().saving
  const written = () => sent.map(({ body }) => body?.writes.icons?.map(({ name }) => name).join())

  it('is taken over and saved once the server answers again; not before is “Saved” said', async () => {
    await keepUnsaved(gone)
    await keepUnsaved({ ...gone, writer: 'next-next' })
    answers = [down, ok(5), ok(6)]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(200)
    expect(saving().state).toBe('waiting')
    await pass(3000)
    await pass(200)
    expect([written(), saving().state]).toEqual([['sweep', 'sweep', 'mark'], 'saved'])
    expect(session.getState().history.present.icons.map(({ name }) => name)).toEqual(['sweep', 'mark', 'ferry'])
    // What an open window has not saved yet is its own.
    expect((await keptUnsaved('mole')).map(({ writer }) => writer)).toEqual(['next-next'])
    await forgetUnsaved({ setId: 'mole', writer: 'next-next' })
  })

  it('is asked for again where its last save had no answer, and waits as long as that is not known', async () => {
    const save = { epoch: 'first', id: 'gone-gone-1', bases: { icons: { buoy: 4 } }, writes: { icons: [mark] } }
    await keepUnsaved({ ...gone, sent: save })
    answers = [down, ok(6)]
    listeners.get('focus')!()
    await pass(100)
    expect(saving()).toMatchObject({ state: 'waiting', why: expect.stringContaining('a window that was closed') })
    const news = { epoch: 'first', revision: 6, revisions: { icons: { buoy: 6 } }, writes: { icons: [mark] } }
    answers.push(async () => Response.json(news))
    await pass(5100)
    for (let i = 0; i < 3; i++) await pass(200)
    expect([sent[0]!.body, sent[1]!.body]).toEqual([save, save])
    expect([saving().state, session.getState().history.present.icons[1]!.name]).toEqual(['saved', 'mark'])
    expect(await keptUnsaved('mole')).toEqual([])
  })

  it('is sent at once when the page goes, without waiting for a clock', async () => {
    answers = [ok(5)]
    commit(session, rename('oar', 'sweep'), 'rename')
    listeners.get('pagehide')!()
    expect([written(), sent[0]!.keepalive]).toEqual([['sweep'], true])
    await pass(200)
  })
})

it('a browser whose storage and locks do not answer keeps nobody from working: after three seconds they are done without', async () => {
  vi.resetModules()
  const open = vi.spyOn(IDBFactory.prototype, 'open').mockReturnValue(new EventTarget() as never)
  const silent = () => new Promise(() => undefined)
  vi.stubGlobal('navigator', { locks: { request: silent, query: silent } })
  const { claimLeft, holdWindow, keepUnsaved } = await import('./unsaved')
  const all = Promise.all([
    claimLeft('mole', 'here-here'),
    holdWindow('here-here').then((letGo) => letGo()),
    keepUnsaved({ setId: 'mole', writer: 'here-here', at: '', change: { icons: [] }, sent: null }),
  ])
  await pass(2900)
  await pass(200)
  expect(await all).toEqual([{ kept: [], unreadable: [], isKnown: false }, undefined, false])
  open.mockRestore()
})

describe('what is left unsaved', () => {
  const work = (writer: string) => ({
    setId: 'quay',
    writer,
    at: '2026-01-01',
    change: { icons: [{ id: 'oar', from: icon('oar'), to: { ...icon('oar'), name: 'sweep' } }] },
    sent: null,
  })

  it('is kept for each window by itself; that of open windows is theirs, and what cannot be read is named', async () => {
    await Promise.all(['one', 'two', 'open'].map((writer) => keepUnsaved(work(writer))))
    await keepUnsaved({ setId: 'quay', writer: 'odd', base: null, writes: { icons: [{}] } } as never)
    vi.stubGlobal('navigator', { locks: { query: async () => ({ held: [{ name: 'wise-square window open' }] }) } })
    const { kept, unreadable } = await claimLeft('quay', 'new-window')
    expect([kept, unreadable].map((all) => all.map(({ writer }) => writer))).toEqual([['one', 'two'], ['odd']])
    await forgetUnsaved(work('two'))

    const session = createSession('quay', storedAs(set), 'new-window')
    answers = [ok(2)]
    const leave = startSaving(session, [leftOf(kept[0]!, false)])
    await pass(300)
    expect(sent[0]!.body.writes.icons![0]!.name).toBe('sweep')
    expect((await keptUnsaved('quay')).map(({ writer }) => writer)).toEqual(['odd', 'open'])
    leave()
  })
})
