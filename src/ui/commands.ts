'use client'

import type { LucideIcon } from 'lucide-react'
import { useEffect } from 'react'
import { createKeybindingsHandler } from 'tinykeys'
import { create } from 'zustand'
import { holdsTypedKeys } from './cell-keys'
import { isMeant, watched } from './keys'
import { say } from './notice'

/** A command with its name, keys and controls. `needs` is the missing condition as a sentence; null if it can run. */
export type Command = {
  readonly id: string
  readonly name: string
  /** Further words that it is found by. */
  readonly words?: string
  /** Under which heading its key is listed. */
  readonly group?: string
  /** Keys in tinykeys' notation; the first is the one that is shown. */
  readonly keys?: readonly string[]
  /** True for a key that works in a text field too. */
  readonly everywhere?: boolean
  readonly needs?: () => string | null
  readonly run: () => void
  /** Where it stands in the tool line. */
  readonly inLine?: {
    readonly cluster: string
    readonly picture: LucideIcon
    /** In a narrow window it stands there without its word. */
    readonly isSeldom?: boolean
    /** A longer description for the tooltip. */
    readonly hint?: string
  }
  /** Where it stands in a menu of the right button: in which part, and in which list that opens beside its word. */
  readonly inMenu?: readonly MenuPlace[]
}

export type MenuPlace = { readonly of: string; readonly part: number; readonly list?: string }

const useCommandSets = create<Record<string, readonly Command[]>>(() => ({}))

/** Every command of the screens that are open. */
export const useCommands = (): Command[] => Object.values(useCommandSets()).flat()

/** Runs a command, or reports its missing condition. */
export function runCommand(command: Command): void {
  const missing = command.needs?.() ?? null
  if (missing === null) command.run()
  else say({ text: missing })
}

/**
 * Offers commands, in the command box and by their keys, for as long as the component is there. The list must be kept
 * between renders.
 */
export function useCommandSet(name: string, commands: readonly Command[]): void {
  useEffect(() => {
    useCommandSets.setState({ [name]: commands })
    const bindings: Record<string, (event: KeyboardEvent) => void> = {}
    for (const command of commands) {
      for (const key of command.keys ?? []) {
        for (const one of watched(key)) {
          bindings[one] = (event) => {
            if (event.defaultPrevented || !isMeant(key, event) || isModalOpen()) return
            if ((typing(event) || holdsTypedKeys(event)) && !command.everywhere) return
            event.preventDefault()
            runCommand(command)
          }
        }
      }
    }
    const handler = createKeybindingsHandler(bindings)
    window.addEventListener('keydown', handler)
    return () => {
      window.removeEventListener('keydown', handler)
      useCommandSets.setState((sets) => Object.fromEntries(Object.entries(sets).filter(([key]) => key !== name)), true)
    }
  }, [name, commands])
}

/** True while a dialog covers the page: keys do not reach the page then. */
export const isModalOpen = (): boolean => document.querySelector('[data-modal]') !== null

/** True while the keys belong to a text field, or to something open over the page. */
export function typing(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null
  return (
    target?.closest?.(
      'input, textarea, select, [contenteditable], [role=dialog], [role=alertdialog], [role=menu], [role=listbox]',
    ) != null
  )
}

/** Commands under one heading of the key sheet. */
export const grouped = (group: string, commands: readonly Command[]): Command[] =>
  commands.map((command) => ({ ...command, group }))
