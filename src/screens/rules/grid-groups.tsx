'use client'

import { Choice, Choices } from '@/ui/choice'
import { MenuButton } from '@/ui/menu'
import { type Draft, onGrid } from './draft'
import { freshName, Group, type GroupProps, NameInput, NumberInput, RemoveButton } from './form'

/** The grids that are offered for a set to be brought to. */
const GRIDS = [16, 20, 24, 32, 48, 64, 512, 1024]

/** The square and its grid. */
export function GridGroup({ draft, onChange, problems }: GroupProps) {
  const { grid } = draft
  return (
    <Group title="Grid">
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
          label="Bold line every"
          shown="bold line every"
          value={grid.major}
          step={1}
          problem={problems.get('grid.major')}
          onChange={(major) => onChange({ ...draft, grid: { ...grid, major } })}
        />
        <NumberInput
          label="Trim"
          shown="trim (0 = off)"
          value={draft.trim ?? 0}
          step={1}
          problem={problems.get('trim')}
          onChange={(trim) => onChange({ ...draft, trim: trim > 0 ? trim : undefined })}
        />
      </div>
      <MenuButton
        label="Bring the set to another grid"
        title="Live area, keylines, weights and radii go along; the drawings are fitted to it"
        className="mt-2 underline decoration-dotted hover:text-hand"
        list={GRIDS.filter((size) => size !== grid.size).map((size) => ({
          label: `${size} units`,
          run: () => onChange(onGrid(draft, size)),
        }))}
      >
        bring the set to another grid…
      </MenuButton>
    </Group>
  )
}

/** Shapes that give silhouettes of one kind the same visual size. */
export function KeylineGroup({ draft, onChange, problems }: GroupProps) {
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
        <div key={i} className="mb-1 grid grid-cols-[minmax(76px,1fr)_auto_42px_42px_58px_20px] items-center gap-1.5">
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
      <div className="mt-2 flex items-center justify-between">
        <span className="text-quiet">lines</span>
        <Choices
          label="Construction lines"
          value={draft.lines ?? []}
          options={(['centre', 'diagonals', 'thirds'] as const).map((value) => ({ value, label: value }))}
          onChange={(values) => {
            const lines = (['centre', 'diagonals', 'thirds'] as const).filter((one) => values.includes(one))
            onChange({ ...draft, lines: lines.length > 0 ? lines : undefined })
          }}
        />
      </div>
    </Group>
  )
}
