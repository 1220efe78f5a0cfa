'use client'

import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  type DragMoveEvent,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { restrictToVerticalAxis } from '@dnd-kit/modifiers'
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { useVirtualizer } from '@tanstack/react-virtual'
import clsx from 'clsx'
import { Link2, Link2Off } from 'lucide-react'
import {
  useCallback,
  useDeferredValue,
  useEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type MouseEvent,
  type RefObject,
} from 'react'
import { isContainer } from '@/core/drawing/objects/object'
import { countObjects, find, outermost, walk } from '@/core/drawing/objects/tree'
import { toggled } from '@/ui/toggled'
import { dragAccess } from '@/ui/drag-access'
import { type MenuEntry, RightMenu } from '@/ui/menu'
import { observeRect } from '@/ui/observe-rect'
import { benchMenu } from '../../commands/commands'
import { useBench, useBenchState, useRules, useDeferredObjects } from '../../state/context'
import { parentOf } from '../../operations/objects'
import { dropOf } from './drop'
import { AnchorChooser } from '../../cells/anchor'
import { NamesEdge } from './drag-edge'
import type { Panel } from './panel'
import { GRID, Row } from './row'
import { rangeOf, rowsOf, rowsWith } from './rows'
import { SelectionRow } from './selection-row'

/** A press is a drag once it has travelled. The same object each time: a new one would draw every row again. */
const AFTER_TRAVEL = { activationConstraint: { distance: 5 } }

/** The height of a row in pixels. */
const ROW = 22

/** The height of the head above the rows, which stays in sight. */
const HEAD = 23

const COLUMNS = ['x', 'y', 'w', 'h', 'turn'] as const

