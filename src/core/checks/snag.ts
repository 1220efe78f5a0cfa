import type { DrawingEdit } from '../drawing/edit/edit'
import type { Point } from '../geometry/point'
import type { Severity } from '../rules/rules'

/** Where a snag is, in grid units: a place, or a stretch between two. */
type Spot = { readonly at: Point; readonly to?: Point }

/**
 * What a check finds: a sentence, the ids of the objects it is about (none where it is about the whole drawing), the
 * place on the square, and the edit that mends it where one is known. An offer is an edit that leaves the grid: it is
 * made only where a person chooses it.
 */
export type Found = {
  readonly sentence: string
  readonly objects: readonly string[]
  readonly spot?: Spot
  readonly mend?: DrawingEdit
  readonly offer?: { readonly word: string; readonly edit: DrawingEdit }
}

/** A snag: a place where an icon breaks a rule or will look bad, with its check, its sentence and its severity. */
export type Snag = Found & {
  readonly check: string
  readonly word: string
  readonly severity: Exclude<Severity, 'off'>
}
