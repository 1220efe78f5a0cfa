import type { Ground } from '../core/formats/svg-paint'
import type { Rules } from '../core/rules/rules'
import { baseFor } from '../core/rules/book'
import { type Icon, type Master, masterFor } from '../core/set/set'
import { Drawer, type Job, type Source } from './drawer'
import type { Wanted } from './draw.worker'

/** An icon as it is delivered, in the colours for a ground: on the grid that fits a size, or on the set's own. */
export function sourceOf(icon: Icon, rules: Rules, ground: Ground, size = rules.grid.size): Source {
  const base = baseFor(rules, size)
  return {
    objects: masterFor(icon).objects,
    rules,
    ground,
    ...(base !== rules.grid.size && { base, ...keptOf(icon) }),
  }
}

const kept = new WeakMap<Icon['masters'], readonly Master[]>()

/** What is kept of an icon on further grids; the same list for the same icon. */
function keptOf({ masters }: Icon): { kept?: readonly Master[] } {
  if (masters.length < 2) return {}
  let one = kept.get(masters)
  if (!one) kept.set(masters, (one = masters.slice(1)))
  return { kept: one }
}

/** An icon on all grids of its set. */
export const everyGrid = (icon: Icon, rules: Rules): Source => ({
  objects: masterFor(icon).objects,
  rules,
  ground: 'light',
  ...keptOf(icon),
})

/** A picture, or why there is none. */
export type Picture =
  { readonly image: ImageData; readonly problem?: undefined } | { readonly image?: undefined; readonly problem: string }

/**
 * One worker for drawings, which may take long, and one for documents, which are drawn already: siblings never wait for
 * what is on the square.
 */
const drawings = new Drawer(),
  documents = new Drawer()

const ask = (source: Source, wanted: Wanted, done: Job['done']): (() => void) =>
  ('svg' in source ? documents : drawings).ask({ source, wanted, done })

/**
 * Draws a picture, so many pixels along a side, in a worker: the pointer never waits for it. `done` is told once,
 * unless the job is given up by what is returned.
 */
export function drawPicture(source: Source, pixels: number, done: (picture: Picture) => void): () => void {
  return ask(source, pixels, (answer) =>
    done(
      'data' in answer
        ? { image: new ImageData(answer.data, pixels, pixels) }
        : { problem: 'problem' in answer ? answer.problem : '' },
    ),
  )
}

/** The picture of a source as a promise. */
export const pictureOf = (source: Source, pixels: number): Promise<Picture> =>
  new Promise((done) => drawPicture(source, pixels, done))

/** The document of an icon, computed in the worker; or why there is none. */
export const documentOf = (
  icon: Icon,
  rules: Rules,
  ground: Ground,
  size = rules.grid.size,
): Promise<{ svg?: string; problem?: string }> =>
  new Promise((done) =>
    ask(sourceOf(icon, rules, ground, size), 'document', (answer) =>
      done('svg' in answer ? { svg: answer.svg } : { problem: 'problem' in answer ? answer.problem : '' }),
    ),
  )
