import { createStore, type StoreApi } from 'zustand/vanilla'
import type { PaintPlace } from '@/core/drawing/finish'
import type { Node } from '@/core/drawing/node'
import type { Point } from '@/core/geometry/point'
import type { SnapMark } from '@/core/snap/snap'
import type { SnapSwitches } from '@/core/snap/targets'
import type { AlignTo } from './arrange/arrange-operations'
import type { EllipsePart } from './tools/fresh-shape'
import type { Measured } from './tools/measure'
import type { Sample } from './tools/sample'
import type { View } from './view'

export type ToolId =
  | 'select'
  | 'nodes'
  | 'rectangle'
  | 'ellipse'
  | 'polygon'
  | 'star'
  | 'arrow'
  | 'spiral'
  | 'line'
  | 'pen'
  | 'freehand'
  | 'text'
  | 'corner'
  | 'turn'
  | 'mirror'
  | 'measure'
  | 'sample'
  | 'place'
  | 'crop'

/** What can be shown on the square or hidden. */
export type Layers = {
  readonly grid: boolean
  readonly keylines: boolean
  readonly liveArea: boolean
  readonly guides: boolean
  readonly rulers: boolean
  readonly references: boolean
}

/** What the tool in hand draws over the square, in grid units. */
export type InHand = {
  readonly marks: readonly SnapMark[]
  /** Objects of the drawing itself that are shown elsewhere while they are moved. */
  readonly shifted: { readonly ids: ReadonlySet<string>; readonly by: Point } | null
  /** A figure in words beside a place, such as a size while it is dragged. */
  readonly figure: { readonly at: Point; readonly text: string } | null
  /** The box of a selection being drawn. */
  readonly lasso: { readonly from: Point; readonly to: Point } | null
  /** A path under way with the pen: its nodes, and the segment the next press would add. */
  readonly pen: PenInHand | null
  /** The line a hand is drawing. */
  readonly trail: readonly Point[] | null
  /** A mirror line being drawn. */
  readonly axis: { readonly at: Point; readonly angle: number } | null
  /** What the sampler sees under the pointer. */
  readonly loupe: ({ readonly at: Point } & Sample) | null
  /** What the next press would do, in a word at the pointer. */
  readonly intent: { readonly at: Point; readonly word: string } | null
}

/** What the pen has drawn so far. `onto` is the open end of a path that it goes on from. */
export type PenInHand = {
  readonly nodes: readonly Node[]
  readonly next: Node | null
  readonly closing: boolean
  readonly onto: { readonly id: string; readonly contour: number } | null
}

/** The height of the ledger until it is drawn higher. */
export const LEDGER = 190

/** How wide the names of the ledger are at first, and may be, in pixels. */
export const NAMES = 112,
  WIDEST_NAMES = 480

export const NOTHING_IN_HAND: InHand = {
  marks: [],
  shifted: null,
  figure: null,
  lasso: null,
  pen: null,
  trail: null,
  axis: null,
  loupe: null,
  intent: null,
}

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
  /** The delivered size whose pixels are the grid that is snapped to; null for the grid of the rules. */
  readonly pixelsOf: number | null
  /** The anchor that x, y, w and h refer to, as a share of the frame. */
  readonly anchor: Point
  readonly linked: boolean
  readonly hover: string | null
  readonly inHand: InHand
  readonly pointer: Point | null
  readonly showKeys: boolean
  readonly panel: 'objects' | 'nodes' | 'colours' | 'references' | 'guides' | 'history'
  /** The paint that colours go to, and the stop of it where it is a gradient. */
  readonly paintInHand: { readonly place: PaintPlace; readonly stop: number | null }
  /** Colours that were sampled, the latest first. */
  readonly sampled: readonly string[]
  /** Pixels along the square whose average is sampled. */
  readonly sampleSide: 1 | 3 | 5 | 11
  readonly referenceInHand: string | null
  /** The reference that the icon is compared with, and by how much they differ. */
  readonly compare: string | null
  readonly mismatch: { readonly mean: number; readonly ofInk: number } | null
  /** How the drawing is seen, and what else is. */
  readonly seeing: 'finish' | 'outline' | 'tints' | 'pixels'
  readonly seenPixels: number | null
  readonly also: { readonly allNodes: boolean; readonly dimOthers: boolean; readonly darkSquare: boolean }
  /** The delivered size whose pixels the rulers count; null for grid units. */
  readonly rulerPixels: number | null
  /** The height of the ledger in pixels. */
  readonly ledgerHeight: number
  /** How wide the names of the ledger are, in pixels. */
  readonly nameWidth: number
  readonly alignTo: AlignTo
  /** The gap that objects are spaced by; null shares what is between the outermost. */
  readonly gap: number | null
  /** The tool whose hint is at the pointer, until its first press. */
  readonly hinted: ToolId | null
  /** Nothing but the icon is shown, as long as a key is held. */
  readonly bare: boolean
  /** The selected nodes of the selected path, as “contour node”. */
  readonly nodes: ReadonlySet<string>
  /** The node that others are aligned to, where one is marked. */
  readonly reference: string | null
  /** What the tools that lay shapes start from. */
  readonly sides: number
  readonly layBy: 'corners' | 'tilted' | 'three'
  readonly part: EllipsePart
  /** The size that a click places; null when none was typed. */
  readonly laySize: { readonly w: number; readonly h: number } | null
  readonly smoothness: number
  /** What turning, scaling and slanting go about; null for the middle of the selection. */
  readonly pivot: Point | null
  readonly turnBy: 'turn' | 'scale' | 'slant'
  /** An edit that waits for an answer, because a shape would become a path by it. */
  readonly question: { readonly name: string; readonly lost: string; readonly accept: () => void } | null
  /** Whether the words of the selected text are about to be typed. */
  readonly typing: boolean
  readonly measureBy: 'distance' | 'circle'
  readonly measured: Measured | null
  /** Whether weights and corners of an object's own scale with it. */
  readonly scaleOwn: boolean
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
    layers: { grid: true, keylines: true, liveArea: true, guides: true, rulers: true, references: true },
    snaps: {
      grid: true,
      keylines: true,
      guides: true,
      nodes: true,
      middles: true,
      crossings: true,
      tangents: true,
      extensions: true,
      gaps: true,
      edges: false,
    },
    pixelsOf: null,
    anchor: { x: 0, y: 0 },
    linked: false,
    hover: null,
    inHand: NOTHING_IN_HAND,
    pointer: null,
    showKeys: false,
    panel: 'objects',
    paintInHand: { place: 'fill', stop: null },
    sampled: [],
    sampleSide: 1,
    referenceInHand: null,
    compare: null,
    mismatch: null,
    seeing: 'finish',
    seenPixels: null,
    also: { allNodes: false, dimOthers: false, darkSquare: false },
    rulerPixels: null,
    ledgerHeight: LEDGER,
    nameWidth: NAMES,
    alignTo: 'selection',
    gap: null,
    hinted: null,
    bare: false,
    nodes: new Set(),
    reference: null,
    sides: 6,
    layBy: 'corners',
    part: 'whole',
    laySize: null,
    smoothness: 0.25,
    pivot: null,
    turnBy: 'turn',
    question: null,
    typing: false,
    measureBy: 'distance',
    measured: null,
    scaleOwn: false,
  }))
}
