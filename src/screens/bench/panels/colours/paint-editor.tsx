'use client'

import { SAMPLE } from '../../tools/sample/gesture'
import { PAINT } from '../../state/paint-in-hand'
import { type Painted, paintAt } from '@/core/drawing/edit/paint'
import { otherKind, reversed, withStop } from '@/core/drawing/model/gradient'
import { type Gradient, isGradient, type Paint, type Stop } from '@/core/drawing/model/paint'
import { colourOf, INK, stopsOf } from '@/core/drawing/model/values'
import type { Rules } from '@/core/rules/rules'
import { Button } from '@/ui/button'
import { Choice } from '@/ui/choice'
import { Chip } from '@/ui/chip'
import { ColourField } from '@/ui/colour-field'
import { PERCENT } from '@/ui/limits'
import { NumberField } from '@/ui/number-field'
import { useBench, useSlice } from '../../state/context'
import { addSwatch, hexOf, makeGradient, nameGradient, putColour, setPaint, setStops } from '../../operations/paints'
import { cssPaint } from '../../operations/paint-words'
import { Ramp } from './ramp'

const KINDS = [
  { value: 'none', label: 'none' },
  { value: 'colour', label: 'colour' },
  { value: 'linear', label: 'linear' },
  { value: 'radial', label: 'radial' },
] as const

/** The paint in hand: none, a colour or a gradient, with the stop in hand. */
export function PaintEditor({ objects, rules }: { objects: readonly Painted[]; rules: Rules }) {
  const bench = useBench()
  const { place, stop } = useSlice(PAINT)
  const paint = paintAt(objects[0]!.style, place) ?? 'none'
  const kind = paint === 'none' ? 'none' : isGradient(paint) ? paint.kind : 'colour'
  const choose = (next: (typeof KINDS)[number]['value']) => {
    bench.put(PAINT, { place, stop: next === 'linear' || next === 'radial' ? 0 : null })
    if (next === 'none') setPaint(bench, place, { paint: 'none' })
    else if (next === 'colour') setPaint(bench, place, { paint: firstColour(paint, rules) })
    else if (isGradient(paint)) setPaint(bench, place, { paint: otherKind(paint) })
    else makeGradient(bench, place, next)
  }
  return (
    <section
      aria-label="Paint in hand"
      className="grid w-[400px] flex-none grid-cols-[1fr_174px] gap-x-3 overflow-y-auto px-3 py-1.5"
    >
      <div className="flex min-w-0 flex-col gap-1.5">
        <Choice label="Kind of paint" value={kind} options={KINDS} onChange={choose} className="[&>button]:!px-2" />
        {isGradient(paint) && <GradientEditor paint={paint} rules={rules} />}
      </div>
      {kind === 'colour' && <Colours value={paint as string} rules={rules} />}
      {isGradient(paint) && stop !== null && typeof paint.stops !== 'string' && paint.stops[stop] && (
        <Colours value={paint.stops[stop].color} rules={rules} />
      )}
    </section>
  )
}

const firstColour = (paint: Paint, rules: Rules): string =>
  isGradient(paint) ? (stopsOf(paint, rules)[0]?.color ?? INK) : paint === 'none' ? INK : paint

/** The swatches of the rules and a colour of one's own, for the paint or the stop in hand. */
function Colours({ value, rules }: { value: string; rules: Rules }) {
  const bench = useBench()
  const sampled = useSlice(SAMPLE).sampled
  const swatch = (name: string, color: string) => (
    <button
      key={name}
      type="button"
      aria-label={`Colour ${name}`}
      aria-pressed={name === value}
      title={name}
      onClick={() => putColour(bench, name)}
      className="grid size-[21px] place-items-center border border-transparent hover:border-ink aria-pressed:border-hand"
    >
      <Chip large paint={color} />
    </button>
  )
  return (
    <div>
      <div role="group" aria-label="Palette" className="flex flex-wrap items-center pb-1">
        {rules.palette.map(({ name, color }) => swatch(name, color))}
        {sampled.length > 0 && <span className="mx-1 h-4 border-l border-hair" />}
        {sampled.map((color) => swatch(color, color))}
        {value.startsWith('#') && (
          <Button
            look="plain"
            className="!h-5 !px-1.5 text-quiet"
            onClick={() => putColour(bench, addSwatch(bench, value))}
          >
            + to the palette
          </Button>
        )}
      </div>
      <ColourField
        label="Own colour"
        height={72}
        value={hexOf(bench, value)}
        onChange={(hex) => putColour(bench, hex)}
      />
    </div>
  )
}

