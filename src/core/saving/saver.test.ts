import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { iconOf as icon, smallBox as box } from '../../testing/samples'
import { walk } from '../drawing/objects/tree'
import { starter } from '../rules/starters'
import { applyEdit, type SetEdit } from '../set/edit'
import { advance, beginning as historyOf, type History, redo, undo } from '../set/history'
import { type Icon, type IconSet, setProblems } from '../set/set'
import { Kept, leftOf, toKeep } from './kept'
import { step, wanted } from './saver'
import { saying } from './saying'
import { type Answer, beginning, type Event, type Saver } from './saver-state'
import { overlay, revised, type Revisions, type SaveRequest, staleParts } from './wire'
import { runs } from '../../testing/runs'

const pier: IconSet = {
  name: 'Pier',
  kind: 'interface',
  rules: starter('interface-24')!.rules,
  icons: [icon('oar', box('a', 1), box('b', 2)), icon('buoy', box('a', 3)), icon('ferry')],
}

/** A name that the server takes for no icon. */
const BAD = 'bad'

/** A server as the product has it, in little: revisions by part, and each save done once. */
class Server {
  set = pier
  revision = 1
  revisions: Revisions = { name: 1, rules: 1, delivery: 1, order: 1, icons: { oar: 1, buoy: 1, ferry: 1 } }
  private readonly binned = new Map<string, Icon>()
  private readonly done = new Map<string, number>()

  save({ id, bases, writes }: SaveRequest): Answer {
    const before = this.done.get(id)
    if (before !== undefined) return { kind: 'saved', revision: before }
    if (staleParts(bases, this.revisions, (one) => this.binned.has(one)).length > 0) return { kind: 'stale' }
    const known = new Map([...this.binned.values(), ...this.set.icons].map((one) => [one.id, one]))
    if (writes.order?.some((one) => !known.has(one) && !writes.icons?.some(({ id }) => id === one)))
      return { kind: 'refused', why: 'unknown', parts: ['order'] }
    const all = { ...this.set, icons: [...this.set.icons, ...[...this.binned.values()]] }
    const set = overlay(all, { ...writes, order: writes.order ?? overlay(this.set, writes).icons.map(({ id }) => id) })
    if (set.icons.some(({ name }) => name === BAD)) return { kind: 'refused', why: 'bad', parts: [] }
    const problem = setProblems(set)[0]
    if (problem) return { kind: 'refused', why: problem, parts: [] }
    for (const one of this.set.icons) if (!set.icons.some(({ id }) => id === one.id)) this.binned.set(one.id, one)
    this.revision++
    this.revisions = revised(this.revisions, bases, this.revision)
    for (const { id: one } of set.icons)
      if (this.binned.delete(one)) this.revisions = revised(this.revisions, { icons: { [one]: 0 } }, this.revision)
    this.set = set
    this.done.set(id, this.revision)
    return { kind: 'saved', revision: this.revision }
  }

  since(revision: number): Answer {
    const { name, rules, delivery, order, icons } = this.revisions
    const later = Object.entries(icons).filter(([, at]) => at > revision)
    return {
      kind: 'changes',
      changes: {
        epoch: 'first',
        revision: this.revision,
        revisions: { name, rules, delivery, order, icons: Object.fromEntries(later) },
        writes: {
          ...(name > revision && { name: this.set.name }),
          ...(rules > revision && { rules: this.set.rules }),
          ...(delivery > revision && { delivery: this.set.delivery ?? {} }),
          ...(order > revision && { order: this.set.icons.map(({ id }) => id) }),
          icons: this.set.icons.filter(({ id }) => later.some(([one]) => one === id)),
        },
      },
    }
  }
}

type Message = { readonly from: Window; readonly request: number; readonly ask: () => Answer }

/** A window: its history and its saver, kept in step as the page keeps them. */
class Window {
  history: History
  saver: Saver
  /** What was drawn here and not taken back. */
  readonly drawn: Set<string>[] = []

  constructor(
    readonly name: string,
    private readonly world: World,
  ) {
    const { set, revisions, revision } = world.server
    this.saver = beginning(name, { epoch: 'first', set, revisions, revision })
    this.history = historyOf(set)
  }

