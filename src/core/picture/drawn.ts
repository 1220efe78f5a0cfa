import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { wholeDrawing } from '../drawing/evaluate/evaluate'
import { type Memory, recalled, remember, remembered } from '../drawing/scene/memory'
import type { DrawingObject } from '../drawing/objects/object'
import { Refusal } from '../drawing/evaluate/refusal'
import type { Shape } from '../drawing/scene/shape'
import { OutOfTime, timed } from '../geometry/deadline'
import type { Rules } from '../rules/rules'
import { baseFor } from '../rules/rules-for-grid'
import { drawingOn } from '../set/masters'
import type { Icon } from '../set/set'
import { withStrokesOutlined } from '../drawing/scene/stroke-outlines'
import { drawingProblem } from './drawing-problem'
import { type Ground, type Picture, pictureOf } from './picture'
import { svgOfPicture } from './svg'

/** A drawing as SVG documents: the one that is delivered, and those that proofs and rasters are made from, for either ground. */
export type Documents = Readonly<Record<Ground, string>>

/**
 * An icon as documents: on the grid of its set, and by its base on each other grid; or why it cannot be drawn, and
 * whether that was for want of time.
 */
export type Drawn =
  | { readonly svg: Documents; readonly others?: Readonly<Record<string, Documents>>; readonly problem?: undefined }
  | { readonly svg?: undefined; readonly problem: string; readonly isSlow?: true }

/** The documents of an icon that fit so many pixels. */
export const documentsFor = (
  { svg, others }: { readonly svg: Documents; readonly others?: Readonly<Record<string, Documents>> | undefined },
  rules: Pick<Rules, 'grid' | 'masters'>,
  size: number,
): Documents => others?.[baseFor(rules, size)] ?? svg

const GROUNDS: readonly Ground[] = ['current', 'light', 'dark']

/** An icon drawn on every grid of its set, for every ground; never in part. */
export function drawnIcon(icon: Icon, rules: Rules): Drawn {
  try {
    const on = (base: number): Documents => {
      const [current, light, dark] = timed(() => GROUNDS.map((ground) => iconSvg(icon, rules, ground, base)))
      return { current: current!, light: light!, dark: dark! }
    }
    const svg = on(rules.grid.size)
    const others = (rules.masters ?? []).map(({ base }) => [base, on(base)] as const)
    return others.length === 0 ? { svg } : { svg, others: Object.fromEntries(others) }
  } catch (error) {
    return { problem: drawingProblem(error), ...(isTimeout(error) && { isSlow: true }) }
  }
}

const isTimeout = (error: unknown): boolean =>
  error instanceof OutOfTime || (error instanceof Refusal && error.code === 'too-slow')

const known: Record<Ground, Memory<Rules, object, Picture>> = {
  current: new WeakMap(),
  light: new WeakMap(),
  dark: new WeakMap(),
}

const failed: Memory<Rules, object, Error> = new WeakMap()

/** The picture of an icon on one of the grids of its set, by default the set's own. Throws as `drawingPicture` does. */
export function iconPicture(
  icon: Pick<Icon, 'masters'>,
  rules: Rules,
  ground: Ground,
  base = rules.grid.size,
): Picture {
  const { objects, rules: book } = timed(() => drawingOn(icon, rules, base))
  return drawingPicture(objects, book, ground)
}

/** The picture of an icon as an SVG document. */
export const iconSvg = (...of: Parameters<typeof iconPicture>): string => {
  const picture = iconPicture(...of)
  return timed(() => svgOfPicture(picture))
}

/** The picture of a drawing as an SVG document. */
export const drawingSvg = (...of: Parameters<typeof drawingPicture>): string => {
  const picture = drawingPicture(...of)
  return timed(() => svgOfPicture(picture))
}

/**
 * The picture of a drawing for a ground, remembered. Throws when it cannot be drawn, which is remembered too, except for a
 * timeout; `drawingProblem` says why.
 */
export function drawingPicture(objects: readonly DrawingObject[], rules: Rules, ground: Ground): Picture {
  const failure = recalled(failed, rules, objects)
  if (failure) throw failure
  try {
    return remembered(known[ground], rules, objects, () =>
      timed(() => pictureOf(shapesOf(objects, rules), rules.grid.size, ground)),
    )
  } catch (error) {
    if (error instanceof Error && !isTimeout(error)) remember(failed, rules, objects, error)
    throw error
  }
}

/** What a drawing is delivered as: its shapes, their strokes outlined where the rules say so. */
function shapesOf(objects: readonly DrawingObject[], rules: Rules): Shape[] {
  const shapes = wholeDrawing(objects, sceneOf(rules))
  return rules.strokes === 'outlined' ? withStrokesOutlined(shapes) : shapes
}
