'use client'

import type { DrawingObject } from '@/core/drawing/objects/object'
import type { Shadow } from '@/core/drawing/model/paint'
import { NumberField } from '@/ui/number-field'
import { useBench, useRules } from '../state/context'
import { PaintCell } from '../cells/value-cell'
import { FIELD } from './setting'

const NUMBERS = [
  { key: 'x', word: 'right', limits: { least: -1e4, most: 1e4 } },
  { key: 'y', word: 'down', limits: { least: -1e4, most: 1e4 } },
  { key: 'blur', word: 'blur', limits: { least: 0, most: 1000 } },
] as const

/** The soft shadow of an object, and which deliveries can carry it. */
export function ShadowSettings({ object }: { object: DrawingObject }) {
  const bench = useBench()
  const rules = useRules()
  const { shadow } = object
  if (!shadow) return null
  const change = (next: Partial<Shadow>) =>
    bench.edit(
      { kind: 'replace', objects: [{ ...object, shadow: { ...shadow, ...next } }] },
      `Change the shadow of ${object.name}`,
    )
  return (
    <div role="group" aria-label={`Shadow of ${object.name}`} className="flex items-center gap-2 pl-3 text-quiet">
      <span title="SVG and pixels carry a soft shadow; formats that know only outlines, such as fonts, leave it out.">
        shadow (SVG, pixels)
      </span>
      {NUMBERS.map(({ key, word, limits }) => (
        <label key={key} className="flex items-center gap-1">
          {word}
          <NumberField
            label={`Shadow ${word}`}
            value={shadow[key]}
            step={rules.grid.step}
            limits={limits}
            className={FIELD}
            onChange={(value) => change({ [key]: value })}
          />
        </label>
      ))}
      <NumberField
        label="Shadow strength"
        value={(shadow.opacity ?? 1) * 100}
        step={5}
        unit="%"
        limits={{ least: 0, most: 100 }}
        className={FIELD}
        onChange={(value) => change({ opacity: value / 100 })}
      />
      <PaintCell
        label={`shadow of ${object.name}`}
        value={shadow.color}
        rules={rules}
        onMore={() => undefined}
        onChange={(color) => color !== 'none' && change({ color })}
      />
    </div>
  )
}
