import type { Found } from './snag'
import type { DrawingObject } from '../drawing/objects/object'
import type { Scene } from '../drawing/scene/scene'
import type { LimitKey } from '../rules/limits'
import type { Rules, Severity } from '../rules/rules'

/** What a check looks at: the objects of a master, in the scene they are drawn in, under the rules of its set. */
export type Checked = {
  readonly objects: readonly DrawingObject[]
  readonly scene: Scene
  readonly rules: Rules
  /** It was derived from another master. Checks of how a drawing is built are skipped: they are made on the other one. */
  readonly isDerived?: boolean
  /** The drawing derived from the main master for this grid, if the drawing was made by hand for a further grid. */
  readonly main?: readonly DrawingObject[]
}

/** What checks are about, in the order in which snags are mended: leftovers, slips of the hand, the rules, sizes. */
export const CONCERNS = ['litter', 'slips', 'rules', 'size'] as const
type Concern = (typeof CONCERNS)[number]

/** Something that is looked for in a drawing. */
export type Check = {
  readonly id: string
  readonly concerns: Concern
  /** Its finding in a few words. */
  readonly word: string
  /** The severity where the rules say none. */
  readonly severity: Severity
  /** What its mend may change of the picture: how many segments contours have, or the contours too. All other mends keep both. */
  readonly remakes?: 'segments' | 'contours'
  /** The severity in a derived master, where fitting may have preferred something else on purpose. */
  readonly inDerived?: Severity
  /** It shows in delivered pictures, so it is looked for in derived masters too. */
  readonly isSeen?: true
  /** A change of rules or grid that brings it about in a sound drawing is reported as a loss. */
  readonly isLoss?: true
  /** The number in the rules that it compares drawings with. */
  readonly limit?: LimitKey
  readonly find: (checked: Checked) => readonly Found[]
}
