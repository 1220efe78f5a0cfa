'use client'

import { X } from 'lucide-react'
import { useEffect } from 'react'
import { create } from 'zustand'
import { inKeys, useKeyboard } from './keys'

/** A sentence at the foot of the screen, with at most one thing to do about it. */
export type Notice = {
  readonly text: string
  readonly tone?: 'plain' | 'fault'
  readonly action?: { readonly label: string; readonly run: () => void }
}

const useNotice = create<{ notice: Notice | null; at: number }>(() => ({ notice: null, at: 0 }))

/** Says something; it replaces what was said before and goes after a while. */
export const say = (notice: Notice): void => useNotice.setState(({ at }) => ({ notice, at: at + 1 }))

const unsay = (): void => useNotice.setState({ notice: null })

/** Where notices appear; once for each page. */
export function NoticeBar() {
  const { notice, at } = useNotice()
  const keyboard = useKeyboard()
  useEffect(() => {
    const timer = setTimeout(unsay, 9000)
    return () => clearTimeout(timer)
  }, [at])
  return (
    <div
      role="status"
      aria-live="polite"
      className="pointer-events-none fixed inset-x-0 bottom-4 z-50 flex justify-center"
    >
      {notice && (
        <div
          className={`pointer-events-auto flex max-w-[680px] items-center gap-3 rounded-sheet border bg-sheet py-2 pr-2 pl-4 text-lead ${notice.tone === 'fault' ? 'border-fault text-fault' : 'border-ink'}`}
        >
          <span>{inKeys(notice.text, keyboard)}</span>
          {notice.action && (
            <button
              type="button"
              className="font-[640] text-hand hover:underline"
              onClick={() => {
                notice.action!.run()
                unsay()
              }}
            >
              {notice.action.label}
            </button>
          )}
          <button type="button" aria-label="Dismiss" className="p-1 text-quiet hover:text-ink" onClick={unsay}>
            <X size={14} />
          </button>
        </div>
      )}
    </div>
  )
}