  apply(event: Event): void {
    this.saver = step(this.saver, event)
    this.history = { ...this.history, present: this.saver.present }
    const unsaved = toKeep(this.saver)
    if (unsaved) this.world.keep(this.name, unsaved)
    else this.world.kept.delete(this.name)
    for (const one of this.saver.taken) this.world.kept.delete(one)
    if (this.saver.taken.length > 0) this.saver = step(this.saver, { kind: 'forgotten', writers: this.saver.taken })
  }

  edit(edit: SetEdit): void {
    const next = advance(this.history, edit, 'edit')
    this.history = next
    this.apply({ kind: 'edited', present: next.present })
  }

  go(by: typeof undo): void {
    this.history = by(this.history)
    this.apply({ kind: 'edited', present: this.history.present })
  }

  /** What the page does next: sends, or lets a pause go by. */
  act(): void {
    const doing = wanted(this.saver)
    if (!doing) return
    if (doing.kind === 'pause') return this.apply({ kind: 'paused' })
    this.apply({ kind: 'begun' })
    const { server } = this.world
    const sent = doing.kind === 'save' ? JSON.parse(JSON.stringify(this.saver.sent)) : null
    this.world.messages.push({
      from: this,
      request: this.saver.underWay!,
      ask: () =>
        JSON.parse(JSON.stringify(sent ? server.save(sent) : server.since((doing as { since: number }).since))),
    })
  }
}

class World {
  readonly server = new Server()
  readonly kept = new Map<string, string>()
  messages: Message[] = []
  windows: Window[] = []
  private opened = 0

  constructor() {
    this.open()
    this.open()
  }

  keep(writer: string, unsaved: NonNullable<ReturnType<typeof toKeep>>): void {
    this.kept.set(writer, JSON.stringify({ setId: 'pier', writer, at: '2026-01-01', ...unsaved }))
  }

  open(): void {
    const left = [...this.kept].filter(([writer]) => !this.windows.some(({ name }) => name === writer))
    const found = left.map(([, text]) => {
      const kept = Kept.parse(JSON.parse(text)) as Kept
      return leftOf(kept, kept.sent !== null && this.server.save(kept.sent).kind === 'saved')
    })
    const window = new Window(`window-${++this.opened}`, this)
    this.windows.push(window)
    for (const one of found) window.apply({ kind: 'found', left: one })
  }

  /** Settles all windows: messages arrive, saves are answered, and each conflict is decided. */
  settle(): void {
    if (this.windows.length === 0) this.open()
    for (let round = 0; round < 200; round++) {
      for (const window of this.windows) {
        window.apply({ kind: 'hand', isBusy: false })
        window.apply({ kind: 'told', revision: this.server.revision })
        const [conflict] = window.saver.conflicts
        if (conflict) window.apply({ kind: 'settled', conflict, keep: round % 2 ? 'mine' : 'theirs' })
        window.act()
      }
      for (const { from, request, ask } of this.messages.splice(0))
        from.apply({ kind: 'answered', request, answer: ask() })
      if (this.kept.size > 0 && round % 20 === 19 && this.windows.every(({ saver }) => saying(saver).state === 'saved'))
        this.open()
    }
  }
}

type Act = (world: World, n: number) => void
const windowAt = (world: World, i: number): Window | undefined => world.windows[i % Math.max(1, world.windows.length)]

const drawAdd = (id: string, object: string): SetEdit => ({
  kind: 'draw',
  icon: id,
  master: 24,
  edit: { kind: 'add', objects: [box(object, 5)], into: null, at: 0 },
})
const someIcon = fc.constantFrom('oar', 'buoy', 'ferry')

const adding: fc.Arbitrary<Act> = fc.tuple(fc.nat(2), someIcon).map(([w, id]) => (world, n) => {
  windowAt(world, w)?.edit(drawAdd(id, `new-${n}`))
})
const nudging: fc.Arbitrary<Act> = fc
  .tuple(fc.nat(2), someIcon, fc.constantFrom('a', 'b'), fc.nat(9))
  .map(([w, id, object, x]) => (world) => {
    windowAt(world, w)?.edit({
      kind: 'draw',
      icon: id,
      master: 24,
      edit: { kind: 'replace', objects: [box(object, x)] },
    })
  })
