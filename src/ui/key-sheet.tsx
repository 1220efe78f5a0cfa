'use client'

import { create } from 'zustand'
import { type Command, useCommands, useCommandSet } from './commands'
import { inKeys, keyName, useKeyboard } from './keys'
import { Dialog } from './dialog'

const useOpen = create<{ open: boolean }>(() => ({ open: false }))

const OWN: readonly Command[] = [
  {
    id: 'keys',
    name: 'Show the keys',
    keys: ['?', 'Shift+?'],
    run: () => useOpen.setState(({ open }) => ({ open: !open })),
  },
]

/** What keys do while they are held, which are no commands. */
const HELD = [
  ['Space', 'Drag the sheet'],
  ['[KeyX]', 'Suspend snapping'],
  ['[KeyV]', 'See nothing but the icon'],
  ['`', 'Keys on the tools'],
  ['Shift', 'Keep to square, line or steps of 45°'],
  ['Alt', 'From the centre; leave a copy'],
  ['Ctrl wheel', 'Zoom to the pointer'],
] as const

/** All keys on one sheet, by purpose; `?` opens and closes it. */
export function KeySheet() {
  const { open } = useOpen()
  const commands = useCommands()
  const keyboard = useKeyboard()
  useCommandSet('keys', OWN)
  const groups = new Map<string, Command[]>()
  for (const command of commands)
    if (command.keys?.length)
      groups.set(command.group ?? 'Everywhere', [...(groups.get(command.group ?? 'Everywhere') ?? []), command])
  return (
    <Dialog title="Keys" open={open} onClose={() => useOpen.setState({ open: false })} width={980}>
      {/* It may be longer than the window: then it is scrolled by keys, too. */}
      <div tabIndex={0} className="columns-4 gap-6 px-4 py-3 text-small outline-none">
        {[...groups].map(([name, list]) => (
          <section key={name} className="mb-3">
            <h3 className="mb-0.5 break-after-avoid font-[640]">{name}</h3>
            <dl>
              {list.map(({ id, name: what, keys }) => (
                <Line key={id} what={what} keys={keyName(keys![0]!, keyboard)} />
              ))}
            </dl>
          </section>
        ))}
        <section className="mb-3 break-inside-avoid">
          <h3 className="mb-0.5 font-[640]">While held</h3>
          <dl>
            {HELD.map(([keys, what]) => (
              <Line key={keys} what={what} keys={inKeys(keys, keyboard)} />
            ))}
          </dl>
        </section>
      </div>
    </Dialog>
  )
}

function Line({ what, keys }: { what: string; keys: string }) {
  return (
    <div className="flex break-inside-avoid items-baseline justify-between gap-2 border-b border-faint py-px">
      <dt className="text-quiet">
        <span className="inline-block first-letter:uppercase">{what.replace(/^Nodes: /, '')}</span>
      </dt>
      <dd className="flex-none font-[560]">{keys}</dd>
    </div>
  )
}
