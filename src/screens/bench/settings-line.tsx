'use client'

import clsx from 'clsx'
import { inKeys, useKeyboard } from '@/ui/keys'
import { useBenchState, useSlice } from './state/context'
import { LAY } from './tools/laying'
import { toolOf } from './tools/tools'
import type { Tools } from './tools/tool'

/** Over the square: the settings of the tool in hand, in as many lines as they need, and how it is used. */
export function SettingsLine({ tools }: { tools: Tools }) {
  const tool = useBenchState((state) => state.tool)
  // What a tool says of itself depends on how it lays.
  useSlice(LAY)
  const { name, Settings } = toolOf(tool),
    hint = inKeys(tools[tool]!.hint, useKeyboard())
  return (
    <div
      aria-label={`Settings of ${name}`}
      role="group"
      className="flex min-h-7 flex-wrap items-center gap-y-0.5 border-b border-hair bg-sheet"
    >
      <span className="flex self-stretch border-r border-hair px-3 font-[640] leading-[27px]">{name}</span>
      {Settings && (
        <div className="flex flex-wrap items-center gap-y-0.5 border-r border-hair pr-2">
          <Settings />
        </div>
      )}
      <span
        title={hint}
        className={clsx(
          'min-w-0 flex-1 basis-0 truncate px-3 text-small text-quiet',
          Settings && 'max-[1180px]:hidden',
        )}
      >
        {hint}
      </span>
    </div>
  )
}