const naming: fc.Arbitrary<Act> = fc
  .tuple(fc.nat(2), someIcon, fc.constantFrom('mole', 'quay', 'oar', BAD))
  .map(([w, id, name]) => (world) => {
    const window = windowAt(world, w)
    if (!window?.history.present.icons.some((one) => one.name === name && one.id !== id))
      window?.edit({ kind: 'rename-icon', id, name })
  })
const ofTheSet: fc.Arbitrary<Act> = fc
  .tuple(
    fc.nat(2),
    fc.oneof(
      fc.constantFrom('Mole', 'Quay').map((name): SetEdit => ({ kind: 'rename-set', name })),
      fc.tuple(someIcon, fc.nat(3)).map(([id, to]): SetEdit => ({ kind: 'move-icon', id, to })),
      fc.constantFrom('web', 'apple').map((target): SetEdit => ({ kind: 'delivery', delivery: { targets: [target] } })),
      fc
        .constantFrom('butt' as const, 'square' as const)
        .map((cap): SetEdit => ({ kind: 'rules', rules: { ...pier.rules, cap }, renames: [] })),
    ),
  )
  .map(
    ([w, edit]) =>
      (world) =>
        windowAt(world, w)?.edit(edit),
  )
const icons: fc.Arbitrary<Act> = fc.tuple(fc.nat(2), fc.nat(3)).map(([w, at]) => (world, n) => {
  windowAt(world, w)?.edit({ kind: 'add-icons', icons: [icon(`icon-${n}`)], at })
})
const removing: fc.Arbitrary<Act> = fc.tuple(fc.nat(2), someIcon).map(([w, id]) => (world) => {
  windowAt(world, w)?.edit({ kind: 'remove-icons', ids: [id] })
})
const going: fc.Arbitrary<Act> = fc.tuple(fc.nat(2), fc.boolean()).map(([w, back]) => (world) => {
  windowAt(world, w)?.go(back ? undo : redo)
})
const sending: fc.Arbitrary<Act> = fc.nat(2).map((w) => (world) => windowAt(world, w)?.act())
/** A message arrives, is lost on its way there, or its answer is lost or late. */
const arriving: fc.Arbitrary<Act> = fc
  .tuple(fc.nat(3), fc.constantFrom('answered', 'answered', 'answered', 'lost', 'answer lost', 'late'))
  .map(([i, fate]) => (world) => {
    const message = world.messages[i % Math.max(1, world.messages.length)]
    if (!message) return
    const { from, request, ask } = message
    const lost: Event = { kind: 'answered', request, answer: { kind: 'lost', why: 'The server cannot be reached.' } }
    if (fate !== 'late') world.messages = world.messages.filter((one) => one !== message)
    if (fate === 'answered') from.apply({ kind: 'answered', request, answer: ask() })
    else {
      if (fate === 'answer lost') ask()
      from.apply(lost)
    }
  })
const telling: fc.Arbitrary<Act> = fc.nat(2).map((w) => (world) => {
  windowAt(world, w)?.apply({ kind: 'told', revision: world.server.revision })
})
const holding: fc.Arbitrary<Act> = fc.tuple(fc.nat(2), fc.boolean()).map(([w, isBusy]) => (world) => {
  windowAt(world, w)?.apply({ kind: 'hand', isBusy })
})
const opening: fc.Arbitrary<Act> = fc.tuple(fc.nat(2), fc.boolean()).map(([w, isOpened]) => (world) => {
  if (isOpened && world.windows.length < 3) world.open()
  else world.windows = world.windows.filter((one) => one !== windowAt(world, w))
})
const choosing: fc.Arbitrary<Act> = fc.tuple(fc.nat(2), fc.boolean()).map(([w, isMine]) => (world) => {
  const window = windowAt(world, w)
  const conflict = window?.saver.conflicts[0]
  if (conflict) window!.apply({ kind: 'settled', conflict, keep: isMine ? 'mine' : 'theirs' })
})

const always = [
  { weight: 6, arbitrary: adding },
  { weight: 4, arbitrary: nudging },
  { weight: 2, arbitrary: naming },
  { weight: 2, arbitrary: ofTheSet },
  { weight: 2, arbitrary: icons },
  { weight: 9, arbitrary: sending },
  { weight: 9, arbitrary: arriving },
  { weight: 3, arbitrary: telling },
  { weight: 2, arbitrary: holding },
  { weight: 2, arbitrary: opening },
  { weight: 2, arbitrary: choosing },
]

