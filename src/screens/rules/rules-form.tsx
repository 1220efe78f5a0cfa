'use client'

import { isGradient, type Paint } from '@/core/drawing/paint'
import { INK } from '@/core/drawing/values'
import { sumValue } from '@/core/rules/sums'
import { Choice, Choices } from '@/ui/choice'
import { DraftField } from '@/ui/draft-field'
import { say } from '@/ui/notice'
import { cssStops } from '@/ui/css-gradient'
import { NumberField } from '@/ui/number-field'
import type { Draft } from './draft'
import { ChecksGroup, MeasuresGroup } from './checks-group'
import { PlateGroup } from './plate-group'
import { Group, NameInput, NumberInput, RemoveButton } from './form'

type Props = {
  readonly draft: Draft
  readonly onChange: (draft: Draft) => void
  readonly problems: ReadonlyMap<string, string>
}

/** The rules in groups. */
export function RulesForm(props: Props) {
  return (
    <>
      <GridGroup {...props} />
      <KeylineGroup {...props} />
      <NumberGroup {...props} list="weights" title="Stroke weights" one="weight" start={1} />
      <NumberGroup {...props} list="radii" title="Corner radii" one="radius" start={1} />
      <EndsGroup {...props} />
      <PaletteGroup {...props} />
      {props.draft.gradients.length > 0 && <GradientGroup {...props} />}
      {props.draft.finishes.length > 0 && <FinishGroup {...props} />}
      <PlateGroup {...props} />
      <SizesGroup {...props} />
      <MeasuresGroup {...props} />
      <ChecksGroup {...props} />
    </>
  )
}

function GridGroup({ draft, onChange, problems }: Props) {
  const { grid } = draft
  return (
    <Group title="Grid" note="drawings keep their numbers">
      <div className="grid grid-cols-2 gap-x-4 gap-y-1.5 [&_input]:!w-16 [&_label]:justify-between">
        <NumberInput
          label="Grid size"
          shown="square"
          value={grid.size}
          step={1}
          problem={problems.get('grid.size')}
          onChange={(size) => onChange({ ...draft, grid: { ...grid, size } })}
        />
        <NumberInput
          label="Live area"
          shown="live area"
          value={draft.liveArea}
          step={1}
          problem={problems.get('liveArea')}
          onChange={(liveArea) => onChange({ ...draft, liveArea })}
        />
        <NumberInput
          label="Step"
          shown="step"
          value={grid.step}
          step={0.25}
          problem={problems.get('grid.step')}
          onChange={(step) => onChange({ ...draft, grid: { ...grid, step } })}
        />
        <NumberInput
          label="Strong line every"
          shown="strong every"
          value={grid.major}
          step={1}
          problem={problems.get('grid.major')}
          onChange={(major) => onChange({ ...draft, grid: { ...grid, major } })}
        />
      </div>
    </Group>
  )
}

function KeylineGroup({ draft, onChange, problems }: Props) {
  const { keylines } = draft
  const set = (i: number, change: Partial<Draft['keylines'][number]>) =>
    onChange({ ...draft, keylines: keylines.map((one, k) => (k === i ? { ...one, ...change } : one)) })
  const area = ({ shape, w, h }: Draft['keylines'][number]) =>
    Math.round(w * h * (shape === 'ellipse' ? Math.PI / 4 : 1))
  return (
    <Group
      title="Keylines"
      addLabel="keyline"
      onAdd={() =>
        onChange({
          ...draft,
          keylines: [
            ...keylines,
            { name: freshName('keyline', keylines), shape: 'rectangle', w: draft.liveArea, h: draft.liveArea },
          ],
        })
      }
    >
      {keylines.length === 0 && (
        <p className="text-quiet">None. Keylines give different silhouettes the same visual size.</p>
      )}
      {keylines.map((keyline, i) => (
        <div key={i} className="mb-1 grid grid-cols-[minmax(0,1fr)_auto_52px_52px_52px_24px] items-center gap-1.5">
          <NameInput
            label={`Name of keyline ${i + 1}`}
            value={keyline.name}
            problem={problems.get(`keylines.${i}.name`)}
            onChange={(name) => set(i, { name })}
          />
          <Choice
            label={`Shape of ${keyline.name}`}
            value={keyline.shape}
            options={[
              { value: 'ellipse', label: '○', hint: 'ellipse' },
              { value: 'rectangle', label: '□', hint: 'rectangle' },
            ]}
            onChange={(shape) => set(i, { shape })}
          />
          <NumberInput
            label={`Width of ${keyline.name}`}
            value={keyline.w}
            step={1}
            problem={problems.get(`keylines.${i}.w`)}
            onChange={(w) => set(i, { w })}
          />
          <NumberInput
            label={`Height of ${keyline.name}`}
            value={keyline.h}
            step={1}
            problem={problems.get(`keylines.${i}.h`)}
            onChange={(h) => set(i, { h })}
          />
          <span className="text-right text-small text-quiet" title="area in square units">
            {area(keyline)} u²
          </span>
          <RemoveButton
            label={`Remove ${keyline.name}`}
            onClick={() => onChange({ ...draft, keylines: keylines.filter((_, k) => k !== i) })}
          />
        </div>
      ))}
    </Group>
  )
}

function NumberGroup({
  draft,
  onChange,
  problems,
  list,
  title,
  one,
  start,
}: Props & { list: 'weights' | 'radii'; title: string; one: string; start: number }) {
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
    </Group>
  )
}

function EndsGroup({ draft, onChange, problems }: Props) {
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

function PaletteGroup({ draft, onChange, problems }: Props) {
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
        if (sumValue(text, others) === null)
          return say({ text: `“${text}” is no sum of weights and plain radii of these rules.`, tone: 'fault' })
        onSum(text)
      }}
      className="h-6 min-w-0 rounded-sheet border border-hair px-1.5"
    />
  )
}

/** The gradients of the palette by name; they are made on the bench, where they can be seen on an icon. */
function GradientGroup({ draft, onChange, problems }: Props) {
  const { gradients, palette } = draft
  const colour = (color: string) => palette.find(({ name, was }) => name === color || was === color)?.color ?? color
  return (
    <Group title="Gradients" note="made on the bench, under Colours">
      {gradients.map(({ name, stops }, i) => (
        <div key={i} className="mb-1 grid grid-cols-[minmax(0,1fr)_120px_24px] items-center gap-1.5">
          <NameInput
            label={`Name of gradient ${i + 1}`}
            value={name}
            problem={problems.get(`gradients.${i}.name`) ?? problems.get(`gradients.${i}`)}
            onChange={(next) =>
              onChange({ ...draft, gradients: gradients.map((one, k) => (k === i ? { ...one, name: next } : one)) })
            }
          />
          <span
            aria-hidden
            className="h-4 border border-ink"
            style={{
              background: `linear-gradient(90deg, ${cssStops(stops.map((stop) => ({ ...stop, color: colour(stop.color) })))})`,
            }}
          />
          <RemoveButton
            label={`Remove ${name}`}
            onClick={() => onChange({ ...draft, gradients: gradients.filter((_, k) => k !== i) })}
          />
        </div>
      ))}
    </Group>
  )
}

/** The finishes that objects share, by name; what they are is said on the bench, on any object that has them. */
function FinishGroup({ draft, onChange, problems }: Props) {
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

function SizesGroup({ draft, onChange, problems }: Props) {
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

function freshName(stem: string, taken: readonly { name: string }[]): string {
  const names = new Set(taken.map(({ name }) => name))
  for (let n = 1; ; n++) if (!names.has(`${stem}-${n}`)) return `${stem}-${n}`
}
