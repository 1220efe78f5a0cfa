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
      onDragStart: ({ active }) => `${name(active)} is picked up.`,
      onDragOver: ({ active, over }) =>
        over ? `${name(active)} is over ${name(over)}.` : `${name(active)} is over no place where it can go.`,
      onDragEnd: ({ active, over }) =>
        over
          ? `${name(active)} was dropped on ${name(over)}.`
          : `${name(active)} was dropped outside of the list. It stays where it was.`,
      onDragCancel: ({ active }) => `${name(active)} is back in its place.`,
    },
  }
}
