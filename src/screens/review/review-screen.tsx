'use client'

import dynamic from 'next/dynamic'
import Link from 'next/link'
import { useCallback, useMemo, useRef, useState } from 'react'
import { isReadable } from '@/core/formats/import/readable'
import { SetBar } from '../frame/set-bar'
import { useSession, useSessionState } from '../session/use-session'
import { CommonCommands } from '../frame/top-bar'
import { AlikeView } from './alike-view'
import { ContextView } from './context-view'
import { GROUNDS } from './grounds'
import { MendDialog } from './mend-dialog'
import { PastDialog } from './past-dialog'
import { PrintSheet } from './print-sheet'
import { addRead } from './read-into'
import { SelectionBar } from './selection-bar'
import { SheetLine } from './sheet-line'
import { useSheet } from './use-sheet'
import { SheetGrid } from './sheet-grid'
import { SheetFile, type SheetKind } from './sheet-file'
import { VisionFilters } from './vision'
import { BalanceView } from './balance-view'
import type { ChosenFile } from '@/workers/importer'
import { NOBODY, useSelection } from './use-selection'
import { useZoom } from './use-zoom'

// The import code is loaded when an import begins.
const ReadDialog = dynamic(() => import('./read-dialog').then((part) => part.ReadDialog), { ssr: false })

/** The sheet: the whole set at chosen sizes on light or dark, in real pixels. */
export function ReviewScreen() {
  const set = useSessionState(({ history }) => history.present)
  const setId = useSessionState((state) => state.setId)
  const { rules, icons } = set
  const sheet = useSheet(set, setId)
  const { view, sizes, ground, shown, sought, family, showAll } = sheet
  const session = useSession()
  const { selected, select, setSelected } = useSelection(shown)
  const chosen = useMemo(() => icons.filter(({ id }) => selected.has(id)), [icons, selected])
  const [printing, setPrinting] = useState(false)
  const [mending, setMending] = useState(false)
  const [file, setFile] = useState<SheetKind | null>(null)
  const [reading, setReading] = useState<readonly ChosenFile[] | null>(null)
  const [lookingBack, setLookingBack] = useState(false)
  const look = GROUNDS[ground]
  const page = useRef<HTMLDivElement>(null)
  const { zoom, reset } = useZoom(page)
  const endPrinting = useCallback(() => setPrinting(false), [])
  return (
    <div
      ref={page}
      onDragOver={(event) => event.dataTransfer.types.includes('Files') && event.preventDefault()}
      onDrop={(event) => {
        const files = [...event.dataTransfer.files].filter(({ name }) => isReadable(name))
        if (files.length === 0) return
        event.preventDefault()
        setReading(files.map((file) => ({ path: file.name, file })))
      }}
      className="grid h-dvh min-w-[720px] grid-cols-[minmax(0,1fr)] grid-rows-[44px_auto_minmax(0,1fr)_auto] overflow-hidden"
    >
      <CommonCommands />
      <VisionFilters />
      <SetBar>
        <span className="ml-1 text-quiet">
          {icons.length} icons · grid {rules.grid.size}
        </span>
      </SetBar>
      <SheetLine
        sheet={sheet}
        rules={rules}
        zoom={zoom}
        onRealSize={reset}
        onRead={(files) => setReading(files.map((file) => ({ path: file.name, file })))}
        onPast={() => setLookingBack(true)}
        onMend={() => setMending(true)}
        onFile={setFile}
        onPrint={() => setPrinting(true)}
      />
      {icons.length > 0 && view === 'balance' ? (
        <BalanceView family={family} rules={rules} setId={setId} />
      ) : icons.length > 0 && view === 'alike' ? (
        <AlikeView set={set} family={family} setId={setId} />
      ) : icons.length > 0 && view === 'context' ? (
        <ContextView set={set} chosen={chosen} />
      ) : icons.length === 0 ? (
        <main className="min-h-0 p-4" style={{ background: ground === 'film' ? 'var(--film)' : look.color }}>
          <p className="p-6 text-quiet">
            There is nothing to review yet.{' '}
            <Link href={`/sets/${setId}/draw`} className="text-hand underline">
              Draw the first icon
            </Link>
            , and it appears here.
          </p>
        </main>
      ) : shown.length === 0 ? (
        <main className="min-h-0 bg-film p-10" role="status">
          <p className="text-quiet">
            {sought.trim() === ''
              ? 'No icon matches this filter.'
              : `Nothing is named or tagged “${sought.trim()}” among what is shown.`}{' '}
            <button type="button" className="text-hand underline" onClick={showAll}>
              Show all {icons.length}
            </button>
          </p>
        </main>
      ) : (
        <main
          className="min-h-0"
          style={{ background: ground === 'film' ? 'var(--film)' : look.color, color: look.text }}
        >
          <SheetGrid sheet={sheet} rules={rules} setId={setId} zoom={zoom} selected={selected} onSelect={select} />
        </main>
      )}
      {chosen.length > 0 ? (
        <SelectionBar
          session={session}
          set={set}
          icons={chosen}
          onNone={() => setSelected(NOBODY)}
          onLike={(name) => sheet.setSought(`like ${name}`)}
        />
      ) : (
        <div />
      )}
      {mending && <MendDialog session={session} set={set} onClose={() => setMending(false)} />}
      {reading && (
        <ReadDialog
          files={reading}
          set={set}
          onClose={() => setReading(null)}
          onRead={(read, failed) => {
            setReading(null)
            addRead(session, read, failed)
          }}
        />
      )}
      {lookingBack && <PastDialog session={session} set={set} setId={setId} onClose={() => setLookingBack(false)} />}
      {file && (
        <SheetFile kind={file} set={set} session={session} look={{ sizes, ...look }} onEnd={() => setFile(null)} />
      )}
      {printing && <PrintSheet set={set} sizes={sizes} onEnd={endPrinting} />}
    </div>
  )
}
