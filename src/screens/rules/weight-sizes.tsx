'use client'

import dynamic from 'next/dynamic'
import { useMemo, useRef } from 'react'
import { ellipse, polyline } from '@/core/geometry/path'
import { pictureOf } from '@/core/picture/picture'
import { pictureText } from '@/core/picture/stored'
import { baseFor, rulesForGrid, weightsBySize } from '@/core/rules/rules-for-grid'
import type { Rules } from '@/core/rules/rules'
import { Choice } from '@/ui/choice'
import { useSeen } from '@/ui/in-sight'
import { PixelPicture } from '@/ui/pixel-picture'
import { useTheme } from '@/ui/theme'
import type { GroupProps } from './form'

const STEPS = [
  {
    value: 'near',
    label: 'nearest',
    hint: 'Whole pixels where that is within a fifth of proportion, else half pixels, which are soft on one side',
  },
  { value: 'whole', label: 'whole', hint: 'Whole pixels: crisp on both sides, at times much lighter or heavier' },
  { value: 'half', label: 'half', hint: 'Half pixels: nearer to proportion, soft on one side' },
  { value: 'kept', label: 'as they are', hint: 'In proportion: equally heavy at every size, soft on both sides' },
] as const

const WeightCurve = dynamic(() => import('./weight-curve').then(({ WeightCurve: curve }) => curve), { ssr: false })

/** The largest size that is pictured; beyond it a weight's steps are not seen. */
const LARGEST = 48

/** How weights follow from size to size: the choice, a picture of it in real pixels, and a curve beside proportion. */
export function WeightSizes({ draft, rules, onChange }: Pick<GroupProps, 'draft' | 'onChange'> & { rules: Rules }) {
  const bySize = useMemo(() => weightsBySize(rules), [rules])
  // Charts are large to load, and this one is far down.
  const place = useRef<HTMLDivElement>(null),
    isSeen = useSeen(place)
  const main = rules.weights[0]!.name
  // Whole pixels beside the nearest weights, where the two differ.
  const other = (draft.weightSteps ?? 'near') === 'whole' ? 'near' : 'whole'
  const beside: Rules = { ...rules, weightSteps: other === 'near' ? undefined : other }
  const isOther = weightsBySize(beside).some(
    ({ weights }, i) => bySize[i]!.size <= LARGEST && weights[0]!.pixels !== bySize[i]!.weights[0]!.pixels,
  )
  return (
    <div role="group" aria-label="Weights from size to size" className="mb-2">
      <div className="mb-1.5 flex items-center justify-between">
        <span className="text-quiet">weights</span>
        <Choice
          label="How weights follow to further sizes"
          value={draft.weightSteps ?? 'near'}
          options={STEPS}
          onChange={(steps) => onChange({ ...draft, weightSteps: steps === 'near' ? undefined : steps })}
        />
      </div>
      <Samples rules={rules} word={`The ${main} weight`} />
      {isOther && (
        <>
          <p className="border-x border-hair px-2 pt-1 text-small text-quiet">
            {STEPS.find(({ value }) => value === other)!.label} would give
          </p>
          <Samples rules={beside} word={`The ${main} weight, ${other}`} />
        </>
      )}
      <div ref={place} className="h-[104px] border border-hair px-1">
        {isSeen && <WeightCurve bySize={bySize} names={rules.weights.map(({ name }) => name)} />}
      </div>
    </div>
  )
}

/** A ring and a bar in the first weight at every delivered size, with the weight in pixels. */
function Samples({ rules, word }: { rules: Rules; word: string }) {
  const ink = useTheme() === 'night' ? '#f4f7f5' : '#14231f'
  return (
    <div className="flex items-end justify-between gap-1 border-x border-t border-hair px-2 py-1.5">
      {weightsBySize(rules)
        .filter(({ size }) => size <= LARGEST)
        .map(({ size, weights }) => (
          <figure key={size} className="text-center">
            <PixelPicture
              source={{ picture: sample(rules, size, ink), ground: 'light' }}
              size={size}
              exact
              label={`${word} at ${size} pixels`}
              className="mx-auto"
            />
            <figcaption className="tabular-nums text-small text-quiet">{pixels(weights[0]!.pixels)}</figcaption>
          </figure>
        ))}
    </div>
  )
}

const pixels = (value: number): string => String(Math.round(100 * value) / 100)

/** A ring and a bar in the first weight, at a size. */
function sample(rules: Rules, size: number, ink: string): string {
  const { grid, liveArea, weights } = rulesForGrid(rules, baseFor(rules, size)),
    side = grid.size,
    weight = weights[0]!.value,
    // The positions of edges of this weight on the grid.
    on = (value: number) => Math.round(value - weight / 2) + weight / 2
  const left = on((side - liveArea) / 2 + weight / 2),
    r = side / 2 - left,
    level = on(side / 2)
  const stroke = {
    paint: { name: '', light: ink, dark: ink, ink: false, opacity: 1 },
    width: weight,
    weight,
    cap: 'butt',
    join: 'miter',
    miterLimit: 4,
  } as const
  const ring = ellipse({ x: side / 2, y: side / 2 }, r, r),
    from = { x: side / 2 - r / 2, y: level },
    bar = polyline([from, { x: side / 2 + r / 2, y: level }], false)
  return pictureText(pictureOf([{ id: 'sample', path: [ring, bar], fill: null, stroke }], side, 'light'))
}
