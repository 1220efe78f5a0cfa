'use client'

import dynamic from 'next/dynamic'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect, useRef, useState } from 'react'
import type { ShelfEntry } from '@/core/set/shelf-entry'
import { MAX_BYTES } from '@/core/formats/max-bytes'
import { Button } from '@/ui/button'
import { MenuButton } from '@/ui/menu'
import { NameDialog } from '@/ui/name-dialog'
import { say } from '@/ui/notice'
import { hearOf } from '../session/told'
import { CommonCommands, TopBar } from '../frame/top-bar'
import { isReadable } from '@/core/formats/import/readable'
import { type ChosenFile, chosenFiles, droppedFiles, inOrder, isSetFile, nameOfAll } from './chosen-files'
import { NewSetDialog } from './new-set-dialog'
import { RunOfIcons } from './run-of-icons'
import { type Answer, reached, type ShelfActions, ShelfActionsContext, useShelfActions } from './shelf-actions'

/** Loaded when files are read. */
const ImportDialog = dynamic(() => import('./import-dialog').then((part) => part.ImportDialog), { ssr: false })

/** How soon the shelf shows what changed elsewhere, in milliseconds. */
const SOON = 700

/** Follows changes to sets made in other windows. */
function useNews(router: { readonly refresh: () => void }): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const unhear = hearOf((told) => {
      if (told.kind !== 'visitors') timer ??= setTimeout(() => ((timer = undefined), router.refresh()), SOON)
    })
    return () => {
      unhear()
      clearTimeout(timer)
    }
  }, [router])
}

