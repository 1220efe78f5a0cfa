'use client'

import type { Panel } from './ledger/panel'
import { SAMPLE } from '../tools/sample/gesture'
import { REFERENCES } from '../operations/references'
import clsx from 'clsx'
import { Eye, EyeOff, Lock, LockOpen, Trash2 } from 'lucide-react'
import { useRef } from 'react'
import { mainColours } from '@/core/proof/palette'
import type { Reference } from '@/core/drawing/model/reference'
import { referencesOf } from '@/core/set/set'
import { Button } from '@/ui/button'
import { Chip } from '@/ui/chip'
import { say } from '@/ui/notice'
import { useBench, useDeferredMaster, useRules, useSlice } from '../state/context'
import { putColour } from '../operations/paints'
import { MORE_THAN_NONE, PERCENT } from '@/ui/limits'
import { EditCell } from '../cells/edit-cell'
import { WordCell } from '../cells/value-cell'
import { PICTURE_FILES, pixelsOf } from '../operations/pictures'
import { addPictures, changeReference, setReferences } from '../operations/references'

const GRID = 'grid grid-cols-[26px_26px_minmax(110px,1fr)_64px_62px_54px_54px_54px_54px_54px_96px_28px] items-center'
const flag = 'grid h-5 place-items-center text-quiet hover:text-ink'

/**
 * The pictures that the icon is drawn by, as rows: shown, locked, under or over the square, how dimmed, and where they
 * lie.
 */
function ReferencesPanel() {
  const bench = useBench()
  const rules = useRules()
  const master = useDeferredMaster()
  const references = master ? referencesOf(master) : []
  const inHand = useSlice(REFERENCES).referenceInHand
  const chosen = references.find(({ id }) => id === inHand)
  const file = useRef<HTMLInputElement>(null)
  const change = (
    reference: Reference,
    next: { readonly [K in keyof Reference]?: Reference[K] | undefined },
    what: string,
  ) => changeReference(bench, reference, next, `${what} of the reference ${reference.name}`)
  return (
    <div className="min-w-[860px]">
      <div className="flex items-center gap-1.5 border-b border-hair px-4 py-1.5">
        <Button onClick={() => file.current!.click()}>+ picture</Button>
        <input
          ref={file}
          type="file"
          accept={PICTURE_FILES}
          multiple
          aria-label="Pictures to draw by"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            void addPictures(bench, [...(event.target.files ?? [])])
            event.target.value = ''
          }}
        />
        {chosen ? (
          <ChosenActions reference={chosen} />
        ) : (
          <span className="truncate pl-2 text-quiet">
            Or drop one on the square (hold Alt for SVG), or paste it. It is saved with the set and never delivered.
          </span>
        )}
      </div>
      {references.length > 0 && (
        <div role="treegrid" aria-label="References">
          <div role="row" className={clsx(GRID, 'h-[21px] border-b border-hair text-small text-quiet')}>
            <span />
            <span />
            {['picture', 'lies', 'opacity', 'x', 'y', 'w', 'h', 'turn', 'pixels'].map((name, i) => (
              <span key={name} role="columnheader" className={clsx(i > 1 && i < 8 ? 'pr-2 text-right' : 'pl-1')}>
                {name}
              </span>
            ))}
          </div>
          {references.toReversed().map((reference) => {
            const { id, name, size, crop } = reference,
              locked = reference.locked === true
            const cell = (key: 'x' | 'y' | 'w' | 'h', value: number, set: (value: number) => void) => (
              <EditCell
                label={`${key} of the reference ${name}`}
                value={value}
                step={rules.grid.step}
                limits={key === 'w' || key === 'h' ? MORE_THAN_NONE : undefined}
                readOnly={locked}
                onChange={set}
              />
            )
            const size1 = (key: 'w' | 'h') => (value: number) =>
              change(
                reference,
                key === 'w'
                  ? { w: value, h: (reference.h * value) / reference.w }
                  : { h: value, w: (reference.w * value) / reference.h },
                'Set the size',
              )
            return (
              <div
                key={id}
                role="row"
                aria-selected={id === inHand}
                data-reference-row={name}
                onMouseDown={() => bench.put(REFERENCES, { referenceInHand: id })}
                className={clsx(
                  GRID,
                  'h-[22px] border-b border-faint',
                  id === inHand && 'bg-hand-wash shadow-[inset_3px_0_var(--hand)]',
                )}
              >
                <button
                  type="button"
                  aria-label={reference.hidden ? `Show the reference ${name}` : `Hide the reference ${name}`}
                  aria-pressed={reference.hidden === true}
                  className={flag}
                  onClick={() => change(reference, { hidden: reference.hidden ? undefined : true }, 'Show or hide')}
                >
                  {reference.hidden ? (
                    <EyeOff size={13} strokeWidth={1.5} aria-hidden />
                  ) : (
                    <Eye size={13} strokeWidth={1.5} aria-hidden />
                  )}
                </button>
                <button
                  type="button"
                  aria-label={locked ? `Unlock the reference ${name}` : `Lock the reference ${name}`}
                  aria-pressed={locked}
                  className={flag}
                  onClick={() => change(reference, { locked: locked ? undefined : true }, 'Lock or unlock')}
                >
                  {locked ? (
                    <Lock size={13} strokeWidth={1.5} aria-hidden />
                  ) : (
                    <LockOpen size={13} strokeWidth={1.5} aria-hidden />
                  )}
                </button>
                <span role="rowheader" className="truncate pl-1">
                  {name}
                </span>
                <WordCell<'under' | 'over'>
                  label={`layer of the reference ${name}`}
                  value={reference.over ? 'over' : 'under'}
                  words={['under', 'over']}
                  onChange={(where) =>
                    change(reference, { over: where === 'over' ? true : undefined }, 'Set the layer')
                  }
                />
                <EditCell
                  label={`opacity of the reference ${name}`}
                  value={reference.opacity * 100}
                  suffix=" %"
                  step={10}
                  limits={PERCENT}
                  onChange={(value) => change(reference, { opacity: value / 100 }, 'Set the opacity')}
                />
                {cell('x', reference.x, (x) => change(reference, { x }, 'Set the place'))}
                {cell('y', reference.y, (y) => change(reference, { y }, 'Set the place'))}
                {cell('w', reference.w, size1('w'))}
                {cell('h', reference.h, size1('h'))}
                <EditCell
                  label={`turn of the reference ${name}`}
                  value={reference.turn ?? 0}
                  suffix="°"
                  step={1}
                  readOnly={locked}
                  limits={{ least: -360, most: 360 }}
                  onChange={(turn) => change(reference, { turn: turn === 0 ? undefined : turn }, 'Turn')}
                />
                <span className="truncate pl-1 text-quiet">
                  {crop ? `${crop.w} × ${crop.h} of ` : ''}
                  {size.w} × {size.h}
                </span>
                <button
                  type="button"
                  aria-label={`Remove the reference ${name}`}
                  className={flag}
                  onClick={() =>
                    setReferences(
                      bench,
                      references.filter((one) => one.id !== id),
                      `Remove the reference ${name}`,
                    )
                  }
                >
                  <Trash2 size={13} strokeWidth={1.5} aria-hidden />
                </button>
              </div>
            )
          })}
        </div>
      )}
    </div>
  )
}

