import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { wholeDrawing } from '../drawing/evaluate/evaluate'
import { type Memory, recalled, remember, remembered } from '../drawing/scene/memory'
import type { DrawingObject } from '../drawing/objects/object'
import { Refusal } from '../findings/refusal'
import type { Shape } from '../drawing/scene/shape'
import { OutOfTime, timed } from '../geometry/deadline'
import type { Rules } from '../rules/rules'
import { baseFor } from '../rules/rules-for-grid'
import { drawingOn } from '../set/masters'
import type { Icon } from '../set/set'
import { withStrokesOutlined } from '../drawing/scene/stroke-outlines'
import { drawingProblem } from './drawing-problem'
import { type Ground, type Picture, pictureOf } from './picture'
import { pictureText } from './stored'
import { svgOfPicture } from './svg'

/** The pictures of an icon in their stored form: on the grid of its set, and by its base on each other grid. */
export type StoredPictures = {
  readonly picture: string
  readonly others?: Readonly<Record<string, string>> | undefined
}

/** An icon's pictures; or why it cannot be drawn, and whether that was for want of time. */
export type Drawn =
  | (StoredPictures & { readonly problem?: undefined })
  | { readonly picture?: undefined; readonly problem: string; readonly isSlow?: true }

/** The stored picture of an icon that fits so many pixels. */
export const storedFor = (
  { picture, others }: StoredPictures,
  rules: Pick<Rules, 'grid' | 'masters'>,
  size: number,
): string => others?.[baseFor(rules, size)] ?? picture

/** An icon drawn on every grid of its set; never in part. */
export function drawnIcon(icon: Icon, rules: Rules): Drawn {
  try {
    const on = (base: number): string => pictureText(iconPicture(icon, rules, 'current', base))
    const picture = on(rules.grid.size)
    const others = (rules.masters ?? []).map(({ base }) => [base, on(base)] as const)
    return others.length === 0 ? { picture } : { picture, others: Object.fromEntries(others) }
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
