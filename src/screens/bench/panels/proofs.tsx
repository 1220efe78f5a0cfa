'use client'

import { memo, useDeferredValue, useState } from 'react'
import type { Rules } from '@/core/rules/rules'
import { SnagList } from './snag-list'
import { masterOn } from '@/core/set/masters'
import type { Icon } from '@/core/set/set'
import { Button } from '@/ui/button'
import { Choice } from '@/ui/choice'
import { Dialog } from '@/ui/dialog'
import { PixelPicture } from '@/ui/pixel-picture'
import { sourceOf } from '@/workers/draw'
import type { Source } from '@/workers/drawer'
import { shown } from '../../session/session'
import { useSessionState } from '../../session/use-session'
import { baseIn } from '../state/bench'
import { iconIn, useBench, useBenchState, useSetBeside } from '../state/context'
import { useBeside } from '../operations/use-open-snags'
import { CRISP } from '../cells/crisp'
import { Direction } from './direction'
import { Heading } from './heading'
import { Siblings } from './siblings'
import { MagnifiedPixels } from './magnified-pixels'

/**
 * The icon as it will ship: every delivered size in real pixels on light and dark, one magnified, and beside its
 * siblings.
 */
export function Proofs() {
  // The drag is drawn first; proofs follow when idle.
  const openId = useBenchState(({ icon: open }) => open)
  const icon = useDeferredValue(useSetBeside((set) => iconIn(set, openId)))
  const rules = useSessionState((state) => shown(state).rules)
  return (
    <aside
      aria-label="Proofs"
      className="row-span-2 flex min-h-0 flex-col overflow-y-auto border-l border-ink bg-sheet [&>*]:flex-none"
    >
      {icon ? (
        <ProofColumn icon={icon} rules={rules} />
      ) : (
        <p className="p-3 text-quiet">The proofs of an icon appear here, at every size that is delivered.</p>
      )}
    </aside>
  )
}

/** The largest size shown at 1:1 in a row of this column, in pixels. */
const LARGEST = 96

const ProofColumn = memo(function ProofColumn({ icon, rules }: { icon: Icon; rules: Rules }) {
  const at = (ground: 'light' | 'dark') => (size: number) => sourceOf(icon, rules, ground, size)
  const light = at('light'),
    dark = at('dark')
  const openBase = useBenchState(({ master }) => baseIn(rules, master))
  const { master } = masterOn(icon, rules, openBase)
  const beside = useBeside(icon, rules, openBase)
  const bench = useBench()
  const [size, setSize] = useState(rules.sizes[0]!)
  const [density, setDensity] = useState(1)
  const multiple = rules.densities.includes(density) ? density : 1
  const magnified = rules.sizes.includes(size) ? size : rules.sizes[0]!
  const choices = rules.sizes.filter((one) => one <= 64)
  return (
    <>
      <Heading title="Proofs" note={rules.sizes.length > FEW ? `${rules.sizes.length} sizes` : rules.sizes.join(' ')} />
      <ProofRow source={light} sizes={rules.sizes} ground="light" name={icon.name} />
      <ProofRow source={dark} sizes={rules.sizes} ground="dark" name={icon.name} />
      {choices.length > 0 && (
        <section className="border-b border-hair pb-3">
          <Heading
            title="Pixels"
            note={
              <FewOrMany
                label="Size to magnify"
                value={magnified}
                options={choices}
                onChange={(value) => {
                  setSize(value)
                  if (bench.read(CRISP).markedAt !== null) bench.put(CRISP, { markedAt: value })
                }}
              />
            }
          />
          {rules.densities.some((one) => one > 1) && (
            <div className="mb-1.5 flex items-center justify-between px-3 text-small text-quiet">
              density
              <Choice
                label="Density to magnify"
                value={String(multiple)}
                options={[...new Set([1, ...rules.densities])].map((one) => ({ value: String(one), label: `${one}×` }))}
                onChange={(value) => setDensity(Number(value))}
              />
            </div>
          )}
          <MagnifiedPixels source={light(magnified)} size={magnified} density={multiple} icon={icon} rules={rules} />
        </section>
      )}
      <SnagList master={master} rules={rules} beside={beside} />
      <Siblings icon={icon} rules={rules} />
      <Direction icon={icon} rules={rules} />
      <LargerProofs name={icon.name} sizes={rules.sizes.filter((one) => one > LARGEST)} light={light} dark={dark} />
    </>
  )
})

/** Up to how many sizes stand side by side. */
const FEW = 6

/** One of a few sizes side by side, or of many in a list. */
function FewOrMany({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: number
  options: readonly number[]
  onChange: (value: number) => void
}) {
  if (options.length > FEW)
    return (
      <select
        aria-label={label}
        value={value}
        onChange={({ target }) => onChange(Number(target.value))}
        className="field"
      >
        {options.map((one) => (
          <option key={one}>{one}</option>
        ))}
      </select>
    )
  return (
    <Choice
      label={label}
      value={String(value)}
      options={options.map((one) => ({ value: String(one), label: String(one) }))}
      onChange={(one) => onChange(Number(one))}
    />
  )
}

function ProofRow({
  source,
  sizes,
  ground,
  name,
}: {
  source: (size: number) => Source
  sizes: readonly number[]
  ground: 'light' | 'dark'
  name: string
}) {
  const shownSizes = sizes.filter((size) => size <= LARGEST)
  return (
    <div
      data-ground={ground}
      className="flex max-h-[176px] min-h-[84px] flex-wrap items-end justify-between gap-x-3 gap-y-2 overflow-y-auto border-b border-hair px-3 py-2"
      style={
        ground === 'dark'
          ? ({ background: '#14231f', color: '#f4f7f5', '--fault': '#f0808f' } as React.CSSProperties)
          : { background: '#fbfcfb', color: '#14231f' }
      }
    >
      {shownSizes.map((size) => (
        <figure key={size} className="flex flex-col items-center gap-1">
          <PixelPicture source={source(size)} size={size} label={`${name} at ${size} on ${ground}`} />
          <figcaption className="text-small opacity-65">{size}</figcaption>
        </figure>
      ))}
    </div>
  )
}

/** Delivered sizes that are wider than the column: each opens at 1:1 over the bench. */
function LargerProofs({
  name,
  sizes,
  light,
  dark,
}: {
  name: string
  sizes: readonly number[]
  light: (size: number) => Source
  dark: (size: number) => Source
}) {
  const [open, setOpen] = useState<number | null>(null)
  if (sizes.length === 0) return null
  return (
    <section className="border-t border-hair pb-3">
      <Heading title="Larger sizes" note="at 1 : 1" />
      <div className="flex flex-wrap gap-1.5 px-3">
        {sizes.map((size) => (
          <Button key={size} onClick={() => setOpen(size)}>
            {size}
          </Button>
        ))}
      </div>
      {open !== null && (
        <Dialog
          title={`${name} at ${open}`}
          open
          onClose={() => setOpen(null)}
          width={Math.min(1180, Math.max(360, open * 2 + 66))}
        >
          <div className="flex gap-4 overflow-auto p-4">
            {(
              [
                ['light', light, '#fbfcfb'],
                ['dark', dark, '#14231f'],
              ] as const
            ).map(([ground, source, color]) => (
              <div key={ground} className="flex-none" style={{ background: color }}>
                <PixelPicture source={source(open)} size={open} label={`${name} at ${open} on ${ground}`} />
              </div>
            ))}
          </div>
        </Dialog>
      )}
    </section>
  )
}
