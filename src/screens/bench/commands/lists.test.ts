import { describe, expect, it } from 'vitest'
import { KINDS } from '@/core/drawing/kinds/kinds'
import { CHECKS } from '@/core/checks/checks'
import { TARGETS } from '@/core/targets/targets'
import { STARTERS } from '@/core/rules/starters'
import { storedAs } from '../../../testing/samples'
import { commandScore } from '@/ui/command-search'
import { watched } from '@/ui/keys'
import type { MenuEntry } from '@/ui/menu'
import { createSession } from '../../session/session'
import { Bench } from '../state/bench'
import { benchCommands, benchMenu } from './commands'
import { panelCommands } from '../panels/ledger/panel-commands'
import { PANELS } from '../panels/ledger/panels'
import { slice, sliceInHand } from '../state/slice'
import { makeTools, TOOLS, toolOf } from '../tools/tools'

const session = createSession(
  'pier',
  storedAs({
    name: 'Pier',
    kind: 'interface',
    rules: STARTERS[0]!.rules,
    icons: [{ id: 'i', name: 'i', masters: [{ base: 24, objects: [] }] }],
  }),
  'hand',
)
const bench = new Bench(session, 'i')
const commands = [...benchCommands(bench), ...panelCommands(bench)]
const labelOf = (entry: MenuEntry): string[] =>
  entry !== null && typeof entry === 'object' && 'label' in entry ? [String(entry.label)] : []
const doubled = (all: readonly string[]) => all.filter((one, i) => all.indexOf(one) !== i)

/** Words that people try in the command box, and the command they mean. */
const TRIED: Readonly<Record<string, string>> = {
  union: 'assemble',
  subtract: 'assemble',
  intersect: 'assemble',
  exclude: 'assemble',
  boolean: 'assemble',
  combine: 'assemble',
  merge: 'assemble',
  punch: 'assemble-cut',
  expand: 'outlines',
  'convert lines': 'outlines',
  offset: 'inset',
  knife: 'divide',
  slice: 'divide',
  ungroup: 'loosen',
  release: 'loosen',
  'break apart': 'loosen',
  flatten: 'fix',
  'convert to path': 'fix',
  distribute: 'space-x',
  spacing: 'space-x',
  flip: 'flip-x',
  reflect: 'mirror',
  rotate: 'turn',
  scale: 'turn',
  skew: 'turn',
  resize: 'turn',
  circle: 'ellipse',
  square: 'rectangle',
  triangle: 'polygon',
  star: 'star',
  bezier: 'pen',
  pencil: 'freehand',
  type: 'text',
  font: 'text',
  symbol: 'part',
  component: 'part',
  eyedropper: 'sample',
  ruler: 'measure',
  gradient: 'open-colours',
  color: 'open-colours',
  fill: 'open-colours',
  opacity: 'open-colours',
  swatch: 'open-colours',
  mask: 'mask-inside',
  'round corners': 'corner',
  fillet: 'corner',
  array: 'repeat-around',
  pattern: 'repeat-around',
  shadow: 'soft-shadow',
  'long shadow': 'cast',
  background: 'plate',
  group: 'group',
  duplicate: 'duplicate',
  clone: 'duplicate',
  copy: 'copy',
  cut: 'cut',
  paste: 'paste',
  delete: 'delete',
  remove: 'delete',
  'bring to front': 'front',
  layer: 'forward',
  lock: 'lock',
  hide: 'hide',
  simplify: 'simplify',
  'clean up': 'simplify',
  smooth: 'node-smooth',
  'add point': 'node-insert',
  'close path': 'node-join',
  join: 'node-join',
  scissors: 'node-open',
  reverse: 'reverse',
  symmetry: 'mirror-live',
  'pixel perfect': 'fit-to-pixels',
  lint: 'mend-all',
  zoom: 'zoom-in',
  'new icon': 'new-icon',
  'rename icon': 'rename-icon',
  history: 'open-history',
  style: 'copy-finish',
  'select all': 'select-all',
  warp: 'warp',
  weave: 'interlace',
  trim: 'node-shorten',
  center: 'centre-ink',
  'rotate copies': 'repeat-around',
}

