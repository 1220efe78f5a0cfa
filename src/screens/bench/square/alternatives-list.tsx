'use client'

import clsx from 'clsx'
import { useState } from 'react'
import { alternativesOf, titleOf } from '@/core/set/set'
import { RightMenu } from '@/ui/menu'
import { NameDialog } from '@/ui/name-dialog'
import { useTheme } from '@/ui/theme'
import { PixelPicture } from '@/ui/pixel-picture'
import { useBench, useBenchState, useDeferredMaster, useRules } from '../state/context'
import { RULER } from '../state/view'
import { drawOn, keepAlternative, nameAlternative, removeAlternative } from '../operations/alternatives'
import { OverSquare } from './layers/over-square'

/** The drawing and its alternatives side by side; a press draws on another one. */
export function AlternativesList() {
  const bench = useBench()
  const master = useDeferredMaster()
  const rules = useRules()
  const rulers = useBenchState((state) => state.layers.rulers)
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  const [naming, setNaming] = useState<string | null>(null)
  if (!master) return null
  const others = alternativesOf(master),
    title = titleOf(master)
  const all = [{ name: title, objects: master.objects }, ...others].toSorted((a, b) => (a.name < b.name ? -1 : 1))
  const edge = (rulers ? RULER : 0) + 8
  return (
    <OverSquare
      role="group"
      aria-label="Alternatives"
      className="flex w-[84px] flex-col items-start gap-0.5 text-small"
      style={{ top: edge, left: edge }}
    >
      {others.length > 0 &&
        all.map(({ name, objects }) => (
          <RightMenu
            key={name}
            list={[
              { label: 'Rename …', run: () => setNaming(name) },
              { label: 'Remove', disabled: name === title, danger: true, run: () => removeAlternative(bench, name) },
            ]}
          >
            <button
              type="button"
              aria-pressed={name === title}
              title={name === title ? 'This one is drawn on and delivered' : `Draw on ${name}`}
              onClick={() => name !== title && drawOn(bench, name)}
              className={clsx(
                'flex w-full items-center gap-1.5 border bg-sheet p-1 text-left',
                name === title ? 'border-ink' : 'border-hair hover:border-ink',
              )}
            >
              <PixelPicture source={{ objects, rules, ground }} size={24} label={`The alternative ${name}`} />
              <span className="min-w-0 flex-1 break-words leading-[12px]">{name}</span>
            </button>
          </RightMenu>
        ))}
      <button
        type="button"
        title="Keep the drawing as it is and go on with a copy"
        onClick={(event) => {
          event.currentTarget.blur()
          keepAlternative(bench)
        }}
        className="px-1 text-quiet hover:text-ink"
      >
        + alternative
      </button>
      {naming !== null && (
        <NameDialog
          title="Rename the alternative"
          name={naming}
          onName={(name) => nameAlternative(bench, naming, name)}
          onClose={() => setNaming(null)}
        />
      )}
    </OverSquare>
  )
}
