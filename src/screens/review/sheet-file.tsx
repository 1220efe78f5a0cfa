'use client'

import { useEffect, useState } from 'react'
import type { IconSet } from '@/core/set/set'
import { Button } from '@/ui/button'
import { Dialog } from '@/ui/dialog'
import { keepFile } from '@/ui/keep-file'
import { say } from '@/ui/notice'
import { type Session, settled } from '../session/session'
import { type SheetLook, sheetPicture } from './sheet-picture'

export type SheetKind = 'PNG' | 'PDF'

/** Tells how many icons are on the sheet so far. */
type Tell = (done: number) => void

/** How long a sheet may take before it is said how far it is, in milliseconds, and how many icons are asked for at once. */
const PATIENCE = 500,
  LOT = 60

/** The sheet as a file, with how far it is where that takes a while, and a way to give it up. */
export function SheetFile({
  kind,
  set,
  session,
  look,
  onEnd,
}: {
  kind: SheetKind
  set: IconSet
  session: Session
  look: SheetLook
  onEnd: () => void
}) {
  const [done, setDone] = useState(0)
  const [isShown, setShown] = useState(false)
  useEffect(() => {
    const abort = new AbortController()
    const timer = setTimeout(() => setShown(true), PATIENCE)
    const make =
      kind === 'PNG'
        ? sheetPicture(set, look, setDone, abort.signal)
        : // What the server writes is what is saved.
          settled(session).then(() => sheetPdf(set, session.getState().setId, look, setDone, abort.signal))
    make
      .then(
        (file) => !abort.signal.aborted && keepFile(file, `${set.name}.${kind.toLowerCase()}`),
        (error: Error) => !abort.signal.aborted && say({ text: error.message, tone: 'fault' }),
      )
      .finally(() => !abort.signal.aborted && onEnd())
    return () => {
      clearTimeout(timer)
      abort.abort()
    }
    // The file is made of the settings at the time of the request, whatever changes meanwhile.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [kind])
  const of = set.icons.length
  return (
    <Dialog title={`The sheet as ${kind}`} open={isShown} onClose={onEnd} width={360}>
      <div className="p-4">
        <p role="status" className="text-quiet">
          {done < of ? `${done} of ${of} icons are drawn…` : 'The pages are being written…'}
        </p>
        <div
          role="progressbar"
          aria-label="How far the sheet is"
          aria-valuemin={0}
          aria-valuemax={of}
          aria-valuenow={done}
          className="mt-2 h-1.5 bg-faint"
        >
          <div className="h-full bg-ink" style={{ width: `${(100 * done) / Math.max(1, of)}%` }} />
        </div>
        <div className="mt-4 flex justify-end">
          <Button onClick={onEnd}>Cancel</Button>
        </div>
      </div>
    </Dialog>
  )
}

/** The sheet as the server writes it, once all its icons are drawn there. Throws a sentence. */
async function sheetPdf(
  { icons }: IconSet,
  setId: string,
  { sizes, palette }: SheetLook,
  tell: Tell,
  signal: AbortSignal,
): Promise<Blob> {
  for (let at = 0; at < icons.length;) {
    const lot = icons.slice(at, at + LOT)
    const response = await fetch(`/api/sets/${setId}/drawn?ids=${lot.map(({ id }) => id).join()}`, { signal })
    const drawn = response.ok ? ((await response.json()) as { pending?: boolean }[]) : []
    if (drawn.some(({ pending }) => pending)) continue
    at += lot.length
    tell(at)
  }
  const response = await fetch(`/api/sets/${setId}/sheet?sizes=${sizes.join()}&ground=${palette}`, { signal })
  if (response.ok) return response.blob()
  const said = (await response.json().catch(() => null)) as { message?: string } | null
  throw new Error(said?.message ?? 'The server cannot be reached.')
}
