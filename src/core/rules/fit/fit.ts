import type { Fitting } from '../../drawing/model/fitting'
import { crispness } from '../../geometry/crispness'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { evaluateAll } from '../../drawing/evaluate/evaluate'
import { inkOfAll } from '../../drawing/scene/ink'
import type { DrawingObject } from '../../drawing/objects/object'
import { type Memory, recalled, remember } from '../../drawing/scene/memory'
import { type Box, boxCentre } from '../../geometry/box'
import type { Path } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import { placedAsBrought } from './placed-as-brought'
import { narrows } from '../../geometry/walls'
import type { Rules } from '../rules'
import { AXES, type Axis, type Marks } from './mark'
import { marksOf } from './marks'
import type { AxisFit } from './axis-fit'
import { broughtTo, scaled } from './brought'
import { courseOf } from './course'
import { figureOf } from './figure'
import { type FitLoss, fitLossesOf, type Original, originalOf, withPlainWanted } from './fit-losses'
import { short, valueOf } from './form'
import { mirrorMarks } from './mirror-marks'
import { placedMarks } from './problem'
import { relationsOf } from './relations'
import { isStray } from './stray'
import { type CoordinateState, coordinateStates } from './coordinate-state'
import { letsGoOfMirror, type Pin } from './pin'
import { BY_HAND, type Crisp, crispPlaces, type Pinned, pinnedOf, settledValues } from './settle'
import { MOST_UNKNOWNS } from './solve'
import { type HeldTie, heldTies, relationsLeft, tiePinAt } from './tie'
import type { Terms } from './wishes'

/**
 * A drawing of the set's grid on that of another rule book; whether its edges were brought to whole places, and what a
 * designer would still send back.
 */
export type Fitted = {
  readonly objects: readonly DrawingObject[]
  readonly isFitted: boolean
  readonly losses: readonly FitLoss[]
  /** Why attempts before the last were rejected, in their order: the first loss of each, or a gap that was too narrow. */
  readonly gaveWay: readonly (FitLoss['what'] | 'gap')[]
  /** What became of the coordinates at which edges are seen, and of what relates them; nothing where it was only scaled. */
  readonly held: readonly CoordinateState[]
  readonly ties: readonly HeldTie[]
}

/**
 * Weights of the wish to stay near plain scaling, tried in turn, and how often something crisp is let go under each; the
 * first result that passes the check is kept.
 */
const CARES = [
  { care: 1, attempts: 10 },
  { care: 6, attempts: 4 },
  { care: 40, attempts: 4 },
] as const

/**
 * Fits a drawing to the grid of another rule book. Along each axis seen edges and centres get their best places
 * (`best-places`). All other places are solved for by their relations (`relations.ts`, `settle.ts`). The result is
 * drawn and compared with the original (`fit-losses.ts`, `stray.ts`). If it is another picture, the weakest crisp place near the loss is
 * released, then the fit is repeated with more care. Where no attempt is without losses, the one that an expert would mind
 * least is taken, plain scaling among them. Pins always hold. Memoised without pins.
 */
export function fitted(objects: readonly DrawingObject[], from: Rules, to: Rules, pins: readonly Pin[] = []): Fitted {
  if (pins.length > 0) return search(objects, from, to, pins)
  const known = recalled(found, to, objects)
  if (known?.from === from) return known.fitted
  const result = search(objects, from, to, pins)
  remember(found, to, objects, { from, fitted: result })
  return result
}

/** Results without pins, by the other rules and the drawing: the same question has the same answer. */
const found: Memory<Rules, readonly DrawingObject[], { readonly from: Rules; readonly fitted: Fitted }> = new WeakMap()

