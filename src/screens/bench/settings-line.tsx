'use client'

import clsx from 'clsx'
import { useEffect, useRef, useState } from 'react'
import { inKeys, useKeyboard } from '@/ui/keys'
import { useBenchState, useSlice } from './state/context'
import { LAY } from './tools/laying'
import { toolOf } from './tools/tools'
import type { Tools } from './tools/tool'
import { ViewLists } from './view-lists'

/** The height of the line in pixels. */
const HEIGHT = 28

/**
 * One row above the square: the tool's settings, its hint, and the lists of the view. Settings that do not fit open under
 * “more” and cover the square, so that its size stays.
 */
export function SettingsLine({ tools }: { tools: Tools }) {
  const tool = useBenchState((state) => state.tool)
  // What a tool says of itself depends on how it lays.
  useSlice(LAY)
  const { name, Settings } = toolOf(tool),
    hint = inKeys(tools[tool]!.hint, useKeyboard())
  return (
    <div className="relative z-10 flex h-7 items-stretch border-b border-hair bg-sheet">
      <span className="flex flex-none border-r border-hair px-3 font-[640] leading-[27px]">{name}</span>
      <div aria-label={`Settings of ${name}`} role="group" className="flex min-w-0 flex-1">
        {Settings && (
          <OneRow key={tool}>
            <Settings />
          </OneRow>
        )}
        <span
          title={hint}
          className={clsx(
            'min-w-0 flex-1 truncate px-3 text-small leading-[27px] text-quiet',
            Settings && 'max-[1440px]:hidden',
          )}
        >
          {hint}
        </span>
      </div>
      <ViewLists />
    </div>
  )
}

/** Settings in one row; a button shows the rows below it, where there are any. */
function OneRow({ children }: { children: React.ReactNode }) {
  const content = useRef<HTMLDivElement>(null)
  const [isLonger, setLonger] = useState(false)
  const [open, setOpen] = useState(false)
  useEffect(() => {
    const look = () => setLonger(content.current!.scrollHeight > HEIGHT + 4)
    const observer = new ResizeObserver(look),
      changes = new MutationObserver(look)
    observer.observe(content.current!)
    changes.observe(content.current!, { childList: true, subtree: true, characterData: true })
    return () => {
      observer.disconnect()
      changes.disconnect()
    }
  }, [])
  const isOpen = open && isLonger
  return (
    <div className="flex min-w-0 flex-[0_1_auto] items-start border-r border-hair [&:has(>div>div:empty)]:hidden">
      <div className={clsx('min-w-0', !isOpen && 'h-[27px] overflow-hidden')}>
        <div
          ref={content}
          data-testid="settings"
          // A field below the row is reached by keys: then the rows are shown.
          onFocus={({ target, currentTarget }) => {
            const below =
              target.getBoundingClientRect().top > currentTarget.parentElement!.getBoundingClientRect().bottom
            if (isLonger && target.matches(':focus-visible') && (below || currentTarget.parentElement!.scrollTop > 0)) {
              currentTarget.parentElement!.scrollTop = 0
              setOpen(true)
            }
          }}
          className={clsx(
            'flex min-h-[27px] flex-wrap items-center gap-y-1 bg-sheet pt-px pr-2 [&>*]:flex-wrap [&>*]:gap-y-1',
            isOpen && 'border-b border-hair pb-0.5',
          )}
        >
          {children}
        </div>
      </div>
      {isLonger && (
        <button
          type="button"
          aria-expanded={isOpen}
          title="Further settings of the tool"
          onClick={(event) => {
            event.currentTarget.blur()
            setOpen(!open)
          }}
          className="h-[27px] flex-none border-l border-hair px-2 hover:bg-film aria-expanded:bg-film"
        >
          more {isOpen ? '▴' : '▾'}
        </button>
      )}
    </div>
  )
}
