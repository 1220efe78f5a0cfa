'use client'

import Link from 'next/link'
import { startTransition, useCallback, useMemo, useState } from 'react'
import { realSize } from '@/core/rules/real-size'
import type { Rules } from '@/core/rules/rules'
import { renamedEdit } from '@/core/set/many'
import { aliasesOf, type Icon, tagsOf } from '@/core/set/set'
import { Choice, Choices } from '@/ui/choice'
import { VirtualGrid } from '@/ui/virtual-grid'
import { MenuButton } from '@/ui/menu'
import { commit } from '../frame/session'
import { SetBar } from '../frame/set-bar'
import { useSnagged } from '../frame/snags'
import { useSession, useSessionState } from '../frame/set-provider'
import { CommonCommands } from '../frame/top-bar'
import { AlikeView } from './alike-view'
import { ContextView } from './context-view'
import { type Ground, GROUNDS } from './grounds'
import { MendDialog } from './mend-dialog'
import { PastDialog } from './past-dialog'
import { PrintSheet } from './print-sheet'
import { SelectionBar } from './selection-bar'
import { SheetCell } from './sheet-cell'
import { SheetFile, type SheetKind } from './sheet-file'
import { filterOf, type Vision, VISION_HINTS, VisionFilters, VISIONS } from './vision'
import { BalanceView } from './balance-view'
import { type FamilyMeasures, useFamilyMeasures, useFamilySnags } from '../frame/family-measures'
import { NOBODY, useSelection } from './use-selection'
import { useReleases, useSince } from './use-since'

type View = 'sheet' | 'balance' | 'alike' | 'context'
const VIEWS: Record<View, string> = { sheet: 'sheet', balance: 'balance', alike: 'look-alikes', context: 'in use' }

type Only = 'all' | 'with snags'

type Order = 'family' | 'name' | 'weight' | 'nodes'
const ORDERS: Record<Order, string> = {
  family: 'family order',
  name: 'name',
  weight: 'visual weight',
  nodes: 'nodes, most first',
}

