'use client'

import { Choice } from '@/ui/choice'
import type { Draft } from './draft'
import { Group, type GroupProps, NameInput, NumberInput, RemoveButton } from './form'
import { UnusedValues } from './unused-values'

type Plate = Draft['plates'][number]

const SHAPES = [
  { value: 'circle', label: '○', hint: 'circle' },
  { value: 'squircle', label: '◯', hint: 'squircle, by its exponent' },
  { value: 'rounded', label: '▢', hint: 'rectangle, its radius a share of the shorter side' },
] as const

/** The plates of the set. */
export function PlateGroup({ draft, onChange, problems }: GroupProps) {
  const { plates } = draft
  const set = (i: number, change: Partial<Plate>) =>
    onChange({ ...draft, plates: plates.map((one, k) => (k === i ? { ...one, ...change } : one)) })
  const number = (
    i: number,
    key: 'w' | 'h' | 'padding' | 'exponent' | 'ratio',
    word: string,
    value: number,
    step = 1,
  ) => (
    <NumberInput
      label={`${word} of ${plates[i]!.name}`}
      shown={word}
      value={value}
      step={step}
      problem={problems.get(`plates.${i}.${key}`)}
      onChange={(next) => set(i, { [key]: next })}
      className="[&_input]:!w-11"
    />
  )
  const fresh = () => {
    const taken = new Set(plates.map(({ name }) => name))
    let n = 1
    while (taken.has(`plate-${n}`)) n++
    const { size } = draft.grid
    return {
      name: `plate-${n}`,
      was: null,
      shape: 'squircle' as const,
      w: size,
      h: size,
      padding: Math.round(size / 6),
    }
  }
  return (
    <Group title="Plates" addLabel="plate" onAdd={() => onChange({ ...draft, plates: [...plates, fresh()] })}>
      {plates.length === 0 && <p className="text-quiet">None. A plate is what an app icon or a badge sits on.</p>}
      {plates.map((plate, i) => (
        <div key={i} className="mb-1.5 grid grid-cols-[minmax(0,1fr)_auto_24px] items-center gap-1.5">
          <NameInput
            label={`Name of plate ${i + 1}`}
            value={plate.name}
            problem={problems.get(`plates.${i}.name`)}
            onChange={(name) => set(i, { name })}
          />
          <Choice
            label={`Shape of ${plate.name}`}
            value={plate.shape}
            options={SHAPES}
            onChange={(shape: Plate['shape']) => set(i, { shape })}
          />
          <RemoveButton
            label={`Remove ${plate.name}`}
            onClick={() => onChange({ ...draft, plates: plates.filter((_, k) => k !== i) })}
          />
          <div className="col-span-3 flex flex-wrap gap-x-2 gap-y-1">
            {number(i, 'w', 'w', plate.w)}
            {number(i, 'h', 'h', plate.h)}
            {number(i, 'padding', 'padding', plate.padding ?? 0)}
            {plate.shape === 'squircle' && number(i, 'exponent', 'exponent', plate.exponent ?? 5, 0.5)}
            {plate.shape === 'rounded' && number(i, 'ratio', 'radius share', plate.ratio ?? 0.225, 0.025)}
          </div>
        </div>
      ))}
      <UnusedValues
        kind="plate"
        values={plates}
        onRemove={(isUnused) => onChange({ ...draft, plates: plates.filter((one) => !isUnused(one)) })}
      />
    </Group>
  )
}
