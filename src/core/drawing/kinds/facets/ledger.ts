import type { Thing } from '../../model/traits'
import type { Scene } from '../../scene/scene'
import type { Field } from '../field'

/** The columns that the ledger adds for objects of one kind. */
export type LedgerFacet<T extends Thing> = {
  /** Its own numbers and choices. */
  readonly fields?: (object: T) => readonly Field<T>[]
  /** Its make-up in a few words, where there is something to say. */
  readonly summary?: (object: T, scene: Scene) => string
}
