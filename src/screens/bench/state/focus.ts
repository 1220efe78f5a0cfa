import type { Point } from '@/core/geometry/point'
import type { View } from './view'

/** The open icon and master, the selection, and the current tool. */
export type Focus = {
  readonly icon: string | null
  /** The base size of the master that is open; null for the one on the grid of the rules. */
  readonly master: number | null
  readonly selection: ReadonlySet<string>
  /** The container that was stepped into; null for the drawing itself. */
  readonly scope: string | null
  /** The selected nodes of the selected path, as “contour node”. */
  readonly nodes: ReadonlySet<string>
  /** The node that others are aligned to, where one is marked. */
  readonly markedNode: string | null
  /** What turning, scaling and slanting go about; null for the middle of the selection. */
  readonly pivot: Point | null
  readonly tool: string
  /** The tool whose hint is at the pointer, until its first press. */
  readonly hinted: string | null
  readonly view: View | null
  readonly stage: { readonly w: number; readonly h: number }
  readonly pointer: Point | null
  readonly hover: string | null
  /** Whether a press goes on. */
  readonly dragging: boolean
}

export const focusOn = (icon: string | null): Focus => ({
  icon,
  master: null,
  selection: new Set(),
  scope: null,
  nodes: new Set(),
  markedNode: null,
  pivot: null,
  tool: 'select',
  hinted: null,
  view: null,
  stage: { w: 0, h: 0 },
  pointer: null,
  hover: null,
  dragging: false,
})
