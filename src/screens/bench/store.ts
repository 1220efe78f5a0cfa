import { createStore, type StoreApi } from 'zustand/vanilla'
import type { Point } from '@/core/geometry/point'
import type { SnapMark } from '@/core/snap/snap'
import type { SnapSwitches } from '@/core/snap/targets'
import type { View } from './view'

export type ToolId = 'select' | 'rectangle' | 'ellipse' | 'line' | 'polyline'

/** What can be shown on the square or hidden. */
export type Layers = { readonly grid: boolean; readonly keylines: boolean; readonly liveArea: boolean; readonly rulers: boolean }

/** What the tool in hand draws over the square, in grid units. */
export type InHand = {
  readonly marks: readonly SnapMark[]
  /** A figure in words beside a place, such as a size while it is dragged. */
  readonly figure: { readonly at: Point; readonly text: string } | null
  /** The box of a selection being drawn. */
  readonly lasso: { readonly from: Point; readonly to: Point } | null
  /** A polyline under way: its nodes and where the next would go. */
  readonly polyline: { readonly nodes: readonly Point[]; readonly next: Point | null; readonly closing: boolean } | null
}

export const NOTHING_IN_HAND: InHand = { marks: [], figure: null, lasso: null, polyline: null }

/** What is open on the bench and how it is seen; the drawing itself is the session's. */
export type BenchState = {
  readonly icon: string | null
  readonly selection: ReadonlySet<string>
  /** The container that was stepped into; null for the drawing itself. */
  readonly scope: string | null
  readonly tool: ToolId
  readonly view: View | null
  readonly stage: { readonly w: number; readonly h: number }
  readonly layers: Layers
  readonly snaps: SnapSwitches
  /** The anchor that x, y, w and h refer to, as a share of the frame. */
  readonly anchor: Point
  readonly linked: boolean
  readonly hover: string | null
  readonly inHand: InHand
  readonly pointer: Point | null
  readonly showKeys: boolean
  readonly panel: 'objects' | 'history'
}

export type BenchStore = StoreApi<BenchState>

export function createBenchStore(icon: string | null): BenchStore {
  return createStore<BenchState>(() => ({
    icon,
    selection: new Set(),
    scope: null,
    tool: 'select',
    view: null,
    stage: { w: 0, h: 0 },
    layers: { grid: true, keylines: true, liveArea: true, rulers: true },
    snaps: { grid: true, keylines: true, objects: true },
    anchor: { x: 0, y: 0 },
    linked: false,
    hover: null,
    inHand: NOTHING_IN_HAND,
    pointer: null,
    showKeys: false,
    panel: 'objects',
  }))
}
