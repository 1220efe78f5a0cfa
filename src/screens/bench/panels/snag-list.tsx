'use client'

import clsx from 'clsx'
import { memo, useMemo, useState } from 'react'
import type { Snag } from '@/core/checks/snag'
import { applyDrawingEdit, type DrawingEdit } from '@/core/drawing/edit/edit'
import { rulesForGrid } from '@/core/rules/rules-for-grid'
import type { Rules } from '@/core/rules/rules'
import { acceptedIn, type Master } from '@/core/set/set'
import { NameDialog } from '@/ui/name-dialog'
import { PixelPicture } from '@/ui/pixel-picture'
import { useTheme } from '@/ui/theme'
import { type Beside, lookAgain, UNLOOKED, useSnags, weighty } from '../../session/snags'
import { useBench, useSlice } from '../state/context'
import { accept, mend, mendAll, SNAGS, takeOffer } from '../operations/snags'

const MARKS = { error: '◆', warning: '◇', note: '·' } as const

/** The number of snags listed at first; a hundred would take long to draw and nobody reads them all. */
const FIRST = 30

/** The snags of the open master, each with its mends. */
export function SnagList({ master: shown, rules, beside }: { master: Master; rules: Rules; beside: Beside }) {
  const bench = useBench()
  const { leaving, mending } = useSlice(SNAGS)
  // While a mend is pointed at, the square previews it, and the list stays that of the actual drawing.
  const [kept, setKept] = useState(shown)
  if (!mending && kept !== shown) setKept(shown)
  const master = mending ? kept : shown
  const snags = useSnags(master, rules, beside)
  const [isWhole, setWhole] = useState(false)
  const listed = isWhole ? snags : snags?.slice(0, FIRST)
  const left = acceptedIn(master).length
  const mendable = snags ? weighty(snags).filter((snag) => snag.mend).length : 0
  return (
    <section aria-label="Snags" className="border-b border-hair pb-2">
      <div className="flex min-h-8 items-center justify-between gap-2 px-3 pt-1.5 pb-1">
        <h2 className="font-[640]">Snags</h2>
        {mending && <Mended objects={master.objects} mend={mending} rules={rulesForGrid(rules, master.base)} />}
        <div className="flex items-baseline gap-2 text-quiet">
          {mendable > 1 && (
            <button type="button" onClick={() => void mendAll(bench)} className="text-ink underline hover:text-hand">
              mend {mendable}
            </button>
          )}
          <span>
            {snags === null ? '…' : snags.length === 0 ? 'none' : snags.length}
            {left > 0 && `, ${left} left`}
          </span>
        </div>
      </div>
      <ul>
        {listed?.map((snag, i) => (
          <SnagRow
            key={`${i} ${snag.sentence}`}
            snag={snag}
            onLookAgain={() => lookAgain(master.objects, beside.main)}
          />
        ))}
      </ul>
      {snags && listed && listed.length < snags.length && (
        <button
          type="button"
          onClick={() => setWhole(true)}
          className="px-3 py-[3px] text-quiet underline hover:text-ink"
        >
          {snags.length - listed.length} more
        </button>
      )}
      {leaving && (
        <NameDialog
          title="Leave it as it is"
          name=""
          label="Reason"
          action="Leave it"
          onClose={() => bench.put(SNAGS, { leaving: null })}
          onName={(reason) => accept(bench, leaving, reason)}
        />
      )}
    </section>
  )
}

/** What a mend makes of the drawing, before and after at the smallest size it is delivered at. */
function Mended({ objects, mend, rules }: { objects: Master['objects']; mend: DrawingEdit; rules: Rules }) {
  const ground = useTheme() === 'night' ? 'dark' : 'light'
  const after = useMemo(() => applyDrawingEdit(objects, mend), [objects, mend])
  const size = rules.sizes[0]!
  return (
    <span className="flex flex-1 items-center gap-1.5 text-quiet" role="group" aria-label={`Mended, at ${size} pixels`}>
      <PixelPicture source={{ objects, rules, ground }} size={size} exact label="before" />
      <span aria-hidden>→</span>
      <PixelPicture source={{ objects: after, rules, ground }} size={size} exact label="after" />
      <span className="tabular-nums text-small">at {size}</span>
    </span>
  )
}

const SnagRow = memo(function SnagRow({ snag, onLookAgain }: { snag: Snag; onLookAgain: () => void }) {
  const bench = useBench()
  const { check, word, severity, sentence, objects } = snag
  const show = (edit: DrawingEdit | null) => {
    bench.preview(edit)
    bench.put(SNAGS, { mending: edit })
  }
  const seen = (edit: DrawingEdit) => ({
    onPointerEnter: () => show(edit),
    onPointerLeave: () => show(null),
    onFocus: () => bench.put(SNAGS, { mending: edit }),
    onBlur: () => bench.put(SNAGS, { mending: null }),
  })
  return (
    <li
      onMouseEnter={() => bench.put(SNAGS, { pointed: snag })}
      onMouseLeave={() => bench.put(SNAGS, { pointed: null })}
      className="group relative flex gap-1.5 px-3 py-[3px] focus-within:bg-film hover:bg-film"
    >
      <span
        role="img"
        aria-label={severity}
        title={`${severity}: ${word}`}
        className={clsx('w-3 flex-none text-center', severity === 'error' ? 'text-fault' : 'text-snag')}
      >
        {MARKS[severity]}
      </span>
      <button
        type="button"
        disabled={objects.length === 0}
        title={objects.length > 0 ? 'Select what it is about' : undefined}
        onClick={() => bench.select(objects)}
        onFocus={() => bench.put(SNAGS, { pointed: snag })}
        onBlur={() => bench.put(SNAGS, { pointed: null })}
        className="min-w-0 flex-1 text-left leading-[15px]"
      >
        {sentence}
      </button>
      <span className="flex flex-none flex-col items-end leading-[15px]">
        {snag.mend && (
          <button
            type="button"
            aria-label={`Mend: ${sentence}`}
            title="The square shows the result while you point here"
            {...seen(snag.mend)}
            onClick={() => {
              bench.put(SNAGS, { mending: null })
              mend(bench, snag)
            }}
            className="underline hover:text-hand"
          >
            mend
          </button>
        )}
        {!snag.mend && snag.offer && (
          <button
            type="button"
            aria-label={`Scale: ${sentence}`}
            title="Scales the whole drawing, which takes it off the grid"
            {...seen(snag.offer.edit)}
            onClick={() => {
              bench.put(SNAGS, { mending: null })
              takeOffer(bench, snag)
            }}
            className="whitespace-nowrap underline hover:text-hand"
          >
            {snag.offer.word}
          </button>
        )}
        {check === UNLOOKED && (
          <button type="button" onClick={onLookAgain} className="underline hover:text-hand">
            check again
          </button>
        )}
        <button
          type="button"
          hidden={check === UNLOOKED}
          aria-label={`Leave as it is: ${sentence}`}
          onClick={() => bench.put(SNAGS, { leaving: snag })}
          className="text-quiet opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 hover:text-ink"
        >
          leave
        </button>
      </span>
    </li>
  )
})