function search(objects: readonly DrawingObject[], from: Rules, to: Rules, pins: readonly Pin[]): Fitted {
  const gap = to.gap ?? 1,
    scale = to.grid.size / from.grid.size
  const scenes = { from: sceneOf(from), to: sceneOf(to) }
  const inkAt = (list: readonly DrawingObject[]) => inkOfAll(evaluateAll(list, scenes.to))
  const before = inkOfAll(evaluateAll(objects, scenes.from)),
    plain = scaled(objects, from, to),
    plainInk = inkAt(plain)
  const least = Math.min(narrowestOf(before, scale).gap, gap) - UNSEEN
  const original = originalOf(before, plainInk, scale)
  const place = placing(objects, from, to, original, pins)
  const bestFor = (wanted: Original): Fitted => {
    const looked = (list: readonly DrawingObject[], ink: Path, held: Outcome): Result => {
      const losses = fitLossesOf(wanted, ink),
        narrowest = narrowestOf(ink, 1)
      return {
        objects: list,
        held,
        losses,
        ...narrowest,
        cost: costOf(losses, ink, to) + narrowed(narrowest.gap, least),
      }
    }
    let best: Result | null = null
    const gaveWay: (FitLoss['what'] | 'gap')[] = []
    const ended = ({ objects, losses, held }: Result, isFitted: boolean): Fitted => ({
      objects,
      losses,
      gaveWay,
      isFitted,
      ...held(),
    })
    for (const { care, attempts } of CARES) {
      const settle = place(care),
        loose = new Set<Crisp>()
      for (let attempt = 0; attempt < attempts; attempt++) {
        const { objects: next, pinned, held } = settle(loose)
        const ink = inkAt(next),
          result = looked(next, ink, held),
          isOther = pins.length === 0 && isStray(ink, plainInk)
        if (result.losses.length === 0 && result.gap >= least && !isOther) return ended(result, true)
        gaveWay.push(isOther ? 'moved' : (result.losses[0]?.what ?? 'gap'))
        if (!isOther && (!best || isBetter(result, best))) best = result
        const at = result.losses[0]?.at ?? result.narrowest
        const weakest = at && weakestNear(at, pinned, loose)
        if (!weakest) break
        loose.add(weakest)
      }
    }
    const unfitted = looked(plain, plainInk, () => ({ held: [], ties: [] }))
    return best && (pins.length > 0 || !isBetter(unfitted, best)) ? ended(best, true) : ended(unfitted, false)
  }
  const first = bestFor(withoutMirrors(original, pins))
  return first.losses.length > 0 && before.length !== plainInk.length
    ? bestFor(withPlainWanted(original, plainInk))
    : first
}

/** The comparison picture without mirror symmetries that a person released. */
function withoutMirrors(original: Original, pins: readonly Pin[]): Original {
  if (!AXES.some((axis) => letsGoOfMirror(pins, axis))) return original
  const isLetGo = (axis: Axis, box: Box) =>
    tiePinAt(pins, axis === 'x' ? 'left-right' : 'top-bottom', boxCentre(box))?.kept === false
  const next = new Map(
    original.wanted.map((one) => {
      const isEven = { x: one.isEven.x && !isLetGo('x', one.box), y: one.isEven.y && !isLetGo('y', one.box) }
      return [one, { ...one, isEven }]
    }),
  )
  const pairs = original.pairs
    .filter(({ axis, box }) => !isLetGo(axis, box))
    .map((pair) => ({ ...pair, one: next.get(pair.one)!, other: next.get(pair.other)! }))
  return { ...original, wanted: [...next.values()], pairs }
}

type Result = {
  readonly objects: readonly DrawingObject[]
  readonly losses: readonly FitLoss[]
  readonly held: Outcome
  /** How much an expert would mind it. */
  readonly cost: number
} & Narrowest

/** What became of edges and ties; found when it is asked for. */
type Outcome = () => Pick<Fitted, 'held' | 'ties'>

/** The cost of each kind of loss. Parts that join or come apart cost most, a moved contour costs least. */
const COSTS: Readonly<Record<FitLoss['what'], number>> = { contours: 4, segments: 1, lopsided: 1, moved: 0.5 }
/** The cost of a drawing without any crisp edge, and the cost of a closed gap. */
const SOFT = 3,
  CLOSED = 1.5

/** How much an expert would mind a result: its losses, and the share of its straight edges that lie between pixels. */
function costOf(losses: readonly FitLoss[], ink: Path, { grid }: Rules): number {
  const { crisp, length } = crispness(ink, grid.size, grid.size)
  return losses.reduce((sum, { what }) => sum + COSTS[what], 0) + (length > 0 ? SOFT * (1 - crisp / length) : 0)
}

const narrowed = (gap: number, least: number): number => (gap < least ? CLOSED * (1 - gap / least) : 0)

/** Whether one result is less to be sent back than another. */
const isBetter = (a: Result, b: Result): boolean =>
  Math.abs(a.cost - b.cost) > 1e-9 ? a.cost < b.cost : a.gap > b.gap + SLACK

/** How far from a loss, in units of the other grid, something crisp may have brought it about. */
const AROUND = 3

/** The crisp place that is least seen of those near a loss, and where there is none there, of all. */
function weakestNear(at: Point, pinned: readonly Pinned[], loose: ReadonlySet<Crisp>): Crisp | null {
  const held = pinned.filter(({ crisp }) => !loose.has(crisp) && crisp.strength < BY_HAND),
    near = held.filter((one) => Math.hypot(one.near.x - at.x, one.near.y - at.y) <= AROUND)
  return (near.length > 0 ? near : held).reduce<Crisp | null>(
    (weakest, { crisp }) => (!weakest || crisp.strength < weakest.strength ? crisp : weakest),
    null,
  )
}

