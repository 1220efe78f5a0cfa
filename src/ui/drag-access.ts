/**
 * What a screen reader is told while rows are dragged goes to the end of the page: a list may hold nothing but its
 * items.
 */
export const DRAG_ACCESS = typeof document === 'undefined' ? {} : { container: document.body }
