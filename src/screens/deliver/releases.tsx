'use client'

import { useEffect, useState } from 'react'
import { Button } from '@/ui/button'
import { say } from '@/ui/notice'
import { useFetched } from '@/ui/use-fetched'
import { changesSince, releasesOf } from '../session/releases'
import { ChangesView } from './changes-view'
import { bytesInWords } from './file-tree'

/** Said of a release whose set file would be too large with them. */
const WITHOUT_PICTURES = ' Its set file has no reference pictures: they are too large for one file.'

/** The releases of a set: a new one with its note, and what changed since any of them. */
export function Releases({
  setId,
  name,
  targets,
  revision,
  isReady,
  onBefore,
}: {
  setId: string
  name: string
  targets: readonly string[]
  revision: number
  isReady: boolean
  /** Saves the release's settings in the set; resolves when they are saved. */
  onBefore: () => Promise<void>
}) {
  const [note, setNote] = useState('')
  const [isMaking, setMaking] = useState(false)
  const [asked, setAsked] = useState<number | null>(null)
  const [made, setMade] = useState(0)
  const { value: list } = useFetched(`${setId} ${made}`, () => releasesOf(setId))
  const last = list?.[0]?.number,
    number = asked ?? last
  const { value: compared, problem } = useFetched(
    number === undefined ? null : [setId, number, revision, made, ...targets].join(' '),
    async () => ({ number, changes: await changesSince(setId, number!, targets) }),
  )
  useEffect(() => {
    if (problem) say({ text: problem, tone: 'fault' })
  }, [problem])
  const release = async () => {
    setMaking(true)
    try {
      await onBefore()
      const response = await fetch(`/api/sets/${setId}/releases`, {
        method: 'POST',
        body: JSON.stringify({ note, targets }),
      })
      const body = await response.json().catch(() => null)
      if (!response.ok || !body)
        say({ text: body?.message ?? 'The server did not say whether the release was made.', tone: 'fault' })
      else {
        setNote('')
        say({
          text: `Release ${body.number} is kept: ${body.files} files.${body.hasPictures ? '' : WITHOUT_PICTURES}`,
        })
      }
      setMade(made + 1)
    } catch (error) {
      say({ text: `Nothing was released. ${error instanceof Error ? error.message : ''}`, tone: 'fault' })
    } finally {
      setMaking(false)
    }
  }
  return (
    <section aria-label="Releases" className="flex min-h-0 flex-col gap-4 overflow-y-auto p-4">
      <div className="flex max-w-[720px] items-end gap-2">
        <label className="min-w-0 flex-1">
          <span className="mb-1 block text-quiet">What is new</span>
          <input
            aria-label="Note of the release"
            value={note}
            maxLength={2000}
            onChange={({ target }) => setNote(target.value)}
            className="field w-full"
          />
        </label>
        <Button look="strong" disabled={!isReady || isMaking} onClick={() => void release()}>
          {isMaking ? 'Creating…' : `Keep as release ${(last ?? 0) + 1}`}
        </Button>
      </div>
      {list?.length === 0 && (
        <p className="max-w-[560px] text-quiet">
          Nothing was released yet. A release keeps the delivery as it is now, to be had again byte for byte, and every
          later one is compared with it.
        </p>
      )}
      {list && list.length > 0 && (
        <table className="max-w-[720px] border-collapse">
          <thead className="text-left text-quiet">
            <tr>
              {['release', 'made', 'icons', 'files', 'size', 'note', ''].map((head) => (
                <th key={head} scope="col" className="border-b border-ink py-1 pr-4 font-[460]">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {list.map((one) => (
              <tr key={one.number} className="border-b border-hair">
                <td className="py-1 pr-4 font-[640]">{one.number}</td>
                <td className="pr-4 whitespace-nowrap">{one.madeAt.slice(0, 16).replace('T', ' ')}</td>
                <td className="pr-4">{one.icons}</td>
                <td className="pr-4">{one.files}</td>
                <td className="pr-4 whitespace-nowrap">{bytesInWords(one.bytes)}</td>
                <td className="max-w-60 truncate pr-4" title={one.note}>
                  {one.note}
                  {!one.hasPictures && <span className="text-quiet">{WITHOUT_PICTURES}</span>}
                </td>
                <td className="whitespace-nowrap">
                  <a
                    className="mr-3 underline hover:text-hand"
                    href={`/api/sets/${setId}/releases/${one.number}`}
                    download
                  >
                    deliver again
                  </a>
                  <button
                    type="button"
                    aria-pressed={compared?.number === one.number}
                    className="underline hover:text-hand aria-pressed:font-[640] aria-pressed:no-underline"
                    onClick={() => setAsked(one.number)}
                  >
                    compare
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {number !== undefined && !compared && !problem && (
        <p role="status" className="text-quiet">
          Comparing with release {number}…
        </p>
      )}
      {compared && <ChangesView title={`Since release ${compared.number}`} changes={compared.changes} name={name} />}
    </section>
  )
}
