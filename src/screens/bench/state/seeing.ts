/** What can be shown on the square or hidden. */
export type Layers = {
  readonly grid: boolean
  readonly keylines: boolean
  readonly liveArea: boolean
  readonly guides: boolean
  readonly rulers: boolean
  readonly references: boolean
}

/** The drawing's view mode, and the layers shown on the square. */
export type Seeing = {
  readonly layers: Layers
  readonly seeing: 'finish' | 'outline' | 'tints' | 'pixels'
  readonly seenPixels: number | null
  readonly also: {
    readonly snags: boolean
    readonly allNodes: boolean
    readonly dimOthers: boolean
    readonly darkSquare: boolean
  }
  /** The delivered size whose pixels the rulers count; null for grid units. */
  readonly rulerPixels: number | null
  /** Nothing but the icon is shown, as long as a key is held. */
  readonly bare: boolean
  readonly showKeys: boolean
}

export const seeing: Seeing = {
  layers: { grid: true, keylines: true, liveArea: true, guides: true, rulers: true, references: true },
  seeing: 'finish',
  seenPixels: null,
  also: { snags: true, allNodes: false, dimOthers: false, darkSquare: false },
  rulerPixels: null,
  bare: false,
  showKeys: false,
}
