'use client'

import { styleOf } from '@/core/drawing/scene/shared-style'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { useMemo, useState } from 'react'
import { contrast, ENOUGH } from '@/core/proof/contrast'
import { type Painted, coloursUsed, paintedAnew, paintedWithin, recoloured } from '@/core/drawing/edit/paint'
import { boxesOverlap } from '@/core/geometry/box'
import { extent } from '@/core/drawing/evaluate/extent'
import { type DrawingObject, isStyled } from '@/core/drawing/objects/object'
import { isGradient } from '@/core/drawing/model/paint'
import { stopsOf } from '@/core/drawing/model/values'
import { mapObjects } from '@/core/drawing/objects/tree'
import type { Rules } from '@/core/rules/rules'
import { Button } from '@/ui/button'
import { Chip } from '@/ui/chip'
import { PixelPicture } from '@/ui/pixel-picture'
import { useBench, useDeferredObjects } from '../../state/context'
import { hexOf, recolour } from '../../operations/paints'

/**
 * The colours that occur, each to be exchanged for another; what two of the palette would look like; the contrast of
 * the two most used.
 */
export function UsedColours({
  objects,
  rules,
  chosen,
}: {
  objects: readonly Painted[]
  rules: Rules
  chosen: boolean
}) {
  const bench = useBench()
  const used = coloursUsed(objects)
  const [first, second] = used
  const { color: plate, on } = plateIn(useDeferredObjects(), rules)
  const ground = plate ?? second?.color ?? null,
    shown = plate
      ? used.find(({ color }) => on.has(color) && color !== plate)
      : first?.color === ground
        ? second
        : first
  const ratio = shown && ground ? contrast(hexOf(bench, shown.color), hexOf(bench, ground)) : null
  return (
    <section aria-label="Colours" className="flex min-w-[150px] flex-1 flex-col overflow-y-auto px-2.5 py-1.5">
      <p className="text-quiet">{chosen ? 'Colours of the selection' : 'Colours of the icon'}</p>
      {used.slice(0, 12).map(({ color, count }) => (
        <label key={color} className="flex h-[22px] flex-none items-center gap-2">
          <Chip paint={hexOf(bench, color)} />
          <span className="min-w-0 flex-1 truncate">{color}</span>
          <span className="text-quiet" title={on.has(color) ? 'Contrast on the plate' : 'Objects with this colour'}>
            {plate && on.has(color) && color !== plate
              ? `${contrast(hexOf(bench, color), hexOf(bench, plate)).toFixed(1)} : 1`
              : `${count}×`}
          </span>
          {chosen && (
            <select
              aria-label={`Recolour ${color} as`}
              value=""
              onChange={(event) => recolour(bench, new Map([[color, event.target.value]]))}
              title={`Make ${color} another colour`}
              className="w-[18px] bg-transparent text-quiet"
            >
              <option value="" disabled>
                becomes
              </option>
              {[
                ...rules.palette.map(({ name }) => name),
                ...used.map((other) => other.color).filter((other) => other.startsWith('#')),
              ]
                .filter((name) => name !== color)
                .map((name) => (
                  <option key={name} value={name}>
                    {name}
                  </option>
                ))}
            </select>
          )}
        </label>
      ))}
      {ratio !== null && (
        <p className="mt-1 text-quiet" title="Contrast ratio by WCAG 2.2; a graphic needs 3 : 1 beside its ground">
          {shown!.color} on {plate ? 'the plate' : ground}:{' '}
          <span className={ratio < ENOUGH ? 'font-[640] text-snag' : 'text-ink'}>
            {ratio.toFixed(1)} : 1{ratio < ENOUGH ? ', too little' : ''}
          </span>
        </p>
      )}
      {first && second && <Pairs rules={rules} from={[first.color, second.color]} chosen={chosen} objects={objects} />}
    </section>
  )
}

/** The share of the square that the rearmost object covers to count as its plate. */
const PLATE = 0.6

/**
 * The colour of the rearmost object that covers most of the square (a gradient's first stop; null if none does), and
 * the colours of the objects that lie on it.
 */
function plateIn(objects: readonly DrawingObject[], rules: Rules): { color: string | null; on: ReadonlySet<string> } {
  const scene = sceneOf(rules),
    none = { color: null, on: new Set<string>() },
    [back, ...above] = objects
  if (!back || !isStyled(back)) return none
  const area = extent(back, scene),
    { fill } = styleOf(back, scene)
  if (area.w * area.h < PLATE * rules.grid.size ** 2 || fill === 'none') return none
  const lying = above.filter((object) => boxesOverlap(extent(object, scene), area))
  return {
    color: isGradient(fill) ? stopsOf(fill, rules)[0]!.color : fill,
    on: new Set(coloursUsed(paintedWithin(lying, scene)).map(({ color }) => color)),
  }
}

/** The icon in pairs of palette colours side by side, with their contrast; a press takes a pair. */
function Pairs({
  rules,
  from,
  objects,
  chosen,
}: {
  rules: Rules
  from: [string, string]
  objects: readonly Painted[]
  chosen: boolean
}) {
  const bench = useBench()
  const drawing = useDeferredObjects()
  const [open, setOpen] = useState(false)
  const pairs = useMemo(() => {
    if (!open) return []
    const names = rules.palette.map(({ name }) => name)
    const all = names.flatMap((a) => names.filter((b) => b !== a).map((b): [string, string] => [a, b]))
    return all
      .map((pair) => {
        const to = new Map([
          [from[0], pair[0]],
          [from[1], pair[1]],
        ])
        const next = new Map(
          paintedAnew(objects, ({ style }) => recoloured(style, to)).map((object) => [object.id, object]),
        )
        return {
          pair,
          ratio: contrast(hexOf(bench, pair[0]), hexOf(bench, pair[1])),
          drawn: mapObjects(drawing, (object) => next.get(object.id) ?? object),
        }
      })
      .sort((a, b) => b.ratio - a.ratio)
      .slice(0, 12)
  }, [bench, drawing, from, objects, open, rules])
  if (rules.palette.length < 2) return null
  return (
    <>
      <Button
        look="plain"
        aria-expanded={open}
        className="mt-1 self-start !px-0 text-quiet"
        onClick={() => setOpen(!open)}
      >
        {open ? 'Close the pairs' : 'Try pairs of the palette'}
      </Button>
      <div className="flex flex-wrap gap-1.5">
        {pairs.map(({ pair, ratio, drawn }) => (
          <button
            key={pair.join()}
            type="button"
            disabled={!chosen}
            title={chosen ? `${pair[0]} on ${pair[1]}` : 'Select objects to paint them so'}
            aria-label={`Try ${pair[0]} on ${pair[1]}`}
            onClick={() =>
              recolour(
                bench,
                new Map([
                  [from[0], pair[0]],
                  [from[1], pair[1]],
                ]),
              )
            }
            className="flex flex-col items-center border border-hair p-1 enabled:hover:border-ink"
          >
            <PixelPicture
              source={{ objects: drawn, rules, ground: 'light' }}
              size={32}
              label={`The icon in ${pair[0]} and ${pair[1]}`}
            />
            <span className={ratio < ENOUGH ? 'text-small text-snag' : 'text-small text-quiet'}>
              {ratio.toFixed(1)} : 1
            </span>
          </button>
        ))}
      </div>
    </>
  )
}
