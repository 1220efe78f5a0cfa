'use client'

import { Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'
import type { weightsBySize } from '@/core/rules/rules-for-grid'

/** The strokes of the lines of a chart, by their place in it: told apart without colour. */
const DASHES = ['', '4 2', '1 2', '6 2 1 2']

const percent = (share: number): string => `${Math.round(100 * share)} %`

/** Each weight at each delivered size, as a share of its proportional value. */
export function WeightCurve({ bySize, names }: { bySize: ReturnType<typeof weightsBySize>; names: readonly string[] }) {
  const rows = bySize.map(({ size, weights }) => ({ size, weights }))
  const shares = bySize.flatMap(({ weights }) => weights.map(({ share }) => share))
  const reach = Math.max(0.25, ...shares.map((share) => Math.abs(share - 1)))
  const tick = { fontSize: 11, fill: 'var(--quiet)' }
  return (
    <ResponsiveContainer width="100%" height="100%">
      <LineChart data={rows} margin={{ top: 8, right: 10, bottom: 0, left: 0 }}>
        <XAxis dataKey="size" tick={tick} tickLine={false} axisLine={{ stroke: 'var(--hair)' }} height={18} />
        <YAxis
          width={44}
          domain={[1 - reach, 1 + reach]}
          ticks={[1 - reach, 1, 1 + reach]}
          tickFormatter={percent}
          tick={tick}
          axisLine={false}
          tickLine={false}
        />
        <ReferenceLine y={1} stroke="var(--key)" strokeDasharray="4 3" />
        <Tooltip
          cursor={{ stroke: 'var(--hair)' }}
          isAnimationActive={false}
          content={({ payload }) => {
            const row = payload?.[0]?.payload as (typeof rows)[number] | undefined
            return row ? (
              <span className="block border border-ink bg-sheet px-1.5 py-0.5 text-small">
                {row.size} px:{' '}
                {row.weights
                  .map(({ pixels, share }, i) => `${names[i]} ${Math.round(100 * pixels) / 100} px, ${percent(share)}`)
                  .join('; ')}
              </span>
            ) : null
          }}
        />
        {names.map((name, i) => (
          <Line
            key={name}
            name={name}
            dataKey={(row: (typeof rows)[number]) => row.weights[i]!.share}
            stroke="var(--ink)"
            strokeDasharray={DASHES[i % DASHES.length]!}
            dot={{ r: 2, fill: 'var(--ink)', strokeDasharray: '' }}
            isAnimationActive={false}
          />
        ))}
      </LineChart>
    </ResponsiveContainer>
  )
}