function GradientEditor({ paint, rules }: { paint: Gradient; rules: Rules }) {
  const bench = useBench()
  const { place, stop } = useSlice(PAINT)
  const stops = stopsOf(paint, rules)
  const chosen = stop !== null ? stops[stop] : undefined
  const hold = (next: number | null) => bench.put(PAINT, { place, stop: next })
  const add = (at: number) => {
    setStops(bench, place, (all) => withStop(all, at).stops, 'the stops')
    hold(withStop(stops, at).index)
  }
  const setStop = (change: Partial<Stop>, what: string) =>
    stop !== null &&
    setStops(bench, place, (all) => all.map((one, i) => (i === stop ? withOpacity({ ...one, ...change }) : one)), what)
  return (
    <>
      <Ramp
        css={cssPaint({ ...paint, kind: 'linear', from: { x: 0, y: 0 }, to: { x: 1, y: 0 } } as Paint, rules)!}
        stops={stops}
        chosen={stop}
        colourOf={({ color }) => colourOf(color, rules).light}
        onChoose={hold}
        onMove={(i, at) =>
          setStops(bench, place, (all) => all.map((one, k) => (k === i ? { ...one, at } : one)), 'the place of a stop')
        }
        onAdd={add}
      />
      <div className="flex flex-wrap items-center gap-1">
        <Button className="!px-1.5" onClick={() => setStops(bench, place, reversed, 'the direction of the gradient')}>
          Reverse
        </Button>
        {typeof paint.stops === 'string' ? (
          <Button
            className="!px-1.5"
            title="Give the object stops of its own"
            onClick={() => setStops(bench, place, (all) => [...all], 'the stops')}
          >
            Own stops
          </Button>
        ) : (
          <Button
            className="!px-1.5"
            title="Keep it in the palette under a name"
            onClick={() => nameGradient(bench, place)}
          >
            + to the palette
          </Button>
        )}
        {(rules.gradients ?? []).map(({ name }) => (
          <button
            key={name}
            type="button"
            aria-label={`Gradient ${name}`}
            aria-pressed={paint.stops === name}
            title={name}
            onClick={() => setPaint(bench, place, { paint: { ...paint, stops: name } })}
            className="border border-transparent p-0.5 hover:border-ink aria-pressed:border-hand"
          >
            <span
              className="block h-3.5 w-6 border border-ink"
              style={{
                background: cssPaint({ kind: 'linear', from: { x: 0, y: 0 }, to: { x: 1, y: 0 }, stops: name }, rules)!,
              }}
            />
          </button>
        ))}
      </div>
      {chosen && stop !== null && (
        <div className="flex flex-wrap items-center gap-1.5 whitespace-nowrap text-quiet">
          <label className="flex items-center gap-1">
            Stop {stop + 1} at
            <NumberField
              label="Place of the stop"
              value={chosen.at * 100}
              step={1}
              unit=" %"
              className="field !h-5 !w-[52px] !px-1 text-right"
              limits={{ least: (stops[stop - 1]?.at ?? 0) * 100, most: (stops[stop + 1]?.at ?? 1) * 100 }}
              onChange={(value) => setStop({ at: value / 100 }, 'the place of a stop')}
            />
          </label>
          <label className="flex items-center gap-1">
            Opacity
            <NumberField
              label="Opacity of the stop"
              value={(chosen.opacity ?? 1) * 100}
              step={5}
              unit=" %"
              className="field !h-5 !w-[52px] !px-1 text-right"
              limits={PERCENT}
              onChange={(value) => setStop({ opacity: value / 100 }, 'the opacity of a stop')}
            />
          </label>
          <Button
            look="plain"
            disabled={stops.length <= 2}
            className="!h-5 !px-1.5"
            onClick={() => {
              setStops(bench, place, (all) => all.filter((_, i) => i !== stop), 'the stops')
              hold(Math.max(0, stop - 1))
            }}
          >
            Remove
          </Button>
        </div>
      )}
    </>
  )
}

/** A stop without an opacity that says nothing. */
function withOpacity(stop: Stop): Stop {
  if (stop.opacity !== 1) return stop
  const { opacity: _, ...rest } = stop
  return rest
}
