'use client'

import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { proofSvg } from '@/core/formats/delivery'
import type { IconSet } from '@/core/set/set'
import { realSize } from '@/core/rules/real-size'
import { MAX_BYTES } from '@/core/formats/set-file'
import { Button } from '@/ui/button'
import { useFilm } from '@/ui/film'
import { MenuButton } from '@/ui/menu'
import { NameDialog } from '@/ui/name-dialog'
import { say } from '@/ui/notice'
import { PixelPicture } from '@/ui/pixel-picture'
import { CommonCommands, TopBar } from '../frame/top-bar'
import { NewSetDialog } from './new-set-dialog'
import { type ShelfActions, ShelfActionsContext, useShelfActions } from './shelf-actions'

type Entry = {
  readonly id: string
  readonly changedAt: string
  readonly deleted: boolean
  readonly set: IconSet
}

/** The first screen: all sets. */
export function ShelfScreen({ entries, actions }: { entries: readonly Entry[]; actions: ShelfActions }) {
  const router = useRouter()
  const [creating, setCreating] = useState(false)
  const [naming, setNaming] = useState<Entry | null>(null)
  const file = useRef<HTMLInputElement>(null)
  const onShelf = entries.filter(({ deleted }) => !deleted)
  const deleted = entries.filter((entry) => entry.deleted)

  const importFiles = async (files: FileList | null) => {
    for (const one of files ?? []) await importSet(one)
    if (file.current) file.current.value = ''
    router.refresh()
  }

  return (
    <ShelfActionsContext value={actions}>
    <div
      className="min-h-dvh"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault()
        void importFiles(event.dataTransfer.files)
      }}
    >
      <CommonCommands />
      <TopBar crumb={<span className="text-title font-[640]">Shelf</span>} />
      <main className="mx-auto max-w-[1120px] px-6 pt-8 pb-16">
        <div className="flex items-end justify-between gap-4">
          <div>
            <h1 className="text-[22px] leading-7 font-[640] [font-stretch:92%]">Sets</h1>
            <p className="mt-0.5 text-lead text-quiet">A set is a family of icons under one set of rules.</p>
          </div>
          <div className="flex gap-2">
            <input ref={file} type="file" accept=".json,application/json" multiple hidden aria-label="Set file" onChange={(event) => void importFiles(event.target.files)} />
            <Button onClick={() => file.current!.click()}>Import a set file…</Button>
            <Button onClick={() => void actions.openDemo()}>Add the demo sets</Button>
            <Button look="strong" onClick={() => setCreating(true)}>New set…</Button>
          </div>
        </div>

        {onShelf.length === 0 ? (
          <div className="mt-8 border border-hair bg-sheet px-8 py-14 text-center">
            <p className="text-title font-[640]">The shelf is empty</p>
            <p className="mt-1 text-lead text-quiet">Start a set from a rule book, or look around in the demo sets first.</p>
            <Button look="strong" className="mt-4" onClick={() => setCreating(true)}>New set…</Button>
          </div>
        ) : (
          <div role="table" aria-label="Sets" className="mt-6 border-t border-ink bg-sheet">
            <div role="row" className="grid grid-cols-[220px_96px_64px_minmax(0,1fr)_128px_32px] items-center gap-3 border-b border-hair px-4 py-1.5 text-small text-quiet">
              <span role="columnheader">name</span>
              <span role="columnheader">kind</span>
              <span role="columnheader">grid</span>
              <span role="columnheader">icons at real size</span>
              <span role="columnheader" className="text-right">last change</span>
              <span />
            </div>
            {onShelf.map((entry) => (
              <SetRow key={entry.id} entry={entry} onRename={() => setNaming(entry)} />
            ))}
          </div>
        )}

        {deleted.length > 0 && (
          <section className="mt-10">
            <h2 className="font-[640] text-quiet">Deleted sets</h2>
            <ul className="mt-1 border-t border-hair">
              {deleted.map(({ id, set }) => (
                <li key={id} className="flex items-center gap-3 border-b border-hair py-1.5 text-quiet">
                  <span className="flex-1">{set.name} · {set.icons.length} icons</span>
                  <Button onClick={() => void actions.restore(id)}>Put back</Button>
                </li>
              ))}
            </ul>
          </section>
        )}
      </main>
      {creating && <NewSetDialog onClose={() => setCreating(false)} onCreated={(id) => router.push(`/sets/${id}/draw`)} />}
      {naming && (
        <NameDialog
          title="Rename the set"
          name={naming.set.name}
          onClose={() => setNaming(null)}
          onName={async (name) => {
            const result = await actions.rename(naming.id, name)
            return result.ok ? null : result.failure.message
          }}
        />
      )}
    </div>
    </ShelfActionsContext>
  )
}

