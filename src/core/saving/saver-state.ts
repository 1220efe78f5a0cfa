import type { SetChange } from '../set/change'
import type { PartKey, SetConflict } from '../set/merge-icon'
import type { IconSet } from '../set/set'
import type { Changes, Revisions, SaveRequest } from './wire'

/** The set as the server has it, up to `revision` of the set. */
export type Stored = {
  readonly epoch: string
  readonly set: IconSet
  readonly revisions: Revisions
  readonly revision: number
}

/** A part that the server refused, with the reason as a sentence. */
export type Refused = { readonly part: PartKey; readonly value: unknown; readonly why: string }

/**
 * State of saving a set in one window. The difference between `base` and `present` is not saved yet. Only `step`
 * returns a new state; `wanted` returns the next action, `saying` the message for a person.
 */
export type Saver = {
  /** Names the window, and its saves. */
  readonly writer: string
  readonly stored: Stored
  /** The merge base of `present`: the stored set, except for parts that both sides changed; those are as before. */
  readonly base: IconSet
  readonly present: IconSet
  readonly conflicts: readonly SetConflict[]
  /** The last save that was sent and has no answer yet. It is repeated unchanged until it has one. */
  readonly sent: SaveRequest | null
  /** How many saves there were. */
  readonly saves: number
  /** The request that is under way, by a number of its own; answers to others are not heard. */
  readonly underWay: number | null
  readonly requests: number
  /** The latest revision of the set that was told of; above `stored.revision` there is something to ask for. */
  readonly news: number
  /** Whether the server may have another state than `stored`. */
  readonly isStale: boolean
  /** Changes that came while something was in hand. */
  readonly arrived: Changes | null
  readonly isHandBusy: boolean
  /** Parts that are kept back until they change. */
  readonly refused: readonly Refused[]
  /** After a refusal that names nothing, parts are sent one by one. */
  readonly isSplit: boolean
  /** Why the last request had no answer, and how many had none in a row; zero while all goes well. */
  readonly trouble: string | null
  readonly failures: number
  readonly isPausing: boolean
  readonly isGone: boolean
  /** What windows that are gone left unsaved and is to be taken over, one after the other. */
  readonly left: readonly Left[]
  /** How many closed windows left a save of which it is not known yet whether it arrived. */
  readonly awaited: number
  /** The windows whose work was taken over. Their records are removed once the record of this window is written. */
  readonly taken: readonly string[]
}

/** What a window that is gone left unsaved. */
export type Left = { readonly writer: string; readonly change: SetChange }

export type Event =
  | { readonly kind: 'edited'; readonly present: IconSet }
  /** The person takes or releases something with the pointer; changes from elsewhere wait meanwhile. */
  | { readonly kind: 'hand'; readonly isBusy: boolean }
  /** The set was changed elsewhere, up to a revision; null where it may have been. */
  | { readonly kind: 'told'; readonly revision: number | null }
  /** What `wanted` says is being done. */
  | { readonly kind: 'begun' }
  | { readonly kind: 'answered'; readonly request: number; readonly answer: Answer }
  | { readonly kind: 'paused' }
  | { readonly kind: 'settled'; readonly conflict: SetConflict; readonly keep: 'mine' | 'theirs' }
  | { readonly kind: 'found'; readonly left: Left }
  | { readonly kind: 'awaited'; readonly count: number }
  | { readonly kind: 'forgotten'; readonly writers: readonly string[] }

export type Answer =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'changes'; readonly changes: Changes }
  /** The server has another state than the one the save was built on. */
  | { readonly kind: 'stale' }
  | { readonly kind: 'refused'; readonly why: string; readonly parts: readonly PartKey[] }
  /** The set was deleted. */
  | { readonly kind: 'gone' }
  /** There was no answer, or none that can be understood: it may have been done or not. */
  | { readonly kind: 'lost'; readonly why: string }

/** The next action: nothing, a save, a question for changes, or a pause in milliseconds. */
export type Wanted =
  | { readonly kind: 'save'; readonly save: SaveRequest }
  | { readonly kind: 'ask'; readonly since: number; readonly epoch: string }
  | { readonly kind: 'pause'; readonly ms: number }
  | null

/** The saver of a window that has just opened a set. */
export const beginning = (writer: string, stored: Stored): Saver => ({
  writer,
  stored,
  base: stored.set,
  present: stored.set,
  conflicts: [],
  sent: null,
  saves: 0,
  underWay: null,
  requests: 0,
  news: stored.revision,
  isStale: false,
  arrived: null,
  isHandBusy: false,
  refused: [],
  isSplit: false,
  trouble: null,
  failures: 0,
  isPausing: false,
  isGone: false,
  left: [],
  awaited: 0,
  taken: [],
})