/** The first screen: all sets. */
export function ShelfScreen({ entries, actions }: { entries: readonly ShelfEntry[]; actions: ShelfActions }) {
  const router = useRouter()
  const [creating, setCreating] = useState(false)
  const [naming, setNaming] = useState<ShelfEntry | null>(null)
  const [reading, setReading] = useState<{ files: readonly ChosenFile[]; name: string } | null>(null)
  const file = useRef<HTMLInputElement>(null),
    folderInput = useRef<HTMLInputElement>(null)
  const onShelf = entries.filter(({ deleted }) => !deleted)
  const deleted = entries.filter((entry) => entry.deleted)

  useNews(router)

  /** Set files go to the shelf at once; SVG is shown first. */
  const take = async (files: readonly ChosenFile[], folder: string | null = null) => {
    const drawings = inOrder(files.filter(({ path }) => isReadable(path)))
    const sets = files.filter(isSetFile)
    for (const one of sets) await importSet(new File([one.file], one.path))
    if (sets.length > 0) router.refresh()
    if (drawings.length > 0) setReading({ files: drawings, name: nameOfAll(drawings, folder) })
    else if (sets.length === 0)
      say({
        text: files.length === 0 ? 'It contains no file.' : 'It contains no set file and no SVG file.',
        tone: 'fault',
      })
  }
  const choose = (input: HTMLInputElement) => {
    const files = input.files ? chosenFiles(input.files) : []
    const folder = input.files?.[0]?.webkitRelativePath.split('/')[0] || null
    input.value = ''
    if (files.length > 0) void take(files, folder)
  }

  return (
    <ShelfActionsContext value={actions}>
      <div
        className="min-h-dvh"
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault()
          const [first, ...more] = [...event.dataTransfer.items].map((item) => item.webkitGetAsEntry())
          const folder = more.length === 0 && first?.isDirectory ? first.name : null
          void droppedFiles(event.dataTransfer).then((files) => take(files, folder))
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
              <input
                ref={file}
                type="file"
                accept=".json,application/json,.svg,.svgz,.xml,.ttf,.otf,.woff,image/svg+xml"
                multiple
                hidden
                aria-label="Set file"
                onChange={({ target }) => choose(target)}
              />
              <input
                ref={folderInput}
                type="file"
                multiple
                hidden
                aria-label="Folder of SVG files"
                {...{ webkitdirectory: '' }}
                onChange={({ target }) => choose(target)}
              />
              <MenuButton
                label="Import"
                className="inline-flex h-6 items-center rounded-sheet border border-ink/70 bg-sheet px-2.5 hover:border-ink hover:bg-film"
                list={[
                  { label: 'Set files, SVG files or fonts…', run: () => file.current!.click() },
                  { label: 'A folder of SVG files…', run: () => folderInput.current!.click() },
                ]}
              >
                Import…
              </MenuButton>
              <Button onClick={() => void told(actions.openDemo())}>Add the demo sets</Button>
              <Button look="strong" onClick={() => setCreating(true)}>
                New set…
              </Button>
            </div>
          </div>

          {onShelf.length === 0 ? (
            <div className="mt-8 border border-hair bg-sheet px-8 py-14 text-center">
              <p className="text-title font-[640]">The shelf is empty</p>
              <p className="mt-1 text-lead text-quiet">
                Start a set from a rule book, drop a folder of SVG files here, or look around in the demo sets first.
              </p>
              <Button look="strong" className="mt-4" onClick={() => setCreating(true)}>
                New set…
              </Button>
            </div>
          ) : (
            <div role="table" aria-label="Sets" className="mt-6 border-t border-ink bg-sheet">
              <div
                role="row"
                className="grid grid-cols-[220px_96px_64px_minmax(0,1fr)_64px_128px_32px] items-center gap-3 border-b border-hair px-4 py-1.5 text-small text-quiet"
              >
                <span role="columnheader">name</span>
                <span role="columnheader">kind</span>
                <span role="columnheader">grid</span>
                <span role="columnheader" className="flex justify-between gap-3">
                  <span>icons at real size</span>
                  <span>number</span>
                </span>
                <span role="columnheader" className="text-right">
                  snags
                </span>
                <span role="columnheader" className="text-right">
                  last change
                </span>
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
                {deleted.map(({ id, name, icons }) => (
                  <li key={id} className="flex items-center gap-3 border-b border-hair py-1.5 text-quiet">
                    <span className="flex-1">
                      {name} · {icons} icons
                    </span>
                    <Button onClick={() => void told(actions.restore(id))}>Put back</Button>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </main>
        {creating && (
          <NewSetDialog onClose={() => setCreating(false)} onCreated={(id) => router.push(`/sets/${id}/draw`)} />
        )}
        {reading && (
          <ImportDialog
            files={reading.files}
            name={reading.name}
            onClose={() => setReading(null)}
            onMade={async (files) => {
              const made: { id: string; name: string }[] = []
              for (const file of files) {
                const answer = await sendSet(file)
                if ('message' in answer) return answer.message
                made.push(answer)
              }
              setReading(null)
              router.refresh()
              const remove = async () => {
                for (const { id } of made) await told(actions.remove(id))
                router.refresh()
              }
              say({
                text: `${made.map(({ name }) => `“${name}”`).join(' and ')} ${made.length === 1 ? 'was' : 'were'} added to the shelf.`,
                action: { label: 'Open', run: () => router.push(`/sets/${made[0]!.id}/draw`) },
                further: { label: 'Undo', run: () => void remove() },
              })
              return null
            }}
          />
        )}
        {naming && (
          <NameDialog
            title="Rename the set"
            name={naming.name}
            onClose={() => setNaming(null)}
            onName={async (name) => {
              const result = await reached(actions.rename(naming.id, name))
              return result.ok ? null : result.failure.message
            }}
          />
        )}
      </div>
    </ShelfActionsContext>
  )
}

/** Waits for the server, and shows its error sentence if it fails. */
async function told(doing: Promise<Answer<unknown>>): Promise<boolean> {
  const answer = await reached(doing)
  if (!answer.ok) say({ text: answer.failure.message, tone: 'fault' })
  return answer.ok
}

function SetRow({
  entry: { id, name, kind, grid, side, icons, snags, isDamaged, changedAt },
  onRename,
}: {
  entry: ShelfEntry
  onRename: () => void
}) {
  const actions = useShelfActions()
  const remove = async () => {
    if (!(await told(actions.remove(id)))) return
    say({
      text: `“${name}” was deleted.`,
      action: { label: 'Undo', run: () => void told(actions.restore(id)) },
    })
  }
  return (
    <div
      role="row"
      className="relative grid min-h-16 grid-cols-[220px_96px_64px_minmax(0,1fr)_64px_128px_32px] items-center gap-3 border-b border-hair px-4 hover:bg-film"
    >
      <span role="cell" className="truncate">
        <Link href={`/sets/${id}/draw`} className="text-title font-[640] after:absolute after:inset-0">
          {name}
        </Link>
      </span>
      <span role="cell" className="text-quiet">
        {kind === 'app' ? 'app icons' : 'interface'}
      </span>
      <span role="cell" className={isDamaged ? 'text-fault' : ''}>
        {isDamaged ? 'damaged' : grid}
      </span>
      <RunOfIcons setId={id} count={icons} side={side} changedAt={changedAt} />
      <span role="cell" className={snags ? 'text-right text-snag' : 'text-right text-quiet'}>
        {snags === null ? '–' : snags === 0 ? 'none' : `◇ ${snags}`}
      </span>
      <time role="cell" dateTime={changedAt} className="text-right text-quiet" suppressHydrationWarning>
        {new Intl.DateTimeFormat('en-GB', {
          day: 'numeric',
          month: 'short',
          hour: '2-digit',
          minute: '2-digit',
        }).format(new Date(changedAt))}
      </time>
      <span role="cell" className="relative z-10">
        <MenuButton
          label={`More for ${name}`}
          className="grid size-6 place-items-center rounded-sheet text-title hover:bg-ink hover:text-sheet"
          list={[
            { label: 'Rename…', run: onRename },
            { label: 'Duplicate', run: () => void told(actions.duplicate(id)) },
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

/** A set that was added, and how many of its reference pictures are missing. */
type Added = { readonly id: string; readonly name: string; readonly lost: number }

/** Sends a set file to the server; shows the error sentence if it is refused. */
async function importSet(file: File): Promise<void> {
  if (file.size > MAX_BYTES) {
    say({
      text: `“${file.name}” is larger than ${MAX_BYTES / 2 ** 20} MB, the most a set file may have.`,
      tone: 'fault',
    })
    return
  }
  const answer = await sendSet(file)
  if ('name' in answer) {
    const { name, lost } = answer
    const what = lost === 1 ? 'One of its reference pictures' : `${lost} of its reference pictures`
    say(
      lost === 0
        ? { text: `“${name}” is on the shelf.` }
        : {
            text: `“${name}” is on the shelf. ${what} could not be read and ${lost === 1 ? 'is' : 'are'} missing.`,
            tone: 'fault',
          },
    )
  } else say({ text: `“${file.name}” was not imported. ${answer.message}`, tone: 'fault' })
}

/** Sends a set file to the server; answers the set that it became, or why it did not. */
async function sendSet(file: Blob): Promise<Added | { message: string }> {
  const response = await fetch('/api/sets', {
    method: 'POST',
    body: file,
    headers: { 'content-type': 'application/json' },
  }).catch(() => null)
  const answer = (await response?.json().catch(() => null)) as (Added & { message?: string }) | null
  return response?.ok && answer ? answer : { message: answer?.message ?? 'The server cannot be reached.' }
}
