'use client'

import { pictureText } from '@/core/picture/stored'
import clsx from 'clsx'
import { useEffect, useMemo, useState } from 'react'
import { optionsOf } from '@/core/targets/options'
import { appsOf, filesOfIcon } from '@/core/targets/plan'
import { IconRenderer } from '@/core/targets/icon-renderer'
import type { Surface, Preview, Target } from '@/core/targets/target'
import { drawingProblem } from '@/core/picture/drawing-problem'
import { bringClock } from '@/core/geometry/deadline'
import type { Icon, IconSet } from '@/core/set/set'
import { NameChoice } from '@/ui/name-choice'
import { PixelPicture } from '@/ui/pixel-picture'

/** How wide an icon is in each place, in pixels. */
const SIDES: Record<Surface, number> = {
  tab: 16,
  home: 60,
  launcher: 56,
  'task bar': 24,
  tile: 96,
  'tool bar': 24,
  'tab bar': 24,
  text: 20,
  dock: 64,
}

/**
 * How an icon looks where each ticked target is used. The target that is shown comes first, with its note and the file
 * that the icon is written to; the name of another brings it there.
 */
export function InPlace({
  set,
  targets,
  shown,
  onShow,
}: {
  set: IconSet
  targets: readonly Target[]
  shown: Target
  onShow: (id: string) => void
}) {
  const icons = shown.isForApps ? appsOf(set) : set.icons
  const [chosen, setChosen] = useState<string | null>(null)
  const icon = icons.find(({ id }) => id === chosen) ?? icons[0]
  const files = useMemo(() => (icon ? filesOfIcon(icon, set, [shown.id]) : []), [icon, set, shown])
  const example = files.find(({ made }) => made.as !== 'fixed')
  const others = targets.filter((target) => target !== shown && target.previews)
  // One target's pictures come after the other's, so that the page answers meanwhile.
  const [count, setCount] = useState(0)
  useEffect(() => {
    if (count >= others.length) return
    const timer = setTimeout(() => setCount(count + 1))
    return () => clearTimeout(timer)
  }, [count, others.length])
  return (
    <section
      aria-label="In place"
      className="max-h-[45%] flex-none overflow-y-auto border-b border-hair bg-sheet px-4 py-3"
    >
      <div className="mb-2 flex items-baseline gap-3">
        <h2 className="text-title font-[640]">{shown.name}</h2>
        <span className="text-quiet">{shown.platform}</span>
        {icon && (
          <NameChoice
            label="Icon that is shown in place"
            all={icons}
            chosen={icon.id}
            prompt=""
            onChoose={setChosen}
            className="field ml-auto"
          />
        )}
      </div>
      <p className="mb-3 max-w-[720px] text-quiet">{shown.note}</p>
      {icon ? (
        <Previews icon={icon} set={set} target={shown} />
      ) : (
        <p className="text-quiet">
          {shown.isForApps ? 'No icon of this set stands for an app yet.' : 'No icon is drawn yet.'}
        </p>
      )}
      {icon && example && (
        <p className="mt-2 flex gap-1.5 text-quiet">
          <span className="flex-none">{icon.name} is written to</span>{' '}
          <code className="min-w-0 truncate font-mono text-ink">{example.path}</code>{' '}
          {files.length > 1 && <span className="flex-none">and {files.length - 1} more</span>}
        </p>
      )}
      {others.slice(0, count).map((target) => {
        const of = target.isForApps ? appsOf(set) : set.icons
        const one = of.find(({ id }) => id === icon?.id) ?? of[0]
        return (
          one && (
            <div key={target.id} className="mt-3 border-t border-hair pt-2">
              <button type="button" onClick={() => onShow(target.id)} className="mb-1.5 font-[560] hover:text-hand">
                {target.name} <span className="text-quiet">{target.platform}</span>
              </button>
              <Previews icon={one} set={set} target={target} />
            </div>
          )
        )
      })}
    </section>
  )
}

/** The pictures of one icon in the places of one target; a sentence where they cannot be made. */
function Previews({ icon, set, target }: { icon: Icon; set: IconSet; target: Target }) {
  const seen = useMemo(() => sightsOf(icon, set, target), [icon, set, target])
  if (typeof seen === 'string') return <p className="text-fault">{seen}</p>
  return (
    <div className="flex flex-wrap items-end gap-3">
      {seen.map((preview) => (
        <figure key={preview.word} className="grid justify-items-start gap-1">
          <InItsPlace preview={preview} name={icon.name} />
          <figcaption className="text-small text-quiet">{preview.word}</figcaption>
        </figure>
      ))}
    </div>
  )
}

/** How long one picture may take to compute, in milliseconds. */
const LONGEST = 3000

function sightsOf(icon: Icon, set: IconSet, target: Target): readonly Preview[] | string {
  try {
    bringClock(() => {
      const end = performance.now() + LONGEST
      return () => performance.now() > end
    })
    return target.previews?.(new IconRenderer(icon, set.rules, null), optionsOf(target, set.delivery)) ?? []
  } catch (error) {
    return drawingProblem(error)
  }
}

function InItsPlace({ preview: { picture: shown, place, on, word }, name }: { preview: Preview; name: string }) {
  const source = { picture: pictureText(shown), ground: shown.ground }
  const picture = <PixelPicture source={source} size={SIDES[place]} label={`${name}: ${word}`} />
  const isDark = on === 'dark'
  const ground = clsx(
    'border',
    isDark ? 'border-[#33423d] bg-[#14231f] text-[#e8efec]' : 'border-[#c9d3cf] bg-[#fbfcfb] text-[#14231f]',
  )
  switch (place) {
    case 'tab':
      return (
        <div className={clsx(ground, 'flex h-16 w-44 items-end px-2 pt-3')}>
          <span className={clsx('flex h-8 flex-1 items-center gap-2 px-2.5', isDark ? 'bg-[#2b3a35]' : 'bg-[#e3e9e6]')}>
            {picture}
            <span className="truncate text-small">{name}</span>
          </span>
        </div>
      )
    case 'text':
      return (
        <div className={clsx(ground, 'flex h-16 items-center gap-2 px-4')}>
          {picture}
          <span>{name}</span>
        </div>
      )
    case 'task bar':
      return (
        <div className={clsx(ground, 'flex h-16 w-40 items-end')}>
          <span
            className={clsx('flex h-10 w-full items-center justify-center', isDark ? 'bg-[#2b3a35]' : 'bg-[#e3e9e6]')}
          >
            {picture}
          </span>
        </div>
      )
    case 'tile':
      return (
        <div className="relative grid size-28 place-items-center bg-[#1f5f7a] text-white">
          {picture}
          <span className="absolute bottom-1 left-2 text-small">{name}</span>
        </div>
      )
    case 'tab bar':
      return (
        <div className={clsx(ground, 'grid h-16 w-24 content-center justify-items-center gap-0.5')}>
          {picture}
          <span className="max-w-20 truncate text-[10px]">{name}</span>
        </div>
      )
    case 'tool bar':
      return <div className={clsx(ground, 'grid h-16 w-24 place-items-center')}>{picture}</div>
    default:
      return (
        <div
          className={clsx(
            'grid w-28 justify-items-center gap-1 px-2 py-2.5',
            isDark ? 'bg-[#22343b] text-[#e8efec]' : 'bg-[#bcd3d6] text-[#14231f]',
          )}
        >
          {picture}
          <span className="max-w-24 truncate text-small">{name}</span>
        </div>
      )
  }
}
