import type { DrawingObject } from '../../drawing/objects/object'
import type { Plain } from './plain'
import type { ReadIcon } from './read-icon'
import { isLookedThrough, mayBeStrokes, strokeBack, strokeTolerance } from './strokes-back'
import { Tally } from './tally'
import { unbroken } from './unbroken'

type Taken = Plain & Pick<ReadIcon, 'how'>

/** The share of the icons in which areas are as thick as a stroke before they are taken for strokes that were outlined. */
const OUTLINED = 0.3

/**
 * Drawings with areas that strokes were outlined to as strokes again, where they are as heavy as the strokes of the set; of a
 * set that was outlined as a whole, as heavy as most of its rings, frames and bars. `tell` is told how many of the icons
 * were looked at, which is what takes longest.
 */
export function withStrokesBack(icons: readonly Taken[], grid: number, tell?: (done: number) => void): Taken[] {
  const within = strokeTolerance(grid),
    drawn = new Tally<number>(),
    thick = new Tally<number>(),
    centred = hasCentreLines(icons, within)
  const backOf = (object: DrawingObject) => unbroken(() => strokeBack(object, within, centred), null)
  const round = (weight: number) => Math.round(weight * 100) / 100
  for (const [i, { name, objects, how }] of icons.entries()) {
    tell?.(i)
    for (const object of objects) {
      if (
        'style' in object &&
        'stroke' in object.style &&
        object.style.stroke !== 'none' &&
        typeof object.style.weight === 'number'
      )
        drawn.add(round(object.style.weight), name)
      const back = how === 'live' ? backOf(object) : null
      if (back) thick.add(round(back.weight), name)
    }
  }
  const isCommon = (share: number) => (one: { readonly icons: readonly string[] }) =>
    one.icons.length >= Math.max(2, share * icons.length)
  const weights = [...drawn.counts.filter(isCommon(OUTLINED)), ...thick.counts.filter(isCommon(OUTLINED))]
  return icons.map(({ name, objects, how }) => ({
    name,
    how,
    objects: objects.flatMap((object) => {
      const back = how === 'live' ? backOf(object) : null
      return back && weights.some(({ value }) => Math.abs(value - back.weight) <= within) ? back.objects : [object]
    }),
  }))
}

/**
 * Objects that strokes are to be looked for in, how far off they may be in units, and whether centre lines are: what
 * `strokeBack` is asked of each.
 */
export type Sought = {
  readonly objects: readonly DrawingObject[]
  readonly within: number
  readonly centred: boolean
}

/** What `withStrokesBack` has to look for strokes in that was not looked through before. */
export function soughtIn(icons: readonly Taken[], grid: number): Sought {
  const within = strokeTolerance(grid),
    centred = hasCentreLines(icons, within)
  const isNew = (object: DrawingObject) => mayBeStrokes(object) && !isLookedThrough(object, within, centred)
  return {
    objects: icons.flatMap(({ how, objects }) => (how === 'live' ? objects.filter(isNew) : [])),
    within,
    centred,
  }
}

/** How many icons are looked at to see whether outlines have centre lines, and the share that has. */
const SAMPLE = 40,
  CENTRED = 0.15

/**
 * Whether the outlines have centre lines. Outlines with few digits, as in fonts, have not, and the search would be
 * slow.
 */
function hasCentreLines(icons: readonly Plain[], within: number): boolean {
  const every = Math.max(1, Math.floor(icons.length / SAMPLE))
  const some = icons.filter((_, i) => i % every === 0)
  const found = some.filter(({ objects }) =>
    objects.some((object) => unbroken(() => strokeBack(object, within, true), null)),
  )
  return found.length >= CENTRED * some.length
}
