import { distance } from '@/core/geometry/point'
import { apply } from '@/core/geometry/transform'
import { placesOf } from '@/core/drawing/kinds/repeat/places'
import type { Copy } from '@/core/drawing/kinds/repeat/schema'
import type { OfKind } from '@/core/drawing/objects/object'
import type { Bench } from '../../state/bench'
import type { Drawable } from '../../state/drawable'
import { slice } from '../../state/slice'
import { toScreen } from '../../state/view'
import type { At, Tool } from '../tool'
import { pickAt } from '../under'

type Repeat = OfKind<'repeat'>

/** The copies that are chosen, by their numbers. */
export const COPIES = slice('copies', { chosen: [] as readonly number[] })

/** Screen pixels around the place of a copy in which a press takes it. */
const GRIP = 14

const centresOf = (object: Repeat) => placesOf(object).map((map) => apply(map, object.from))

function copyAt(bench: Bench, object: Repeat, at: At): number | null {
  const { view } = bench.store.getState()
  if (!view) return null
  const away = centresOf(object).map((place) => distance(toScreen(view, place), at.screen))
  const least = Math.min(...away)
  return least <= GRIP ? away.indexOf(least) : null
}

/** A repeat with something of some of its copies otherwise; a copy that is like the others again is not listed. */
function withCopies(object: Repeat, numbers: readonly number[], change: Partial<Copy>): Repeat {
  const own = new Map((object.copies ?? []).map((copy) => [copy.at, copy]))
  for (const at of numbers) {
    const next = Object.fromEntries(
      Object.entries({ ...own.get(at), ...change, at }).filter(([, value]) => value !== undefined),
    ) as Copy
    if (Object.keys(next).length > 1) own.set(at, next)
    else own.delete(at)
  }
  const { copies: _, ...rest } = object
  const copies = [...own.values()].sort((a, b) => a.at - b.at)
  return (copies.length > 0 ? { ...rest, copies } : rest) as Repeat
}

/** Chooses copies of a repeat; twice switches one off, or on again. */
export function copiesTool(bench: Bench): Tool {
  return {
    cursor: 'default',
    hint: 'Click a copy · Shift: several · double click: switch it off or on · Del: switch off',
    marks() {
      const object = bench.one('repeat')
      if (!object) return []
      const { chosen } = bench.read(COPIES)
      return centresOf(object).map((at, i): Drawable => ({ as: 'corner', at, filled: chosen.includes(i) }))
    },
    press(at) {
      const object = bench.one('repeat')
      const copy = object && copyAt(bench, object, at)
      const { chosen } = bench.read(COPIES)
      if (object && copy !== null) {
        const others = chosen.filter((one) => one !== copy)
        bench.put(COPIES, { chosen: at.shift ? (others.length < chosen.length ? others : [...chosen, copy]) : [copy] })
        return null
      }
      bench.put(COPIES, { chosen: [] })
      const other = pickAt(bench, at)
      bench.select(other ? [other.id] : [])
      return null
    },
    twice(at) {
      const object = bench.one('repeat')
      const copy = object && copyAt(bench, object, at)
      if (object && copy !== null) switchCopies(bench, object, [copy])
    },
    key(key, down) {
      const object = bench.one('repeat')
      const { chosen } = bench.read(COPIES)
      if (down === false || (key !== 'Delete' && key !== 'Backspace') || !object || chosen.length === 0) return false
      switchCopies(bench, object, chosen)
      return true
    },
  }
}

/** Turns copies off, or on if all are off. */
export function switchCopies(bench: Bench, object: Repeat, numbers: readonly number[]): void {
  const isOff = (at: number) => object.copies?.some((copy) => copy.at === at && copy.off) === true
  const off = numbers.every(isOff) ? undefined : true
  changeCopies(bench, object, numbers, { off }, off ? 'Switch off' : 'Switch on')
}

export function changeCopies(
  bench: Bench,
  object: Repeat,
  numbers: readonly number[],
  change: Partial<Copy> | { off: undefined },
  verb: string,
): void {
  const what = numbers.length === 1 ? 'a copy' : `${numbers.length} copies`
  bench.edit(
    { kind: 'replace', objects: [withCopies(object, numbers, change as Partial<Copy>)] },
    `${verb} ${what} of ${object.name}`,
  )
}
