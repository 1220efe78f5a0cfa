'use client'

import { useState } from 'react'
import type { SetEdit } from '@/core/set/edit'
import { directedEdit } from '@/core/set/many'
import type { Icon, RightToLeft } from '@/core/set/set'
import { MenuButton } from '@/ui/menu'
import { NameDialog } from '@/ui/name-dialog'

/** Labels of the ways an icon behaves in right-to-left text. */
export function rtlInWords(rtl: RightToLeft | undefined, icons: readonly Icon[]): string {
  if (rtl === undefined) return 'not set'
  if (rtl === 'mirrored') return 'mirrors'
  if (rtl === 'kept') return 'stays as it is'
  return icons.find(({ id }) => id === rtl.icon)?.name ?? 'an icon that is no longer there'
}

/** Says of icons what becomes of them where text runs from right to left. */
export function DirectionMenu({
  icons,
  all,
  className,
  children,
  onChange,
}: {
  icons: readonly Icon[]
  /** All of the set: one of them may stand for another. */
  all: readonly Icon[]
  className?: string
  children: string
  onChange: (edit: SetEdit, label: string) => void
}) {
  const [asking, setAsking] = useState(false)
  const [only] = icons
  const what = icons.length === 1 ? only!.name : `${icons.length} icons`
  const say = (rtl: RightToLeft | undefined, words: string) =>
    onChange(directedEdit(icons, rtl), `Right to left, ${what}: ${words}`)
  const now = new Set(icons.map(({ rtl }) => JSON.stringify(rtl ?? null)))
  const isNow = (rtl: RightToLeft | undefined) => now.size === 1 && now.has(JSON.stringify(rtl ?? null))
  const line = (label: string, rtl: RightToLeft | undefined, words = label) => ({
    label: `${label}${isNow(rtl) ? ' ✓' : ''}`,
    run: () => say(rtl, words),
  })
  return (
    <>
      <MenuButton
        label="Right to left"
        className={className}
        list={[
          'where text runs from right to left',
          line('mirrors', 'mirrored'),
          line('stays as it is', 'kept'),
          ...(icons.length === 1 ? [{ label: 'another icon…', run: () => setAsking(true) }] : []),
          null,
          line('not set', undefined),
        ]}
      >
        {children}
      </MenuButton>
      {asking && (
        <NameDialog
          title={`What stands for ${what} right to left`}
          name={typeof only!.rtl === 'object' ? rtlInWords(only!.rtl, all) : ''}
          label="Name of an icon of this set"
          action="Take it"
          onClose={() => setAsking(false)}
          onName={(name) => {
            const other = all.find((one) => one.name.toLowerCase() === name.trim().toLowerCase())
            if (!other) return `There is no icon “${name.trim()}” in this set.`
            if (other.id === only!.id) return 'An icon cannot stand for itself: choose “stays as it is”.'
            say({ icon: other.id }, other.name)
            return null
          }}
        />
      )}
    </>
  )
}
