'use client'

import { useEffect, useRef } from 'react'
import type { RasterJob } from '@/workers/raster.worker'
import { rasterise } from '@/workers/rasterise'

type Waiting = RasterJob & { readonly done: (picture: ImageData) => void }

let queue: Waiting[] = []
let running = false

/** Draws what waits, all at once, and what came meanwhile after that; a canvas that asked again before its turn asks once. */
async function drain(): Promise<void> {
  if (running) return
  running = true
  while (queue.length > 0) {
    const batch = queue
    queue = []
    try {
      const pictures = await rasterise(batch.map(({ svg, pixels }) => ({ svg, pixels })))
      batch.forEach(({ done }, i) => done(pictures[i]!))
    } catch (error) {
      // A picture that cannot be drawn must not keep the others from being drawn.
      reportError(error)
    }
  }
  running = false
}

/** An SVG document as real pixels, drawn as it will be delivered. Before its pixels are there the last ones stay, so nothing flickers. */
export function PixelPicture({ svg, size, scale = 1, exact, label, className, onPixels }: {
  svg: string
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
  const canvas = useRef<HTMLCanvasElement>(null)
  const told = useRef(onPixels)
  useEffect(() => {
    told.current = onPixels
  })
  useEffect(() => {
    let current = true
    const pixels = scale === 1 && !exact ? Math.round(size * window.devicePixelRatio) : size
    const done = (picture: ImageData) => {
      const target = canvas.current
      if (!current || !target) return
      if (target.width !== picture.width) target.width = target.height = picture.width
      target.getContext('2d')!.putImageData(picture, 0, 0)
      told.current?.(picture)
    }
    queue.push({ svg, pixels, done })
    void drain()
    return () => {
      current = false
      queue = queue.filter((waiting) => waiting.done !== done)
    }
  }, [svg, size, scale, exact])
  return (
    <canvas
      ref={canvas}
      {...(label === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
      width={size}
      height={size}
      className={className}
      style={{ width: size * scale, height: size * scale, imageRendering: 'pixelated' }}
    />
  )
}
