'use client'

import { Dialog as Radix } from 'radix-ui'
import type { ReactNode } from 'react'

/** A sheet over the screen with a title and one task. */
export function Dialog({
  title,
  open,
  onClose,
  children,
  width = 420,
}: {
  title: string
  open: boolean
  onClose: () => void
  children: ReactNode
  width?: number
}) {
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Radix.Content
          aria-describedby={undefined}
          data-modal
          className="fixed top-[16vh] left-1/2 z-50 max-h-[76vh] -translate-x-1/2 overflow-y-auto rounded-sheet border border-ink bg-sheet outline-none"
          style={{ width }}
        >
          <Radix.Title className="border-b border-hair px-4 py-3 text-title font-[640]">{title}</Radix.Title>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
