'use client'

import type { Panel } from './panel'
import { Lock, LockOpen, Trash2 } from 'lucide-react'
import clsx from 'clsx'
import type { Guide } from '@/core/drawing/model/guide'
import { guidesOf } from '@/core/set/set'
import { useBench, useRules, useDeferredMaster } from '../../state/context'
import { freshGuide, setGuides } from '../../operations/guides'
import { EditCell } from '../../cells/edit-cell'

const GRID = 'grid grid-cols-[58px_80px_80px_80px_28px_28px_1fr] items-center'
const button = 'h-6 rounded-sheet border border-hair px-2.5 hover:border-ink'

/** The guides of the icon as rows, to type, lock and take away. */
function GuidesPanel() {
  const bench = useBench()
  const rules = useRules()
  const master = useDeferredMaster()
  const guides = master ? guidesOf(master) : []
  const middle = rules.grid.size / 2
  const change = (guide: Guide, next: Partial<Guide>, label: string) =>
    setGuides(
      bench,
      guides.map((other) => (other.id === guide.id ? withChange(other, next) : other)),
      label,
    )
  const add = (angle: number) =>
    setGuides(bench, [...guides, freshGuide({ x: middle, y: middle }, angle)], 'Lay a guide')
  return (
    <div>
      <div className="flex items-center gap-2 border-b border-hair px-4 py-1.5">
        <button type="button" className={button} onClick={() => add(90)}>
          + upright
        </button>
        <button type="button" className={button} onClick={() => add(0)}>
          + level
        </button>
        <button type="button" className={button} onClick={() => add(45)}>
          + angled
        </button>
        <span className="flex-1 truncate pl-2 text-quiet">Or drag one out of a ruler; back over a ruler it goes.</span>
        <button
          type="button"
          disabled={guides.length === 0}
          className={clsx(button, 'disabled:opacity-40')}
          onClick={() => setGuides(bench, [], 'Clear the guides')}
        >
          Clear all
        </button>
      </div>
      {guides.length > 0 && (
        <div role="treegrid" aria-label="Guides">
          <div role="row" className={clsx(GRID, 'h-[23px] border-b border-hair text-small text-quiet')}>
            <span className="pl-4">guide</span>
            {['x', 'y', 'angle'].map((name) => (
              <span key={name} role="columnheader" className="pr-2 text-right">
                {name}
              </span>
            ))}
          </div>
          {guides.map((guide, i) => (
            <div key={guide.id} role="row" className={clsx(GRID, 'h-[22px] border-b border-faint')}>
              <span role="rowheader" className="pl-4">
                {i + 1}
              </span>
              {(['x', 'y'] as const).map((axis) => (
                <EditCell
                  key={axis}
                  label={`${axis} of guide ${i + 1}`}
                  value={guide.angle === (axis === 'x' ? 0 : 90) ? undefined : guide.at[axis]}
                  step={rules.grid.step}
                  readOnly={guide.locked === true}
                  onChange={(value) => change(guide, { at: { ...guide.at, [axis]: value } }, 'Move a guide')}
                />
              ))}
              <EditCell
                label={`angle of guide ${i + 1}`}
                suffix="°"
                value={guide.angle}
                step={15}
                readOnly={guide.locked === true}
                onChange={(value) => change(guide, { angle: ((value % 180) + 180) % 180 }, 'Turn a guide')}
              />
              <button
                type="button"
                aria-label={guide.locked ? `Unlock guide ${i + 1}` : `Lock guide ${i + 1}`}
                aria-pressed={guide.locked === true}
                className="grid place-items-center text-quiet hover:text-ink"
                onClick={() =>
                  change(
                    guide,
                    { locked: guide.locked ? undefined : true },
                    guide.locked ? 'Unlock a guide' : 'Lock a guide',
                  )
                }
              >
                {guide.locked ? (
                  <Lock size={13} strokeWidth={1.5} aria-hidden />
                ) : (
                  <LockOpen size={13} strokeWidth={1.5} aria-hidden />
                )}
              </button>
              <button
                type="button"
                aria-label={`Remove guide ${i + 1}`}
                className="grid place-items-center text-quiet hover:text-ink"
                onClick={() =>
                  setGuides(
                    bench,
                    guides.filter(({ id }) => id !== guide.id),
                    'Remove a guide',
                  )
                }
              >
                <Trash2 size={13} strokeWidth={1.5} aria-hidden />
              </button>
            </div>
          ))}
        </div>
      )}
    </div>
  )
}

function withChange(guide: Guide, change: Partial<Guide>): Guide {
  const next = { ...guide, ...change }
  if (next.locked === undefined) delete next.locked
  return next
}

export const guidesPanel: Panel = { id: 'guides', word: 'Guides', useCount: useGuideCount, Body: GuidesPanel }

/** How many guides there are, if any. */
function useGuideCount(): number | null {
  const master = useDeferredMaster()
  return (master && guidesOf(master).length) || null
}
