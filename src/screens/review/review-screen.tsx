'use client'

import Link from 'next/link'
import { useMemo, useState } from 'react'
import { realSize } from '@/core/rules/real-size'
import type { Rules } from '@/core/rules/rules'
import { type Icon, masterFor } from '@/core/set/set'
import { Choice, Choices } from '@/ui/choice'
import { VirtualGrid } from '@/ui/virtual-grid'
import type { Snag } from '@/core/checks/check'
import { IconPicture } from '../frame/icon-picture'
import { SetBar } from '../frame/set-bar'
import { useSnagged, useSnags } from '../frame/snags'
import { useSessionState } from '../frame/set-provider'
import { CommonCommands } from '../frame/top-bar'
import { AlikeView } from './alike-view'
import { filterOf, type Sight, SIGHT_HINTS, SightFilters, SIGHTS } from './sight'
import { BalanceView } from './balance-view'
import { type Family, useFamily } from './family'

type Ground = 'film' | 'white' | 'ink' | 'night'

/** The grounds of the sheet: their colour, and which of the palette's colours are drawn on them. */
const GROUNDS: Record<
  Ground,
  { readonly color: string; readonly text: string; readonly hair: string; readonly palette: 'light' | 'dark' }
> = {
  film: { color: '#fbfcfb', text: '#55645f', hair: '#c9d3cf', palette: 'light' },
  white: { color: '#ffffff', text: '#55645f', hair: '#d9dedb', palette: 'light' },
  ink: { color: '#14231f', text: '#9dafa8', hair: '#33423d', palette: 'dark' },
  night: { color: '#000000', text: '#9a9a9a', hair: '#2c2c2c', palette: 'dark' },
}

type View = 'sheet' | 'balance' | 'alike'
const VIEWS: Record<View, string> = { sheet: 'sheet', balance: 'balance', alike: 'look-alikes' }

type Only = 'all' | 'with snags'

type Order = 'family' | 'name' | 'weight' | 'nodes'
const ORDERS: Record<Order, string> = {
  family: 'the family',
  name: 'name',
  weight: 'visual weight',
  nodes: 'nodes, most first',
}

function inOrder(icons: readonly Icon[], order: Order, { siblings }: Family): readonly Icon[] {
  if (order === 'family') return icons
  if (order === 'name') return [...icons].sort((a, b) => a.name.localeCompare(b.name, 'en'))
  const balances = new Map(siblings.map(({ id, balance }) => [id, balance]))
  const value = ({ id }: Icon) => balances.get(id)?.[order] ?? 0
  return [...icons].sort((a, b) => value(b) - value(a))
}

/** Pixels between the sizes of an icon. */
const GAP = 16

