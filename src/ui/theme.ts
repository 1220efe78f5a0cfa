'use client'

import { useSyncExternalStore } from 'react'

type Theme = 'day' | 'night'

const KEY = 'wise-square:film'
const listeners = new Set<() => void>()

const current = (): Theme => (document.documentElement.dataset.theme === 'night' ? 'night' : 'day')

/** The colours that the interface is drawn in: by day or by night. */
export const useTheme = (): Theme =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    current,
    () => 'day',
  )

/** Changes between day and night; the choice is kept in this browser. */
export function toggleTheme(): void {
  const next: Theme = current() === 'night' ? 'day' : 'night'
  document.documentElement.dataset.theme = next
  try {
    localStorage.setItem(KEY, next)
  } catch {
    // Without storage the choice lasts as long as the page.
  }
  for (const listener of listeners) listener()
}

/** Run before the page is first painted, so that a page by night never flashes white. */
export const THEME_SCRIPT = `try{var f=localStorage.getItem('${KEY}');document.documentElement.dataset.theme=f||(matchMedia('(prefers-color-scheme: dark)').matches?'night':'day')}catch(e){}`
