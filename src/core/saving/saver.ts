import { type SetChange, changeBetween, withSide } from '../set/change'
import type { PartKey, SetConflict } from '../set/merge-icon'
import { iconPart } from '../set/merge-icon'
import { mergedSet } from '../set/merge-set'
import { settledIn } from '../set/settle-set'
import type { IconSet } from '../set/set'
import {
  basesOf,
  type Changes,
  fresh,
  overlay,
  type Revisions,
  revised,
  type SaveRequest,
  type SetWrites,
  UNKNOWN,
  writesOf,
} from './wire'

/** A set as the server has it, as far as it is known here: all that changed up to `revision` of the set is in it. */
export type Stored = {
  readonly epoch: string
  readonly set: IconSet
  readonly revisions: Revisions
  readonly revision: number
}

/** A part that the server does not take as it is, and why, as a sentence. */
type Refused = { readonly part: PartKey; readonly value: unknown; readonly why: string }

/**
 * How the saving of a set stands in one window. Everything that differs between `base` and `present` is not saved yet.
 * Only `step` makes another of it; `wanted` says what is to be done, and `saying` what a person is told.
 */
export type Saver = {
  /** Names the window, and its saves. */
  readonly writer: string
  readonly stored: Stored
  /** What `present` is seen from: what is stored but where both sides changed something; there what was before. */
  readonly base: IconSet
  readonly present: IconSet
  readonly conflicts: readonly SetConflict[]
  /** The save that was sent last and has no answer yet. It is sent again, as it is, until it has one. */
  readonly sent: SaveRequest | null
  /** How many saves there were. */
  readonly saves: number
  /** The request that is under way, by a number of its own; answers to others are not heard. */
  readonly underWay: number | null
  readonly requests: number
  /** The latest revision of the set that was told of; above `stored.revision` there is something to ask for. */
  readonly news: number
  /** The server has another state than what is known here. */
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
  /** The windows whose work was taken over: what is kept of them may go once this window's is kept. */
  readonly taken: readonly string[]
}

/** What a window that is gone left unsaved. */
export type Left = { readonly writer: string; readonly change: SetChange }

export type Event =
  | { readonly kind: 'edited'; readonly present: IconSet }
  /** The person holds something, or let go of it: what comes from elsewhere waits meanwhile. */
  | { readonly kind: 'hand'; readonly isBusy: boolean }
  /** The set was changed elsewhere, up to a revision; null where it may have been. */
  | { readonly kind: 'told'; readonly revision: number | null }
  /** What `wanted` says is being done. */
  | { readonly kind: 'begun' }
  | { readonly kind: 'answered'; readonly request: number; readonly answer: Answer }
  | { readonly kind: 'paused' }
  | { readonly kind: 'settled'; readonly conflict: SetConflict; readonly keep: 'mine' | 'theirs' }
  | { readonly kind: 'found'; readonly left: Left }
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

/** What is to be done now: nothing, a save, asking what changed, or waiting so many milliseconds. */
export type Wanted =
  | { readonly kind: 'save'; readonly save: SaveRequest }
  | { readonly kind: 'ask'; readonly since: number; readonly epoch: string }
  | { readonly kind: 'pause'; readonly ms: number }
  | null

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
  taken: [],
})

/** Pauses after one, two, three … requests without an answer, in milliseconds. */
const PAUSES = [1000, 2000, 4000, 8000, 15000]

export function wanted(saver: Saver): Wanted {
  if (saver.isGone || saver.underWay !== null) return null
  if (saver.isPausing) return { kind: 'pause', ms: PAUSES[Math.min(saver.failures, PAUSES.length) - 1] ?? PAUSES[0]! }
  if (saver.sent) return { kind: 'save', save: saver.sent }
  const { revision, epoch } = saver.stored
  const isBehind = saver.isStale || saver.news > revision
  if (isBehind && !saver.arrived) return { kind: 'ask', since: revision, epoch }
  if (saver.isStale) return null
  const save = nextSave(saver)
  return save && { kind: 'save', save }
}

/** All that is not saved, as a change; null where nothing is. */
export const unsaved = (saver: Saver): SetChange | null => changeBetween(saver.base, saver.present)

