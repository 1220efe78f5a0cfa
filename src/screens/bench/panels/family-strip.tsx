'use client'

import { closestCenter, DndContext, type DragEndEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { restrictToVerticalAxis } from '@dnd-kit/modifiers'
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import clsx from 'clsx'
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual'
import { memo, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { realSize } from '@/core/rules/real-size'
import type { Rules } from '@/core/rules/rules'
import { masterFor, type Icon } from '@/core/set/set'
import { RightMenu } from '@/ui/menu'
import { useTheme } from '@/ui/theme'
import { IconPicture } from '../../frame/icon-picture'
import { commit, shown } from '../../session/session'
import { useSession, useSessionState } from '../../session/use-session'
import { iconIn, useBench, useBenchState, useSetBeside } from '../state/context'
import { BinDialog } from './bin-dialog'
import { dragAccess } from '@/ui/drag-access'
import { NameDialog } from '@/ui/name-dialog'
import { observeRect } from '@/ui/observe-rect'
import { SnagDot } from './snag-dot'
import { addIcon, deleteIcon, duplicateIcon, renameIcon } from '../operations/icons'

/** A press is a drag once it has travelled. The same object each time: a new one would draw every row again. */
const AFTER_TRAVEL = { activationConstraint: { distance: 5 } }

/** All siblings at real size: the way from icon to icon. */
export function FamilyStrip() {
  const bench = useBench()
  const session = useSession()
  const icons = useSetBeside((set) => set.icons)
  const rules = useSessionState((state) => shown(state).rules)
  const openId = useBenchState(({ icon }) => icon)
  const open = iconIn({ icons }, openId)
  const [naming, setNaming] = useState<Icon | null>(null)
  const [binOpen, setBinOpen] = useState(false)
  const sensors = useSensors(useSensor(PointerSensor, AFTER_TRAVEL))
  const access = useMemo(
    () => dragAccess((id) => session.getState().history.present.icons.find((icon) => icon.id === id)?.name ?? ''),
    [session],
  )
  const ids = useMemo(() => icons.map(({ id }) => id), [icons])
  const scroller = useRef<HTMLDivElement>(null)
  const [dragged, setDragged] = useState<number | null>(null)
  const height = realSize(rules) + 20
  const virtual = useVirtualizer({
    count: icons.length,
    getScrollElement: () => scroller.current,
    observeElementRect: observeRect,
    useFlushSync: false,
    estimateSize: () => height,
    overscan: 4,
    initialRect: { width: 0, height: 700 },
    // The dragged cell stays mounted, however far it is scrolled out of sight.
    rangeExtractor: (range) =>
      [...new Set([...defaultRangeExtractor(range), ...(dragged === null ? [] : [dragged])])].sort((a, b) => a - b),
  })
  useEffect(() => virtual.measure(), [virtual, height])
  const openAt = open ? icons.indexOf(open) : -1
  useEffect(() => {
    if (openAt >= 0) virtual.scrollToIndex(openAt, { align: 'auto' })
    // Only when another icon is opened: whoever scrolls stays where they are.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [open?.id])

  const onDragEnd = ({ active, over }: DragEndEvent) => {
    setDragged(null)
    if (!over || over.id === active.id) return
    const moved = icons.find(({ id }) => id === active.id)!
    commit(
      session,
      { kind: 'move-icon', id: moved.id, to: ids.indexOf(String(over.id)) },
      `Move ${moved.name} in the family`,
    )
  }

  return (
    <aside aria-label="Family" className="row-span-2 flex min-h-0 flex-col border-r border-hair bg-sheet">
      <div ref={scroller} className="min-h-0 flex-1 overflow-y-auto [scrollbar-width:none]" role="list">
        <DndContext
          id="family"
          accessibility={access}
          sensors={sensors}
          collisionDetection={closestCenter}
          modifiers={[restrictToVerticalAxis]}
          onDragStart={({ active }) => setDragged(ids.indexOf(String(active.id)))}
          onDragCancel={() => setDragged(null)}
          onDragEnd={onDragEnd}
        >
          <SortableContext items={ids} strategy={verticalListSortingStrategy}>
            <div className="relative" style={{ height: virtual.getTotalSize() }}>
              {virtual.getVirtualItems().map(({ index, start }) => {
                const icon = icons[index]!
                return (
                  <Sibling
                    key={icon.id}
                    icon={icon}
                    rules={rules}
                    top={start}
                    place={index + 1}
                    of={icons.length}
                    open={icon.id === open?.id}
                    onOpen={() => bench.open(icon.id)}
                    onDuplicate={() => duplicateIcon(bench, icon)}
                    onRename={() => setNaming(icon)}
                    onDelete={() => deleteIcon(bench, icon)}
                  />
                )
              })}
            </div>
          </SortableContext>
        </DndContext>
      </div>
      <button
        type="button"
        onClick={() => addIcon(bench)}
        className="h-8 border-t border-hair text-small text-ink hover:bg-film"
      >
        + icon
      </button>
      <button
        type="button"
        onClick={() => setBinOpen(true)}
        className="h-7 border-t border-hair text-small text-quiet hover:bg-film hover:text-ink"
      >
        deleted
      </button>
      {naming && (
        <NameDialog
          title="Rename the icon"
          name={naming.name}
          onClose={() => setNaming(null)}
          onName={(name) => renameIcon(bench, naming, name)}
        />
      )}
      {binOpen && <BinDialog onClose={() => setBinOpen(false)} />}
    </aside>
  )
}

type SiblingProps = {
  icon: Icon
  rules: Rules
  /** Where it lies in the list, in pixels, and which it is of how many. */
  top: number
  place: number
  of: number
  open: boolean
  onOpen: () => void
  onDuplicate: () => void
  onRename: () => void
  onDelete: () => void
}

const Sibling = memo(
  function Sibling({ icon, rules, top, place, of, open, onOpen, onDuplicate, onRename, onDelete }: SiblingProps) {
    const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: icon.id })
    const ground = useTheme() === 'night' ? 'dark' : 'light'
    const settled = useDeferredValue(icon)
    return (
      <RightMenu
        list={[
          icon.name,
          { label: 'Rename…', run: onRename },
          { label: 'Duplicate', run: onDuplicate },
          null,
          { label: 'Delete', danger: true, run: onDelete },
        ]}
      >
        <div
          ref={setNodeRef}
          role="listitem"
          aria-posinset={place}
          aria-setsize={of}
          style={{ top, transform: CSS.Translate.toString(transform), transition }}
          className={clsx('absolute inset-x-0', isDragging && 'z-10 bg-film')}
        >
          <button
            type="button"
            {...attributes}
            {...listeners}
            role="button"
            aria-roledescription="icon, to be dragged"
            aria-label={icon.name}
            aria-current={open}
            title={icon.name}
            onClick={onOpen}
            onDoubleClick={onRename}
            style={{ height: realSize(rules) + 20 }}
            className={clsx(
              'relative grid w-full place-items-center outline-offset-[-2px]',
              open ? 'bg-film shadow-[inset_3px_0_var(--hand)]' : 'hover:bg-film',
            )}
          >
            <SnagDot icon={settled} rules={rules} />
            {masterFor(icon).objects.length > 0 ? (
              <IconPicture icon={settled} rules={rules} ground={ground} size={realSize(rules)} label={icon.name} />
            ) : (
              <span className="max-w-full truncate px-1 text-small text-quiet">{icon.name}</span>
            )}
          </button>
        </div>
      </RightMenu>
    )
  },
  // The callbacks differ at each render, but do the same for the same icon.
  (before, after) =>
    before.icon === after.icon &&
    before.rules === after.rules &&
    before.open === after.open &&
    before.top === after.top &&
    before.of === after.of,
)
