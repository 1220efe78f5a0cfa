'use client'

import type { OptionsMend, Problem } from '@/core/findings/problem'
import clsx from 'clsx'
import Link from 'next/link'
import { useEffect, useRef, useState } from 'react'
import { softSentence, type SoftSize } from '@/core/proof/soft-sizes'
import type { IconSet } from '@/core/set/set'
import type { Progress } from '@/core/targets/run'
import { bytesInWords } from './file-tree'
import type { Plan } from './use-plan'

/** Problems of the delivery, its progress, and the download. */
export function RunPanel({
  set,
  setId,
  url,
  isAble,
  count,
  problems,
  plan,
  progress,
  isSaved,
  why,
  onAgain,
  onRename,
  onMend,
}: {
  set: IconSet
  setId: string
  /** Where the server has it. */
  url: string | null
  /** Whether anything can be written at all. */
  isAble: boolean
  /** How many files are planned. */
  count: number
  /** Problems of the plan. */
  problems: readonly Problem[]
  plan: Plan | null
  progress: Progress | null
  isSaved: boolean
  /** Why there is nothing to write. */
  why: string
  onAgain: () => void
  onRename: (icon: string, name: string) => void
  onMend: (mend: OptionsMend) => void
}) {
  const isBlocked = !isAble
  const isReady = count > 0 && isSaved && url !== null && plan?.failure === undefined
  const all: Problem[] = [
    ...problems,
    ...(plan?.failure !== undefined ? [{ sentence: plan.failure, isError: true }] : []),
    ...(plan?.leftOut ?? []).map(({ icon, message }) => ({
      sentence: `“${icon}” is left out. ${message}`,
      isError: true,
      ...idOf(set, icon),
    })),
    ...(plan?.problems ?? []).filter((one) => !problems.some(({ sentence }) => sentence === one.sentence)),
  ]
  const total = plan?.sizes ? [...plan.sizes.values()].reduce((sum, bytes) => sum + bytes, 0) : null
  const isRunning = progress?.state === 'running',
    isCancelled = progress?.state === 'cancelled'
  return (
    <div className="border-t border-ink px-4 py-3">
      <Problems problems={all} set={set} setId={setId} onRename={onRename} onMend={onMend} />
      <SoftSizes soft={plan?.soft ?? []} setId={setId} />
      <p role="status" className="mb-2 text-quiet">
        {isBlocked && problems.length > 0
          ? 'Nothing can be written until the problems are solved.'
          : count === 0
            ? why
            : isCancelled
              ? 'The delivery was cancelled. Nothing was written.'
              : isRunning
                ? `${count} files, ${made(progress)}`
                : `${plan?.sizes?.size ?? count} files${total === null ? (plan?.failure === undefined ? ', weighing…' : '') : `, ${bytesInWords(total)}`}`}
      </p>
      {isRunning && (
        <div className="mb-2 flex items-center gap-2">
          <div
            role="progressbar"
            aria-label="How far the files are made"
            aria-valuenow={progress.done}
            aria-valuemax={progress.of}
            className="h-1.5 flex-1 bg-hair"
          >
            <div className="h-full bg-ink" style={{ width: `${(100 * progress.done) / progress.of}%` }} />
          </div>
          <button
            type="button"
            className="text-quiet underline hover:text-hand"
            onClick={() => url && void fetch(url, { method: 'DELETE' })}
          >
            Cancel
          </button>
        </div>
      )}
      {isCancelled && (
        <button type="button" className="mb-2 underline hover:text-hand" onClick={onAgain}>
          Make the files again
        </button>
      )}
      <DownloadButton
        href={isReady ? `${url}/zip` : null}
        isComing={!isBlocked && !isCancelled && count > 0 && plan?.failure === undefined}
      />
    </div>
  )
}

/**
 * The download. Pressed while the files are still made, it waits and starts when they are ready; a second press cancels
 * the wait.
 */