/** Returns a function from care and released places to the fitted drawing and its crisp places. */
function placing(
  objects: readonly DrawingObject[],
  from: Rules,
  to: Rules,
  original: Original,
  pins: readonly Pin[] = [],
): (care: number) => (loose: Set<Crisp>) => {
  objects: DrawingObject[]
  pinned: readonly Pinned[]
  held: Outcome
} {
  const scale = to.grid.size / from.grid.size
  const scenes = { from: sceneOf(from), to: sceneOf(to) }
  const marks = marksOf(objects, scenes, scale)
  const proportional: Fitting = { scale, x: (x) => x * scale, y: (y) => y * scale }
  const terms = {
    scale,
    mirrors: mirrorMarks(figureOf(objects, scenes, proportional), marks, withoutMirrors(original, pins)),
    gap: to.gap ?? 1,
    pins,
    weights: from.weights.map(({ name, value }) => ({
      was: value,
      is: to.weights.find((one) => one.name === name)?.value ?? value * scale,
    })),
    margin: {
      was: (from.grid.size - from.liveArea) / 2,
      is: (to.grid.size - to.liveArea) / 2,
      size: to.grid.size,
    },
  }
  return (care) => {
    const [x, y] = cheaper(marks, { ...terms, care })
    const fits = { x, y },
      crisp = crispPlaces(marks, fits, scale, pins)
    return (loose) => {
      // What gave way draws nothing else along with it any more.
      const course = (axis: Axis, whole: AxisFit) =>
        courseOf(
          loose.size === 0 ? whole : placesOf(crisp.filter((one) => one.axis === axis && !loose.has(one))),
          scale,
        )
      const along: Fitting = { scale, x: course('x', x), y: course('y', y) }
      const figure = figureOf(objects, scenes, along)
      const { built, ties, values } = relationsOf(figure, original)
      const relations = [...built, ...relationsLeft(ties, pins)]
      const pinned = pinnedOf(figure, crisp, scale)
      const settled = values.length > MOST_UNKNOWNS ? values : settledValues(values, relations, pinned, loose)
      const fitting: Fitting = {
        ...along,
        place(p) {
          const spot = figure.freeAt(p)
          return spot && { x: short(valueOf(spot.x, settled)), y: short(valueOf(spot.y, settled)) }
        },
        radius(centre, r) {
          const form = figure.radiusAt(centre, r)
          return form && short(valueOf(form, settled))
        },
      }
      return {
        objects: placedAsBrought(broughtTo(objects, scenes.from, fitting), from, to),
        pinned,
        held: () => ({
          held: coordinateStates(marks, fits, crisp, new Set(loose), pins, { figure, values: settled, along }),
          ties: heldTies(ties, pins, settled, ({ x, y }) => ({ x: valueOf(x, settled), y: valueOf(y, settled) })),
        }),
      }
    }
  }
}

const placesOf = (crisp: readonly Crisp[]): Pick<AxisFit, 'coordinates' | 'places'> => ({
  coordinates: crisp.map(({ at }) => at),
  places: crisp.map(({ place }) => place),
})

/** By how much one gap must be wider than another, in units of the other grid, to be better. */
const SLACK = 0.05
/** By how much a gap may be narrower, in units of the other grid, without anyone seeing it. */
const UNSEEN = 0.005

function cheaper(marks: Marks, terms: Terms): [AxisFit, AxisFit] {
  const xFirst = placedMarks(marks, 'x', terms, null, Infinity)!,
    yThen = placedMarks(marks, 'y', terms, xFirst, Infinity)!
  // Without squares the axes are independent: the order does not matter.
  if (marks.squares.length === 0) return [xFirst, yThen]
  const cost = xFirst.cost + yThen.cost
  const yFirst = placedMarks(marks, 'y', terms, null, cost),
    xThen = yFirst && placedMarks(marks, 'x', terms, yFirst, cost - yFirst.cost)
  return yFirst && xThen ? [xThen, yFirst] : [xFirst, yThen]
}

/** From which width on, in units of the other grid, ground is wide. */
const WIDE = 1.5

/** How wide the narrowest ground of an ink is, in units of the other grid, and where it is. */
type Narrowest = { readonly gap: number; readonly narrowest: Point | null }

function narrowestOf(ink: Path, scale: number): Narrowest {
  let least: Narrowest = { gap: WIDE, narrowest: null }
  for (const { width, from, to } of narrows(ink, WIDE / scale, 0.5 / scale))
    if (width * scale < least.gap)
      least = { gap: width * scale, narrowest: { x: ((from.x + to.x) / 2) * scale, y: ((from.y + to.y) / 2) * scale } }
  return least
}
