'use client'

import { styleOf } from '@/core/drawing/scene/shared-style'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import clsx from 'clsx'
import { Eye, EyeOff, Lock, LockOpen } from 'lucide-react'
import { memo } from 'react'
import { changeNumbers } from '@/core/drawing/edit/numbers'
import { refusalIn } from '@/core/drawing/evaluate/evaluate'
import type { FrameChange } from '@/core/drawing/model/frame'
import {
  type Container,
  type DrawingObject,
  isContainer,
  isStyled,
  kindOf,
  Role,
  wordOf,
} from '@/core/drawing/objects/object'
import { Refusal } from '@/core/findings/refusal'
import type { Scene } from '@/core/drawing/scene/scene'
import { countsByInk } from '@/core/drawing/evaluate/operand'
import { isShared, type Radius } from '@/core/drawing/model/style'
import type { Rules } from '@/core/rules/rules'
import type { Bench } from '../../state/bench'
import { useBench, useBenchState } from '../../state/context'
import { setFlag } from '../../operations/objects'
import { cornerOf, cornerStyleOf, numbersOf, withCorner, withCornerStyle } from './columns'
import { CornerStyleChoice } from '../../cells/corner-style'
import { EditCell } from '../../cells/edit-cell'
import { FinishCells } from './finish-cells'
import { FlagButton } from './flag-button'
import { FRAME, RADIUS } from '../../cells/limits'
import { RowSnags } from '../row-snags'
import { NameCell } from '../../cells/name-cell'
import type { LedgerRow } from './rows'
import { Optional } from '../../cells/optional'
import { OwnNumbers } from '../../cells/own-numbers'
import { NamedNumberCell, type SEVERAL, WordCell } from '../../cells/value-cell'

/** The columns of the ledger; shared by its head, its rows and the row of the selection. */
export const GRID =
  'grid grid-cols-[22px_22px_minmax(var(--names),1fr)_54px_repeat(4,var(--number))_48px_68px_62px_52px_68px_62px_minmax(160px,176px)] items-center'

type Props = LedgerRow & {
  readonly rules: Rules
  readonly selected: boolean
  readonly folded: boolean
  /** Something that is dragged would come into it. */
  readonly landing: boolean
  readonly onFold: (id: string) => void
  /** The keys are at it. */
  readonly active: boolean
  readonly onPick: (id: string, event: Pick<React.MouseEvent, 'shiftKey' | 'ctrlKey' | 'metaKey'>) => void
}

