import { type DrawingObject, isContainer, kindOf } from '../drawing/objects/object'
import { evaluateAll } from '../drawing/evaluate/evaluate'
import { inkOfAll, strokeInkIfQuick } from '../drawing/scene/ink'
import type { ResolvedPaint } from '../drawing/model/resolved'
import type { Shape } from '../drawing/scene/shape'
import type { Scene } from '../drawing/scene/scene'
import { area } from '../geometry/area'
import { measure } from '../geometry/measure'
import { flattened } from '../geometry/flat'
import { convexHull, polygonArea } from '../geometry/hull'
import { type Path, segmentCount } from '../geometry/path'
import type { Point } from '../geometry/point'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { coverOf } from '../raster/cover'
import type { Rules } from '../rules/rules'
import { drawingFor } from '../set/masters'
import { type Icon, masterFor } from '../set/set'
import { crispness } from '../geometry/crispness'
import { oklab } from './oklab'
import { enclosingCircle } from './optical-centre'

/** The size in pixels at which icons are compared: the one at which most are mistaken for each other. */
const COMPARED = 16

/** Optical measures of an icon, of its ink alone. Lengths in grid units. */
export type Balance = {
  /** How heavy it looks: the mean difference of its pixels from the ground, 0 to 1. */
  readonly weight: number
  /** The size of the silhouette: its upright box, and the least circle around it. */
  readonly w: number
  readonly h: number
  readonly across: number
  /** How much of that circle a rubber band around the ink encloses: 1 for a disc, 0.64 for a square. */
  readonly roundness: number
  /** Where the ink balances, seen from the middle of the square. */
  readonly centre: Point
  readonly nodes: number
  /** The share of strokes in the painted area, 0 to 1; fills and strokes are counted separately. */
  readonly strokes: number
  /** Share of straight edges on pixel boundaries, for each delivered size in order; 1 if there are none. */
  readonly crisp: readonly number[]
  /** How much each of 16 by 16 pixels differs from the ground, 0 to 1, row by row. */
  readonly cover: Float32Array
}

/** The objects on a plate, and the plate's colour. The plate and the shadow on it are ignored. */
function standing(
  objects: readonly DrawingObject[],
  scene: Scene,
): { front: readonly DrawingObject[]; ground: string } {
  const plate = objects.find((object) => kindOf(object).stands === 'ground')
  const front = objects.flatMap((object): readonly DrawingObject[] =>
    kindOf(object).stands === 'ground'
      ? []
      : kindOf(object).stands === 'shade' && isContainer(object)
        ? object.members
        : [object],
  )
  const [shape] = plate && front.length > 0 ? evaluateAll([plate], scene) : []
  return { front: front.length > 0 ? front : objects, ground: shape?.fill ? colourIn(shape.fill) : PAPER }
}

const PAPER = '#ffffff'

/** The colour that a paint is taken for: of a gradient that of the stop in its middle. */
const colourIn = (paint: ResolvedPaint): string =>
  'light' in paint ? paint.light : paint.stops[Math.floor(paint.stops.length / 2)]!.color.light

/** How much each pixel differs from the ground, 0 to 1, shapes laid over each other in order; masks are not looked at. */
function tones(shapes: readonly Shape[], ground: string, grid: number): Float32Array {
  const cover = new Float32Array(COMPARED * COMPARED)
  const lay = (path: Path, paint: ResolvedPaint) => {
    const tone = Math.min(
      1,
      Math.abs(oklab(colourIn(paint))[0] - oklab(ground)[0]) / FULL + chromaApart(colourIn(paint), ground),
    )
    const part = coverOf(path, grid, COMPARED)
    for (let i = 0; i < cover.length; i++) {
      const k = part[i]! * paint.opacity
      cover[i] = cover[i]! * (1 - k) + tone * k
    }
  }
  for (const shape of shapes) {
    if (shape.fill) lay(shape.path, shape.fill)
    if (shape.stroke) lay(strokeInkIfQuick(shape), shape.stroke.paint)
  }
  return cover
}

/** The difference of lightness between ink and paper, which counts as 1. */
const FULL = 0.75

/** How far apart two colours are but for their lightness. */
function chromaApart(one: string, other: string): number {
  const [a, b] = [oklab(one), oklab(other)]
  return Math.hypot(a[1] - b[1], a[2] - b[2])
}

function strokeShare(shapes: readonly Shape[]): number {
  let fills = 0,
    strokes = 0
  for (const shape of shapes) {
    if (shape.fill) fills += Math.abs(area(shape.path))
    if (shape.stroke) strokes += Math.abs(area(strokeInkIfQuick(shape)))
  }
  return fills + strokes > 0 ? strokes / (fills + strokes) : 0
}

/** How far the lines by which a hull is found may lie from the outline, as a share of the square. */
const FLAT = 4e-4

/** Visual balance of a drawing; null if it paints nothing. */
export function balanceOf(objects: readonly DrawingObject[], scene: Scene, rules: Rules): Balance | null {
  const { size } = rules.grid
  const { front, ground } = standing(objects, scene)
  const shapes = evaluateAll(front, scene),
    ink = inkOfAll(shapes),
    cover = tones(shapes, ground, size)
  const places = flattened(ink, size * FLAT).flatMap(({ segments }) => segments.map(({ from }) => from))
  const { bounds, centroid } = measure(ink)
  const around = enclosingCircle(ink)
  if (!bounds || !centroid || !around) return null
  return {
    weight: cover.reduce((sum, one) => sum + one, 0) / cover.length,
    w: bounds.w,
    h: bounds.h,
    across: 2 * around.r,
    strokes: strokeShare(shapes),
    roundness: polygonArea(convexHull(places)) / (Math.PI * around.r ** 2),
    centre: { x: centroid.x - size / 2, y: centroid.y - size / 2 },
    nodes: segmentCount(ink),
    crisp: rules.sizes.map((pixels) => {
      const { length: all, crisp } = crispness(ink, size, pixels)
      return all === 0 ? 1 : crisp / all
    }),
    cover,
  }
}

/**
 * Visual balance of an icon on all grids of its set: the silhouette on the set's own grid, weight and cover from the
 * drawing for the compared size, crispness from the drawing for each size.
 */
export function balanceOfIcon(icon: Pick<Icon, 'masters'>, rules: Rules): Balance | null {
  const on = (size: number) => {
    const { objects, rules: book } = drawingFor(icon, rules, size)
    return balanceOf(objects, sceneOf(book), book)
  }
  const main = balanceOf(masterFor(icon).objects, sceneOf(rules), rules)
  if (!main || !rules.masters?.length) return main
  const small = on(COMPARED) ?? main
  const crisp = rules.sizes.map((size) => {
    const { objects, rules: book } = drawingFor(icon, rules, size)
    const { crisp: own, length } = crispness(inkOfAll(evaluateAll(objects, sceneOf(book))), book.grid.size, size)
    return length > 0 ? own / length : 1
  })
  return { ...main, weight: small.weight, cover: small.cover, crisp }
}
