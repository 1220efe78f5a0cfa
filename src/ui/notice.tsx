'use client'

import { X } from 'lucide-react'
import { useEffect } from 'react'
import { create } from 'zustand'
import { inKeys, useKeyboard } from './keys'

/** Something to do about a notice. */
type Action = { readonly label: string; readonly run: () => void }

/** A sentence below the bars at the right, where nothing is pressed, with one thing or two to do about it. */
type Notice = {
  readonly text: string
  readonly tone?: 'plain' | 'fault'
  readonly action?: Action
  readonly further?: Action
}

const useNotice = create<{ notice: Notice | null; at: number }>(() => ({ notice: null, at: 0 }))

/** Shows a notice; it replaces the last one and disappears after a while. */
export const say = (notice: Notice): void => useNotice.setState(({ at }) => ({ notice, at: at + 1 }))

const unsay = (): void => useNotice.setState({ notice: null })

/** How long something is said that may be answered or is wrong, and how long what only tells, in milliseconds. */
const LONG = 9000,
  SHORT = 3000

/** Where notices appear; once for each page. */
export function NoticeBar() {
  const { notice, at } = useNotice()
  const keyboard = useKeyboard()
  useEffect(() => {
    if (!notice) return
    const timer = setTimeout(unsay, notice.action || notice.tone === 'fault' ? LONG : SHORT)
    return () => clearTimeout(timer)
  }, [notice, at])
  return (
    <div role="status" aria-live="polite" className="pointer-events-none fixed top-[116px] right-3 z-50">
      {notice && (
        <div
          className={`pointer-events-auto flex max-w-[560px] items-center gap-3 rounded-sheet border bg-sheet py-1.5 pr-1.5 pl-3 ${notice.tone === 'fault' ? 'border-fault text-fault' : 'border-ink'}`}
        >
          <span>{inKeys(notice.text, keyboard)}</span>
          {[notice.action, notice.further].map(
            (action) =>
              action && (
                <button
                  key={action.label}
                  type="button"
                  className="font-[640] text-hand hover:underline"
                  onClick={() => {
                    action.run()
                    unsay()
                  }}
                >
                  {action.label}
                </button>
              ),
          )}
          <button type="button" aria-label="Dismiss" className="p-1 text-quiet hover:text-ink" onClick={unsay}>
            <X size={14} />
          </button>
        </div>
      )}
    </div>
  )
}
