'use client'

import clsx from 'clsx'
import { useEffect, useRef, useState } from 'react'
import { drawPicture } from '@/workers/pictures'
import type { Source } from '@/workers/drawer'

/**
 * Something drawn as real pixels, as it will be delivered. Before its pixels are there the last ones stay, so nothing
 * flickers; what cannot be drawn is crossed out, and says why.
 */
export function PixelPicture({
  source,
  size,
  scale = 1,
  exact,
  label,
  className,
  onPixels,
}: {
  /** The drawing; a new one is drawn again. */
  source: Source
  /** Its side in pixels. */
  size: number
  /** How many screen pixels show one of its own. */
  scale?: number
  /** As many pixels as its side says, on a screen of any density. */
  exact?: boolean
  label: string
  className?: string
  onPixels?: (picture: ImageData) => void
}) {
  const [shown, setShown] = useState<{ url: string } | { problem: string } | null>(null)
  const told = useRef(onPixels)
  useEffect(() => {
    told.current = onPixels
  })
  const isText = 'picture' in source
  const drawn = isText ? source.picture : source.objects,
    rules = isText ? null : source.rules,
    { ground } = source,
    base = isText ? null : source.base,
    kept = isText ? null : source.kept
  useEffect(() => {
    const pixels = scale === 1 && !exact ? Math.round(size * window.devicePixelRatio) : size
    let isWanted = true
    const giveUp = drawPicture(source, pixels, (picture) => {
      if (!isWanted) return
      setShown('url' in picture ? { url: picture.url } : picture)
      if (picture.image) told.current?.(picture.image)
    })
    return () => {
      isWanted = false
      giveUp()
    }
    // What the source holds decides, not the object it comes in.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [drawn, rules, ground, base, kept, size, scale, exact])
  const side = { width: size * scale, height: size * scale }
  if (!shown) return <span aria-hidden className={clsx('block', className)} style={side} />
  if ('problem' in shown) return <CrossedOut problem={shown.problem} label={label} className={className} style={side} />
  return (
    <img
      src={shown.url}
      alt={label}
      decoding="sync"
      draggable={false}
      className={clsx('max-w-none', className)}
      style={{ ...side, imageRendering: 'pixelated' }}
    />
  )
}

/** Placeholder of a picture that cannot be drawn. */
export function CrossedOut({
  problem,
  label,
  className,
  style,
}: {
  problem: string
  label: string
  className?: string | undefined
  style: { width: number; height: number }
}) {
  return (
    <svg
      role="img"
      aria-label={`${label} cannot be drawn. ${problem}`}
      viewBox="0 0 24 24"
      preserveAspectRatio="none"
      className={className}
      style={style}
    >
      <title>{problem}</title>
      <path
        d="M.5 .5h23v23h-23zM.5 .5l23 23M.5 23.5l23-23"
        fill="none"
        stroke="var(--fault)"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  )
}