function inOrder(icons: readonly Icon[], order: Order, { siblings }: FamilyMeasures): readonly Icon[] {
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
  const setId = useSessionState((state) => state.setId)
  const { rules, icons } = set
  const [chosenSizes, setChosenSizes] = useState<readonly number[] | null>(null)
  const [ground, setGround] = useState<Ground>('film')
  const sizes = useMemo(
    () => (chosenSizes ?? defaultSizes(rules)).filter((size) => rules.sizes.includes(size)),
    [chosenSizes, rules],
  )
  const [view, setView] = useState<View>('sheet')
  const [order, setOrder] = useState<Order>('family')
  const [vision, setVision] = useState<Vision>('plain')
  const family = useFamilyMeasures(set)
  const beside = useFamilySnags(family, rules)
  const [only, setOnly] = useState<Only>('all')
  const snagged = useSnagged(icons, rules, only === 'with snags')
  const [sought, setSought] = useState('')
  const [tag, setTag] = useState('')
  const tags = useMemo(() => [...new Set(icons.flatMap(tagsOf))].sort(), [icons])
  const releases = useReleases(setId)
  const [release, setRelease] = useState('')
  // Only what is compared with a release looks at what is saved.
  const revision = useSessionState((state) => (release === '' ? 0 : state.revision))
  const since = useSince(setId, release === '' ? null : Number(release), revision)
  const shown = useMemo(
    () =>
      inOrder(icons, order, family).filter(
        (icon) =>
          (only === 'all' || snagged.has(icon.id) || beside.has(icon.id)) &&
          (tag === '' || tagsOf(icon).includes(tag)) &&
          (!since || since.has(icon.id)) &&
          isFoundBy(icon, sought),
      ),
    [icons, order, family, beside, only, snagged, sought, tag, since],
  )
  const session = useSession()
  const { selected, select, setSelected } = useSelection(shown)
  const chosen = useMemo(() => icons.filter(({ id }) => selected.has(id)), [icons, selected])
  const [printing, setPrinting] = useState(false)
  const [mending, setMending] = useState(false)
  const [file, setFile] = useState<SheetKind | null>(null)
  const [lookingBack, setLookingBack] = useState(false)
  const look = GROUNDS[ground]
  const showAll = () => {
    setSought('')
    setOnly('all')
    setTag('')
    setRelease('')
  }
  const endPrinting = useCallback(() => setPrinting(false), [])
  return (
    <div className="grid h-dvh min-w-[1024px] grid-cols-[minmax(0,1fr)] grid-rows-[44px_40px_minmax(0,1fr)_auto] overflow-hidden">
      <CommonCommands />
      <VisionFilters />
      <SetBar>
        <span className="ml-1 text-quiet">
          {icons.length} icons · grid {rules.grid.size}
        </span>
      </SetBar>
      <div className="flex items-center border-b border-hair bg-sheet text-quiet">
        <div className="flex h-full items-center border-r border-hair px-3">
          <Choice<View>
            label="What is reviewed"
            value={view}
            options={(Object.keys(VIEWS) as View[]).map((value) => ({ value, label: VIEWS[value] }))}
            onChange={(next) => startTransition(() => setView(next))}
          />
        </div>
        {view === 'sheet' && (
          <div className="flex h-full min-w-0 flex-1 items-center overflow-x-auto [&>*]:flex-none">
            <div className="flex h-full items-center gap-2 border-r border-hair px-2.5">
              <span>sizes</span>
              <Choices
                label="Sizes"
                value={sizes.map(String)}
                options={rules.sizes.map((size) => ({ value: String(size), label: String(size) }))}
                onChange={(values) => values.length > 0 && setChosenSizes(values.map(Number).sort((a, b) => a - b))}
              />
            </div>
            <Words
              label="Ground"
              word="on"
              value={ground}
              options={Object.keys(GROUNDS) as Ground[]}
              onChange={setGround}
            />
            <Words
              label="Order of the sheet"
              word="by"
              value={order}
              options={Object.keys(ORDERS) as Order[]}
              names={ORDERS}
              onChange={setOrder}
            />
            <Words
              label="How the sheet is seen"
              word="seen"
              value={vision}
              options={VISIONS}
              hints={VISION_HINTS}
              onChange={setVision}
            />
            <Words label="Which icons" word="show" value={only} options={['all', 'with snags']} onChange={setOnly} />
            {releases.length > 0 && (
              <Words
                label="Only what changed since a release"
                word="since release"
                value={release}
                options={['', ...releases.map(String)]}
                names={{ '': 'any' }}
                onChange={setRelease}
              />
            )}
            {tags.length > 0 && (
              <Words
                label="Only with the tag"
                word="tag"
                value={tag}
                options={['', ...tags]}
                names={{ '': 'any' }}
                onChange={setTag}
              />
            )}
            <input
              type="search"
              aria-label="Find icons by name, other name or tag"
              placeholder="find"
              value={sought}
              onChange={({ target: { value } }) => setSought(value)}
              className="mx-2 h-6 w-16 border border-hair bg-sheet px-1.5 text-ink"
            />
          </div>
        )}
        {view === 'sheet' && (
          <div className="flex h-full flex-none">
            <button
              type="button"
              title="The set on earlier days, beside how it is now"
              onClick={() => setLookingBack(true)}
              className="h-full border-l border-hair px-2.5 text-ink hover:bg-film"
            >
              Earlier…
            </button>
            <button
              type="button"
              title="Every repair that is known, before and after it"
              onClick={() => setMending(true)}
              className="h-full border-l border-hair px-2.5 text-ink hover:bg-film"
            >
              Mend…
            </button>
            <MenuButton
              label="The sheet as a file"
              className="h-full border-l border-hair px-2.5 text-ink hover:bg-film"
              list={[
                { label: 'PNG', run: () => setFile('PNG') },
                { label: 'PDF', run: () => setFile('PDF') },
                { label: 'Print …', run: () => setPrinting(true) },
              ]}
            >
              Sheet as…
            </MenuButton>
          </div>
        )}
      </div>
      {icons.length > 0 && view === 'balance' ? (
        <BalanceView family={family} rules={rules} setId={setId} />
      ) : icons.length > 0 && view === 'alike' ? (
        <AlikeView set={set} family={family} setId={setId} />
      ) : icons.length > 0 && view === 'context' ? (
        <ContextView set={set} chosen={chosen} />
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
      ) : shown.length === 0 ? (
        <main className="min-h-0 bg-film p-10" role="status">
          <p className="text-quiet">
            {sought.trim() === ''
              ? 'No icon of the set is what is to be shown.'
              : `Nothing is named or tagged “${sought.trim()}” among what is shown.`}{' '}
            <button type="button" className="text-hand underline" onClick={showAll}>
              Show all {icons.length}
            </button>
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
                <SheetCell
                  icon={icon}
                  rules={rules}
                  sizes={sizes}
                  look={look}
                  filter={filterOf(vision)}
                  gap={GAP}
                  href={`/sets/${setId}/draw/${encodeURIComponent(icon.name)}`}
                  beside={beside.get(icon.id)}
                  isSelected={selected.has(icon.id)}
                  onSelect={(isRange) => select(icon.id, isRange)}
                  onRename={(name) => {
                    const edit = renamedEdit(set, [icon], name)
                    if (typeof edit === 'string') return edit
                    commit(session, edit, `Rename ${icon.name} to ${name}`)
                    return null
                  }}
                />
              )
            }}
          />
        </main>
      )}
      {chosen.length > 0 ? (
        <SelectionBar session={session} set={set} icons={chosen} onNone={() => setSelected(NOBODY)} />
      ) : (
        <div />
      )}
      {mending && <MendDialog session={session} set={set} onClose={() => setMending(false)} />}
      {lookingBack && <PastDialog session={session} set={set} setId={setId} onClose={() => setLookingBack(false)} />}
      {file && (
        <SheetFile kind={file} set={set} session={session} look={{ sizes, ...look }} onEnd={() => setFile(null)} />
      )}
      {printing && <PrintSheet set={set} sizes={sizes} onEnd={endPrinting} />}
    </div>
  )
}

