/** A window that shows a set, and the icon that is open in it, if any. */
export type Visitor = { readonly window: string; readonly set: string; readonly icon: string | null }

/**
 * What a server tells all windows, and windows of one browser each other: a set has another revision, the shelf changed,
 * who is at a set, that somebody left it unsaved, or that something may have been missed.
 */
export type Told =
  | { readonly kind: 'set'; readonly set: string; readonly revision: number }
  | { readonly kind: 'shelf' }
  | { readonly kind: 'visitors'; readonly set: string; readonly visitors: readonly Visitor[] }
  /** A window was closed, or left a set, with changes that are not saved. */
  | { readonly kind: 'left'; readonly set: string }
  | { readonly kind: 'again' }
