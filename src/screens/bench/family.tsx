'use client'

import { closestCenter, DndContext, type DragEndEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { restrictToVerticalAxis } from '@dnd-kit/modifiers'
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import clsx from 'clsx'
import { memo, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { proofSvg } from '@/core/formats/delivery'
import { realSize } from '@/core/rules/real-size'
import type { Rules } from '@/core/rules/rules'
import { drawing, type Icon } from '@/core/set/set'
import { RightMenu } from '@/ui/menu'
import { PixelPicture } from '@/ui/pixel-picture'
import { useFilm } from '@/ui/film'
import { commit, shown } from '../frame/session'
import { useSession, useSessionState } from '../frame/set-provider'
import { useBench, useCalmIcon, useCalmSet } from './context'
import { BinDialog } from './bin-dialog'
import { DRAG_ACCESS } from '@/ui/drag-access'
import { NameDialog } from '@/ui/name-dialog'
import { addIcon, deleteIcon, duplicateIcon, renameIcon } from './icons'

/** A press is a drag once it has travelled. The same object each time: a new one would draw every row again. */
const AFTER_TRAVEL = { activationConstraint: { distance: 5 } }

/** All siblings at real size: the way from icon to icon. */
export function Family() {
  const bench = useBench()
  const session = useSession()
  const icons = useCalmSet((set) => set.icons)
  const rules = useSessionState((state) => shown(state).rules)
  const open = useCalmIcon()
  const [naming, setNaming] = useState<Icon | null>(null)
  const [binOpen, setBinOpen] = useState(false)
  const sensors = useSensors(useSensor(PointerSensor, AFTER_TRAVEL))
  const ids = useMemo(() => icons.map(({ id }) => id), [icons])

  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || over.id === active.id) return
    const moved = icons.find(({ id }) => id === active.id)!
    commit(session, { kind: 'move-icon', id: moved.id, to: ids.indexOf(String(over.id)) }, `Move ${moved.name} in the family`)
  }

  return (
    <aside aria-label="Family" className="row-span-2 flex min-h-0 flex-col border-r border-hair bg-sheet">
      <div className="min-h-0 flex-1 overflow-y-auto [scrollbar-width:none]" role="list">
        <DndContext id="family" accessibility={DRAG_ACCESS} sensors={sensors} collisionDetection={closestCenter} modifiers={[restrictToVerticalAxis]} onDragEnd={onDragEnd}>
          <SortableContext items={ids} strategy={verticalListSortingStrategy}>
            {icons.map((icon) => (
              <Sibling
                key={icon.id}
                icon={icon}
                rules={rules}
                open={icon.id === open?.id}
                onOpen={() => bench.open(icon.id)}
                onDuplicate={() => duplicateIcon(bench, icon)}
                onRename={() => setNaming(icon)}
                onDelete={() => deleteIcon(bench, icon)}
              />
            ))}
          </SortableContext>
        </DndContext>
      </div>
      <button type="button" onClick={() => addIcon(bench)} className="h-8 border-t border-hair text-small text-ink hover:bg-film">
        + icon
      </button>
      <button type="button" onClick={() => setBinOpen(true)} className="h-7 border-t border-hair text-small text-quiet hover:bg-film hover:text-ink">
        deleted
      </button>
      {naming && <NameDialog title="Rename the icon" name={naming.name} onClose={() => setNaming(null)} onName={(name) => renameIcon(bench, naming, name)} />}
      {binOpen && <BinDialog onClose={() => setBinOpen(false)} />}
    </aside>
  )
}

type SiblingProps = {
  icon: Icon
  rules: Rules
  open: boolean
  onOpen: () => void
  onDuplicate: () => void
  onRename: () => void
  onDelete: () => void
}

const Sibling = memo(
  function Sibling({ icon, rules, open, onOpen, onDuplicate, onRename, onDelete }: SiblingProps) {
    const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: icon.id })
    const ground = useFilm() === 'night' ? 'dark' : 'light'
    const button = useRef<HTMLButtonElement>(null)
    useEffect(() => {
      if (open) button.current?.scrollIntoView({ block: 'nearest' })
    }, [open])
    const settled = useDeferredValue(icon)
    const svg = useMemo(() => proofSvg(settled, rules, ground), [settled, rules, ground])
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
        <div ref={setNodeRef} role="listitem" style={{ transform: CSS.Translate.toString(transform), transition }} className={clsx('relative', isDragging && 'z-10 bg-film')}>
          <button
            ref={button}
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
            className={clsx('grid w-full place-items-center outline-offset-[-2px]', open ? 'bg-film shadow-[inset_3px_0_var(--hand)]' : 'hover:bg-film')}
          >
            {drawing(icon).length > 0 ? <PixelPicture svg={svg} size={realSize(rules)} label={icon.name} /> : <span className="max-w-full truncate px-1 text-small text-quiet">{icon.name}</span>}
          </button>
        </div>
      </RightMenu>
    )
  },
  // The callbacks differ at each render, but do the same for the same icon.
  (before, after) => before.icon === after.icon && before.rules === after.rules && before.open === after.open,
)
