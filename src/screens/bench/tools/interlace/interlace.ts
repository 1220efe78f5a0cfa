import { Waves } from 'lucide-react'
import { distance, type Point } from '@/core/geometry/point'
import { tidy } from '@/core/geometry/tidy'
import { type Laid, laced } from '@/core/drawing/kinds/interlace/laced'
import { meant } from '@/core/drawing/model/signature'
import type { OfKind } from '@/core/drawing/objects/object'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import type { Bench } from '../../state/bench'
import { gather } from '../../operations/gather'
import type { Drawable } from '../../state/drawable'
import { orNone } from '../../state/or-none'
import { sliceInHand } from '../../state/slice'
import { toScreen } from '../../state/view'
import { InterlaceSettings } from './settings'
import type { At, Tool, ToolDefinition } from '../tool'
import { pickAt } from '../under'

type Interlace = OfKind<'interlace'>

/** Screen pixels around a crossing in which a press takes it. */
const GRIP = 12

const crossingsOf = (bench: Bench, object: Interlace): readonly Laid[] =>
  orNone(() => laced(object, bench.scene).crossings)

function crossingAt(bench: Bench, object: Interlace, at: At): Laid | null {
  const { view } = bench.store.getState()
  if (!view) return null
  const away = (crossing: Laid) => distance(toScreen(view, crossing.at), at.screen)
  const near = crossingsOf(bench, object).filter((one) => away(one) <= GRIP)
  return near.sort((a, b) => away(a) - away(b))[0] ?? null
}

/** An interlace with a crossing the other way round. */
function flippedAt(object: Interlace, { key, at }: Laid, crossings: readonly Laid[]): Interlace {
  const { flipped = [], ...rest } = object
  const things = crossings.map((one) => ({ ...one, away: (p: { x: number; y: number }) => distance(one.at, p) }))
  const left = flipped.filter((mark) => {
    const one = meant(mark, things)
    return !one || one.at.x !== at.x || one.at.y !== at.y
  })
  const next = left.length < flipped.length ? left : [...flipped, { key, at: { x: tidy(at.x), y: tidy(at.y) } }]
  return (next.length > 0 ? { ...rest, flipped: next } : rest) as Interlace
}

/** The crossing that was pressed last. */
const CROSSING = sliceInHand('crossing', { at: null as Point | null })

const isAt = (held: Point | null, at: Point): boolean => held !== null && distance(held, at) < 1e-6

/** Puts the crossing in hand back to how it lies by itself. The interlace as a whole is deleted with another tool. */
function reset(bench: Bench, object: Interlace): void {
  const { at: held } = bench.read(CROSSING)
  const crossings = crossingsOf(bench, object),
    crossing = crossings.find(({ at }) => isAt(held, at))
  const next = crossing && flippedAt(object, crossing, crossings)
  if (!next || (next.flipped?.length ?? 0) >= (object.flipped?.length ?? 0))
    return say({ text: 'Delete puts a crossing that was turned round back: press it first. Esc leaves the interlace.' })
  bench.edit({ kind: 'replace', objects: [next] }, `Put a crossing of ${object.name} back`)
}

/** Puts strands over or under each other, crossing by crossing. */
function interlaceTool(bench: Bench): Tool {
  return {
    cursor: 'pointer',
    hint: 'Click a crossing: the strand below comes to the top · order and gap are in the line above',
    marks() {
      const object = bench.one('interlace')
      if (!object) return []
      const { at: held } = bench.read(CROSSING)
      return crossingsOf(bench, object).map(({ at }): Drawable => ({ as: 'corner', at, filled: isAt(held, at) }))
    },
    hover(at) {
      const object = bench.one('interlace')
      const crossing = object && crossingAt(bench, object, at)
      bench.hold({ intent: crossing ? { at: at.p, word: 'over or under' } : null })
    },
    removal() {
      const object = bench.one('interlace')
      return object && (() => reset(bench, object))
    },
    press(at) {
      const object = bench.one('interlace')
      const crossing = object && crossingAt(bench, object, at)
      if (object && crossing) {
        const next = flippedAt(object, crossing, crossingsOf(bench, object))
        bench.edit({ kind: 'replace', objects: [next] }, `Turn a crossing of ${object.name} round`)
        bench.put(CROSSING, { at: crossing.at })
        return null
      }
      bench.put(CROSSING, { at: null })
      const other = pickAt(bench, at)
      bench.select(other ? [other.id] : [])
      return null
    },
  }
}

/** Opens the selected interlace, or makes one from the selection. */
function begin(bench: Bench): void {
  if (bench.one('interlace')) return
  const gap = bench.rules.weights.at(-1)!.name
  const empty = { kind: 'interlace', order: 'turns', gap } as const
  // Over and under are counted from the first crossing on, wherever it goes.
  const [first] = crossingsOf(bench, { ...empty, id: newId(), name: '', members: bench.free } as Interlace)
  const start = first && { x: tidy(first.at.x), y: tidy(first.at.y) }
  gather(bench, bench.free, 'Interlace', { ...empty, ...(start && { start }) })
}

export const interlace: ToolDefinition = {
  id: 'interlace',
  name: 'Interlace',
  cluster: 'Combine',
  key: 'KeyL',
  picture: Waves,
  isSeldom: true,
  make: interlaceTool,
  needs: (bench) => (bench.free.length > 0 ? null : 'Select the strands or shapes that cross first.'),
  begin,
  Settings: InterlaceSettings,
}