/** What can be done with the reference in hand. */
function ChosenActions({ reference }: { reference: Reference }) {
  const bench = useBench()
  const compare = useSlice(REFERENCES).compare
  const mismatch = useSlice(REFERENCES).mismatch
  const sampled = useSlice(SAMPLE).sampled
  const comparing = compare === reference.id
  const share = (value: number) => `${(value * 100).toFixed(1)} %`
  const palette = async () => {
    const picture = await pixelsOf(reference.picture)
    if (picture) bench.put(SAMPLE, { sampled: mainColours(picture, 8).map(({ color }) => color) })
    else say({ tone: 'fault', text: 'The picture of this reference is missing.' })
  }
  return (
    <>
      <Button
        title={reference.locked ? 'It is locked' : 'Two places of the picture, and where they belong'}
        disabled={reference.locked === true}
        onClick={() => bench.take('place')}
      >
        Place by two points
      </Button>
      <Button onClick={() => bench.take('crop')}>Crop</Button>
      <Button title="Find the main colours of the picture; they appear under Colours" onClick={() => void palette()}>
        Its colours
      </Button>
      <Button
        look={comparing ? 'strong' : 'framed'}
        aria-pressed={comparing}
        onClick={() => bench.put(REFERENCES, { compare: comparing ? null : reference.id })}
      >
        Difference
      </Button>
      {comparing && mismatch && (
        <p aria-label="Mismatch" className="whitespace-nowrap">
          <span className="font-[640]">{share(mismatch.ofInk)}</span> of the drawing differs{' '}
          <span className="text-quiet">
            ({share(mismatch.mean)} of the square · <span className="text-hand">only the icon</span> ·{' '}
            <span className="text-key">only the reference</span>)
          </span>
        </p>
      )}
      {!comparing && sampled.length > 0 && (
        <div role="group" aria-label="Sampled colours" className="ml-1 flex items-center gap-0.5">
          {sampled.map((color) => (
            <button
              key={color}
              type="button"
              aria-label={`Colour ${color}`}
              title={`${color}: into the paint in hand`}
              onClick={() => putColour(bench, color)}
              className="p-0.5 hover:bg-film"
            >
              <Chip large paint={color.startsWith('#') ? color : 'currentColor'} />
            </button>
          ))}
        </div>
      )}
    </>
  )
}

export const referencesPanel: Panel = {
  id: 'references',
  word: 'References',
  useCount: useReferenceCount,
  Body: ReferencesPanel,
}

/** How many references there are, if any. */
function useReferenceCount(): number | null {
  const master = useDeferredMaster()
  return (master && referencesOf(master).length) || null
}
