'use client'

import { useEffect, useRef, useState } from 'react'
import { useTheme } from '@/ui/theme'
import { useSeen } from '@/ui/in-sight'
import { CrossedOut, PixelPicture } from '@/ui/pixel-picture'

/** How many icons a row of the shelf shows. */
const RUN = 11
/** After how many milliseconds icons that were still being drawn, or that a busy server did not give, are asked for again. */
const AGAIN = 1000

type DrawnIcon = {
  readonly id: string
  readonly name: string
  readonly pending?: true
  readonly picture?: string
  readonly problem?: string
}

/** The first icons of a set at real size, from stored pictures; requested when the row scrolls into sight. */
export function RunOfIcons({
  setId,
  count,
  side,
  changedAt,
}: {
  setId: string
  count: number
  side: number
  changedAt: string
}) {
  const place = useRef<HTMLSpanElement>(null)
  const seen = useSeen(place)
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  const [run, setRun] = useState<readonly DrawnIcon[] | null>(null)
  useEffect(() => {
    if (!seen || count === 0) return
    const abort = new AbortController()
    let timer: ReturnType<typeof setTimeout> | undefined
    const ask = () =>
      fetch(`/api/sets/${setId}/drawn?first=${RUN}`, { signal: abort.signal })
        .then(async (response) => {
          // A server that is busy is asked again.
          if (response.status === 503) return (timer = setTimeout(() => void ask(), AGAIN))
          const icons = response.ok ? ((await response.json()) as DrawnIcon[]) : []
          setRun(icons)
          if (icons.some(({ pending }) => pending)) timer = setTimeout(() => void ask(), AGAIN)
        })
        .catch(() => undefined)
    void ask()
    return () => {
      abort.abort()
      clearTimeout(timer)
    }
  }, [setId, seen, count, changedAt])
  return (
    <span ref={place} role="cell" className="flex items-center gap-3" style={{ minHeight: side }}>
      {count === 0 && <span className="text-quiet">no icon yet</span>}
      {/* What has no room in the line goes to one that is not seen, so that no icon is cut. */}
      <span className="flex min-w-0 flex-wrap gap-x-3 overflow-hidden" style={{ height: side }}>
        {run?.map(({ id, name, picture, problem, pending }) =>
          picture ? (
            <PixelPicture key={id} source={{ picture, ground }} size={side} label={name} className="flex-none" />
          ) : pending ? (
            <span
              key={id}
              title={`${name} is being drawn`}
              className="flex-none"
              style={{ width: side, height: side }}
            />
          ) : (
            <CrossedOut
              key={id}
              problem={problem ?? ''}
              label={name}
              className="relative z-10 flex-none"
              style={{ width: side, height: side }}
            />
          ),
        )}
      </span>
      {count > 0 && <span className="ml-auto flex-none text-quiet tabular-nums">{count}</span>}
    </span>
  )
}
