'use client'

import { Choices } from '@/ui/choice'
import { NumberField } from '@/ui/number-field'
import { Group, type GroupProps, RemoveButton } from './form'

/** The sizes that are delivered, and their multiples. */
export function SizesGroup({ draft, onChange, problems }: GroupProps) {
  const { sizes, densities } = draft
  const problem = problems.get('sizes') ?? [...problems].find(([path]) => path.startsWith('sizes.'))?.[1]
  const setSizes = (next: number[]) => onChange({ ...draft, sizes: [...new Set(next)].sort((a, b) => a - b) })
  return (
    <Group
      title="Delivered sizes"
      addLabel="size"
      onAdd={() => setSizes([...sizes, Math.min(2048, (sizes.at(-1) ?? 8) * 2)])}
    >
      <div className="flex flex-wrap gap-1.5">
        {sizes.map((size, i) => (
          <span
            key={i}
            className={`flex h-6 items-center rounded-sheet border bg-sheet ${problems.get(`sizes.${i}`) ? 'border-fault' : 'border-hair'}`}
          >
            <NumberField
              label={`Size ${i + 1}`}
              value={size}
              step={1}
              className="!w-11 px-1 text-right"
              onChange={(next) => setSizes(sizes.map((other, k) => (k === i ? next : other)))}
            />
            <RemoveButton label={`Remove size ${size}`} onClick={() => setSizes(sizes.filter((_, k) => k !== i))} />
          </span>
        ))}
      </div>
      {problem && <p className="mt-1 text-fault">{problem}</p>}
      <div className="mt-2 flex items-center justify-between">
        <span className="text-quiet">densities</span>
        <Choices
          label="Densities"
          value={densities.map(String)}
          options={['1', '2', '3', '4'].map((value) => ({ value, label: `${value}×` }))}
          onChange={(values) => onChange({ ...draft, densities: values.map(Number).sort((a, b) => a - b) })}
        />
      </div>
      {problems.get('densities') && <p className="mt-1 text-fault">{problems.get('densities')}</p>}
    </Group>
  )
}
