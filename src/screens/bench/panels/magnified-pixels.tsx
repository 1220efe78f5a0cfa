'use client'

import { useState } from 'react'
import { baseFor } from '@/core/rules/rules-for-grid'
import type { Rules } from '@/core/rules/rules'
import type { Icon } from '@/core/set/set'
import { PixelPicture } from '@/ui/pixel-picture'
import type { Source } from '@/workers/drawer'
import { useBench, useSlice } from '../state/context'
import { BlurredMarks, CRISP, useCrispness } from '../cells/crisp'

/** The width of the magnified picture in screen pixels, at most. */
const WIDTH = 240

/** One size magnified by a whole number, with its pixel grid, and how many pixels are neither full nor empty. */
export function MagnifiedPixels({
  source,
  size,
  density,
  icon,
  rules,
}: {
  source: Source
  size: number
  density: number
  icon: Icon
  rules: Rules
}) {
  const bench = useBench()
  const crisp = useCrispness(icon, rules, size)
  const marked = useSlice(CRISP).markedAt !== null
  const pixels = size * density
  const scale = Math.max(1, Math.floor(WIDTH / pixels))
  const [counts, setCounts] = useState<Counts | null>(null)
  const side = pixels * scale
  const [numbered, setNumbered] = useState(false)
  return (
    <figure className="px-1.5">
      <div className="relative mx-auto" style={{ width: side, height: side, background: '#fbfcfb' }}>
        <PixelPicture
          source={source}
          size={pixels}
          scale={scale}
          label={`Pixels at ${pixels}`}
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
        {numbered && counts && scale >= NUMBERED && <GreyNumbers greys={counts.greys} scale={scale} side={side} />}
        {marked && crisp && density === 1 && (
          <BlurredMarks blurred={crisp.blurred} scale={side / baseFor(rules, size)} side={side} />
        )}
      </div>
      <figcaption className="mx-1.5 mt-1.5 flex justify-between text-small text-quiet">
        <span
          title={crisp ? `About ${crisp.greys} of the grey ones lie under edges that could be on pixels` : undefined}
        >
          {counts ? `${counts.full} full, ${counts.greys.length} grey` : ''}
        </span>
        {scale >= NUMBERED && (
          <button
            type="button"
            aria-pressed={numbered}
            title="How full each grey pixel is, in percent"
            onClick={() => setNumbered(!numbered)}
            className={numbered ? 'bg-ink px-1 text-sheet' : 'px-1 underline decoration-dotted hover:text-ink'}
          >
            %
          </button>
        )}
        {crisp && crisp.length > 0 && density === 1 && (
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

/** From how many screen pixels a pixel on there is room for a number in it. */
const NUMBERED = 12

type Counts = {
  readonly full: number
  readonly greys: readonly { readonly x: number; readonly y: number; readonly share: number }[]
}

/** How full each grey pixel is, in percent, over the picture. */
function GreyNumbers({ greys, scale, side }: { greys: Counts['greys']; scale: number; side: number }) {
  return (
    <svg aria-label="Greys in percent" className="absolute inset-0" width={side} height={side}>
      {greys.map(({ x, y, share }) => (
        <text
          key={`${x} ${y}`}
          x={(x + 0.5) * scale}
          y={(y + 0.5) * scale}
          dy="0.36em"
          textAnchor="middle"
          fontSize={scale * 0.56}
          fill={share > 0.5 ? '#fbfcfb' : '#14231f'}
        >
          {Math.round(share * 100)}
        </text>
      ))}
    </svg>
  )
}

function count({ data, width }: ImageData): Counts {
  const greys: { x: number; y: number; share: number }[] = []
  let full = 0
  for (let i = 0; i < data.length / 4; i++) {
    const alpha = data[4 * i + 3]!
    if (alpha === 255) full++
    else if (alpha !== 0) greys.push({ x: i % width, y: Math.floor(i / width), share: alpha / 255 })
  }
  return { full, greys }
}
