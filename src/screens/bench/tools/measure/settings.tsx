'use client'

import { MEASURE } from './gesture'
import { tidy } from '@/core/geometry/tidy'
import { Choice } from '@/ui/choice'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import type { Bench } from '../../state/bench'
import { useBench, useSlice } from '../../state/context'
import { benchGuides, freshGuide, setGuides } from '../../operations/guides'
import { freshShape } from '../boxes/box-shape'
import { ELLIPSE } from '../boxes/ellipse-shape'
import { type Measured, measuredWords } from './gesture'

const WAYS = [
  { value: 'distance', label: 'distance' },
  { value: 'circle', label: 'circle' },
] as const
const button =
  'h-6 flex-none rounded-sheet border border-hair px-2 text-ink enabled:hover:border-ink disabled:opacity-40'

/** The last measurement, and buttons that use it. */
export function MeasureSettings() {
  const bench = useBench()
  const measureBy = useSlice(MEASURE).measureBy
  const measured = useSlice(MEASURE).measured
  return (
    <div className="flex min-w-0 items-center gap-2 pl-3 whitespace-nowrap text-quiet">
      <Choice
        label="Measure"
        value={measureBy}
        options={WAYS}
        onChange={(next: 'distance' | 'circle') => bench.put(MEASURE, { measureBy: next, measured: null })}
      />
      <output aria-label="Measured" className="font-mono text-ink">
        {measured ? measuredWords(measured) : measureBy === 'circle' ? 'three places…' : ''}
      </output>
      {measured && (
        <>
          <button type="button" className={button} onClick={() => copy(measured)}>
            Copy
          </button>
          {measured.kind === 'distance' ? (
            <button type="button" className={button} onClick={() => layGuide(bench, measured)}>
              Guide
            </button>
          ) : (
            <button type="button" className={button} onClick={() => drawCircle(bench, measured)}>
              Circle
            </button>
          )}
        </>
      )}
    </div>
  )
}

function copy(measured: Measured): void {
  void navigator.clipboard.writeText(measuredWords(measured)).then(
    () => say({ text: 'Copied.' }),
    () => say({ text: 'The browser does not allow writing to the clipboard.' }),
  )
}

/** A guide through both places. */
function layGuide(bench: Bench, { from, to }: Extract<Measured, { kind: 'distance' }>): void {
  const angle = ((((Math.atan2(from.y - to.y, to.x - from.x) * 180) / Math.PI) % 180) + 180) % 180
  setGuides(
    bench,
    [...benchGuides(bench), freshGuide(from, Number(angle.toFixed(9)) % 180)],
    'Lay a guide along what was measured',
  )
}

function drawCircle(bench: Bench, { circle: { centre, r } }: Extract<Measured, { kind: 'circle' }>): void {
  bench.add(
    [
      freshShape(bench, ELLIPSE, newId(), bench.nameFor('Ellipse'), {
        x: tidy(centre.x - r),
        y: tidy(centre.y - r),
        w: tidy(2 * r),
        h: tidy(2 * r),
      }),
    ],
    'Draw the circle that was measured',
  )
  bench.put(MEASURE, { measured: null })
  bench.take('select')
}