/** How many icons a row of the shelf shows. */
const RUN = 11

function SetRow({ entry: { id, set, changedAt }, onRename }: { entry: Entry; onRename: () => void }) {
  const ground = useFilm() === 'night' ? 'dark' : 'light'
  const side = realSize(set.rules)
  const actions = useShelfActions()
  const remove = async () => {
    await actions.remove(id)
    say({ text: `“${set.name}” was taken off the shelf.`, action: { label: 'Undo', run: () => void actions.restore(id) } })
  }
  return (
    <div role="row" className="relative grid min-h-16 grid-cols-[220px_96px_64px_minmax(0,1fr)_128px_32px] items-center gap-3 border-b border-hair px-4 hover:bg-film">
      <span role="cell" className="truncate">
        <Link href={`/sets/${id}/draw`} className="text-title font-[640] after:absolute after:inset-0">
          {set.name}
        </Link>
      </span>
      <span role="cell" className="text-quiet">{set.kind === 'app' ? 'app icons' : 'interface'}</span>
      <span role="cell">{set.rules.grid.size}</span>
      <span role="cell" className="flex items-center gap-3 overflow-hidden">
        {set.icons.length === 0 && <span className="text-quiet">no icon yet</span>}
        {set.icons.slice(0, RUN).map((icon) => (
          <PixelPicture key={icon.id} svg={proofSvg(icon, set.rules, ground)} size={side} label={icon.name} className="flex-none" />
        ))}
        {set.icons.length > RUN && <span className="text-quiet">+{set.icons.length - RUN}</span>}
      </span>
      <time role="cell" dateTime={changedAt} className="text-right text-quiet" suppressHydrationWarning>
        {new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }).format(new Date(changedAt))}
      </time>
      <span role="cell" className="relative z-10">
        <MenuButton
          label={`More for ${set.name}`}
          className="grid size-6 place-items-center rounded-sheet text-title hover:bg-ink hover:text-sheet"
          list={[
            { label: 'Rename…', run: onRename },
            { label: 'Duplicate', run: () => void actions.duplicate(id) },
            { label: 'Export as a set file', run: () => window.location.assign(`/api/sets/${id}/file`) },
            null,
            { label: 'Delete', danger: true, run: () => void remove() },
          ]}
        >
          ⋯
        </MenuButton>
      </span>
    </div>
  )
}

/** Sends a set file to the server; says what is wrong with it where something is. */
async function importSet(file: File): Promise<void> {
  if (file.size > MAX_BYTES) {
    say({ text: `“${file.name}” is larger than ${MAX_BYTES / 2 ** 20} MB, the most a set file may have.`, tone: 'fault' })
    return
  }
  const response = await fetch('/api/sets', { method: 'POST', body: await file.text(), headers: { 'content-type': 'application/json' } }).catch(() => null)
  const answer = (await response?.json().catch(() => null)) as { name?: string; message?: string } | null
  if (response?.ok) say({ text: `“${answer!.name}” is on the shelf.` })
  else say({ text: `“${file.name}” was not imported. ${answer?.message ?? 'The server cannot be reached.'}`, tone: 'fault' })
}
