import type { observeElementRect } from '@tanstack/react-virtual'

/**
 * Tells a virtual list how large its scroller is, once the page is laid out by itself: asked before, the browser would
 * have to do it twice over.
 */
export const observeRect: typeof observeElementRect = (instance, tell) => {
  const element = instance.scrollElement as HTMLElement | null
  if (!element) return
  const observer = new ResizeObserver(() => tell({ width: element.offsetWidth, height: element.offsetHeight }))
  observer.observe(element)
  return () => observer.disconnect()
}
