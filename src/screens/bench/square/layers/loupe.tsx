'use client'

import { colourOf } from '@/core/drawing/model/values'
import type { Point } from '@/core/geometry/point'
import { useRules } from '../../state/context'
import { LOUPE, type Sample } from '../../state/sample'

/** Screen pixels that show one of the picture's. */
const CELL = 8

/**
 * What the sampler sees, enlarged beside the pointer: the pixels around it, the square that is averaged, the colour and
 * where it is from.
 */
export function Loupe({
  loupe: { pixels, color, from, side },
  at: { x, y },
}: {
  loupe: Sample & { readonly side: number }
  at: Point
}) {
  const rules = useRules()
  const size = LOUPE * CELL
  const left = x + 18,
    top = y + 18,
    height = pixels ? size : 0,
    inset = ((LOUPE - side) / 2) * CELL
  return (
    <g transform={`translate(${left} ${top})`} stroke="none">
      <rect x={-1} y={-1} width={132} height={height + 35} fill="var(--sheet)" stroke="var(--ink)" />
      {pixels?.map(
        (pixel, i) =>
          pixel && (
            <rect
              key={i}
              x={(i % LOUPE) * CELL}
              y={Math.floor(i / LOUPE) * CELL}
              width={CELL + 0.5}
              height={CELL + 0.5}
              fill={pixel}
            />
          ),
      )}
      {pixels && (
        <rect
          x={inset}
          y={inset}
          width={side * CELL}
          height={side * CELL}
          fill="none"
          stroke="var(--hand)"
          strokeWidth={1.5}
        />
      )}
      <rect
        x={pixels ? size + 6 : 4}
        y={pixels ? 4 : 4}
        width={pixels ? 36 : 26}
        height={pixels ? size - 8 : 26}
        fill={colourOf(color, rules).light}
        stroke="var(--ink)"
      />
      <text x={pixels ? 4 : 36} y={height + 13} fontSize="11" fontWeight={600} fill="var(--ink)">
        {color}
      </text>
      <text x={pixels ? 4 : 36} y={height + 27} fontSize="10.5" fill="var(--quiet)">
        {from.slice(0, 20)}
      </text>
    </g>
  )
}