/** The sheet: the whole set at chosen sizes on light or dark, in real pixels. */
export function ReviewScreen() {
  const set = useSessionState(({ history }) => history.present)
  const { setId } = useSessionState((state) => state)
  const { rules, icons } = set
  const [chosen, setChosen] = useState<readonly number[] | null>(null)
  const [ground, setGround] = useState<Ground>('film')
  const sizes = useMemo(
    () => (chosen ?? defaultSizes(rules)).filter((size) => rules.sizes.includes(size)),
    [chosen, rules],
  )
  const [view, setView] = useState<View>('sheet')
  const [order, setOrder] = useState<Order>('family')
  const [sight, setSight] = useState<Sight>('plain')
  const family = useFamily(set)
  const [only, setOnly] = useState<Only>('all')
  const snagged = useSnagged(icons, rules, only === 'with snags')
  const shown = useMemo(
    () => inOrder(icons, order, family).filter(({ id }) => only === 'all' || snagged.has(id) || family.snags.has(id)),
    [icons, order, family, only, snagged],
  )
  const look = GROUNDS[ground]
  return (
    <div className="grid h-dvh min-w-[1024px] grid-rows-[44px_40px_minmax(0,1fr)] overflow-hidden">
      <CommonCommands />
      <SightFilters />
      <SetBar>
        <span className="ml-1 text-quiet">
          {icons.length} icons · grid {rules.grid.size}
        </span>
      </SetBar>
      <div className="flex items-center overflow-x-auto border-b border-hair bg-sheet text-quiet [scrollbar-width:none] [&>*]:flex-none">
        <div className="flex h-full items-center border-r border-hair px-3.5">
          <Choice<View>
            label="What is reviewed"
            value={view}
            options={(Object.keys(VIEWS) as View[]).map((value) => ({ value, label: VIEWS[value] }))}
            onChange={setView}
          />
        </div>
        {view === 'sheet' && (
          <>
            <div className="flex h-full items-center gap-2 border-r border-hair px-3.5">
              <span>sizes</span>
              <Choices
                label="Sizes"
                value={sizes.map(String)}
                options={rules.sizes.map((size) => ({ value: String(size), label: String(size) }))}
                onChange={(values) => values.length > 0 && setChosen(values.map(Number).sort((a, b) => a - b))}
              />
            </div>
            <div className="flex h-full items-center gap-2 border-r border-hair px-3.5">
              <span>on</span>
              <Choice<Ground>
                label="Ground"
                value={ground}
                options={(Object.keys(GROUNDS) as Ground[]).map((value) => ({ value, label: value }))}
                onChange={setGround}
              />
            </div>
            <label className="flex h-full items-center gap-2 border-r border-hair px-3.5">
              <span>in order of</span>
              <select
                aria-label="Order of the sheet"
                value={order}
                onChange={({ target: { value } }) => setOrder(value as Order)}
                className="bg-transparent text-ink"
              >
                {(Object.keys(ORDERS) as Order[]).map((one) => (
                  <option key={one} value={one}>
                    {ORDERS[one]}
                  </option>
                ))}
              </select>
            </label>
            <label className="flex h-full items-center gap-2 border-r border-hair px-3.5" title={SIGHT_HINTS[sight]}>
              <span>seen</span>
              <select
                aria-label="How the sheet is seen"
                value={sight}
                onChange={({ target: { value } }) => setSight(value as Sight)}
                className="bg-transparent text-ink"
              >
                {SIGHTS.map((one) => (
                  <option key={one} title={SIGHT_HINTS[one]}>
                    {one}
                  </option>
                ))}
              </select>
            </label>
            <div className="flex h-full items-center border-r border-hair px-3.5">
              <Choice<Only>
                label="Which icons"
                value={only}
                options={(['all', 'with snags'] as const).map((value) => ({ value, label: value }))}
                onChange={setOnly}
              />
            </div>
          </>
        )}
      </div>
      {icons.length > 0 && view === 'balance' ? (
        <BalanceView family={family} rules={rules} setId={setId} />
      ) : icons.length > 0 && view === 'alike' ? (
        <AlikeView set={set} family={family} setId={setId} />
      ) : icons.length === 0 ? (
        <main className="min-h-0 p-4" style={{ background: ground === 'film' ? 'var(--film)' : look.color }}>
          <p className="p-6 text-quiet">
            There is nothing to review yet.{' '}
            <Link href={`/sets/${setId}/draw`} className="text-hand underline">
              Draw the first icon
            </Link>
            , and it appears here.
          </p>
        </main>
      ) : (
        <main
          className="min-h-0"
          style={{ background: ground === 'film' ? 'var(--film)' : look.color, color: look.text }}
        >
          <VirtualGrid
            label="Sheet"
            count={shown.length}
            width={Math.max(112, sizes.reduce((sum, size) => sum + size, 0) + GAP * (sizes.length + 1))}
            height={Math.max(...sizes) + 52}
            className="h-full overflow-y-auto"
            cell={(index) => {
              const icon = shown[index]!
              return (
                <Link
                  href={`/sets/${setId}/draw/${encodeURIComponent(icon.name)}`}
                  title={`Draw ${icon.name}`}
                  className="flex h-full flex-col items-center justify-between border px-2 pt-4 pb-2 outline-offset-[-2px] hover:relative hover:border-hand"
                  style={{ borderColor: look.hair, background: look.color }}
                >
                  <span className="flex flex-1 items-center" style={{ gap: GAP, filter: filterOf(sight) }}>
                    {sizes.map((size) => (
                      <IconPicture
                        key={size}
                        icon={icon}
                        rules={rules}
                        ground={look.palette}
                        size={size}
                        label={`${icon.name} at ${size}`}
                      />
                    ))}
                  </span>
                  <span className="mt-2 flex max-w-full items-baseline gap-1.5 text-small">
                    <span className="truncate">{icon.name}</span>
                    <SnagCount icon={icon} rules={rules} beside={family.snags.get(icon.id)} />
                  </span>
                </Link>
              )
            }}
          />
        </main>
      )}
    </div>
  )
}

/** How many snags an icon has. */
function SnagCount({ icon, rules, beside = [] }: { icon: Icon; rules: Rules; beside?: readonly Snag[] | undefined }) {
  const own = useSnags(masterFor(icon), rules)
  const snags = [...(own ?? []), ...beside]
  if (snags.length === 0) return null
  return (
    <span className="flex-none text-snag" title={snags.map(({ sentence }) => sentence).join('\n')}>
      ◇ {snags.length}
    </span>
  )
}

/** The sizes to begin with: the smallest, where most goes wrong, the one the set is drawn for, and a large one. */
function defaultSizes({ sizes, grid }: Rules): number[] {
  const large = sizes.filter((size) => size <= 64).at(-1)
  return [...new Set([sizes[0]!, realSize({ sizes, grid }), large ?? sizes[0]!])].sort((a, b) => a - b)
}
