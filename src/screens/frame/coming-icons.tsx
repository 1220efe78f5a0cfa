'use client'

import clsx from 'clsx'
import { CrossedOut, PixelPicture } from '@/ui/pixel-picture'
import { useTheme } from '@/ui/theme'
import { VirtualGrid } from '@/ui/virtual-grid'
import type { Choice, ComingIcon, ReadingProgress } from '@/workers/importer'

/** How many sentences of one list are shown; a folder may have thousands. */
const SAID = 200

type Way = Choice['how']
const WORDS: Readonly<Record<Way, string>> = { live: 'editable shapes', drawn: 'paths as drawn' }
export const WAYS = (['live', 'drawn'] as const).map((value) => ({ value, label: WORDS[value] }))

/** Choices about the icons of an import, by file path: those left out, and those read the other way. */
export type Taken = { readonly left: ReadonlySet<string>; readonly otherwise: ReadonlySet<string> }
export const ALL_TAKEN: Taken = { left: new Set(), otherwise: new Set() }

const withPaths = (set: ReadonlySet<string>, paths: readonly string[], isIn: boolean): ReadonlySet<string> => {
  const next = new Set(set)
  for (const path of paths)
    if (isIn) next.add(path)
    else next.delete(path)
  return next
}

/** The icons to come; each may be left out, or taken over the other way than most. */
export function ComingIcons({
  icons,
  grid,
  remarks,
  how,
  taken,
  onTaken,
}: {
  icons: readonly ComingIcon[]
  grid: number
  remarks: ReadonlyMap<string, string>
  how: Way
  taken: Taken
  onTaken: (taken: Taken) => void
}) {
  const other = how === 'live' ? 'drawn' : 'live'
  return (
    <VirtualGrid
      label="Icons to come"
      items={icons}
      keyOf={({ paths }) => paths.join('\n')}
      width={104}
      height={Math.min(64, Math.max(24, grid)) + 58}
      className="min-h-0 overflow-y-auto bg-film"
      cell={(icon) => {
        const { paths } = icon
        const isOther = paths.some((path) => taken.otherwise.has(path))
        return (
          <Cell
            icon={icon}
            side={Math.min(64, Math.max(16, grid))}
            remark={remarks.get(icon.name)}
            way={isOther ? other : how}
            isLeft={paths.some((path) => taken.left.has(path))}
            onTake={(isTaken) => onTaken({ ...taken, left: withPaths(taken.left, paths, !isTaken) })}
            onWay={() => onTaken({ ...taken, otherwise: withPaths(taken.otherwise, paths, !isOther) })}
          />
        )
      }}
    />
  )
}

/** The share that is done before it is said how long the rest takes. */
const FEW = 0.05

/** How far reading is, and about how long it still takes. */
export function Reading({
  progress,
  count,
  problem,
}: {
  progress: ReadingProgress | null
  count: number
  problem: string | null
}) {
  const share = progress ? progress.done / progress.of : 0
  // The first few tell little of the rest.
  const seconds = share > FEW ? Math.ceil(progress!.left / 1000) : null
  return (
    <div className="p-4" role="status">
      <div className="h-1 bg-faint">
        <div className="h-1 bg-hand" style={{ width: `${100 * share}%` }} />
      </div>
      <p className="mt-2 text-quiet">
        {problem ??
          (progress
            ? `${progress.done} of ${progress.of} ${progress.what === 'read' ? 'files read' : 'drawings understood'}${seconds !== null && seconds > 1 ? `, about ${seconds} seconds left` : ''}…`
            : `Reading ${count === 1 ? 'one file' : `${count} files`}…`)}
      </p>
    </div>
  )
}

/** A list of sentences with its title; nothing where there is none. */
export function Said({ title, lines, tone }: { title: string; lines: readonly string[]; tone?: 'fault' }) {
  if (lines.length === 0) return null
  return (
    <section aria-label={title} className="mt-4">
      <h3 className="font-[640]">
        {title} <span className="font-[400] text-quiet">{lines.length}</span>
      </h3>
      <ul className={clsx('mt-1 text-small', tone === 'fault' ? 'text-fault' : 'text-quiet')}>
        {lines.slice(0, SAID).map((line, i) => (
          <li key={i} className="border-t border-hair py-0.5 break-words">
            {line}
          </li>
        ))}
        {lines.length > SAID && <li className="border-t border-hair py-0.5">and {lines.length - SAID} more</li>}
      </ul>
    </section>
  )
}

/** An icon to come, which may be left out or taken over the other way. */
function Cell({
  icon: { name, paths, picture },
  side,
  remark,
  way,
  isLeft,
  onTake,
  onWay,
}: {
  icon: ComingIcon
  side: number
  remark: string | undefined
  way: Way
  isLeft: boolean
  onTake: (isTaken: boolean) => void
  onWay: () => void
}) {
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  return (
    <div
      title={[paths.join(', '), remark].filter(Boolean).join('\n')}
      className={clsx(
        'group flex h-full flex-col items-center gap-1.5 px-1 py-2 hover:bg-sheet',
        isLeft && 'opacity-40',
      )}
    >
      {picture ? (
        <PixelPicture source={{ picture, ground }} size={side} label={name} />
      ) : (
        <CrossedOut problem="It cannot be drawn." label={name} style={{ width: side, height: side }} />
      )}
      <label className="flex max-w-full cursor-pointer items-center gap-1 text-small">
        <input
          type="checkbox"
          aria-label={`Take ${name}`}
          checked={!isLeft}
          onChange={({ target }) => onTake(target.checked)}
        />
        <span className="truncate">{name}</span>
        {remark && <span className="text-snag">◇</span>}
      </label>
      <button
        type="button"
        aria-label={`${name} is imported as ${WORDS[way]}`}
        title="Import this one the other way"
        onClick={onWay}
        className="text-small text-quiet underline decoration-dotted hover:text-hand"
      >
        {way}
      </button>
    </div>
  )
}
