'use client'

import { useSyncExternalStore } from 'react'

type Film = 'day' | 'night'

const KEY = 'wise-square:film'
const listeners = new Set<() => void>()

const current = (): Film => (document.documentElement.dataset.film === 'night' ? 'night' : 'day')

/** The film that the interface is drawn on. */
export const useFilm = (): Film =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    current,
    () => 'day',
  )

/** Changes between day and night film; the choice is kept in this browser. */
export function toggleFilm(): void {
  const next: Film = current() === 'night' ? 'day' : 'night'
  document.documentElement.dataset.film = next
  try {
    localStorage.setItem(KEY, next)
  } catch {
    // Without storage the choice lasts as long as the page.
  }
  for (const listener of listeners) listener()
}

/** Run before the page is first painted, so that a night film never flashes white. */
export const FILM_SCRIPT = `try{var f=localStorage.getItem('${KEY}');document.documentElement.dataset.film=f||(matchMedia('(prefers-color-scheme: dark)').matches?'night':'day')}catch(e){}`