/** Every object of the icon as a row with its numbers. */
function ObjectsPanel({ scroller }: { scroller: RefObject<HTMLDivElement | null> }) {
  const bench = useBench()
  const objects = useDeferredObjects()
  const rules = useRules()
  const selection = useBenchState((state) => state.selection)
  const linked = useBenchState((state) => state.linked)
  const nameWidth = useBenchState((state) => state.nameWidth)
  // Room for three digits before the point and three behind it.
  const numberWidth = rules.grid.size >= 100 ? 56 : 48
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set())
  const [sought, setSought] = useState('')
  const all = useMemo(
    () => (sought.trim() === '' ? rowsOf(objects, folded) : rowsWith(objects, sought)),
    [objects, folded, sought],
  )
  // A new row comes in a task of its own, after the square has shown the object.
  const before = useDeferredValue(all)
  const rows = all.length > before.length ? before : all
  // The same list as long as the order is the same: a new one would draw every row again.
  const order = rows.map(({ object }) => object.id).join()
  const ids = useMemo(() => order.split(','), [order])
  const onFold = useCallback((id: string) => setFolded((before) => toggled(before, id)), [])
  // Only the rows in sight are there, and a screenful around them.
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    observeElementRect: observeRect,
    estimateSize: () => ROW,
    overscan: 14,
    scrollMargin: HEAD,
    scrollPaddingStart: HEAD,
    initialRect: { width: 0, height: 8 * ROW },
  })
  const selected = outermost(objects, selection)
  const firstSelected = selected[0]?.id
  // Scrolls to the selected row, once the square has shown the selection.
  useEffect(() => {
    const index = rows.findIndex(({ object }) => object.id === firstSelected)
    if (index < 0) return
    let later: ReturnType<typeof setTimeout>
    const frame = requestAnimationFrame(
      () => (later = setTimeout(() => virtual.scrollToIndex(index, { align: 'auto' }))),
    )
    return () => {
      cancelAnimationFrame(frame)
      clearTimeout(later)
    }
    // Only when something else is selected: not while rows change around it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [firstSelected])
  // The row with keyboard focus and the start of a range; a selection made elsewhere since then wins.
  const [mark, setMark] = useState<{ active: string; from: string; selection: ReadonlySet<string> } | null>(null)
  const own = mark?.selection === selection ? mark : null
  const active = own?.active ?? firstSelected
  const latest = useRef({ rows, from: firstSelected })
  useEffect(() => {
    latest.current = { rows, from: own?.from ?? firstSelected }
  })
  const note = useCallback(
    (id: string, from = id) => setMark({ active: id, from, selection: bench.store.getState().selection }),
    [bench],
  )
  const pick = useCallback(
    (id: string, { shiftKey, ctrlKey, metaKey }: Pick<MouseEvent, 'shiftKey' | 'ctrlKey' | 'metaKey'>) => {
      const { rows: now, from = id } = latest.current
      if (shiftKey) bench.select(rangeOf(now, from, id))
      else if (ctrlKey || metaKey) bench.toggle(id)
      else bench.select([id])
      note(id, shiftKey ? from : id)
    },
    [bench, note],
  )
  const containers = useMemo(
    () => [...walk(objects)].flatMap(({ object }) => (isContainer(object) ? [object.id] : [])),
    [objects],
  )
  const isAllFolded = containers.length > 0 && containers.every((id) => folded.has(id))
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    if (event.target !== event.currentTarget || event.ctrlKey || event.metaKey || event.altKey) return
    const at = rows.findIndex(({ object }) => object.id === active)
    const row = rows[at],
      element = event.currentTarget.querySelector<HTMLElement>(`[data-id="${row?.object.id}"]`)
    const goTo = (index: number) => {
      const next = rows[Math.max(0, Math.min(rows.length - 1, index))]
      if (!next) return
      virtual.scrollToIndex(rows.indexOf(next), { align: 'auto' })
      if (next.locked) note(next.object.id)
      else pick(next.object.id, { shiftKey: event.shiftKey, ctrlKey: false, metaKey: false })
    }
    const keys: Readonly<Record<string, () => void>> = {
      ArrowDown: () => goTo(at + 1),
      ArrowUp: () => goTo(at < 0 ? 0 : at - 1),
      Home: () => goTo(0),
      End: () => goTo(rows.length - 1),
      ArrowLeft: () => row && isContainer(row.object) && !folded.has(row.object.id) && onFold(row.object.id),
      ArrowRight: () => row && folded.has(row.object.id) && onFold(row.object.id),
      ' ': () => row && !row.locked && pick(row.object.id, { shiftKey: false, ctrlKey: true, metaKey: false }),
      Enter: () => element?.querySelector<HTMLElement>('button[aria-label^="x of "]')?.focus(),
      '/': () => event.currentTarget.querySelector<HTMLElement>('input[type=search]')?.focus(),
      F2: () =>
        element?.querySelector('[data-name]')?.dispatchEvent(new window.MouseEvent('dblclick', { bubbles: true })),
    }
    const act = keys[event.key]
    if (!act) return
    event.preventDefault()
    act()
  }
  // A press on a row leaves the keys to the square, and marks no text.
  const onMouseDown = (event: MouseEvent) => {
    if ((event.target as HTMLElement).closest('button, input')) return
    event.preventDefault()
    ;(document.activeElement as HTMLElement | null)?.blur()
  }
  const access = useMemo(() => dragAccess((id) => find(bench.objects, id)?.object.name ?? ''), [bench])
  const sensors = useSensors(useSensor(PointerSensor, AFTER_TRAVEL))
  const [menu, setMenu] = useState<readonly MenuEntry[]>([])

  const [landing, setLanding] = useState<string | null>(null)
  const onDragMove = (event: DragMoveEvent) => {
    const drop = dropOf(bench, rows, event)
    setLanding(drop?.onto ? drop.into : null)
  }
  const onDragEnd = (event: DragEndEvent) => {
    setLanding(null)
    const drop = dropOf(bench, rows, event)
    const moved = rows.find(({ object }) => object.id === event.active.id)?.object
    if (!drop || !moved) return
    const { into, at } = drop
    const home = into === null ? null : find(bench.objects, into)!.object.name
    const words =
      into === parentOf(bench, moved.id)
        ? `Reorder ${moved.name}`
        : home === null
          ? `Move ${moved.name} out`
          : `Put ${moved.name} into ${home}`
    bench.edit({ kind: 'arrange', ids: [moved.id], into, at }, words)
  }

  if (objects.length === 0) {
    return (
      <p className="px-4 py-3 text-quiet">
        Nothing is drawn yet. Take a tool, for example the rectangle (1) or the ellipse (2), and drag on the square.
      </p>
    )
  }
  // The right button takes the row it is pressed on, then offers what the square offers.
  const onContextMenu = (event: MouseEvent) => {
    const name = (event.target as HTMLElement).closest<HTMLElement>('[data-object]')?.dataset.id
    const row = rows.find(({ object }) => object.id === name)
    if (row && !row.locked && !selection.has(row.object.id)) bench.select([row.object.id])
    setMenu(benchMenu(bench))
  }

  return (
    <RightMenu list={menu}>
      <div
        role="treegrid"
        aria-label="Objects"
        aria-multiselectable
        tabIndex={0}
        onKeyDown={onKeyDown}
        onMouseDown={onMouseDown}
        onContextMenu={onContextMenu}
        className="group/rows outline-none min-w-[calc(618px+4*var(--number)+var(--names))]"
        style={{ '--names': `${nameWidth}px`, '--number': `${numberWidth}px` } as React.CSSProperties}
      >
        <div
          role="row"
          className={clsx(GRID, 'sticky top-0 z-[6] h-[23px] border-b border-hair bg-sheet text-small text-quiet')}
        >
          <span />
          <span />
          <span role="columnheader" className="relative flex min-w-0 items-center gap-1 pr-2">
            <button
              type="button"
              aria-label={isAllFolded ? 'Unfold all' : 'Fold all'}
              title={isAllFolded ? 'Unfold all' : 'Fold all'}
              disabled={containers.length === 0}
              onClick={() => setFolded(new Set(isAllFolded ? [] : containers))}
              className="w-3 flex-none hover:text-ink disabled:opacity-0"
            >
              {isAllFolded ? '▸' : '▾'}
            </button>
            <input
              type="search"
              aria-label="Find objects by name"
              placeholder="object, find…"
              value={sought}
              onChange={({ target }) => setSought(target.value)}
              onKeyDown={(event) => {
                if (event.key !== 'Escape' && event.key !== 'Enter') return
                // Moves to the first row found, and gives the rows the keyboard.
                const found = event.key === 'Enter' && rows[0]
                if (found && !found.locked) pick(found.object.id, { shiftKey: false, ctrlKey: false, metaKey: false })
                setSought('')
                event.currentTarget.closest<HTMLElement>('[role=treegrid]')?.focus()
                event.preventDefault()
              }}
              className="h-[18px] min-w-0 flex-1 bg-transparent placeholder:text-quiet"
            />
            <NamesEdge />
          </span>
          <span role="columnheader" className="pl-1">
            role
          </span>
          {COLUMNS.map((name) => (
            <span role="columnheader" key={name} className="relative pr-2 text-right">
              {name === 'x' && (
                <span className="absolute top-[-2px] left-0.5">
                  <AnchorChooser />
                </span>
              )}
              {name === 'h' && (
                <button
                  type="button"
                  aria-pressed={linked}
                  aria-label="Link w and h"
                  title={linked ? 'w and h keep their proportion' : 'Link w and h'}
                  onClick={() => bench.store.setState({ linked: !linked })}
                  className={clsx(
                    'absolute top-0 left-[-4px] grid size-4 place-items-center',
                    linked ? 'text-hand' : 'text-quiet/60 hover:text-ink',
                  )}
                >
                  {linked ? <Link2 size={12} aria-hidden /> : <Link2Off size={12} aria-hidden />}
                </button>
              )}
              {name}
            </span>
          ))}
          <span role="columnheader" className="pl-3">
            corner
          </span>
          <span role="columnheader" className="pl-1">
            weight
          </span>
          <span role="columnheader" className="pl-1">
            cap
          </span>
          <span role="columnheader" className="pl-1">
            fill
          </span>
          <span role="columnheader" className="pl-1">
            stroke
          </span>
          <span
            role="columnheader"
            className="pl-2"
            title="length and angle of a line; nodes, segments and members of others"
          >
            own numbers
          </span>
        </div>
        {selected.length > 1 && <SelectionRow objects={selected} rules={rules} />}
        <DndContext
          id="ledger"
          accessibility={access}
          sensors={sensors}
          collisionDetection={closestCenter}
          modifiers={[restrictToVerticalAxis]}
          onDragMove={onDragMove}
          onDragEnd={onDragEnd}
          onDragCancel={() => setLanding(null)}
        >
          <SortableContext items={ids} strategy={verticalListSortingStrategy}>
            <div className="relative" style={{ height: virtual.getTotalSize() }}>
              {virtual.getVirtualItems().map(({ index, start }) => {
                const row = rows[index]!
                return (
                  <div
                    key={row.object.id}
                    role="presentation"
                    className="absolute inset-x-0"
                    style={{ top: start - HEAD }}
                  >
                    <Row
                      {...row}
                      rules={rules}
                      selected={selection.has(row.object.id)}
                      landing={landing === row.object.id}
                      folded={folded.has(row.object.id)}
                      onFold={onFold}
                      active={row.object.id === active}
                      onPick={pick}
                    />
                  </div>
                )
              })}
            </div>
          </SortableContext>
        </DndContext>
      </div>
    </RightMenu>
  )
}

export const objectsPanel: Panel = {
  id: 'objects',
  word: 'Objects',
  useCount: () => countObjects(useDeferredObjects()),
  Body: ObjectsPanel,
}
