'use client'

import { useCallback } from 'react'
import { renamedEdit } from '@/core/set/many'
import type { Rules } from '@/core/rules/rules'
import type { Icon } from '@/core/set/set'
import { VirtualGrid } from '@/ui/virtual-grid'
import { commit } from '../session/session'
import { useSession } from '../session/use-session'
import { GROUNDS } from './grounds'
import { SheetCell } from './sheet-cell'
import type { Sheet } from './use-sheet'
import { filterOf } from './vision'

/** Pixels between the sizes of an icon. */
const GAP = 16

/** The sheet's icons in cells; a cell renders again only when its content changes. */
export function SheetGrid({
  sheet: { shown, sizes, ground, vision, beside },
  rules,
  setId,
  zoom,
  selected,
  onSelect,
}: {
  sheet: Sheet
  rules: Rules
  setId: string
  /** How many screen pixels show one pixel of an icon. */
  zoom: number
  selected: ReadonlySet<string>
  onSelect: (id: string, isRange: boolean) => void
}) {
  const session = useSession()
  const rename = useCallback(
    (icon: Icon, name: string): string | null => {
      const edit = renamedEdit(session.getState().history.present, [icon], name)
      if (typeof edit === 'string') return edit
      commit(session, edit, `Rename ${icon.name} to ${name}`)
      return null
    },
    [session],
  )
  return (
    <VirtualGrid
      label="Sheet"
      items={shown}
      keyOf={({ id }) => id}
      width={Math.max(112, sizes.reduce((sum, size) => sum + size * zoom, 0) + GAP * (sizes.length + 1))}
      height={Math.max(...sizes) * zoom + 52}
      className="h-full overflow-y-auto"
      cell={(icon) => (
        <SheetCell
          icon={icon}
          rules={rules}
          sizes={sizes}
          zoom={zoom}
          look={GROUNDS[ground]}
          filter={filterOf(vision)}
          gap={GAP}
          href={`/sets/${setId}/draw/${encodeURIComponent(icon.name)}`}
          beside={beside.get(icon.id)}
          isSelected={selected.has(icon.id)}
          onSelect={onSelect}
          onRename={rename}
        />
      )}
    />
  )
}
