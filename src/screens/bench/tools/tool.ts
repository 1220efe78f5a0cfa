import type { Point } from '@/core/geometry/point'
import type { Bench } from '../bench'

/** Where the pointer is, in grid units and on the stage, and what is held with it. `free` suspends snapping. */
export type At = {
  readonly p: Point
  readonly screen: Point
  readonly shift: boolean
  readonly alt: boolean
  readonly free: boolean
}

/** What a press began; it ends by release, or by cancel as if it had never been. */
export type Drag = { move(at: At): void; release(at: At): void; cancel(): void }

/** A tool in hand. A press may begin a drag; `key` says whether it used the key. */
export type Tool = {
  readonly cursor: string
  readonly hint: string
  press(at: At): Drag | null
  hover?(at: At): void
  twice?(at: At): void
  /** A key pressed, or let go where `down` is false. */
  key?(key: string, down?: boolean): boolean
}

export type MakeTool = (bench: Bench) => Tool
