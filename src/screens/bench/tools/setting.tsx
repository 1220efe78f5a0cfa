'use client'

/** The look of a number among the settings. */
export const FIELD = '!w-11 border-b border-ink text-center text-ink'

/** A setting with its word. */
export function Setting({ word, children }: { word: string; children: React.ReactNode }) {
  return (
    <label className="flex items-center gap-2 pl-3 whitespace-nowrap text-quiet">
      {word}
      {children}
    </label>
  )
}