const idsIn = (text: string): string[] => text.match(/"(?:new|icon)-\d+"/g) ?? []
const everywhere = (world: World): Set<string> =>
  new Set([
    ...idsIn(JSON.stringify(world.server.set)),
    ...[...world.kept.values()].flatMap(idsIn),
    ...world.windows.flatMap(({ saver }) => idsIn(JSON.stringify(saver.present))),
  ])
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

function expectPeace(world: World): void {
  world.settle()
  for (const { saver } of world.windows) {
    const said = saying(saver)
    const isBad = saver.present.icons.some(({ name }) => name === BAD)
    expect(said.state, JSON.stringify(said)).toBe(isBad ? 'refused' : 'saved')
    if (!isBad) expect(plain(saver.present)).toEqual(plain(world.server.set))
    expect(wanted(saver)).toBeNull()
  }
  expect(setProblems(world.server.set)).toEqual([])
}

describe('saving', () => {
  it('loses nothing that was drawn, whatever becomes of windows, messages and answers', () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(...always), { maxLength: 45 }), (acts) => {
        const world = new World()
        const drawn = new Set<string>()
        for (const [n, act] of acts.entries()) {
          const before = everywhere(world)
          act(world, n)
          for (const id of everywhere(world)) if (!before.has(id)) drawn.add(id)
          const now = everywhere(world)
          for (const id of drawn) expect(now).toContain(id)
        }
        expectPeace(world)
        const stored = new Set(idsIn(JSON.stringify(world.server.set)))
        const refused = new Set(
          world.windows.flatMap(({ saver }) =>
            saying(saver).state === 'refused' ? idsIn(JSON.stringify(saver.present)) : [],
          ),
        )
        for (const id of drawn) if (!refused.has(id)) expect(stored).toContain(id)
      }),
      runs(150),
    )
  })

  it('comes to one state in all windows, with deletions and undoing too', () => {
    const all = [...always, { weight: 2, arbitrary: removing }, { weight: 5, arbitrary: going }]
    fc.assert(
      fc.property(fc.array(fc.oneof(...all), { maxLength: 45 }), (acts) => {
        const world = new World()
        for (const [n, act] of acts.entries()) act(world, n)
        expectPeace(world)
      }),
      runs(150),
    )
  })

  it('takes back what was done here, and leaves what came from elsewhere', () => {
    const world = new World()
    const [one, other] = world.windows as [Window, Window]
    one.edit(drawAdd('oar', 'new-1'))
    other.edit(drawAdd('oar', 'new-2'))
    world.settle()
    one.go(undo)
    world.settle()
    for (const { saver } of [one, other])
      expect([...walk(saver.present.icons[0]!.masters[0]!.objects)].map(({ object }) => object.id)).toEqual([
        'new-2',
        'a',
        'b',
      ])
  })

  it('asks only where both changed one value, and holds that icon alone back until it is settled', () => {
    const world = new World()
    const [one, other] = world.windows as [Window, Window]
    const nudge = (x: number): SetEdit => ({
      kind: 'draw',
      icon: 'oar',
      master: 24,
      edit: { kind: 'replace', objects: [box('a', x)] },
    })
    const pass = () => {
      for (const { from, request, ask } of world.messages.splice(0))
        from.apply({ kind: 'answered', request, answer: ask() })
    }
    one.edit(nudge(7))
    one.act()
    pass()
    other.edit(nudge(9))
    other.edit(drawAdd('buoy', 'new-1'))
    for (let i = 0; i < 4; i++) {
      other.act()
      pass()
    }
    expect(saying(other.saver)).toMatchObject({
      state: 'conflict',
      conflicts: [{ object: 'a', key: 'x', mine: 9, theirs: 7 }],
    })
    expect(JSON.stringify(world.server.set.icons[1])).toContain('new-1')
    expect(JSON.stringify(world.server.set.icons[0])).toContain('"x":7')
    other.apply({ kind: 'settled', conflict: other.saver.conflicts[0]!, keep: 'mine' })
    world.settle()
    expect(applyEdit(pier, nudge(9)).icons[0]).toEqual(one.saver.present.icons[0])
  })
})
