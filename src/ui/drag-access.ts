import type { Announcements, UniqueIdentifier } from '@dnd-kit/core'

/**
 * What a screen reader is told while rows are dragged, by their names; it goes to the end of the page: a list may hold
 * nothing but its items.
 */
export function dragAccess(nameOf: (id: string) => string): { container?: HTMLElement; announcements: Announcements } {
  const name = ({ id }: { id: UniqueIdentifier }) => nameOf(String(id))
  return {
    ...(typeof document !== 'undefined' && { container: document.body }),
    announcements: {
      onDragStart: ({ active }) => `${name(active)} is held.`,
      onDragOver: ({ active, over }) => (over ? `${name(active)} is at ${name(over)}.` : `${name(active)} is nowhere.`),
      onDragEnd: ({ active, over }) =>
        over ? `${name(active)} was put to ${name(over)}.` : `${name(active)} was let go.`,
      onDragCancel: ({ active }) => `${name(active)} is where it was.`,
    },
  }
}
