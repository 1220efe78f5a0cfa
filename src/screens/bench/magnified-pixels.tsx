'use client'

import { useState } from 'react'
import { PixelPicture } from '@/ui/pixel-picture'
import type { Source } from '@/workers/draw'

/** The width of the magnified picture in screen pixels, at most. */
const WIDTH = 240

/** One size magnified by a whole number, with its pixel grid, and how many pixels are neither full nor empty. */
export function MagnifiedPixels({ source, size }: { source: Source; size: number }) {
  const scale = Math.max(1, Math.floor(WIDTH / size))
  const [counts, setCounts] = useState<{ full: number; grey: number } | null>(null)
  const side = size * scale
  return (
    <figure className="px-3">
      <div className="relative mx-auto" style={{ width: side, height: side, background: '#fbfcfb' }}>
        <PixelPicture
          source={source}
          size={size}
          scale={scale}
          label={`Pixels at ${size}`}
          onPixels={(picture) => setCounts(count(picture))}
        />
        {scale >= 4 && (
          <div
            aria-hidden
            className="absolute inset-0"
            style={{
              backgroundImage:
                'linear-gradient(to right, #c9d3cf 1px, transparent 1px), linear-gradient(#c9d3cf 1px, transparent 1px)',
              backgroundSize: `${scale}px ${scale}px`,
              borderRight: '1px solid #c9d3cf',
              borderBottom: '1px solid #c9d3cf',
              opacity: 0.8,
            }}
          />
        )}
      </div>
      <figcaption className="mt-1.5 flex justify-between text-small text-quiet">
        <span>{counts ? `${counts.full} full, ${counts.grey} grey` : ''}</span>
        <span>{scale} : 1</span>
      </figcaption>
    </figure>
  )
}

function count({ data }: ImageData): { full: number; grey: number } {
  let full = 0,
    grey = 0
  for (let i = 3; i < data.length; i += 4) {
    if (data[i] === 255) full++
    else if (data[i] !== 0) grey++
  }
  return { full, grey }
}
