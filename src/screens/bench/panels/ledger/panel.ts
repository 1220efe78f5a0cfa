import type { ComponentType, RefObject } from 'react'

/** A panel of the ledger: its title, its count, and its scrolling content. */
export type Panel = {
  readonly id: string
  readonly word: string
  /** A hook; null where there is nothing to count. */
  readonly useCount?: () => number | null
  readonly Body: ComponentType<{ scroller: RefObject<HTMLDivElement | null> }>
}
