'use client'

import { useEffect, useMemo, useState } from 'react'
import type { IconSet } from '@/core/set/set'
import { isModalOpen, useCommandSet } from '@/ui/commands'
import { say } from '@/ui/notice'
import { useParts } from '@/ui/parts'
import { shown } from '../session/session'
import { SetBar } from '../frame/set-bar'
import { useSession, useSessionState } from '../session/use-session'
import { CommonCommands } from '../frame/top-bar'
import { AlternativesList } from './square/alternatives-list'
import { Bench } from './state/bench'
import { copySelection, pasteObjects } from './operations/clipboard'
import { benchCommands } from './commands/commands'
import { BenchContext, useBench } from './state/context'
import { EmptySquare } from './square/empty-square'
import { FamilyStrip } from './panels/family-strip'
import { addIcon } from './operations/icons'
import { OpenIconCrumb } from './icon-crumb'
import { Ledger } from './panels/ledger/ledger'
import { MasterBar } from './square/master-bar'
import { PinMarks } from './square/pin-marks'
import { LostDialog } from './lost-dialog'
import { OpenPartBar } from './square/open-part-bar'
import { isSvgText, laySvg } from './operations/lay-svg'
import { PasteDialog } from './paste-dialog'
import { PartDialogs } from './part-dialogs'
import { Proofs } from './panels/proofs'
import { Refused } from './square/refused'
import { SettingsLine } from './settings-line'
import { Stage } from './square/stage'
import { ToolLine } from './tool-line'
import { isPicture } from './operations/pictures'
import { addPictures } from './operations/references'
import { panelCommands } from './panels/ledger/panel-commands'
import { useLedgerHeight } from './panels/ledger/height'
import { useRemembered } from './panels/ledger/remembered'
import type { Tools } from './tools/tool'
import { makeTools } from './tools/tools'

/** The screen where one icon is drawn. `iconName` is the icon to open, from the address. */
export function BenchScreen({ iconName }: { iconName: string | null }) {
  const session = useSession()
  const [bench] = useState(() => {
    const { icons } = shown(session.getState())
    const { lastIcon } = session.getState()
    const first = icons.find(({ name }) => name === iconName) ?? icons.find(({ id }) => id === lastIcon) ?? icons[0]
    return new Bench(session, first?.id ?? null)
  })
  const tools = useMemo(() => makeTools(bench), [bench])
  const commands = useMemo(() => [...benchCommands(bench), ...panelCommands(bench)], [bench])
  useCommandSet('bench', commands)

  useEffect(() => {
    const inField = (event: Event) =>
      isModalOpen() || (event.target as HTMLElement | null)?.closest?.('input, textarea, [role=dialog]') != null
    const onCopy = (event: ClipboardEvent) => !inField(event) && copySelection(bench, event, false)
    const onCut = (event: ClipboardEvent) => !inField(event) && copySelection(bench, event, true)
    const onPaste = (event: ClipboardEvent) => {
      if (inField(event)) return
      const pictures = [...(event.clipboardData?.files ?? [])].filter(isPicture)
      const text = event.clipboardData?.getData('text/plain') ?? ''
      if (pictures.length > 0) void addPictures(bench, pictures)
      else if (!pasteObjects(bench, event) && isSvgText(text)) {
        event.preventDefault()
        void laySvg(bench, text, 'what is pasted', null)
      }
    }
    document.addEventListener('copy', onCopy)
    document.addEventListener('cut', onCut)
    document.addEventListener('paste', onPaste)
    return () => {
      document.removeEventListener('copy', onCopy)
      document.removeEventListener('cut', onCut)
      document.removeEventListener('paste', onPaste)
    }
  }, [bench])

  useEffect(() => bench.deferred.follow(), [bench])
  useEffect(() => {
    bench.equip(tools)
    session.setState({ building: () => bench.building })
    return () => {
      bench.keepBuilding()
      session.setState({ building: () => null })
    }
  }, [session, bench, tools])
  // The square, then the layers over and under it, then the panels around it.
  const parts = useParts(4)

  // What an undone step, or another window, took away cannot stay open, selected or stepped into.
  useEffect(
    () =>
      session.subscribe((state, before) => {
        if (state.history.present === before.history.present) return
        openAnother(bench, before.history.present)
        const { selection, scope } = bench.store.getState()
        const left = [...selection].filter((id) => bench.has(id))
        if (left.length !== selection.size) bench.select(left)
        if (scope !== null && !bench.has(scope)) bench.store.setState({ scope: null })
      }),
    [session, bench],
  )

  return (
    <BenchContext value={bench}>
      <CommonCommands />
      <BenchFrame>
        <SetBar>
          <OpenIconCrumb />
        </SetBar>
        <ToolLine commands={commands} />
        {parts > 1 ? <FamilyStrip /> : <div className="row-span-2 border-r border-hair bg-sheet" />}
        <StageOrEmpty bench={bench} tools={tools} whole={parts > 0} />
        {parts > 2 ? <Proofs /> : <div className="row-span-2 border-l border-ink bg-sheet" />}
        {parts > 3 ? <Ledger /> : <div className="border-t border-ink bg-sheet" />}
        <LostDialog />
        <PasteDialog />
        <PartDialogs />
      </BenchFrame>
    </BenchContext>
  )
}

/** The rows and columns of the bench; the ledger below is as high as it needs. */
function BenchFrame({ children }: { children: React.ReactNode }) {
  useRemembered(useBench())
  const ledger = useLedgerHeight()
  return (
    <div
      className="grid h-dvh min-w-[720px] grid-cols-[76px_minmax(0,1fr)_264px] grid-rows-[44px_40px_minmax(0,1fr)_var(--ledger)] overflow-hidden short:grid-rows-[44px_28px_minmax(0,1fr)_var(--ledger)] max-[1023px]:grid-cols-[56px_minmax(0,1fr)_264px]"
      style={{ '--ledger': ledger } as React.CSSProperties}
    >
      {children}
    </div>
  )
}

/** Opens another icon where the open one is gone, and says so. */
function openAnother(bench: Bench, before: IconSet): void {
  const { icon: id } = bench.store.getState()
  const gone = before.icons.find((icon) => icon.id === id)
  if (!gone || bench.icon?.id === id) return
  const next = bench.icon
  if (next) bench.open(next.id)
  say({ text: `“${gone.name}” is gone from the set.${next ? ` This is “${next.name}”.` : ''}` })
}

function StageOrEmpty({ bench, tools, whole }: { bench: Bench; tools: Tools; whole: boolean }) {
  const empty = useSessionState((state) => shown(state).icons.length === 0)
  if (!empty) {
    return (
      <div className="grid min-h-0 min-w-0 grid-cols-[minmax(0,1fr)] grid-rows-[28px_minmax(0,1fr)]">
        <SettingsLine tools={tools} />
        <div className="relative grid min-h-0">
          <Stage tools={tools} />
          <EmptySquare />
          {whole && (
            <>
              <Refused />
              <AlternativesList />
              <PinMarks />
              <MasterBar />
              <OpenPartBar />
            </>
          )}
        </div>
      </div>
    )
  }
  return (
    <div className="grid place-items-center bg-film">
      <div className="text-center">
        <p className="text-title font-[640]">This set has no icon yet</p>
        <p className="mt-1 text-quiet">An icon is drawn on the square and follows the rules of the set.</p>
        <button
          type="button"
          onClick={() => addIcon(bench)}
          className="mt-3 h-7 rounded-sheet border border-ink bg-ink px-4 text-sheet hover:border-hand hover:bg-hand"
        >
          Draw the first icon
        </button>
      </div>
    </div>
  )
}
