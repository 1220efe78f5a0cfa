'use client'

import { useBenchState } from '../../state/context'
import { placed, type Slip } from './slips'

/** How far the rulers reach into the stage, in pixels. */
const EDGE = 24

/** Labels at the pointer and at snapped places, on slips that keep them readable over ink and lines. */
export function Slips({ slips }: { slips: readonly Slip[] }) {
  const { w: width, h: height } = useBenchState((state) => state.stage)
  return (
    <g stroke="none">
      {placed(slips, { x: EDGE, y: EDGE, w: width - EDGE - 4, h: height - EDGE - 4 }).map(
        ({ text, tone, box: { x, y, w, h } }, i) => (
          <g key={i}>
            {tone === 'word' ? (
              <rect x={x} y={y} width={w} height={h} rx={2} fill="var(--sheet)" stroke="var(--hair)" />
            ) : (
              <rect x={x} y={y} width={w} height={h} rx={2} fill="var(--hand)" />
            )}
            <text
              x={tone === 'word' ? x + 4 : x + w / 2}
              y={y + (tone === 'word' ? 11 : 13)}
              fontSize={tone === 'word' ? 11 : 11.5}
              fontWeight={tone === 'word' ? undefined : 600}
              fill={tone === 'word' ? 'var(--ink)' : '#fff'}
              textAnchor={tone === 'word' ? undefined : 'middle'}
            >
              {text}
            </text>
          </g>
        ),
      )}
    </g>
  )
}
