'use client'

import { cssStops } from '@/ui/css-gradient'
import type { Draft } from './draft'
import { freshName, Group, type GroupProps, NameInput, NumberInput, RemoveButton } from './form'
import { UnusedValues } from './unused-values'

type Named = Draft['gradients'][number]
type Stop = Named['stops'][number]

/** Gradients by name: their stops, each at a share of the way in a colour of the palette or one of its own. */
export function GradientGroup({ draft, onChange, problems }: GroupProps) {
  const { gradients, palette } = draft
  const set = (i: number, change: Partial<Named>) =>
    onChange({ ...draft, gradients: gradients.map((one, k) => (k === i ? { ...one, ...change } : one)) })
  const add = () => {
    const [first, last = first] = palette
    const stops: Stop[] = [
      { at: 0, color: first!.name },
      { at: 1, color: last!.name },
    ]
    onChange({ ...draft, gradients: [...gradients, { name: freshName('gradient', gradients), stops, was: null }] })
  }
  return (
    <Group title="Gradients" addLabel="gradient" onAdd={add}>
      {gradients.length === 0 && (
        <p className="text-quiet">None. Objects lay a gradient of the rules in any direction.</p>
      )}
      {gradients.map((gradient, i) => (
        <div key={i} className="mb-2">
          <div className="mb-1 grid grid-cols-[minmax(0,1fr)_120px_24px] items-center gap-1.5">
            <NameInput
              label={`Name of gradient ${i + 1}`}
              value={gradient.name}
              problem={problems.get(`gradients.${i}.name`) ?? problems.get(`gradients.${i}`)}
              onChange={(name) => set(i, { name })}
            />
            <Preview stops={gradient.stops} palette={palette} />
            <RemoveButton
              label={`Remove ${gradient.name}`}
              onClick={() => onChange({ ...draft, gradients: gradients.filter((_, k) => k !== i) })}
            />
          </div>
          <Stops gradient={gradient} palette={palette} onStops={(stops) => set(i, { stops })} />
        </div>
      ))}
      <UnusedValues
        kind="gradient"
        values={gradients}
        onRemove={(isUnused) => onChange({ ...draft, gradients: gradients.filter((one) => !isUnused(one)) })}
      />
    </Group>
  )
}

function Preview({ stops, palette }: { stops: readonly Stop[]; palette: Draft['palette'] }) {
  const colour = (color: string) => palette.find(({ name, was }) => name === color || was === color)?.color ?? color
  const shown = cssStops(stops.map((stop) => ({ ...stop, color: colour(stop.color) })))
  return (
    <span aria-hidden className="h-4 border border-ink" style={{ background: `linear-gradient(90deg, ${shown})` }} />
  )
}

/** The stops of a gradient, from its beginning to its end. */
function Stops({
  gradient: { name, stops },
  palette,
  onStops,
}: {
  gradient: Named
  palette: Draft['palette']
  onStops: (stops: Stop[]) => void
}) {
  const put = (k: number, change: Partial<Stop>) =>
    onStops(stops.map((stop, n) => (n === k ? { ...stop, ...change } : stop)).sort((a, b) => a.at - b.at))
  const between = () => {
    const last = stops.at(-1)!,
      before = stops.at(-2) ?? last
    onStops([...stops, { ...last, at: (before.at + last.at) / 2 }].sort((a, b) => a.at - b.at))
  }
  return (
    <ul aria-label={`Stops of ${name}`} className="ml-3 border-l border-hair pl-2">
      {stops.map((stop, k) => (
        <li key={k} className="mb-0.5 grid grid-cols-[72px_minmax(0,1fr)_24px] items-center gap-1.5">
          <NumberInput
            label={`Place of stop ${k + 1} of ${name}, in percent`}
            value={Math.round(stop.at * 1000) / 10}
            step={5}
            onChange={(percent) => put(k, { at: Math.min(1, Math.max(0, percent / 100)) })}
          />
          <select
            aria-label={`Colour of stop ${k + 1} of ${name}`}
            value={stop.color}
            onChange={({ target }) => put(k, { color: target.value })}
            className="field"
          >
            {!palette.some((one) => one.name === stop.color) && <option>{stop.color}</option>}
            {palette.map((one) => (
              <option key={one.name}>{one.name}</option>
            ))}
          </select>
          <RemoveButton
            label={`Remove stop ${k + 1} of ${name}`}
            disabled={stops.length <= 2}
            onClick={() => onStops(stops.filter((_, n) => n !== k))}
          />
        </li>
      ))}
      <li>
        <button type="button" onClick={between} className="text-quiet hover:text-hand">
          + stop
        </button>
      </li>
    </ul>
  )
}
