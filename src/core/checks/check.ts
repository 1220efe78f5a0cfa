import type { DrawingEdit } from '../drawing/edit/edit'
import type { DrawingObject } from '../drawing/model/object'
import type { Scene } from '../drawing/evaluate/scene'
import type { Point } from '../geometry/point'
import type { LimitKey } from '../rules/limits'
import type { Rules, Severity } from '../rules/rules'

/** What a check looks at: the objects of a master, in the scene they are drawn in, under the rules of its set. */
export type Checked = {
  readonly objects: readonly DrawingObject[]
  readonly scene: Scene
  readonly rules: Rules
  /** It was derived from another master: what only says how well that one is built is not looked for. */
  readonly isDerived?: boolean
}

/** Where a snag is, in grid units: a place, or a stretch between two. */
type Spot = { readonly at: Point; readonly to?: Point }

/**
 * What a check finds: a sentence, the ids of the objects it is about (none of the whole drawing), where on the square,
 * and the edit that mends it, where one is known.
 */
export type Found = {
  readonly sentence: string
  readonly objects: readonly string[]
  readonly spot?: Spot
  readonly mend?: DrawingEdit
}

/** One place where an icon breaks a rule or will look bad. */
export type Snag = Found & { readonly check: string; readonly severity: Exclude<Severity, 'off'> }

/** What a check is about, in the order in which it is mended: what is left over, what the hand missed, the rules, sizes. */
export const CONCERNS = ['litter', 'slips', 'rules', 'size'] as const
type Concern = (typeof CONCERNS)[number]

/** Something that is looked for in a drawing. */
export type Check = {
  readonly id: string
  readonly concerns: Concern
  /** What it finds, in a few words. */
  readonly word: string
  /** How much it matters where the rules say nothing else. */
  readonly severity: Severity
  /** Its mend is meant to join or part contours; every other mend leaves the picture as many. */
  readonly remakes?: true
  /** How much it matters in a master that was derived, where something else was put before it on purpose. */
  readonly inDerived?: Severity
  /** It is seen in what is delivered, so that it is looked for in derived masters too. */
  readonly isSeen?: true
  /** What it finds is a loss where a change of rules or of grid brought it about in what was well drawn. */
  readonly isLoss?: true
  /** The number of the rules that it holds drawings against. */
  readonly limit?: LimitKey
  readonly find: (checked: Checked) => readonly Found[]
}
