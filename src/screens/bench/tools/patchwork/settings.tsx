'use client'

import type { Paint } from '@/core/drawing/model/paint'
import type { Style, Weight } from '@/core/drawing/model/style'
import { withoutLost, withSweptStyle } from '@/core/drawing/kinds/patchwork/sweeping'
import { lostPatches } from '@/core/drawing/kinds/patchwork/swept'
import type { OfKind } from '@/core/drawing/objects/object'
import { Choice } from '@/ui/choice'
import { useBench, useBenchState, useRules, useShownObjects, useSlice } from '../../state/context'
import { WEIGHT } from '../../cells/limits'
import { orNone } from '../../state/or-none'
import { OwnSettings } from '../../cells/own-numbers'
import { NamedNumberCell, PaintCell } from '../../cells/value-cell'
import { acceptPatchwork, type Originals, PATCHWORK, type Way } from '../../operations/patchwork'

const WAYS = [
  { value: 'keep', label: 'keep', hint: 'Click a patch, or sweep through several to join them (K)' },
  { value: 'drop', label: 'drop', hint: 'Click or sweep the patches to drop (D)' },
  { value: 'cut', label: 'cut', hint: 'Remove a single stretch of line (C)' },
] as const

const ORIGINALS = [
  { value: 'inside', label: 'inside', hint: 'The originals are removed: only the patchwork keeps them' },
  { value: 'aside', label: 'aside', hint: 'Copies of the originals stay aside, hidden and locked' },
  { value: 'stay', label: 'stay', hint: 'Copies of the originals stay as they are' },
] as const

/** What a sweep does, the finish of the shape in hand, what becomes of the originals. */
export function PatchworkSettings() {
  const bench = useBench()
  const { way, originals, shape } = useSlice(PATCHWORK)
  useShownObjects()
  useBenchState((state) => state.selection)
  const object = bench.one('patchwork')
  if (!object) return null
  const one = object.swept.find(({ id }) => id === shape) ?? object.swept.at(-1)
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-0.5 pl-3 whitespace-nowrap text-quiet">
      <Choice
        label="What a sweep does"
        value={way}
        options={WAYS}
        onChange={(next: Way) => bench.put(PATCHWORK, { way: next })}
      />
      <OwnSettings object={object} />
      {one && <SweptFinish object={object} id={one.id} name={one.name} style={one.style} />}
      <Lost object={object} />
      <span className="flex items-center gap-1.5">
        originals
        <Choice
          label="Originals"
          value={originals}
          options={ORIGINALS}
          onChange={(next: Originals) => bench.put(PATCHWORK, { originals: next })}
        />
      </span>
      <button
        type="button"
        onClick={() => acceptPatchwork(bench)}
        className="h-6 rounded-sheet border border-ink bg-ink px-2.5 text-sheet hover:border-hand hover:bg-hand"
      >
        Done
      </button>
    </div>
  )
}

/** The finish of one shape of a patchwork. */
function SweptFinish({
  object,
  id,
  name,
  style,
}: {
  object: OfKind<'patchwork'>
  id: string
  name: string
  style: Style
}) {
  const bench = useBench()
  const rules = useRules()
  const change = (next: Partial<Style>) =>
    bench.edit(
      { kind: 'replace', objects: [withSweptStyle(object, id, { ...style, ...next })] },
      `Change the finish of ${name}`,
    )
  return (
    <span className="flex items-center text-ink">
      <span className="mr-1 text-quiet">{name}</span>
      {(['fill', 'stroke'] as const).map((key) => (
        <PaintCell
          key={key}
          label={`${key} of ${name}`}
          value={style[key]}
          rules={rules}
          onMore={() => undefined}
          onChange={(paint) => change({ [key]: paint as Paint })}
        />
      ))}
      {style.stroke !== 'none' && (
        <NamedNumberCell
          label={`weight of ${name}`}
          value={style.weight}
          list={rules.weights}
          limits={WEIGHT}
          onChange={(weight) => change({ weight: weight as Weight })}
        />
      )}
    </span>
  )
}

/** Says which shapes lost patches since lines were moved. */
function Lost({ object }: { object: OfKind<'patchwork'> }) {
  const bench = useBench()
  const lost = orNone(() => lostPatches(object, bench.scene))
  if (lost.length === 0) return null
  const names = [...new Set(lost.map(({ shape }) => shape.name))]
  const forget = () =>
    bench.edit({ kind: 'replace', objects: [withoutLost(object, lost)] }, `Forget lost patches of ${object.name}`)
  return (
    <button
      type="button"
      onClick={forget}
      title={`Lines were moved so that these patches are no longer there: ${names.join(', ')}. Click to forget them.`}
      className="rounded-sheet px-1 text-snag hover:bg-film"
    >
      ◇ {lost.length} lost
    </button>
  )
}
