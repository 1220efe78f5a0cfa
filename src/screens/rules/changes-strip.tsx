'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef } from 'react'
import { realSize } from '@/core/rules/real-size'
import type { IconSet } from '@/core/set/set'
import { useTheme } from '@/ui/theme'
import { PixelPicture } from '@/ui/pixel-picture'
import { observeRect } from '@/ui/observe-rect'
import { sourceOf } from '@/workers/draw'
import { IconPicture } from '../frame/icon-picture'
import type { Changes } from './changes'

/** The icons before and after the pending change; only visible ones are drawn. */
export function ChangesStrip({
  before,
  after,
  changes,
  left,
  onLeave,
  onFollow,
  whole,
  onWhole,
}: {
  before: IconSet
  after: IconSet | null
  changes: Changes | null
  left: ReadonlySet<string>
  onLeave: (icon: string) => void
  onFollow: () => void
  whole: boolean
  onWhole: () => void
}) {
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  const size = realSize(before.rules)
  const scroller = useRef<HTMLDivElement>(null)
  const width = (changes ? 2 * size + 36 : size) + 40
  const widthOf = (index: number) => width + ((changes?.found[index]?.strains.length ?? 0) > 0 ? WHY : 0)
  const count = changes ? changes.found.length : before.icons.length
  const virtual = useVirtualizer({
    horizontal: true,
    count,
    getScrollElement: () => scroller.current,
    observeElementRect: observeRect,
    estimateSize: widthOf,
    overscan: 4,
    paddingStart: 6,
    initialRect: { width: 1000, height: 0 },
  })
  useEffect(() => virtual.measure(), [virtual, width, changes])
  return (
    <section aria-label="Before and after" className="h-[124px] overflow-hidden border-t border-ink bg-sheet">
      <div className="flex items-baseline gap-4 px-4 pt-2">
        <h2 className="font-[640]">
          {changes ? `Before and after · ${changesInWords(changes, before.icons.length)}` : 'Icons under these rules'}
        </h2>
        {changes && (
          <button type="button" aria-pressed={whole} onClick={onWhole} className="underline hover:text-hand">
            {whole ? 'back to the diagram' : 'on one sheet'}
          </button>
        )}
        {left.size > 0 && (
          <span className="text-quiet">
            {left.size === 1 ? 'one icon is left as it looks' : `${left.size} icons are left as they look`}:{' '}
            <button type="button" onClick={onFollow} className="text-ink underline hover:text-hand">
              let {left.size === 1 ? 'it' : 'them'} follow
            </button>
          </span>
        )}
      </div>
      <div
        ref={scroller}
        tabIndex={0}
        role="group"
        aria-label="Before and after"
        className="h-[96px] overflow-x-auto py-2"
      >
        {before.icons.length === 0 && (
          <p className="px-4 text-quiet">No icon is drawn yet; the rules wait for the first.</p>
        )}
        <div className="relative h-full" style={{ width: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map(({ index, start }) => {
            const change = changes?.found[index],
              icon = change?.before ?? before.icons[index]!
            return (
              <figure
                key={icon.id}
                className="absolute top-0 flex text-center"
                style={{ left: start, width: widthOf(index) }}
              >
                <div style={{ width }} className="flex-none">
                  {change && after ? (
                    <div className="flex items-center justify-center gap-1.5">
                      <PixelPicture
                        source={sourceOf(change.before, before.rules, ground)}
                        size={size}
                        label={`${icon.name} before`}
                      />
                      <span aria-hidden className="text-quiet">
                        →
                      </span>
                      <PixelPicture
                        source={sourceOf(change.after, after.rules, ground)}
                        size={size}
                        label={`${icon.name} after`}
                      />
                    </div>
                  ) : (
                    <IconPicture
                      icon={icon}
                      rules={before.rules}
                      ground={ground}
                      size={size}
                      label={icon.name}
                      className="mx-auto"
                    />
                  )}
                  <figcaption className="mt-1 flex items-center justify-center gap-1 px-1 text-small text-quiet">
                    <span className="truncate">{icon.name}</span>
                    {change && <Leave icon={icon} isLeft={left.has(icon.id)} onLeave={onLeave} />}
                  </figcaption>
                </div>
                {change && change.strains.length > 0 && <Why strains={change.strains} />}
              </figure>
            )
          })}
        </div>
      </div>
    </section>
  )
}

/** Whether an icon is left as it looks: what changes by name becomes its own there. */
export function Leave({
  icon: { id, name },
  isLeft,
  onLeave,
}: {
  icon: { readonly id: string; readonly name: string }
  isLeft: boolean
  onLeave: (icon: string) => void
}) {
  return (
    <button
      type="button"
      aria-pressed={isLeft}
      aria-label={`Leave ${name} as it looks`}
      title={isLeft ? 'Let it follow the rules again' : 'Leave this icon as it looks'}
      onClick={() => onLeave(id)}
      className={isLeft ? 'bg-ink px-0.5 text-sheet' : 'underline decoration-dotted hover:text-hand'}
    >
      {isLeft ? 'left' : 'leave'}
    </button>
  )
}

/** How wide the words are that say what an icon loses, in pixels. */
const WHY = 190
/** Number of losses that are listed at once. */
const SAID = 3

/** What an icon loses, in a few lines. */
function Why({ strains }: { strains: readonly string[] }) {
  return (
    <ul
      style={{ width: WHY - 12 }}
      title={strains.join('\n')}
      className="max-h-[76px] overflow-hidden text-left text-small leading-[13px]"
    >
      {strains.slice(0, SAID).map((one) => (
        <li key={one}>
          <span aria-hidden className="text-snag">
            ◇
          </span>{' '}
          {one}
        </li>
      ))}
      {strains.length > SAID && <li className="text-quiet">and {strains.length - SAID} more</li>}
    </ul>
  )
}

/** A sentence with the numbers of compared and of changed icons. */
export function changesInWords({ found, looked }: Changes, of: number): string {
  if (looked < of) return `${found.length} icons change so far, ${of - looked} still to be looked at…`
  const need = found.filter(({ strains }) => strains.length > 0).length
  const hand = need === 0 ? '' : `, ${need} ${need === 1 ? 'needs' : 'need'} a hand`
  return found.length === 0 ? 'No icon changes its look.' : `${found.length} of ${of} icons change${hand}`
}
