import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import fc from 'fast-check'
import { applyEdit, type SetEdit } from '@/core/set/edit'
import { beginning } from '@/core/set/history'
import type { DrawingObject } from '@/core/drawing/object'
import type { Rules } from '@/core/rules/rules'
import { STARTERS } from '@/core/rules/starters'
import type { Icon, IconSet } from '@/core/set/set'
import { difference, overlay } from '@/core/formats/writes'
import { startSaving } from './saver'
import { commit, createSession, type Session, undoStep } from './session'
import { forgetUnsaved, keepUnsaved, leftUnsaved } from './unsaved'

const icon = (id: string): Icon => ({ id, name: id, masters: [{ base: 24, objects: [] }] })
const set: IconSet = {
  name: 'Pier',
  kind: 'interface',
  rules: STARTERS[0]!.rules,
  icons: [icon('oar'), icon('buoy'), icon('ferry')],
}
const rename = (id: string, name: string): SetEdit => ({ kind: 'rename-icon', id, name })

describe('the difference of two sets', () => {
  const box = (id: string, x: number): DrawingObject => ({
    kind: 'rectangle',
    id,
    name: id,
    x,
    y: 1,
    w: 4,
    h: 4,
    corner: 0,
    style: { fill: 'ink', stroke: 'none', weight: 'main' },
  })
  const drawn: IconSet = {
    ...set,
    icons: set.icons.map((one, i) => ({ ...one, masters: [{ base: 24, objects: [box('a', i), box('b', 2 * i)] }] })),
  }
  const someIcon = fc.constantFrom('oar', 'buoy', 'ferry', 'new-1', 'nobody')
  const at = fc.record({ icon: someIcon, master: fc.constantFrom(24, 24, 24, 16) })
  const edit: fc.Arbitrary<SetEdit> = fc.oneof(
    fc.tuple(someIcon, fc.integer({ min: 0, max: 4 })).map(([id, to]): SetEdit => ({ kind: 'move-icon', id, to })),
    someIcon.map((id): SetEdit => ({ kind: 'remove-icons', ids: [id] })),
    fc.tuple(someIcon, fc.string({ minLength: 1 })).map(([id, name]) => rename(id, name)),
    fc.integer({ min: 0, max: 3 }).map((n): SetEdit => ({ kind: 'add-icons', icons: [icon(`new-${n}`)], at: n })),
    fc.constantFrom('Mole', 'Pier', 'Quay').map((name): SetEdit => ({ kind: 'rename-set', name })),
    fc
      .constantFrom<Rules['cap']>('butt', 'round')
      .map((cap): SetEdit => ({ kind: 'rules', rules: { ...set.rules, cap }, renames: [] })),
    fc
      .tuple(at, fc.constantFrom('a', 'b'), fc.integer({ min: 0, max: 9 }))
      .map(([here, id, x]): SetEdit => ({ kind: 'draw', ...here, edit: { kind: 'replace', objects: [box(id, x)] } })),
    fc
      .tuple(at, fc.constantFrom('a', 'b'))
      .map(([here, id]): SetEdit => ({ kind: 'draw', ...here, edit: { kind: 'remove', ids: [id] } })),
    fc.tuple(at, fc.boolean()).map(([here, some]): SetEdit => ({
      kind: 'guides',
      ...here,
      guides: some ? [{ id: 'g', at: { x: 3, y: 4 }, angle: 90 }] : [],
    })),
  )
  /** Edits one after the other, but for those that would make two icons of one id. */
  const after = (edits: readonly SetEdit[], first = drawn): IconSet =>
    edits.reduce(
      (now, one) =>
        one.kind === 'add-icons' && now.icons.some(({ id }) => id === one.icons[0]!.id) ? now : applyEdit(now, one),
      first,
    )

  it('laid over the first gives the second, once or twice, and over the wire', () => {
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 8 }), (edits) => {
        const second = after(edits),
          writes = difference(drawn, second)
        if (writes === null) {
          expect(second).toEqual(drawn)
          return
        }
        const sent = JSON.parse(JSON.stringify(writes)) as typeof writes
        const once = overlay(drawn, sent)
        expect(once).toEqual(second)
        expect(overlay(once, sent)).toEqual(second)
      }),
      { numRuns: 400 },
    )
  })

  it('from one edit to the next comes to the same as at once, whatever lies between', () => {
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 5 }), fc.array(edit, { maxLength: 5 }), (some, more) => {
        const middle = after(some),
          last = after(more, middle)
        const steps = [difference(drawn, middle), difference(middle, last)]
        expect(steps.reduce((now, writes) => (writes ? overlay(now, writes) : now), drawn)).toEqual(last)
      }),
      { numRuns: 200 },
    )
  })

  it('holds the icons that changed and no others', () => {
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 6 }), (edits) => {
        const second = after(edits),
          before = new Map(drawn.icons.map((one) => [one.id, one]))
        const changed = second.icons.filter((one) => before.get(one.id) !== one).map(({ id }) => id)
        expect(new Set(difference(drawn, second)?.icons?.map(({ id }) => id))).toEqual(new Set(changed))
      }),
      { numRuns: 200 },
    )
    const named = applyEdit(set, rename('buoy', 'can-buoy'))
    expect(difference(set, named)).toEqual({ icons: [{ ...icon('buoy'), name: 'can-buoy' }] })
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
  const refuse = (status: number, message: string) => async () => Response.json({ message }, { status })

  beforeEach(() => {
    // The browser's database does its work between timers.
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    vi.stubGlobal('navigator', {})
    sent = []
    answers = []
    vi.stubGlobal('fetch', async (url: string, { body }: { body: string }) => {
      sent.push({ url, body: JSON.parse(body) })
      return answers.shift()!()
    })
    session = createSession('pier', set, 4)
    stop = startSaving(session, set, 'here')
  })
  afterEach(async () => {
    answers = [ok(99), ok(100)]
    stop()
    await pass(0)
    vi.unstubAllGlobals()
    vi.useRealTimers()
    await forgetUnsaved({ setId: 'pier', writer: 'here' })
  })
  /** Lets time go by, and the browser's database do what it has to. */
  const pass = async (ms: number) => {
    await vi.advanceTimersByTimeAsync(ms)
    for (let i = 0; i < 40; i++) await new Promise((resolve) => setImmediate(resolve))
  }
  const saving = () => session.getState().saving
  const kept = async () => (await leftUnsaved('pier')).find(({ writer }) => writer === 'here') ?? null
  const sweep = { ...icon('oar'), name: 'sweep' }

  it('keeps a change at once, and sends a run of edits as one, on top of the revision it knows', async () => {
    answers = [ok(5)]
    commit(session, rename('oar', 'sweep'), 'rename')
    commit(session, rename('oar', 'scull'), 'rename')
    expect(saving()).toEqual({ state: 'saving' })
    await pass(0)
    const work = { base: 4, writer: 'here', writes: { icons: [{ ...icon('oar'), name: 'scull' }] } }
    expect(await kept()).toEqual({ setId: 'pier', ...work })
    await pass(200)
    expect(sent.map(({ body }) => body)).toEqual([work])
    expect([saving().state, session.getState().revision, await kept()]).toEqual(['saved', 5, null])
  })

  it('sends afterwards what came while a request was under way', async () => {
    let release = () => undefined as void
    answers = [() => new Promise((resolve) => (release = () => resolve(Response.json(5)))), ok(6)]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(200)
    commit(session, rename('ferry', 'packet'), 'rename')
    await pass(200)
    expect(sent).toHaveLength(1)
    release()
    await pass(200)
    expect(sent[1]!.body).toEqual({
      base: 5,
      writer: 'here',
      writes: { icons: [{ ...icon('ferry'), name: 'packet' }] },
    })
    expect(saving()).toEqual({ state: 'saved' })
  })

  it('tries again until the server is back, and keeps the work meanwhile', async () => {
    answers = [() => Promise.reject(new Error('down')), refuse(503, 'The disk is full: nothing was changed.'), ok(5)]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(200)
    expect(saving()).toEqual({ state: 'waiting', why: 'The server cannot be reached.', kept: true })
    expect(await kept()).toMatchObject({ writes: { icons: [sweep] } })
    await pass(2000)
    expect(saving()).toEqual({ state: 'waiting', why: 'The disk is full: nothing was changed.', kept: true })
    await pass(2000)
    expect([saving().state, await kept()]).toEqual(['saved', null])
  })

  it('does not send again what was refused for good, but with the next change; and saves that when the refused one is undone', async () => {
    answers = [refuse(422, 'x of “Hull” must be at most 1,000,000.'), ok(5)]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(200)
    expect(saving()).toEqual({ state: 'refused', why: 'x of “Hull” must be at most 1,000,000.', kept: true })
    await pass(60_000)
    expect(sent).toHaveLength(1)
    undoStep(session)
    commit(session, rename('ferry', 'packet'), 'rename')
    await pass(200)
    expect(sent[1]!.body.writes).toEqual({ icons: [icon('oar'), { ...icon('ferry'), name: 'packet' }] })
    expect([saving().state, await kept()]).toEqual(['saved', null])
  })

  it('says so when the browser keeps nothing either', async () => {
    const put = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    answers = [() => Promise.reject(new Error('down'))]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(200)
    expect(saving()).toEqual({ state: 'waiting', why: 'The server cannot be reached.', kept: false })
    put.mockRestore()
  })

  it('takes back an edit that may have arrived although no answer came', async () => {
    answers = [() => Promise.reject(new Error('cut off')), ok(6)]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(200)
    undoStep(session)
    await pass(0)
    expect((await kept())!.writes.icons).toEqual([icon('oar')])
    await pass(3000)
    expect(sent[1]!.body.writes.icons).toEqual([icon('oar')])
    expect([saving().state, session.getState().revision]).toEqual(['saved', 6])
  })

  it('sends nothing when an edit is undone before it was sent', async () => {
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(20)
    undoStep(session)
    // Undone by going back to the very same state: there is nothing left to say.
    session.setState({ history: beginning(set) })
    await pass(500)
    expect([sent.length, saving().state, await kept()]).toEqual([0, 'saved', null])
  })

  it('keeps both versions when another window was faster, and then takes no more edits', async () => {
    answers = [refuse(409, ''), async () => Response.json({ id: 'copy', name: 'Pier (kept copy)' })]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(500)
    expect(saving()).toEqual({ state: 'moved', copy: { id: 'copy', name: 'Pier (kept copy)' } })
    expect(sent[1]!.url).toBe('/api/sets')
    expect(JSON.stringify(sent[1]!.body)).toContain('sweep')
    expect(await kept()).toBeNull()
    commit(session, rename('ferry', 'packet'), 'rename')
    undoStep(session)
    expect(session.getState().history.present.icons.map(({ name }) => name)).toEqual(['sweep', 'buoy', 'ferry'])
  })

  it('holds on to the work when not even the copy could be stored, and when the set was deleted', async () => {
    answers = [refuse(409, ''), () => Promise.reject(new Error('down'))]
    commit(session, rename('oar', 'sweep'), 'rename')
    await pass(500)
    expect([saving(), (await kept())!.writes.icons]).toEqual([{ state: 'moved', copy: null }, [sweep]])
    const other = createSession('mole', set, 4),
      stopOther = startSaving(other, set, 'here')
    answers = [refuse(404, 'This set is no longer there.')]
    commit(other, rename('oar', 'sweep'), 'rename')
    await pass(500)
    expect([other.getState().saving, (await leftUnsaved('mole')).length]).toEqual([{ state: 'deleted' }, 1])
    stopOther()
  })
})

describe('what is left unsaved', () => {
  const work = (writer: string) => ({ setId: 'quay', writer, base: 4, writes: { icons: [icon('oar')] } })

  it('is kept for each window by itself; that of open windows is theirs, and what cannot be read is passed over', async () => {
    await Promise.all(['one', 'two', 'open'].map((writer) => keepUnsaved(work(writer))))
    await keepUnsaved({ setId: 'quay', writer: 'odd', base: 'four', writes: { icons: [{}] } } as never)
    vi.stubGlobal('navigator', { locks: { query: async () => ({ held: [{ name: 'wise-square window open' }] }) } })
    expect((await leftUnsaved('quay')).map(({ writer }) => writer)).toEqual(['one', 'two'])
    await forgetUnsaved(work('one'))
    expect((await leftUnsaved('quay')).map(({ writer }) => writer)).toEqual(['two'])
    vi.unstubAllGlobals()
  })
})