/** The save of all that may be sent now; null where nothing may. */
function nextSave(saver: Saver): SaveRequest | null {
  const change = unsaved(saver)
  if (!change) return null
  const kept = new Set<PartKey>(saver.conflicts.map(({ part }) => part))
  for (const { part, value } of saver.refused) if (partOf(saver.present, part) === value) kept.add(part)
  const free = <T>(part: PartKey, value: T | undefined): T | undefined => (kept.has(part) ? undefined : value)
  const order = free('order', change.order)
  const there = new Set(saver.stored.set.icons.map(({ id }) => id))
  const isStored = (id: string) => there.has(id)
  // An icon that is new, or comes out of the bin, comes with its place in the order.
  const icons = change.icons.filter(({ id, to }) => to && !kept.has(iconPart(id)) && (isStored(id) || order))
  const isKnown = (id: string) => isStored(id) || icons.some((one) => one.id === id)
  const ids = order?.to.filter(isKnown)
  const isOrdered = ids && !(ids.length === there.size && [...there].every((id, i) => id === ids[i]))
  const writes: SetWrites = {
    ...writesOf({
      ...(free('name', change.name) && { name: change.name! }),
      ...(free('rules', change.rules) && { rules: change.rules! }),
      ...(free('delivery', change.delivery) && { delivery: change.delivery! }),
      icons,
    }),
    ...(isOrdered && { order: ids }),
  }
  const sendable = saver.isSplit && !writes.rules ? firstOf(writes, isStored) : writes
  if (Object.keys(sendable).length === 0) return null
  const { epoch, revisions } = saver.stored
  return { epoch, id: `${saver.writer}-${saver.saves + 1}`, bases: basesOf(sendable, revisions), writes: sendable }
}

/** One part of writes: single values first, then icons, a new one with its place, then their order. */
function firstOf({ name, delivery, icons, order }: SetWrites, isStored: (id: string) => boolean): SetWrites {
  if (name !== undefined) return { name }
  if (delivery) return { delivery }
  const icon = icons?.[0]
  if (!icon) return order ? { order } : {}
  if (isStored(icon.id) || !order) return { icons: [icon] }
  return { icons: [icon], order: order.filter((id) => id === icon.id || isStored(id)) }
}

function partOf(set: IconSet, part: PartKey): unknown {
  switch (part) {
    case 'name':
    case 'rules':
    case 'delivery':
      return set[part]
    case 'order':
      return set.icons.map(({ id }) => id).join(' ')
    default:
      return set.icons.find(({ id }) => iconPart(id) === part)
  }
}

const partsOf = ({ name, rules, delivery, icons = [], order }: SetWrites): PartKey[] => [
  ...(name !== undefined ? (['name'] as const) : []),
  ...(rules ? (['rules'] as const) : []),
  ...(delivery ? (['delivery'] as const) : []),
  ...(order ? (['order'] as const) : []),
  ...icons.map(({ id }) => iconPart(id)),
]

/** How saving stands after an event. */
export function step(saver: Saver, event: Event): Saver {
  switch (event.kind) {
    case 'edited':
      return event.present === saver.present ? saver : edited(saver, event.present)
    case 'hand': {
      const next = { ...saver, isHandBusy: event.isBusy }
      return !event.isBusy && next.arrived && next.sent === null
        ? taken({ ...next, arrived: null }, next.arrived)
        : next
    }
    case 'told':
      if (event.revision === null) return { ...saver, isStale: true }
      return event.revision > saver.news ? { ...saver, news: event.revision } : saver
    case 'begun': {
      const doing = wanted(saver)
      if (!doing || doing.kind === 'pause') return saver
      const requests = saver.requests + 1
      const next = { ...saver, requests, underWay: requests }
      if (doing.kind !== 'save' || saver.sent) return next
      return { ...next, sent: doing.save, saves: saver.saves + 1 }
    }
    case 'answered':
      return event.request === saver.underWay ? answered({ ...saver, underWay: null }, event.answer) : saver
    case 'paused':
      return saver.isPausing ? { ...saver, isPausing: false } : saver
    case 'settled': {
      const { set, base } = settledIn(
        { set: saver.present, base: saver.base },
        saver.stored.set,
        event.conflict,
        event.keep,
      )
      return remerged({ ...saver, present: set, base })
    }
    case 'found':
      return withLeft({ ...saver, left: [...saver.left, event.left] })
    case 'forgotten':
      return { ...saver, taken: saver.taken.filter((writer) => !event.writers.includes(writer)) }
  }
}

/** After an edit, what was refused is tried again with it where it is about the same part. */
function edited(saver: Saver, present: IconSet): Saver {
  const isTouched = saver.refused.some(({ part, value }) => partOf(present, part) !== value)
  const next = { ...saver, present, isSplit: false, ...(isTouched && { refused: [] }) }
  return saver.conflicts.length > 0 ? remerged(next) : withLeft(next)
}

/** What is torn is found anew. */
function remerged(saver: Saver): Saver {
  const { set, base, conflicts } = mergedSet(saver.base, saver.present, saver.stored.set)
  return withLeft({ ...saver, present: set, base, conflicts })
}