describe('the command box', () => {
  const best = (typed: string) =>
    commands
      .map((command) => ({ id: command.id, score: commandScore(command, typed) }))
      .filter(({ score }) => score > 0)
      .sort((a, b) => b.score - a.score)
      .map(({ id }) => id)

  it('finds what people mean among its first three answers, by the words of the trade', () => {
    expect(Object.keys(TRIED).length).toBeGreaterThanOrEqual(80)
    const missed = Object.entries(TRIED).flatMap(([typed, id]) =>
      best(typed).slice(0, 3).includes(id) ? [] : [`${typed}: ${best(typed).slice(0, 3).join(', ')}, not ${id}`],
    )
    expect(missed).toEqual([])
  })

  it('answers nothing rather than nonsense, and finds every command by its own name first', () => {
    for (const typed of ['xyzzy', 'qwrt', 'unionize me', 'zz top']) expect(best(typed)).toEqual([])
    for (const { id, name } of commands)
      expect(best(name)[0], name).toBe(commands.find((one) => one.name === name)?.id ?? id)
  })
})

describe('the lists', () => {
  it('have each thing once, under one name and one key', () => {
    expect(doubled(KINDS.map(({ kind }) => kind))).toEqual([])
    expect(doubled(KINDS.map(({ word }) => word))).toEqual([])
    for (const list of [CHECKS, TARGETS, TOOLS, PANELS, commands]) expect(doubled(list.map(({ id }) => id))).toEqual([])
    const taken = commands.flatMap(({ keys = [] }) => keys).flatMap(watched)
    const free = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].filter((letter) => !taken.includes(`Key${letter}`))
    expect(doubled(taken), `two commands share a key; letters without one: ${free.join(' ')}`).toEqual([])
  })

  it('of tools lie on the keyboard as in the line: numbers, then the row beneath', () => {
    const line = TOOLS.filter(({ under, cluster }) => cluster && !under)
    const rows = { Lay: '123456789', Shape: 'QWERTYUIOP', Combine: 'ASDFGHJKL' }
    for (const cluster of ['Lay', 'Shape'] as const) {
      const keys = line.filter((tool) => tool.cluster === cluster).map(({ key }) => key!.replace(/^Key|^Digit/, ''))
      expect(keys).toEqual([...keys].sort((a, b) => rows[cluster].indexOf(a) - rows[cluster].indexOf(b)))
      expect(keys.every((key) => rows[cluster].includes(key))).toBe(true)
    }
    for (const { under } of TOOLS) if (under) expect(toolOf(under).cluster).toBeDefined()
  })

  it('of tools make a tool each, which can be taken, hovers and lets go without leaving anything in hand', () => {
    const tools = makeTools(bench)
    bench.store.setState({ view: { scale: 10, x: 0, y: 0 } })
    const at = { p: { x: 3, y: 4 }, screen: { x: 30, y: 40 }, shift: false, alt: false, free: false }
    for (const { id } of TOOLS) {
      bench.take(id)
      const tool = tools[id]!
      expect(tool.hint).not.toBe('')
      tool.hover?.(at)
      for (const mark of tool.marks?.() ?? []) expect(mark.as).toBeTruthy()
      bench.take('select')
      expect(bench.store.getState().inHand.drawn).toEqual([])
      expect(session.getState().history.past).toEqual([])
    }
  })

  it('of menus come from the commands that say so, delete last', () => {
    const placed = commands.filter(({ inMenu }) => inMenu?.some(({ of }) => of === 'objects')).map(({ name }) => name)
    const shown = benchMenu(bench).flatMap((entry) =>
      entry === null || typeof entry === 'string' ? [] : 'list' in entry ? entry.list.flatMap(labelOf) : labelOf(entry),
    )
    expect([...shown].sort()).toEqual([...placed].sort())
    expect(shown.at(-1)).toBe('Delete')
    expect(benchMenu(bench).filter((entry) => entry === null)).toHaveLength(2)
  })
})

describe('what a tool keeps', () => {
  const COUNT = slice('count', { of: 1, seen: false }),
    DRAWN = sliceInHand('drawn', { places: 0 })

  it('is what it was at first until it is put, and lasts', () => {
    expect(bench.read(COUNT)).toBe(COUNT.start)
    bench.put(COUNT, { of: 3 })
    expect(bench.read(COUNT)).toEqual({ of: 3, seen: false })
    bench.take('pen')
    bench.letGo()
    expect(bench.read(COUNT).of).toBe(3)
  })

  it('in hand goes when the hand lets go, takes another tool or opens another icon', () => {
    for (const away of [() => bench.letGo(), () => bench.take('pen'), () => bench.drop()]) {
      bench.put(DRAWN, { places: 4 })
      expect(bench.read(DRAWN).places).toBe(4)
      away()
      expect(bench.read(DRAWN)).toEqual({ places: 0 })
    }
  })
})
