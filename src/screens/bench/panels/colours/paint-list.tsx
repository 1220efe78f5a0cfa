'use client'

import { PAINT } from '../../state/paint-in-hand'
import clsx from 'clsx'
import { ArrowDown, ArrowUp, Plus, X } from 'lucide-react'
import { type Painted, fillsOf, opacityAt, type PaintPlace, paintAt, withFills } from '@/core/drawing/edit/paint'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { outermost } from '@/core/drawing/objects/tree'
import { INK } from '@/core/drawing/model/values'
import type { Rules } from '@/core/rules/rules'
import { Chip } from '@/ui/chip'
import { PERCENT } from '@/ui/limits'
import { NumberField } from '@/ui/number-field'
import { useBench, useBenchState, useDeferredObjects, useSlice } from '../../state/context'
import { changeStyles, setPaint } from '../../operations/paints'
import { FinishRow } from './finish-row'
import { cssPaint, paintWord } from '../../operations/paint-words'

const small = 'grid h-5 w-4 place-items-center text-quiet enabled:hover:text-ink disabled:opacity-30'

/** The paints of the selection, the front one first: stroke, upper fills, fill. A press takes one in hand. */
export function PaintList({ objects, rules }: { objects: readonly Painted[]; rules: Rules }) {
  const bench = useBench()
  const { style } = objects[0]!
  const inHand = useSlice(PAINT).place
  const upper = (style.fills ?? []).map((_, i) => i).toReversed()
  const places: PaintPlace[] = style.strokeFirst ? [...upper, 'fill', 'stroke'] : ['stroke', ...upper, 'fill']
  const move = (place: number | 'fill', by: number) =>
    changeStyles(
      bench,
      (own) => {
        const fills = fillsOf(own),
          at = place === 'fill' ? 0 : place + 1,
          to = at + by
        if (to < 0 || to >= fills.length) return own
        ;[fills[at], fills[to]] = [fills[to]!, fills[at]!]
        return withFills(own, fills)
      },
      'the order of the fills',
    )
  return (
    <section aria-label="Paints" className="flex w-[212px] flex-none flex-col overflow-y-auto">
      <FinishRow rules={rules} />
      <WholeRow />
      {places.map((place) => (
        <PaintRow
          key={place}
          place={place}
          label={place === 'stroke' ? 'stroke' : place === 'fill' ? 'fill' : `fill ${place + 2}`}
          objects={objects}
          rules={rules}
          inHand={inHand === place}
          onUp={
            place === 'stroke' || (place === 'fill' ? upper.length === 0 : place === upper.length - 1)
              ? null
              : () => move(place, 1)
          }
          onDown={place === 'stroke' || place === 'fill' ? null : () => move(place, -1)}
          onRemove={
            typeof place === 'number'
              ? () =>
                  changeStyles(
                    bench,
                    (own) =>
                      withFills(
                        own,
                        fillsOf(own).filter((_, i) => i !== place + 1),
                      ),
                    'the fills',
                  )
              : null
          }
        />
      ))}
      <button
        type="button"
        className="flex h-6 items-center gap-1.5 px-3 text-quiet hover:text-ink"
        onClick={() => {
          changeStyles(bench, (own) => withFills(own, [...fillsOf(own), { paint: INK, opacity: 0.5 }]), 'the fills')
          bench.put(PAINT, { place: style.fills?.length ?? 0, stop: null })
        }}
      >
        <Plus size={12} aria-hidden /> Add a fill on top
      </button>
    </section>
  )
}

/** The opacity of the selected objects as wholes. */
function WholeRow() {
  const bench = useBench()
  const objects = useDeferredObjects()
  const selection = useBenchState((state) => state.selection)
  const [first, ...more] = outermost(objects, selection).map(({ opacity = 1 }) => opacity)
  const set = (opacity: number) =>
    bench.change((object) => {
      const { opacity: _, ...rest } = object
      return (opacity < 1 ? { ...rest, opacity } : rest) as DrawingObject
    }, 'the opacity')
  return (
    <label className="flex h-[25px] flex-none items-center border-b border-faint pr-[52px] pl-3">
      <span className="flex-1">whole</span>
      <NumberField
        label="Opacity of the whole"
        value={first === undefined || more.some((one) => one !== first) ? null : first * 100}
        placeholder="several"
        unit=" %"
        step={5}
        className="!w-12 pr-0.5 text-right"
        limits={PERCENT}
        onChange={(value) => set(value / 100)}
      />
    </label>
  )
}

function PaintRow({
  place,
  label,
  objects,
  rules,
  inHand,
  onUp,
  onDown,
  onRemove,
}: {
  place: PaintPlace
  label: string
  objects: readonly Painted[]
  rules: Rules
  inHand: boolean
  onUp: (() => void) | null
  onDown: (() => void) | null
  onRemove: (() => void) | null
}) {
  const bench = useBench()
  const paints = objects.map(({ style }) => paintAt(style, place) ?? 'none')
  const same = paints.every((paint) => JSON.stringify(paint) === JSON.stringify(paints[0]))
  const opacity = opacityAt(objects[0]!.style, place)
  return (
    <div
      className={clsx(
        'flex h-[25px] flex-none items-center border-b border-faint pr-1',
        inHand && 'bg-hand-wash shadow-[inset_3px_0_var(--hand)]',
      )}
    >
      <button
        type="button"
        aria-pressed={inHand}
        aria-label={`Take the ${label} in hand: ${same ? paintWord(paints[0]!) : 'several'}`}
        onClick={() => bench.put(PAINT, { place, stop: null })}
        className="flex h-full min-w-0 flex-1 items-center gap-2 pl-3 text-left"
      >
        <Chip large paint={same ? cssPaint(paints[0]!, rules) : null} />
        <span className="flex-none">{label}</span>
        <span className="truncate text-quiet">{same ? paintWord(paints[0]!) : 'several'}</span>
      </button>
      <NumberField
        label={`Opacity of the ${label}`}
        value={opacity * 100}
        unit=" %"
        step={5}
        className="!w-10 pr-0.5 text-right"
        limits={PERCENT}
        onChange={(value) => setPaint(bench, place, { opacity: value / 100 })}
      />
      {place !== 'stroke' && (
        <>
          <button
            type="button"
            aria-label={`Bring the ${label} up`}
            title="up"
            disabled={!onUp}
            onClick={() => onUp?.()}
            className={small}
          >
            <ArrowUp size={12} aria-hidden />
          </button>
          <button
            type="button"
            aria-label={`Bring the ${label} down`}
            title="down"
            disabled={!onDown}
            onClick={() => onDown?.()}
            className={small}
          >
            <ArrowDown size={12} aria-hidden />
          </button>
          <button
            type="button"
            aria-label={`Remove the ${label}`}
            title="remove"
            disabled={!onRemove}
            onClick={() => onRemove?.()}
            className={small}
          >
            <X size={12} aria-hidden />
          </button>
        </>
      )}
    </div>
  )
}
