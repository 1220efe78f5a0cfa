'use client'

import { Command as List } from 'cmdk'
import { Dialog } from 'radix-ui'
import { useRef } from 'react'
import { create } from 'zustand'
import { type Command, runCommand, useCommands, useCommandSet } from './commands'
import { commandScore } from './command-search'
import { inKeys, keyName, useKeyboard } from './keys'

const useOpen = create<{ open: boolean }>(() => ({ open: false }))

export const openCommandBox = (): void => useOpen.setState({ open: true })

const OWN = [{ id: 'find', name: 'Find a command', keys: ['$mod+KeyK'], everywhere: true, run: openCommandBox }]

/** Every command by name, with its key; an unavailable one names its condition. */
export function CommandBox() {
  const { open } = useOpen()
  const commands = useCommands()
  const keyboard = useKeyboard()
  useCommandSet('box', OWN)
  const chosen = useRef<Command | null>(null)
  return (
    <Dialog.Root open={open} onOpenChange={(next) => useOpen.setState({ open: next })}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content
          aria-describedby={undefined}
          data-modal
          // The command runs once the box gave the focus back: it may move the focus itself.
          onCloseAutoFocus={() => {
            const command = chosen.current
            chosen.current = null
            if (command) queueMicrotask(() => runCommand(command))
          }}
          className="fixed top-[12vh] left-1/2 z-50 w-[520px] -translate-x-1/2 rounded-sheet border border-ink bg-sheet outline-none"
        >
          <Dialog.Title className="sr-only">Find a command</Dialog.Title>
          <List loop filter={(_, typed, keywords) => commandScore({ name: keywords![0]!, words: keywords![1] }, typed)}>
            <List.Input
              placeholder="What would you like to do?"
              className="h-11 w-full border-b border-hair px-4 text-title outline-none placeholder:text-quiet"
            />
            <List.List className="max-h-[52vh] overflow-y-auto py-1">
              <List.Empty className="px-4 py-3 text-quiet">No command has this name. Try another word.</List.Empty>
              {commands
                .filter(({ id }) => id !== 'find')
                .map((command) => {
                  const missing = command.needs?.() ?? null
                  return (
                    <List.Item
                      key={command.id}
                      value={command.id}
                      keywords={[command.name, command.words ?? '']}
                      onSelect={() => {
                        chosen.current = command
                        useOpen.setState({ open: false })
                      }}
                      className="flex h-7 items-center gap-3 px-4 text-lead data-[selected=true]:bg-ink data-[selected=true]:text-sheet"
                    >
                      <span className={missing ? 'flex-none opacity-60' : 'flex-none'}>{command.name}</span>
                      {missing && (
                        <span className="min-w-0 truncate text-small opacity-60">{inKeys(missing, keyboard)}</span>
                      )}
                      {command.keys?.[0] && (
                        <kbd className="ml-auto flex-none font-sans text-small opacity-70">
                          {keyName(command.keys[0], keyboard)}
                        </kbd>
                      )}
                    </List.Item>
                  )
                })}
            </List.List>
          </List>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