function DownloadButton({ href, isComing }: { href: string | null; isComing: boolean }) {
  const [isWanted, setWanted] = useState(false)
  const link = useRef<HTMLAnchorElement>(null)
  const isWaiting = isWanted && isComing && href === null
  useEffect(() => {
    if (isWanted && href !== null) link.current?.click()
  }, [isWanted, href])
  const look = 'flex h-8 w-full items-center justify-center rounded-sheet border text-lead'
  const ready = 'border-ink bg-ink text-sheet hover:border-hand hover:bg-hand hover:text-white'
  if (href !== null)
    return (
      <a ref={link} href={href} download onClick={() => setWanted(false)} className={clsx(look, ready)}>
        Download as a zip
      </a>
    )
  return (
    <button
      type="button"
      disabled={!isComing}
      aria-pressed={isWaiting}
      title={isWaiting ? 'Press again to cancel the download' : undefined}
      onClick={() => setWanted(!isWanted)}
      className={clsx(
        look,
        isWaiting ? 'border-ink bg-sheet hover:border-hand' : isComing ? ready : 'border-hair bg-hair text-quiet',
      )}
    >
      {isWaiting ? 'The download starts when the files are made' : 'Download as a zip'}
    </button>
  )
}

const made = ({ done, of, left }: Progress): string =>
  done < of
    ? `${done} of ${of} icons made${left === null ? '…' : `, ${left} s left…`}`
    : 'all icons made, shared files follow…'

const idOf = (set: IconSet, name: string) => {
  const icon = set.icons.find((one) => one.name === name)
  return icon ? { icon: icon.id } : {}
}

/** How many problems are shown before they are asked for. */
const FEW = 3

/** Sizes at which the icons come out soft, and the way to masters for them. */
function SoftSizes({ soft, setId }: { soft: readonly SoftSize[]; setId: string }) {
  if (soft.length === 0) return null
  return (
    <p className="mb-2 border-l-2 border-snag py-0.5 pl-2">
      {softSentence(soft)}{' '}
      <Link href={`/sets/${setId}/rules`} className="underline hover:text-hand">
        masters, in Rules
      </Link>
    </p>
  )
}

/** Problems of the delivery, errors first, each with the way to its icon. */
function Problems({
  problems,
  set,
  setId,
  onRename,
  onMend,
}: {
  problems: readonly Problem[]
  set: IconSet
  setId: string
  onRename: (icon: string, name: string) => void
  onMend: (mend: OptionsMend) => void
}) {
  const [whole, setWhole] = useState(false)
  if (problems.length === 0) return null
  const sorted = [...problems.filter(({ isError }) => isError), ...problems.filter(({ isError }) => !isError)]
  const names = new Map(set.icons.map(({ id, name }) => [id, name]))
  return (
    <div className="mb-2">
      <ul aria-label="Problems" className={clsx('overflow-y-auto', whole && 'max-h-72')}>
        {(whole ? sorted : sorted.slice(0, FEW)).map(({ sentence, isError, icon, rename, mend }, i) => {
          const name = icon === undefined ? undefined : names.get(icon)
          return (
            <li
              key={`${i} ${sentence}`}
              className={clsx(
                'mb-1 flex flex-wrap items-end justify-end gap-x-2 border-l-2 py-0.5 pl-2',
                isError ? 'border-fault text-fault' : 'border-snag text-ink',
              )}
              title={sentence}
            >
              <span className={clsx('min-w-0 grow basis-52', !whole && 'line-clamp-2')}>{sentence}</span>
              <span className="flex flex-none gap-2">
                {name !== undefined && (
                  <Link
                    href={`/sets/${setId}/draw/${encodeURIComponent(name)}`}
                    className="flex-none underline hover:text-hand"
                  >
                    open
                  </Link>
                )}
                {icon !== undefined && rename !== undefined && (
                  <button
                    type="button"
                    className="flex-none underline hover:text-hand"
                    onClick={() => onRename(icon, rename)}
                  >
                    rename it {rename}
                  </button>
                )}
                {mend && (
                  <button type="button" className="flex-none underline hover:text-hand" onClick={() => onMend(mend)}>
                    {mend.word}
                  </button>
                )}
              </span>
            </li>
          )
        })}
      </ul>
      {sorted.length > FEW && (
        <button type="button" className="text-quiet underline hover:text-hand" onClick={() => setWhole(!whole)}>
          {whole ? 'fewer' : `all ${sorted.length}`}
        </button>
      )}
    </div>
  )
}