/** One object of the ledger. An edit in a selected row goes to every selected object that has that value. */
export const Row = memo(function Row({
  object,
  depth,
  inside,
  locked,
  rules,
  selected,
  folded,
  landing,
  onFold,
  active,
  onPick,
}: Props) {
  const bench = useBench()
  const anchor = useBenchState((state) => state.anchor)
  const linked = useBenchState((state) => state.linked)
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: object.id })
  const targets = () => (bench.store.getState().selection.has(object.id) ? bench.free : [object])
  const change = (map: (object: DrawingObject) => DrawingObject, what: string) => {
    const objects = targets()
    bench.edit(
      { kind: 'replace', objects: objects.map(map) },
      `Set ${what} of ${objects.length === 1 ? object.name : `${objects.length} objects`}`,
    )
  }
  const scene = sceneOf(rules)
  const numbers = numbersOf(object, rules, anchor)
  const setNumber = (key: keyof FrameChange) => (value: number) => {
    change(
      (other) =>
        changeNumbers(other, sceneOf(rules), anchor, linkedChange(numbersOf(other, rules, anchor), key, value, linked)),
      key,
    )
  }
  const number = (key: keyof FrameChange) => (
    <EditCell
      label={`${key} of ${object.name}`}
      value={key === 'turn' && isContainer(object) ? undefined : numbers[key]}
      step={key === 'turn' ? 1 : rules.grid.step}
      limits={FRAME[key]}
      readOnly={locked}
      onChange={setNumber(key)}
    />
  )
  const byInk = inside !== null && countsByInk(object, scene)
  const style = isStyled(object) && (!inside || byInk) ? styleOf(object, scene) : null
  const idle = inside && idleIn(inside, object, scene)
  const refusal = refusalIn(object, scene)

  return (
    <div
      ref={setNodeRef}
      role="row"
      aria-selected={selected}
      aria-level={depth + 1}
      data-object={object.name}
      data-id={object.id}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      onMouseDown={(event) => pickRow(bench, object, locked, event, onPick)}
      onFocus={({ target }) => {
        if (!locked && target.closest('[data-cell]') && !bench.store.getState().selection.has(object.id))
          onPick(object.id, PLAIN)
      }}
      onMouseEnter={() => bench.store.setState({ hover: object.id })}
      onMouseLeave={() => bench.store.setState({ hover: null })}
      className={clsx(
        GRID,
        'h-[22px] border-b border-faint select-none',
        active &&
          'group-focus-visible/rows:outline group-focus-visible/rows:outline-2 group-focus-visible/rows:-outline-offset-2 group-focus-visible/rows:outline-hand',
        selected && 'bg-hand-wash shadow-[inset_3px_0_var(--hand)]',
        isDragging && 'relative z-10 bg-film',
        landing && 'outline outline-2 -outline-offset-2 outline-hand',
        object.hidden && 'text-quiet',
      )}
    >
      <FlagButton
        label={object.hidden ? `Show ${object.name}` : `Hide ${object.name}`}
        on={object.hidden === true}
        onClick={() => setFlag(bench, [object], 'hidden', !object.hidden)}
        pictures={[Eye, EyeOff]}
      />
      <FlagButton
        label={object.locked ? `Unlock ${object.name}` : `Lock ${object.name}`}
        on={object.locked === true}
        onClick={() => setFlag(bench, [object], 'locked', !object.locked)}
        pictures={[LockOpen, Lock]}
      />
      <div
        role="gridcell"
        className="flex min-w-0 items-center gap-1"
        style={{ paddingLeft: depth * 14 }}
        {...listeners}
      >
        {isContainer(object) ? (
          <button
            type="button"
            aria-label={folded ? `Unfold ${object.name}` : `Fold ${object.name}`}
            aria-expanded={!folded}
            onClick={() => onFold(object.id)}
            className="w-3 flex-none text-quiet hover:text-ink"
          >
            {folded ? '▸' : '▾'}
          </button>
        ) : (
          <span className="w-3 flex-none" />
        )}
        {refusal && (
          <span
            role="img"
            aria-label={`${object.name} cannot be drawn`}
            title={refusal.message}
            className="mr-1 flex-none text-fault"
          >
            ◆
          </span>
        )}
        {idle && (
          <span
            role="img"
            aria-label={`${object.name} has no effect`}
            title={idle}
            className="mr-1 flex-none text-snag"
          >
            ◇
          </span>
        )}
        <RowSnags object={object} />
        <NameCell
          object={object}
          readOnly={locked}
          onName={(name) => bench.edit({ kind: 'replace', objects: [{ ...object, name }] }, `Rename ${object.name}`)}
        />
        {!object.name.startsWith(wordOf(object.kind)) && (
          <span className="min-w-0 truncate text-quiet">{wordOf(object.kind).toLowerCase()}</span>
        )}
        {isStyled(object) && isShared(object.style) && (
          <span
            role="img"
            aria-label={`${object.name} shares the finish ${object.style.finish}`}
            title={`Shares the finish “${object.style.finish}”: a change here changes all objects that share it`}
            className="flex-none text-quiet"
          >
            ≡
          </span>
        )}
      </div>
      <div role="gridcell">
        {inside?.members[0]!.id === object.id ? (
          <span className="px-1 text-quiet" title="The first member is the base that the others are combined with">
            ground
          </span>
        ) : inside ? (
          <WordCell<Role>
            label={`role of ${object.name}`}
            value={object.role ?? 'adds'}
            words={Role.options}
            readOnly={locked}
            onChange={(role) => change((other) => ({ ...other, role }), 'the role')}
          />
        ) : (
          <span className="px-1 text-quiet/70">–</span>
        )}
      </div>
      {(['x', 'y', 'w', 'h', 'turn'] as const).map((key) => (
        <div role="gridcell" key={key}>
          {number(key)}
        </div>
      ))}
      <div role="gridcell" className="pl-2">
        <Optional<Radius | typeof SEVERAL> there={cornerOf(object)}>
          {(corner) => (
            <NamedNumberCell
              label={`corner of ${object.name}`}
              value={corner}
              list={rules.radii}
              none="sharp"
              readOnly={locked}
              limits={RADIUS}
              onChange={(next) => change((other) => withCorner(other, next as Radius), 'the corner')}
            >
              <CornerStyleChoice
                label={`Style of the corners of ${object.name}`}
                value={cornerStyleOf(object)}
                onChange={(style) => change((other) => withCornerStyle(other, style), 'the corner style')}
              />
            </NamedNumberCell>
          )}
        </Optional>
      </div>
      <FinishCells
        object={object}
        inside={inside}
        byInk={byInk}
        style={style}
        rules={rules}
        locked={locked}
        change={change}
      />
      <div role="gridcell" className="flex items-center gap-1 pl-1 text-quiet">
        <OwnNumbers object={object} rules={rules} readOnly={locked} change={change} />
      </div>
    </div>
  )
})

/** A press without a modifier. */
const PLAIN = { shiftKey: false, ctrlKey: false, metaKey: false }

/** Why a member has no effect on the container's result; null if it has one. */
function idleIn(inside: Container, object: DrawingObject, scene: Scene): string | null {
  try {
    return kindOf(inside).geometry.idle?.(inside, scene).get(object.id) ?? null
  } catch (error) {
    // What cannot be drawn says so itself.
    if (error instanceof Refusal) return null
    throw error
  }
}

/** With w and h linked, a change of one brings the other along in proportion. */
function linkedChange(
  now: { w: number; h: number },
  key: keyof FrameChange,
  value: number,
  linked: boolean,
): FrameChange {
  if (linked && key === 'w' && now.w > 0) return { w: value, h: (now.h * value) / now.w }
  if (linked && key === 'h' && now.h > 0) return { h: value, w: (now.w * value) / now.h }
  return { [key]: value }
}

/** A press on a row selects it; with Shift all from the last one to it, with Ctrl it too. Locked rows are not selected. */
function pickRow(
  bench: Bench,
  object: DrawingObject,
  locked: boolean,
  event: React.MouseEvent,
  onPick: Props['onPick'],
): void {
  if (event.button !== 0 || locked || (event.target as HTMLElement).closest('[data-flag]')) return
  const isMore = event.shiftKey || event.ctrlKey || event.metaKey
  // A press on a cell of a selected row keeps the selection, so that the edit goes to all of it.
  const isCell = (event.target as HTMLElement).closest('button, input') !== null
  if (isMore || !isCell || !bench.store.getState().selection.has(object.id)) onPick(object.id, event)
}
