import type { Memory } from '../drawing/scene/scene'
import { isCornered, kindOf } from '../drawing/objects/object'
import { piecesAndHoles } from '../geometry/area'
import type { Checked } from './check'
import type { Snag } from './snag'
import { keyOf } from './accepting'
import { CHECKS } from './checks'
import { snagsIn } from './snags'
import { shownInk } from './look/ink'
import { said, seenIn } from './look/seen'

/** The state of a drawing under rules: its snags, the pieces and holes of its ink, and radii that do not fit. */
export type Condition = {
  readonly snags: readonly Pick<Snag, 'check' | 'severity' | 'objects' | 'sentence'>[]
  readonly pieces: number
  readonly holes: number
  /** A sentence for each object whose radius is larger than it has room for. */
  readonly cramped: readonly string[]
}

/** The checks whose snags count as losses when a change of rules brings them about. */
const LOSSES = CHECKS.filter(({ isLoss }) => isLoss)

const known: Memory<Condition> = new WeakMap()

/** The state of a drawing under its rules. Remembered: of two changes that are tried, both begin with the same. */
export const conditionOf = (checked: Checked): Condition =>
  checked.scene.remembered(known, checked.objects, () => found(checked))

function found(checked: Checked): Condition {
  return {
    snags: snagsIn(checked, [], LOSSES)
      .filter(({ severity }) => severity !== 'note')
      .map(({ check, severity, objects, sentence }) => ({ check, severity, objects, sentence })),
    ...piecesAndHoles(shownInk(checked)),
    cramped: crampedIn(checked),
  }
}

const crampedIn = ({ objects, scene }: Checked): string[] =>
  seenIn(objects).flatMap(({ object }) => {
    const room = kindOf(object).geometry.room?.(object)
    if (room === undefined || !isCornered(object) || object.corner === 0) return []
    const radius = scene.radius(object.corner)
    return radius > room + 1e-9
      ? [`The radius ${said(radius)} does not fit “${object.name}”, which has room for ${said(room)}.`]
      : []
  })

/** Losses between two states of a drawing, as sentences; none if there are none. */
export function lossesBetween(before: Condition, after: Condition): string[] {
  const known = new Set(before.snags.map(keyOf)),
    cramped = new Set(before.cramped.map(ofObject))
  const holes = after.holes - before.holes,
    pieces = after.pieces - before.pieces
  return [
    ...after.cramped.filter((sentence) => !cramped.has(ofObject(sentence))),
    ...(holes < 0 ? [holes === -1 ? 'A counter fills.' : `${-holes} counters fill.`] : []),
    ...(holes > 0 ? [holes === 1 ? 'A counter opens.' : `${holes} counters open.`] : []),
    ...(pieces < 0 ? ['Parts that were apart touch.'] : []),
    ...(pieces > 0 ? ['Parts that touched come apart.'] : []),
    ...after.snags.filter((snag) => !known.has(keyOf(snag))).map(({ sentence }) => sentence),
  ]
}

/** The name of the object in a sentence about room, in its quotation marks. */
const ofObject = (sentence: string): string => /“[^”]*”/.exec(sentence)?.[0] ?? ''
