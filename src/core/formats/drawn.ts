import { sceneOf } from '../drawing/evaluated-scene'
import { wholeDrawing } from '../drawing/evaluate'
import { type Memory, recalled, remember, remembered } from '../drawing/memory'
import { Refusal } from '../drawing/refusal'
import type { Shape } from '../drawing/shape'
import { OutOfTime, timed } from '../geometry/deadline'
import type { Rules } from '../rules/rules'
import { masterFor, type Icon } from '../set/set'
import { outlined } from '../drawing/outlined'
import { svgOfShapes } from './svg'
import type { Ground } from './svg-paint'

/**
 * An icon as SVG documents: the one that is delivered, and those that proofs and rasters are made from, in the colours
 * for either ground; or why it cannot be drawn, and whether that was for want of time.
 */
export type Drawn =
  | { readonly svg: Readonly<Record<Ground, string>>; readonly problem?: undefined }
  | { readonly svg?: undefined; readonly problem: string; readonly isSlow?: true }

const GROUNDS: readonly Ground[] = ['current', 'light', 'dark']

/** An icon drawn for every ground; never in part. */
export function drawnIcon(icon: Icon, rules: Rules): Drawn {
  try {
    const [current, light, dark] = timed(() => GROUNDS.map((ground) => iconSvg(icon, rules, ground)))
    return { svg: { current: current!, light: light!, dark: dark! } }
  } catch (error) {
    const isSlow = error instanceof OutOfTime || (error instanceof Refusal && error.code === 'too-slow')
    return { problem: drawingProblem(error), ...(isSlow && { isSlow }) }
  }
}

/** Why a drawing failed, as a sentence. Throws what is no failure of the drawing. */
export function drawingProblem(error: unknown): string {
  if (error instanceof Refusal || error instanceof OutOfTime) return error.message
  if (error instanceof RangeError) return 'The drawing is too large to be computed.'
  if (error instanceof Error) return `The drawing cannot be computed: ${error.message}`
  throw error
}

const known: Record<Ground, Memory<Rules, Icon, string>> = {
  current: new WeakMap(),
  light: new WeakMap(),
  dark: new WeakMap(),
}

const failed: Memory<Rules, Icon, Error> = new WeakMap()

/**
 * An icon as an SVG document for a ground. Remembered. Throws when it cannot be drawn, which is remembered too:
 * `drawingProblem` says why.
 */
export function iconSvg(icon: Icon, rules: Rules, ground: Ground): string {
  const failure = recalled(failed, rules, icon)
  if (failure) throw failure
  try {
    return remembered(known[ground], rules, icon, () =>
      timed(() => svgOfShapes(shapesOf(icon, rules), rules.grid.size, ground)),
    )
  } catch (error) {
    if (error instanceof Error) remember(failed, rules, icon, error)
    throw error
  }
}

/** What an icon is delivered as: its shapes, their strokes outlined where the rules say so. */
function shapesOf(icon: Icon, rules: Rules): Shape[] {
  const shapes = wholeDrawing(masterFor(icon).objects, sceneOf(rules))
  return rules.strokes === 'outlined' ? outlined(shapes) : shapes
}
