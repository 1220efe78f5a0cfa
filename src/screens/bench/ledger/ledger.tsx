'use client'

import { sceneOf } from '@/core/drawing/evaluated-scene'
import { closestCenter, DndContext, type DragEndEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { restrictToVerticalAxis } from '@dnd-kit/modifiers'
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { useVirtualizer } from '@tanstack/react-virtual'
import clsx from 'clsx'
import { Link2, Link2Off } from 'lucide-react'
import { Tabs } from 'radix-ui'
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { segmentCount } from '@/core/geometry/path'
import { membersOf } from '@/core/drawing/edit'
import { editable } from '@/core/drawing/editable'
import { evaluateAll } from '@/core/drawing/evaluate'
import type { Rules } from '@/core/rules/rules'
import { type Container, type DrawingObject, isCombining, isContainer } from '@/core/drawing/object'
import { countObjects, outermost } from '@/core/drawing/tree'
import { DRAG_ACCESS } from '@/ui/drag-access'
import { type MenuEntry, RightMenu } from '@/ui/menu'
import { observeRect } from '@/ui/observe-rect'
import { benchMenu } from '../commands'
import { useSessionState } from '../../frame/set-provider'
import { guidesOf, referencesOf } from '@/core/set/set'
import { useBench, useBenchState, useRules, useCalmIcon, useCalmObjects } from '../context'
import { parentOf } from '../operations'
import type { BenchState } from '../store'
import { ColoursPanel } from '../colours/colours-panel'
import { ReferencesPanel } from '../references/references-panel'
import { AnchorChooser } from './anchor'
import { HeightEdge, NamesEdge } from './drag-edge'
import { GuidesPanel } from './guides-panel'
import { HistoryPanel } from './history-panel'
import { NodesPanel } from './nodes-panel'
import { GRID, type LedgerRow, Row } from './row'
import { SelectionRow } from './selection-row'

/** A press is a drag once it has travelled. The same object each time: a new one would draw every row again. */
const AFTER_TRAVEL = { activationConstraint: { distance: 5 } }

/** What stands beside the objects under the square. */
const PANELS = [
  ['nodes', NodesPanel],
  ['colours', ColoursPanel],
  ['references', ReferencesPanel],
  ['guides', GuidesPanel],
  ['history', HistoryPanel],
] as const

/** The table under the square: every object as a row with its numbers, and the history. */
export function Ledger() {
  const bench = useBench()
  const scroller = useRef<HTMLDivElement>(null)
  const panel = useBenchState((state) => state.panel)
  const objects = useCalmObjects()
  const steps = useSessionState(({ history }) => history.past.length)
  const selection = useBenchState((state) => state.selection)
  const icon = useCalmIcon()
  const guides = icon ? guidesOf(icon).length : 0
  const pictures = icon ? referencesOf(icon).length : 0
  const rules = useRules()
  const nodeCount = nodesIn(outermost(objects, selection), rules)
  const tab =
    'border-r border-hair px-3.5 py-[5px] text-quiet hover:text-ink data-[state=active]:font-[640] data-[state=active]:text-ink data-[state=active]:shadow-[inset_0_2px_var(--ink)]'
  return (
    <Tabs.Root
      value={panel}
      onValueChange={(value) => bench.store.setState({ panel: value as BenchState['panel'] })}
      className="relative flex min-h-0 flex-col border-t border-ink bg-sheet"
    >
      <HeightEdge />
      <div className="flex h-[27px] flex-none border-b border-hair">
        <Tabs.List aria-label="Ledger" className="flex">
          <Tabs.Trigger value="objects" className={tab}>
            Objects {countObjects(objects)}
          </Tabs.Trigger>
          <Tabs.Trigger value="nodes" className={tab}>
            Nodes{nodeCount > 0 ? ` ${nodeCount}` : ''}
          </Tabs.Trigger>
          <Tabs.Trigger value="colours" className={tab}>
            Colours
          </Tabs.Trigger>
          <Tabs.Trigger value="references" className={tab}>
            References{pictures > 0 ? ` ${pictures}` : ''}
          </Tabs.Trigger>
          <Tabs.Trigger value="guides" className={tab}>
            Guides{guides > 0 ? ` ${guides}` : ''}
          </Tabs.Trigger>
          <Tabs.Trigger value="history" className={tab}>
            History {steps}
          </Tabs.Trigger>
        </Tabs.List>
        <Result objects={objects} />
      </div>
      <Tabs.Content ref={scroller} value="objects" className="min-h-0 flex-1 overflow-auto outline-none">
        <Objects objects={objects} scroller={scroller} />
      </Tabs.Content>
      {PANELS.map(([value, Panel]) => (
        <Tabs.Content key={value} value={value} className="min-h-0 flex-1 overflow-auto outline-none">
          <Panel />
        </Tabs.Content>
      ))}
    </Tabs.Root>
  )
}

/** How many nodes a selected path has; none where anything else is selected. */
function nodesIn([object, ...more]: readonly DrawingObject[], rules: Rules): number {
  const path = object && more.length === 0 && !isContainer(object) ? editable(object, sceneOf(rules)) : null
  return path ? path.contours.reduce((sum, { nodes }) => sum + nodes.length, 0) : 0
}

function Result({ objects: shown }: { objects: readonly DrawingObject[] }) {
  const objects = useDeferredValue(shown)
  const rules = useRules()
  const text = useMemo(() => {
    const shapes = evaluateAll(objects, sceneOf(rules))
    const segments = shapes.reduce((sum, { path }) => sum + segmentCount(path), 0)
    const contours = shapes.reduce((sum, { path }) => sum + path.length, 0)
    return `result: ${segments} segments · ${contours} contour${contours === 1 ? '' : 's'}`
  }, [objects, rules])
  return <p className="ml-auto px-3 py-[5px] text-quiet">{objects.length > 0 && text}</p>
}

/** The height of a row in pixels. */
const ROW = 22

/** The height of the head above the rows, which stays in sight. */
const HEAD = 23

const COLUMNS = ['x', 'y', 'w', 'h', 'turn'] as const

function Objects({
  objects,
  scroller,
}: {
  objects: readonly DrawingObject[]
  scroller: React.RefObject<HTMLDivElement | null>
}) {
  const bench = useBench()
  const rules = useRules()
  const selection = useBenchState((state) => state.selection)
  const linked = useBenchState((state) => state.linked)
  const nameWidth = useBenchState((state) => state.nameWidth)
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set())
  const all = useMemo(() => rowsOf(objects, folded), [objects, folded])
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
    overscan: 8,
    scrollMargin: HEAD,
    scrollPaddingStart: HEAD,
    initialRect: { width: 0, height: 8 * ROW },
  })
  const selected = outermost(objects, selection)
  const firstSelected = selected[0]?.id
  // What is selected on the square comes into sight here, once the square has shown it.
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
  const sensors = useSensors(useSensor(PointerSensor, AFTER_TRAVEL))
  const [menu, setMenu] = useState<readonly MenuEntry[]>([])

  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || over.id === active.id) return
    const moved = rows.find(({ object }) => object.id === active.id)!
    const into = parentOf(bench, String(over.id))
    const siblings = membersOf(bench.objects, into)
    const target = siblings.findIndex(({ id }) => id === over.id)
    // A row dropped lower in the list goes below the row it lands on; which side that is depends on the list's
    // direction.
    const down = ids.indexOf(String(active.id)) < ids.indexOf(String(over.id))
    const upwards = !rows.find(({ object }) => object.id === over.id)!.inside
    const at = down === upwards ? target : target + 1
    bench.edit({ kind: 'arrange', ids: [moved.object.id], into, at }, `Reorder ${moved.object.name}`)
  }

  if (objects.length === 0) {
    return (
      <p className="px-4 py-3 text-quiet">
        Nothing is drawn yet. Take a tool, for example the rectangle (1) or the ellipse (2), and drag on the square.
      </p>
    )
  }
  // The right button takes the row it is pressed on, then offers what the square offers.
  const onContextMenu = (event: React.MouseEvent) => {
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
        onContextMenu={onContextMenu}
        className="min-w-[calc(818px+var(--names))]"
        style={{ '--names': `${nameWidth}px` } as React.CSSProperties}
      >
        <div
          role="row"
          className={clsx(GRID, 'sticky top-0 z-[6] h-[23px] border-b border-hair bg-sheet text-small text-quiet')}
        >
          <span />
          <span />
          <span role="columnheader" className="relative pl-4">
            object
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
          accessibility={DRAG_ACCESS}
          sensors={sensors}
          collisionDetection={closestCenter}
          modifiers={[restrictToVerticalAxis]}
          onDragEnd={onDragEnd}
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
                      folded={folded.has(row.object.id)}
                      onFold={onFold}
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

/** Rows from the front to the back; members of an assembly in the order in which they are combined. */
function rowsOf(
  objects: readonly DrawingObject[],
  folded: ReadonlySet<string>,
  depth = 0,
  inside: Container | null = null,
  locked = false,
): LedgerRow[] {
  const order = inside ? objects : objects.toReversed()
  return order.flatMap((object) => {
    const row: LedgerRow = { object, depth, inside, locked: locked || object.locked === true }
    if (!isContainer(object) || folded.has(object.id)) return [row]
    return [row, ...rowsOf(object.members, folded, depth + 1, isCombining(object) ? object : null, row.locked)]
  })
}

function toggled(set: ReadonlySet<string>, id: string): ReadonlySet<string> {
  const next = new Set(set)
  if (!next.delete(id)) next.add(id)
  return next
}
