'use client'

import { useState } from 'react'
import { baseFor } from '@/core/rules/book'
import type { Rules } from '@/core/rules/rules'
import type { Icon } from '@/core/set/set'
import { PixelPicture } from '@/ui/pixel-picture'
import type { Source } from '@/workers/drawer'
import { useBench, useSlot } from './context'
import { BlurredMarks, CRISP, useCrispness } from './crisp'

/** The width of the magnified picture in screen pixels, at most. */
const WIDTH = 240

/** One size magnified by a whole number, with its pixel grid, and how many pixels are neither full nor empty. */
export function MagnifiedPixels({
  source,
  size,
  icon,
  rules,
}: {
  source: Source
  size: number
  icon: Icon
  rules: Rules
}) {
  const bench = useBench()
  const crisp = useCrispness(icon, rules, size)
  const marked = useSlot(CRISP).markedAt !== null
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
        {marked && crisp && <BlurredMarks blurred={crisp.blurred} scale={side / baseFor(rules, size)} side={side} />}
      </div>
      <figcaption className="mt-1.5 flex justify-between text-small text-quiet">
        <span
          title={crisp ? `About ${crisp.greys} of the grey ones lie under edges that could be on pixels` : undefined}
        >
          {counts ? `${counts.full} full, ${counts.grey} grey` : ''}
        </span>
        {crisp && crisp.length > 0 && (
          <button
            type="button"
            aria-pressed={marked}
            title="The share of straight edges that lie on pixels; a press marks the others"
            onClick={() => bench.put(CRISP, { markedAt: marked ? null : size })}
            className={marked ? 'bg-ink px-1 text-sheet' : 'px-1 underline decoration-dotted hover:text-ink'}
          >
            {Math.round((100 * crisp.crisp) / crisp.length)} % crisp
          </button>
        )}
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
