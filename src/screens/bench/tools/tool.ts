import type { Point } from '@/core/geometry/point'
import type { LucideIcon } from 'lucide-react'
import type { ComponentType } from 'react'
import type { Bench } from '../state/bench'
import type { Drawable } from '../state/drawable'
import type { Holding } from '../state/building'

/** The pointer's position in grid units and on the stage, with the held keys. `free` suspends snapping. */
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
  /** Marks on the selection: frame handles with grips, grips only, or nodes; and the outline under the pointer. */
  readonly shows?: { readonly handles?: true; readonly grips?: true; readonly nodes?: true; readonly hovered?: true }
  /** A layer over the square for as long as the tool is current. */
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
  /** In a narrow window it stands in the tool line without its word. */
  readonly isSeldom?: true
  readonly make: (bench: Bench) => Tool
  /** The selection that the tool requires, and the act it performs on it when taken. */
  readonly needs?: (bench: Bench) => string | null
  readonly begin?: (bench: Bench) => void
  readonly Settings?: ComponentType
  /**
   * How the keyboard presses: Enter alternates press and release, clicks, or is unused because arrows nudge the
   * selection.
   */
  readonly byKeys?: 'clicks' | 'never'
}

/** The tools of a bench, by their ids. */
export type Tools = Readonly<Record<string, Tool>>
