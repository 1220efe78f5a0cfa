'use client'

import { negativeSentence, sumValue } from '@/core/rules/sums'
import { Choice } from '@/ui/choice'
import { DraftField } from '@/ui/draft-field'
import { say } from '@/ui/notice'
import type { Draft } from './draft'
import { UnusedValues } from './unused-values'
import { freshName, Group, type GroupProps, NameInput, NumberInput, RemoveButton } from './form'

/** Named numbers: weights, or radii, which may be sums. */
export function NumberGroup({
  draft,
  onChange,
  problems,
  list,
  title,
  one,
  start,
}: GroupProps & { list: 'weights' | 'radii'; title: string; one: string; start: number }) {
  const values = draft[list]
  const set = (i: number, change: { name?: string; value?: number; sum?: string | undefined }) =>
    onChange({ ...draft, [list]: values.map((value, k) => (k === i ? { ...value, ...change } : value)) })
  return (
    <Group
      title={title}
      addLabel={one}
      onAdd={() =>
        onChange({ ...draft, [list]: [...values, { name: freshName(one, values), value: start, was: null }] })
      }
    >
      {values.map(({ name, value }, i) => (
        <div
          key={i}
          className={`mb-1 grid items-center gap-1.5 ${list === 'radii' ? 'grid-cols-[minmax(0,1fr)_108px_60px_24px]' : 'grid-cols-[minmax(0,1fr)_72px_24px]'}`}
        >
          <NameInput
            label={`Name of ${one} ${i + 1}`}
            value={name}
            problem={problems.get(`${list}.${i}.name`)}
            onChange={(next) => set(i, { name: next })}
          />
          {list === 'radii' && <SumInput radius={draft.radii[i]!} draft={draft} onSum={(sum) => set(i, { sum })} />}
          <NumberInput
            label={`${one} ${name}`}
            value={value}
            step={0.25}
            problem={problems.get(`${list}.${i}.value`)}
            onChange={(next) => set(i, { value: next, ...(list === 'radii' && { sum: undefined }) })}
          />
          <RemoveButton
            label={`Remove ${name}`}
            onClick={() => onChange({ ...draft, [list]: values.filter((_, k) => k !== i) })}
          />
        </div>
      ))}
      <UnusedValues
        kind={list === 'weights' ? 'weight' : 'radius'}
        values={values}
        onRemove={(isUnused) => onChange({ ...draft, [list]: values.filter((one) => !isUnused(one)) })}
      />
    </Group>
  )
}

/** What a radius is the sum of, where it is one; a number typed beside it makes it its own again. */
function SumInput({
  radius: { name, sum },
  draft,
  onSum,
}: {
  radius: Draft['radii'][number]
  draft: Draft
  onSum: (sum: string | undefined) => void
}) {
  return (
    <DraftField
      label={`Sum for ${name}`}
      title="A sum of weights and radii, such as outer - main; it stays one when they change"
      placeholder="own number"
      value={sum ?? ''}
      onAccept={(text) => {
        if (text === '') return onSum(undefined)
        const others = { ...draft, radii: draft.radii.filter((one) => one.name !== name) }
        const value = sumValue(text, others)
        if (value === null)
          return say({ text: `“${text}” is not a sum of weights and plain radii of these rules.`, tone: 'fault' })
        if (value < 0) return say({ text: negativeSentence(name, text, value), tone: 'fault' })
        onSum(text)
      }}
      className="field"
    />
  )
}

/** How strokes end and turn. */
export function EndsGroup({ draft, onChange, problems }: GroupProps) {
  const words = <T extends string>(...values: T[]) => values.map((value) => ({ value, label: value }))
  return (
    <Group title="Caps and joins">
      <div className="grid gap-1.5">
        <div className="flex items-center justify-between">
          <span className="text-quiet">cap</span>
          <Choice
            label="Cap"
            value={draft.cap}
            options={words('butt', 'round', 'square')}
            onChange={(cap) => onChange({ ...draft, cap })}
          />
        </div>
        <div className="flex items-center justify-between">
          <span className="text-quiet">join</span>
          <Choice
            label="Join"
            value={draft.join}
            options={words('miter', 'round', 'bevel')}
            onChange={(join) => onChange({ ...draft, join })}
          />
        </div>
        <div className="flex items-center justify-between">
          <span className="text-quiet">delivered</span>
          <Choice
            label="How strokes are delivered"
            value={draft.strokes ?? 'kept'}
            options={[
              {
                value: 'kept',
                label: 'as strokes',
                hint: 'Centre lines with their weight: small, and easy to restyle',
              },
              { value: 'outlined', label: 'outlined', hint: 'The shapes that strokes paint, circles as arcs' },
            ]}
            onChange={(strokes) => {
              const { strokes: _, ...rest } = draft
              onChange(strokes === 'kept' ? rest : { ...rest, strokes })
            }}
          />
        </div>
        <NumberInput
          className="justify-between [&_input]:!w-16"
          label="Miter limit"
          shown="miter limit"
          value={draft.miterLimit}
          step={1}
          problem={problems.get('miterLimit')}
          onChange={(miterLimit) => onChange({ ...draft, miterLimit })}
        />
      </div>
    </Group>
  )
}
