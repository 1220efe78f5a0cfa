'use client'

import { ContextMenu, DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'

/** An entry of a menu; `null` is a separator, a text alone a heading; a `list` opens a submenu. */
export type MenuEntry =
  | null
  | string
  | { readonly label: string; readonly list: readonly MenuEntry[] }
  | {
      readonly label: ReactNode
      readonly hint?: ReactNode
      readonly run: () => void
      readonly disabled?: boolean
      readonly danger?: boolean
    }

const panel =
  'z-50 max-h-[70vh] min-w-44 overflow-y-auto rounded-sheet border border-ink bg-sheet py-1 text-body text-ink'
const line =
  'flex h-6 items-center gap-4 px-3 outline-none select-none data-[highlighted]:bg-ink data-[highlighted]:text-sheet data-[disabled]:text-quiet/70'

function entries(list: readonly MenuEntry[], Menu: typeof DropdownMenu | typeof ContextMenu): ReactNode {
  return list.map((entry, i) => {
    if (entry === null) return <Menu.Separator key={i} className="my-1 h-px bg-hair" />
    if (typeof entry === 'string')
      return (
        <Menu.Label key={i} className="px-3 pt-1 pb-0.5 text-small text-quiet">
          {entry}
        </Menu.Label>
      )
    if ('list' in entry)
      return (
        <Menu.Sub key={i}>
          <Menu.SubTrigger className={`${line} data-[state=open]:bg-ink data-[state=open]:text-sheet`}>
            <span className="flex-1 truncate">{entry.label}</span>
            <span aria-hidden>▸</span>
          </Menu.SubTrigger>
          <Menu.Portal>
            <Menu.SubContent className={panel} collisionPadding={8} sideOffset={2}>
              {entries(entry.list, Menu)}
            </Menu.SubContent>
          </Menu.Portal>
        </Menu.Sub>
      )
    return (
      <Menu.Item
        key={i}
        disabled={entry.disabled}
        onSelect={entry.run}
        className={entry.danger ? `${line} text-fault` : line}
      >
        <span className="flex-1 truncate">{entry.label}</span>
        {entry.hint && <span className="text-small opacity-70">{entry.hint}</span>}
      </Menu.Item>
    )
  })
}

/** A menu that opens from a button. */
export function MenuButton({
  label,
  title,
  list,
  className,
  children,
}: {
  label: string
  title?: string
  list: readonly MenuEntry[]
  className?: string
  children: ReactNode
}) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger aria-label={label} title={title} className={className}>
        {children}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className={panel} align="start" sideOffset={2} collisionPadding={8}>
          {entries(list, DropdownMenu)}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/** The menu of the right button over its children. The list is made when it opens. */
export function RightMenu({
  list,
  children,
  onOpenChange,
}: {
  list: readonly MenuEntry[]
  children: ReactNode
  onOpenChange?: (open: boolean) => void
}) {
  return (
    <ContextMenu.Root modal={false} onOpenChange={onOpenChange}>
      <ContextMenu.Trigger asChild>{children}</ContextMenu.Trigger>
      <ContextMenu.Portal>
        <ContextMenu.Content className={panel} collisionPadding={8}>
          {entries(list, ContextMenu)}
        </ContextMenu.Content>
      </ContextMenu.Portal>
    </ContextMenu.Root>
  )
}
