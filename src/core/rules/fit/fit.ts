import { type Fitting } from '../../drawing/edit/fitting'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { evaluateAll } from '../../drawing/evaluate/evaluate'
import { inkOfAll } from '../../drawing/evaluate/ink'
import { type DrawingObject, isContainer, kindOf } from '../../drawing/model/object'
import { scaleOwn } from '../../drawing/edit/scale-own'
import type { Scene } from '../../drawing/evaluate/scene'
import { transformObject, withMovedPaints } from '../../drawing/edit/transform-object'
import { type Memory, recalled, remember } from '../../drawing/evaluate/memory'
import { mapObjects } from '../../drawing/model/tree'
import { visited } from '../../drawing/model/visit'
import { tidy } from '../../geometry/tidy'
import { piecesAndHoles } from '../../geometry/area'
import { placedAsBrought } from './placed-as-brought'
import { narrows } from '../../geometry/walls'
import type { Rules } from '../rules'
import { anchorOf } from './anchor'
import type { Marks } from './mark'
import { marksOf } from './marks'
import type { AxisFit } from './axis-fit'
import { placedMarks } from './problem'
import type { Terms } from './wishes'

/** A drawing of the set's grid on that of another rule book, and whether its edges were brought to whole places. */
type Fitted = { readonly objects: readonly DrawingObject[]; readonly isFitted: boolean }

/** How much it counts to stay where scaling leads, one after the other until the picture holds. */
const CARES = [1, 6, 40]

/**
 * A drawing brought from one rule book to the grid of another. Along each axis what is seen as an edge, and what must
 * stay in the middle, gets the best place by `best-places`; all else goes along between the nearest of these. Whichever
 * axis is placed first, so that what is square stays square, the cheaper way is taken. What comes of it is drawn and
 * looked at: where pieces or holes came or went, or a gap closed more than it must, it is fitted more carefully, and
 * where that does not help the drawing is only scaled.
 */
export function fitted(objects: readonly DrawingObject[], from: Rules, to: Rules): Fitted {
  const gap = to.gap ?? 1
  const place = placing(objects, from, to)
  const scenes = { from: sceneOf(from), to: sceneOf(to) }
  const before = looksOf(objects, scenes.from, to.grid.size / from.grid.size)
  const holds = (looks: Looks, least: number) => sameLooks(before, looks) && looks.gap >= least - SLACK
  let best: { objects: readonly DrawingObject[]; looks: Looks } | null = null
  for (const care of CARES) {
    const next = place(care)
    const looks = looksOf(next, scenes.to, 1)
    if (holds(looks, Math.min(before.gap, gap))) return { objects: next, isFitted: true }
    if (sameLooks(before, looks) && (!best || looks.gap > best.looks.gap + SLACK)) best = { objects: next, looks }
  }
  const plain = scaled(objects, from, to)
  const looks = looksOf(plain, scenes.to, 1)
  return best && (!sameLooks(before, looks) || best.looks.gap >= looks.gap - SLACK)
    ? { objects: best.objects, isFitted: true }
    : { objects: plain, isFitted: false }
}

/** What drawings came to on the grid of a rule book, and from which rules they were brought there. */
const quick: Memory<Rules, readonly DrawingObject[], { from: Rules; objects: readonly DrawingObject[] }> = new WeakMap()

/** The same without drawing what comes of it: for many icons at once, which are looked at afterwards. Remembered. */
export function quicklyFitted(objects: readonly DrawingObject[], from: Rules, to: Rules): readonly DrawingObject[] {
  const known = recalled(quick, to, objects)
  if (known?.from === from) return known.objects
  const result = placing(objects, from, to)(1)
  keepQuicklyFitted(objects, from, to, result)
  return result
}

/** Remembers what was fitted elsewhere, by a worker. */
export const keepQuicklyFitted = (
  objects: readonly DrawingObject[],
  from: Rules,
  to: Rules,
  result: readonly DrawingObject[],
): void => remember(quick, to, objects, { from, objects: result })

/** What becomes of a drawing on another grid, as carefully as it is asked for. */
function placing(objects: readonly DrawingObject[], from: Rules, to: Rules): (care: number) => DrawingObject[] {
  const scale = to.grid.size / from.grid.size
  const scenes = { from: sceneOf(from), to: sceneOf(to) }
  const marks = marksOf(objects, scenes, scale)
  const terms = {
    scale,
    gap: to.gap ?? 1,
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
    const brought = broughtTo(objects, scenes.from, { scale, x: courseOf(x, scale), y: courseOf(y, scale) })
    return placedAsBrought(brought, from, to)
  }
}

