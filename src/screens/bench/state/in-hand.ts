import type { Point } from '@/core/geometry/point'
import type { SnapMark } from '@/core/snap/snap'
import type { Drawable } from './drawable'

/** What the tool in hand shows over the square, in grid units. */
export type InHand = {
  /** What a position was snapped to. */
  readonly marks: readonly SnapMark[]
  /** Objects of the drawing itself that are shown elsewhere while they are moved. */
  readonly shifted: { readonly ids: ReadonlySet<string>; readonly by: Point } | null
  /** A figure in words beside a place, such as a size while it is dragged. */
  readonly figure: { readonly at: Point; readonly text: string } | null
  /** What the next press would do, in a word at the pointer. */
  readonly intent: { readonly at: Point; readonly word: string } | null
  /** Lines, nodes, boxes and whatever else it draws. */
  readonly drawn: readonly Drawable[]
  /** What tools keep until the hand lets go, by name. */
  readonly kept: Readonly<Record<string, object>>
}

export const NOTHING_IN_HAND: InHand = { marks: [], shifted: null, figure: null, intent: null, drawn: [], kept: {} }
