import type { Stepping } from '../../frame/session'

/**
 * What a tool builds in several steps before it is an edit of the set: a step back and one forth, where there is one, and
 * what keeps of it what is finished enough.
 */
export type Building = Stepping & { readonly keep: () => void }

/** What a tool may have in hand. */
export type Holding = {
  /** What it is building; null where there is nothing yet. */
  building?(): Building | null
  /** Removes or resets what of it is seen to be in hand; null where nothing is, so that Delete means the selection. */
  removal?(): (() => void) | null
}