/** The sizes to begin with: the smallest, where most goes wrong, the one the set is drawn for, and a large one. */
function defaultSizes({ sizes, grid }: Rules): number[] {
  const large = sizes.filter((size) => size <= 64).at(-1)
  return [...new Set([sizes[0]!, realSize({ sizes, grid }), large ?? sizes[0]!])].sort((a, b) => a - b)
}

/** Whether an icon has something sought in its name, its other names or its tags. */
function isFoundBy(icon: Icon, sought: string): boolean {
  const text = sought.trim().toLowerCase()
  return (
    text === '' || [icon.name, ...aliasesOf(icon), ...tagsOf(icon)].some((word) => word.toLowerCase().includes(text))
  )
}

/** One of several words, chosen from a list. */
function Words<T extends string>({
  label,
  word,
  value,
  options,
  names = {},
  hints = {},
  onChange,
}: {
  label: string
  word: string
  value: T
  options: readonly T[]
  names?: Partial<Record<T, string>>
  hints?: Partial<Record<T, string>>
  onChange: (value: T) => void
}) {
  return (
    <label className="flex h-full items-center gap-1.5 border-r border-hair px-2" title={hints[value]}>
      <span>{word}</span>
      <select
        aria-label={label}
        value={value}
        onChange={({ target }) => onChange(target.value as T)}
        className="max-w-[104px] bg-transparent text-ink"
      >
        {options.map((one) => (
          <option key={one} value={one} title={hints[one]}>
            {names[one] ?? one}
          </option>
        ))}
      </select>
    </label>
  )
}
