'use client'

import { isGradient, type Paint } from '@/core/drawing/model/paint'
import { INK } from '@/core/drawing/model/values'
import type { Draft } from './draft'
import { UnusedValues } from './unused-values'
import { freshName, Group, type GroupProps, NameInput, RemoveButton } from './form'

/** The colours by name, on light ground and on dark. */
export function PaletteGroup({ draft, onChange, problems }: GroupProps) {
  const { palette } = draft
  const set = (i: number, change: Partial<Draft['palette'][number]>) =>
    onChange({ ...draft, palette: palette.map((one, k) => (k === i ? { ...one, ...change } : one)) })
  return (
    <Group
      title="Palette"
      addLabel="swatch"
      onAdd={() =>
        onChange({
          ...draft,
          palette: [...palette, { name: freshName('swatch', palette), color: '#11807f', was: null }],
        })
      }
    >
      <div className="mb-0.5 grid grid-cols-[minmax(0,1fr)_88px_88px_24px] gap-1.5 text-small text-quiet">
        <span>name</span>
        <span>on light</span>
        <span>on dark</span>
      </div>
      {palette.map(({ name, color, dark }, i) => (
        <div key={i} className="mb-1 grid grid-cols-[minmax(0,1fr)_88px_88px_24px] items-center gap-1.5">
          {name === INK ? (
            <span className="px-1.5" title="The icon’s own colour; delivered as currentColor">
              {name}
            </span>
          ) : (
            <NameInput
              label={`Name of swatch ${i + 1}`}
              value={name}
              problem={problems.get(`palette.${i}.name`)}
              onChange={(next) => set(i, { name: next })}
            />
          )}
          <ColourInput
            label={`${name} on light`}
            value={color}
            problem={problems.get(`palette.${i}.color`)}
            onChange={(next) => set(i, { color: next })}
          />
          <ColourInput
            label={`${name} on dark`}
            value={dark ?? color}
            same={dark === undefined}
            problem={problems.get(`palette.${i}.dark`)}
            onChange={(next) => set(i, { dark: next === color ? undefined : next })}
          />
          <RemoveButton
            label={`Remove ${name}`}
            disabled={name === INK}
            onClick={() => onChange({ ...draft, palette: palette.filter((_, k) => k !== i) })}
          />
        </div>
      ))}
      <UnusedValues
        kind="swatch"
        values={palette}
        onRemove={(isUnused) => onChange({ ...draft, palette: palette.filter((one) => !isUnused(one)) })}
      />
    </Group>
  )
}

/** Shared finishes by name; their values are edited on the bench, on any object that has them. */
export function FinishGroup({ draft, onChange, problems }: GroupProps) {
  const { finishes } = draft
  const word = (paint: Paint): string => (isGradient(paint) ? `${paint.kind} gradient` : paint)
  return (
    <Group title="Finishes" note="changed on the bench, under Colours">
      {finishes.map(({ name, style }, i) => (
        <div key={i} className="mb-1 grid grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)_24px] items-center gap-1.5">
          <NameInput
            label={`Name of finish ${i + 1}`}
            value={name}
            problem={problems.get(`finishes.${i}.name`) ?? problems.get('finishes')}
            onChange={(next) =>
              onChange({ ...draft, finishes: finishes.map((one, k) => (k === i ? { ...one, name: next } : one)) })
            }
          />
          <span className="truncate text-quiet">
            fill {word(style.fill)}, stroke {word(style.stroke)}
            {style.stroke !== 'none' && ` ${style.weight}`}
          </span>
          <RemoveButton
            label={`Remove ${name}`}
            onClick={() => onChange({ ...draft, finishes: finishes.filter((_, k) => k !== i) })}
          />
        </div>
      ))}
      <UnusedValues
        kind="finish"
        values={finishes}
        onRemove={(isUnused) => onChange({ ...draft, finishes: finishes.filter((one) => !isUnused(one)) })}
      />
    </Group>
  )
}

function ColourInput({
  label,
  value,
  same,
  problem,
  onChange,
}: {
  label: string
  value: string
  same?: boolean
  problem?: string
  onChange: (value: string) => void
}) {
  return (
    <span
      title={problem ?? (same ? 'the same as on light' : undefined)}
      className={`flex h-6 items-center gap-1 rounded-sheet border bg-sheet px-1 ${problem ? 'border-fault' : 'border-hair'} ${same ? 'opacity-60' : ''}`}
    >
      <input
        type="color"
        aria-label={`${label}, picker`}
        value={value.slice(0, 7)}
        onChange={(event) => onChange(event.target.value)}
        className="size-3.5 flex-none cursor-default appearance-none border border-ink p-0 [&::-webkit-color-swatch]:border-0 [&::-webkit-color-swatch-wrapper]:p-0"
      />
      <input
        aria-label={label}
        value={value}
        spellCheck={false}
        onChange={(event) => onChange(event.target.value.toLowerCase())}
        className="w-full min-w-0 font-mono text-small outline-offset-2"
      />
    </span>
  )
}