/** By how much a gap may close, in units of the other grid, without anyone seeing it. */
const SLACK = 0.05

function cheaper(marks: Marks, terms: Terms): [AxisFit, AxisFit] {
  const xFirst = placedMarks(marks, 'x', terms, null, Infinity)!,
    yThen = placedMarks(marks, 'y', terms, xFirst, Infinity)!
  // Nothing ties the axes together: either order comes to the same.
  if (marks.squares.length === 0) return [xFirst, yThen]
  const cost = xFirst.cost + yThen.cost
  const yFirst = placedMarks(marks, 'y', terms, null, cost),
    xThen = yFirst && placedMarks(marks, 'x', terms, yFirst, cost - yFirst.cost)
  return yFirst && xThen ? [xThen, yFirst] : [xFirst, yThen]
}

/** A drawing of one rule book scaled to the grid of another, and nothing else: there and back it is what it was. */
export function scaled(objects: readonly DrawingObject[], from: Rules, to: Rules): DrawingObject[] {
  const scale = to.grid.size / from.grid.size
  const brought = objects.map((object) => transformObject(object, [scale, 0, 0, scale, 0, 0]))
  return placedAsBrought(inOwnNumbers(brought, scale), from, to)
}

/** Every object where a fitting takes it: point by point where its kind can be, else as a whole. */
function broughtTo(objects: readonly DrawingObject[], scene: Scene, to: Fitting): DrawingObject[] {
  const { scale } = to
  const brought = (object: DrawingObject): DrawingObject => {
    const own = kindOf(object).fit?.(object, to)
    if (!own) {
      const { x, y } = anchorOf(object, scene)
      return transformObject(object, [scale, 0, 0, scale, to.x(x.at) - scale * x.at, to.y(y.at) - scale * y.at])
    }
    const painted = withMovedPaints(own, [scale, 0, 0, scale, 0, 0])
    return isContainer(painted) ? { ...painted, members: painted.members.map(brought) } : painted
  }
  return inOwnNumbers(objects.map(brought), scale)
}

/** Objects with the weights, radii and dashes that are numbers of their own scaled. */
const inOwnNumbers = (objects: readonly DrawingObject[], scale: number): DrawingObject[] =>
  mapObjects(
    objects.map((object) => scaleOwn(object, scale)),
    (object) => withDash(object, scale),
  )

/** An object whose dashes scale although its weight is one of the rules. */
const withDash = (object: DrawingObject, by: number): DrawingObject =>
  visited(object, {
    style: (style) =>
      typeof style.weight !== 'string' || !style.dash
        ? style
        : {
            ...style,
            dash: style.dash.map((length) => tidy(length * by)),
            ...(style.dashOffset !== undefined && { dashOffset: tidy(style.dashOffset * by) }),
          },
  })

/** How far from a placed coordinate, in units of the other grid, one is that goes with it at its own distance. */
const BESIDE = 0.03

/**
 * Where any coordinate goes: straight from one placed one to the next, and on in proportion beyond the outermost and
 * next to each.
 */
function courseOf({ coordinates, places }: AxisFit, scale: number): (value: number) => number {
  const n = coordinates.length
  if (n === 0) return (value) => value * scale
  const from = (i: number, value: number) => places[i]! + (value - coordinates[i]!) * scale
  return (value) => {
    let i = 0
    while (i < n && coordinates[i]! < value) i++
    for (const near of [i, i - 1])
      if (near >= 0 && near < n && Math.abs(value - coordinates[near]!) * scale <= BESIDE) return from(near, value)
    if (i === 0) return from(0, value)
    if (i === n) return from(n - 1, value)
    const share = (value - coordinates[i - 1]!) / (coordinates[i]! - coordinates[i - 1]!)
    return places[i - 1]! + (places[i]! - places[i - 1]!) * share
  }
}

/** What a drawing comes to: how many pieces its ink has, how many holes, and its narrowest ground in units of the other grid. */
type Looks = { readonly pieces: number; readonly holes: number; readonly gap: number }

/** From which width on, in units of the other grid, ground is wide. */
const WIDE = 1.5

function looksOf(objects: readonly DrawingObject[], scene: Scene, scale: number): Looks {
  const ink = inkOfAll(evaluateAll(objects, scene))
  const gap = narrows(ink, WIDE / scale, 0.5 / scale).reduce((least, { width }) => Math.min(least, width * scale), WIDE)
  return { ...piecesAndHoles(ink), gap }
}

const sameLooks = (a: Looks, b: Looks): boolean => a.pieces === b.pieces && a.holes === b.holes
