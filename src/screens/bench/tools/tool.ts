import type { Point } from '@/core/geometry/point'
import type { LucideIcon } from 'lucide-react'
import type { ComponentType } from 'react'
import type { Bench } from '../state/bench'
import type { Drawable } from '../state/drawable'
import type { Holding } from '../state/building'

/** Where the pointer is, in grid units and on the stage, and what is held with it. `free` suspends snapping. */
export type At = {
  readonly p: Point
  readonly screen: Point
  readonly shift: boolean
  readonly alt: boolean
  readonly free: boolean
  /** Where it was since the last move, where the device tells more than the screen shows. */
  readonly since?: readonly Point[]
}

/** What a press began; it ends by release, or by cancel as if it had never been. */
export type Drag = { move(at: At): void; release(at: At): void; cancel(): void }

/** A tool in hand. A press may begin a drag; `key` says whether it used the key. */
export type Tool = Holding & {
  readonly cursor: string
  readonly hint: string
  /** What is shown of the selection: the handles of its frame with its grips, its grips alone, its nodes; and the outline of what is under the pointer. */
  readonly shows?: { readonly handles?: true; readonly grips?: true; readonly nodes?: true; readonly hovered?: true }
  /** What is drawn over the square as long as the tool is in hand. */
  marks?(): readonly Drawable[]
  press(at: At): Drag | null
  hover?(at: At): void
  twice?(at: At): void
  /** A key pressed, or let go where `down` is false. */
  key?(key: string, down?: boolean): boolean
}

/**
 * All that the bench knows of a tool. It stands in the tool line in its cluster, or under another whose settings lead to
 * it; without a cluster only a panel takes it.
 */
export type ToolDefinition = {
  readonly id: string
  readonly name: string
  readonly cluster?: 'Lay' | 'Shape' | 'Combine'
  readonly key?: string
  readonly under?: string
  readonly picture: LucideIcon
  readonly make: (bench: Bench) => Tool
  /** What has to be selected before it is taken, and what is done to it then. */
  readonly needs?: (bench: Bench) => string | null
  readonly begin?: (bench: Bench) => void
  readonly Settings?: ComponentType
  /**
   * How its presses are made by keys, where Enter is not at first a press and then a release: Enter as a click, or
   * never, because arrows nudge what is selected.
   */
  readonly byKeys?: 'clicks' | 'never'
}

/** The tools of a bench, by their ids. */
export type Tools = Readonly<Record<string, Tool>>
