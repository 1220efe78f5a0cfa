import { changeBetween, withSide } from '../set/change'
import type { PartKey } from '../set/merge-icon'
import { mergedSet } from '../set/merge-set'
import { settledIn } from '../set/settle-set'
import type { IconSet } from '../set/set'
import { type Changes, fresh, overlay, revised, type SaveRequest, UNKNOWN } from './wire'
import { nextSave, partOf, partsOf } from './next-save'
import type { Answer, Event, Saver, Stored, Wanted } from './saver-state'

/** Pauses after one, two, three … requests without an answer, in milliseconds. */
const PAUSES = [1000, 2000, 4000, 8000, 15000]

/** Whether the server has, or may have, a newer state than `stored`. */
const isBehind = ({ isStale, news, stored }: Saver): boolean => isStale || news > stored.revision

/** The next action of the saver. */
export function wanted(saver: Saver): Wanted {
  if (saver.isGone || saver.underWay !== null) return null
  if (saver.isPausing) return { kind: 'pause', ms: PAUSES[Math.min(saver.failures, PAUSES.length) - 1] ?? PAUSES[0]! }
  if (saver.sent) return { kind: 'save', save: saver.sent }
  const { revision, epoch } = saver.stored
  if (isBehind(saver) && !saver.arrived) return { kind: 'ask', since: revision, epoch }
  if (saver.isStale) return null
  const save = nextSave(saver)
  return save && { kind: 'save', save }
}

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
      if ([...saver.left.map(({ writer }) => writer), ...saver.taken].includes(event.left.writer)) return saver
      return withLeft({ ...saver, left: [...saver.left, event.left] })
    case 'awaited':
      return event.count === saver.awaited ? saver : { ...saver, awaited: event.count }
    case 'forgotten':
      return { ...saver, taken: saver.taken.filter((writer) => !event.writers.includes(writer)) }
  }
}

/** After an edit, refused parts that it touches are sent again. */
function edited(saver: Saver, present: IconSet): Saver {
  const isTouched = saver.refused.some(({ part, value }) => partOf(present, part) !== value)
  const next = { ...saver, present, isSplit: false, ...(isTouched && { refused: [] }) }
  return saver.conflicts.length > 0 ? remerged(next) : withLeft(next)
}

/** Merges again and finds the conflicts anew. */
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

/** The server confirmed the save. */
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

/** Merges the unsaved changes of a closed window, once all own changes are saved and all stored changes are known. */
function withLeft(saver: Saver): Saver {
  const [first, ...left] = saver.left
  if (isBehind(saver)) return saver
  if (!first || saver.sent || saver.conflicts.length > 0 || changeBetween(saver.base, saver.present)) return saver
  const { set, base, conflicts } = mergedSet(
    withSide(saver.stored.set, first.change, 'from'),
    withSide(saver.stored.set, first.change, 'to'),
    saver.stored.set,
  )
  return withLeft({ ...saver, present: set, base, conflicts, left, taken: [...saver.taken, first.writer] })
}