function answered(saver: Saver, answer: Answer): Saver {
  if (answer.kind === 'lost') return { ...saver, trouble: answer.why, failures: saver.failures + 1, isPausing: true }
  const well = { ...saver, trouble: null, failures: 0 }
  switch (answer.kind) {
    case 'saved':
      return saver.sent ? acknowledged(well, saver.sent, answer.revision) : well
    case 'stale':
      return afterSave({ ...well, sent: null, isStale: true })
    case 'refused':
      // It may be in the way of something that was saved elsewhere and is not known here yet.
      return afterSave(refused({ ...well, sent: null, isStale: true }, answer.why, answer.parts, saver.sent))
    case 'gone':
      return { ...well, sent: null, isGone: true }
    case 'changes':
      return saver.isHandBusy ? { ...well, arrived: answer.changes } : taken(well, answer.changes)
  }
}

/** The server has what was sent. */
function acknowledged(saver: Saver, { bases, writes }: SaveRequest, revision: number): Saver {
  const { stored } = saver
  const isNext = revision === stored.revision + 1
  return afterSave(
    withLeft({
      ...saver,
      sent: null,
      stored: {
        epoch: stored.epoch,
        set: overlay(stored.set, writes),
        revisions: revised(stored.revisions, bases, revision),
        revision: isNext ? revision : stored.revision,
      },
      base: overlay(saver.base, writes),
      // Between this save and the last one that is known here there were others.
      news: Math.max(saver.news, revision),
      refused: saver.refused,
    }),
  )
}

/** What arrived while a save was under way is taken in after it. */
function afterSave(saver: Saver): Saver {
  return saver.arrived && !saver.isHandBusy ? taken({ ...saver, arrived: null }, saver.arrived) : saver
}

function refused(saver: Saver, why: string, named: readonly PartKey[], sent: SaveRequest | null): Saver {
  const parts = sent ? partsOf(sent.writes) : []
  const guilty = named.filter((part) => parts.includes(part))
  if (guilty.length === 0 && parts.length > 1 && !saver.isSplit && !sent?.writes.rules)
    return { ...saver, isSplit: true }
  // The order goes on without an icon that is kept back.
  const own = saver.isSplit && sent?.writes.icons ? parts.filter((part) => part !== 'order') : parts
  const kept = guilty.length > 0 ? guilty : own
  const values = sent ? overlay(saver.base, sent.writes) : saver.present
  // What changed since it was sent is sent again by itself.
  const held = kept.map((part) => ({
    part,
    value: part === 'order' ? partOf(saver.present, part) : partOf(values, part),
    why,
  }))
  return { ...saver, refused: [...saver.refused.filter(({ part }) => !kept.includes(part)), ...held] }
}

/** The set with what changed elsewhere taken in. */
function taken(saver: Saver, changes: Changes): Saver {
  const { stored } = saver
  const isOther = changes.epoch !== stored.epoch
  const { revision, revisions, writes } = isOther ? changes : fresh(changes, stored.revisions)
  const next: Stored = {
    epoch: changes.epoch,
    set: overlay(isOther ? { ...stored.set, icons: [] } : stored.set, writes),
    revisions: revised(isOther ? UNKNOWN : stored.revisions, revisions),
    revision: isOther ? revision : Math.max(revision, stored.revision),
  }
  const news = isOther ? revision : Math.max(saver.news, revision)
  return remerged({ ...saver, stored: next, news, isStale: false })
}

/** Takes over what another window left, once all of the own is saved. */
function withLeft(saver: Saver): Saver {
  const [first, ...left] = saver.left
  if (!first || saver.sent || saver.conflicts.length > 0 || changeBetween(saver.base, saver.present)) return saver
  const { set, base, conflicts } = mergedSet(
    withSide(saver.stored.set, first.change, 'from'),
    withSide(saver.stored.set, first.change, 'to'),
    saver.stored.set,
  )
  return withLeft({ ...saver, present: set, base, conflicts, left, taken: [...saver.taken, first.writer] })
}

/** What a person is told about saving. */
export type Saying =
  | { readonly state: 'saved' }
  | { readonly state: 'saving' }
  | { readonly state: 'waiting'; readonly why: string }
  | { readonly state: 'refused'; readonly why: string }
  | { readonly state: 'torn'; readonly conflicts: readonly SetConflict[] }
  | { readonly state: 'deleted' }

export function saying(saver: Saver): Saying {
  if (saver.isGone) return { state: 'deleted' }
  if (saver.conflicts.length > 0) return { state: 'torn', conflicts: saver.conflicts }
  const isClean = saver.sent === null && saver.present === saver.base
  if (isClean) return { state: 'saved' }
  if (saver.trouble !== null) return { state: 'waiting', why: saver.trouble }
  if (saver.sent === null && !nextSave(saver)) {
    const why = saver.refused.find(({ part, value }) => partOf(saver.present, part) === value)?.why
    if (why !== undefined) return { state: 'refused', why }
    if (!unsaved(saver)) return { state: 'saved' }
  }
  return { state: 'saving' }
}
