'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef } from 'react'
import { realSize } from '@/core/rules/real-size'
import type { IconSet } from '@/core/set/set'
import { useFilm } from '@/ui/film'
import { PixelPicture } from '@/ui/pixel-picture'
import { observeRect } from '@/ui/observe-rect'
import { sourceOf } from '@/workers/draw'
import { IconPicture } from '../frame/icon-picture'
import type { Changes } from './changes'

/** The icons before and after the pending change, or as they are; only those in sight are drawn. */
export function Strip({ before, after, changes }: { before: IconSet; after: IconSet | null; changes: Changes | null }) {
  const ground = useFilm() === 'night' ? 'dark' : 'light'
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
      <h2 className="px-4 pt-2 font-[640]">
        {changes ? `Before and after · ${changesInWords(changes, before.icons.length)}` : 'Icons under these rules'}
      </h2>
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
                  <figcaption className="mt-1 truncate px-1 text-small text-quiet">{icon.name}</figcaption>
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

/** How wide the words are that say what an icon loses, in pixels. */
const WHY = 190
/** How many of them are said at once. */
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

/** How many icons change, as far as they were looked at. */
export function changesInWords({ found, looked }: Changes, of: number): string {
  if (looked < of) return `${found.length} icons change so far, ${of - looked} still to be looked at…`
  const need = found.filter(({ strains }) => strains.length > 0).length
  const hand = need === 0 ? '' : `, ${need} ${need === 1 ? 'needs' : 'need'} a hand`
  return found.length === 0 ? 'No icon changes its look.' : `${found.length} of ${of} icons change${hand}`
}
