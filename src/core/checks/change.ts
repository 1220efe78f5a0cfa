import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { drawingProblem } from '../picture/drawing-problem'
import { iconSvg } from '../picture/drawn'
import type { Rules } from '../rules/rules'
import { type Icon, masterFor } from '../set/set'
import { conditionOf, lossesBetween } from './condition'

/** An icon's drawing under rules. */
export type Under = { readonly icon: Pick<Icon, 'masters'>; readonly rules: Rules }

/**
 * Losses of an icon by a change of rules, as sentences; none if it merely follows, null if it looks the same on both
 * grounds.
 */
export function changeOf(was: Under, is: Under): readonly string[] | null {
  if (looks(was, 'light') === looks(is, 'light') && looks(was, 'dark') === looks(is, 'dark')) return null
  return lossesOf(was, is)
}

/** What an icon loses when it goes from one state to another, as sentences. */
export function lossesOf(was: Under, is: Under): string[] {
  return lossesBetween(conditionOf(checkedOf(was)), conditionOf(checkedOf(is)))
}

const checkedOf = ({ icon, rules }: Under) => ({ objects: masterFor(icon).objects, rules, scene: sceneOf(rules) })

/** The document of an icon, or why there is none. */
function looks({ icon, rules }: Under, ground: 'light' | 'dark'): string {
  try {
    return iconSvg(icon, rules, ground)
  } catch (error) {
    if (error instanceof Error) return drawingProblem(error)
    throw error
  }
}
