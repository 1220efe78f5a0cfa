'use client'

import { segmentCount } from '@/core/geometry/path'
import { outline } from '@/core/drawing/evaluate'
import {
  type Arrow,
  type DrawingObject,
  type Ellipse,
  type Group,
  Mask,
  type Mirror,
  type Rectangle,
  type Spiral,
} from '@/core/drawing/object'
import { traced } from '@/core/drawing/trace'
import { radiusOf } from '@/core/drawing/values'
import type { Radius } from '@/core/drawing/style'
import type { Rules } from '@/core/rules/rules'
import { MORE_THAN_NONE } from '@/ui/limits'
import { NumberField } from '@/ui/number-field'
import { figure } from '@/ui/sum'
import { lineNumbers, withEllipsePart, withLineNumbers } from './columns'
import { EditCell } from './edit-cell'
import { ChoiceCell, WordCell } from './value-cell'

type Change = (map: (object: DrawingObject) => DrawingObject, what: string) => void

/**
 * The numbers that only one kind of object has: length and angle, sides and depth, the part of an ellipse, single
 * corners; of others their make-up.
 */
export function OwnNumbers({
  object,
  rules,
  readOnly,
  change,
}: {
  object: DrawingObject
  rules: Rules
  readOnly: boolean
  change: Change
}) {
  switch (object.kind) {
    case 'line': {
      const { length, angle } = lineNumbers(object)
      const set = (next: { length?: number; angle?: number }, what: string) =>
        change((other) => (other.kind === 'line' ? withLineNumbers(other, next) : other), what)
      return (
        <>
          <EditCell
            label={`length of ${object.name}`}
            value={length}
            step={rules.grid.step}
            readOnly={readOnly}
            limits={MORE_THAN_NONE}
            onChange={(value) => set({ length: value }, 'the length')}
          />
          <EditCell
            label={`angle of ${object.name}`}
            suffix="°"
            value={angle}
            step={1}
            readOnly={readOnly}
            onChange={(value) => set({ angle: value }, 'the angle')}
          />
        </>
      )
    }
    case 'polygon':
      return (
        <>
          <EditCell
            label={`sides of ${object.name}`}
            suffix={object.depth ? ' points' : ' sides'}
            value={object.sides}
            step={1}
            readOnly={readOnly}
            limits={{ least: 3, most: 120, whole: true }}
            onChange={(value) =>
              change((other) => (other.kind === 'polygon' ? { ...other, sides: value } : other), 'the sides')
            }
          />
          {object.side ? (
            <button
              type="button"
              disabled={readOnly}
              title="Make the sides plain again"
              className="h-5 truncate rounded-sheet px-1 hover:bg-sheet hover:outline hover:outline-hair"
              onClick={() => change((other) => (other.kind === 'polygon' ? withDepth(other, 0) : other), 'the sides')}
            >
              own sides ✕
            </button>
          ) : (
            <EditCell
              label={`depth of ${object.name}`}
              suffix=" % deep"
              value={(object.depth ?? 0) * 100}
              step={1}
              readOnly={readOnly}
              limits={{ least: 0, most: 99 }}
              onChange={(value) =>
                change((other) => (other.kind === 'polygon' ? withDepth(other, value / 100) : other), 'the depth')
              }
            />
          )}
        </>
      )
    case 'ellipse':
      return <PartOfEllipse object={object} readOnly={readOnly} change={change} />
    case 'arrow':
    case 'spiral':
      return <Shares object={object} readOnly={readOnly} change={change} />
    case 'mirror': {
      const set = (next: Partial<Mirror>, what: string) =>
        change((other) => (other.kind === 'mirror' ? { ...other, ...next } : other), what)
      return (
        <>
          <WordCell<'flipped' | 'turned'>
            label={`images of ${object.name}`}
            value={object.flip ? 'flipped' : 'turned'}
            words={['flipped', 'turned']}
            readOnly={readOnly}
            onChange={(way) => set({ flip: way === 'flipped' }, 'the images')}
          />
          <EditCell
            label={`folds of ${object.name}`}
            suffix="×"
            value={object.folds}
            step={1}
            readOnly={readOnly}
            onChange={(folds) => Number.isInteger(folds) && folds >= 1 && folds <= 120 && set({ folds }, 'the folds')}
          />
          <EditCell
            label={`angle of ${object.name}`}
            suffix="°"
            value={object.angle}
            step={15}
            readOnly={readOnly}
            onChange={(angle) => Math.abs(angle) <= 360 && set({ angle }, 'the angle')}
          />
        </>
      )
    }
    case 'path': {
      const { trace } = object
      const set = (smoothness: number) =>
        smoothness >= 0.01 &&
        smoothness <= 10 &&
        change(
          (other) =>
            other.kind === 'path' && other.trace ? { ...other, ...traced({ ...other.trace, smoothness }) } : other,
          'the smoothness',
        )
      return (
        <>
          {trace && (
            <EditCell
              label={`smoothness of ${object.name}`}
              suffix=" smooth"
              value={trace.smoothness}
              step={0.05}
              readOnly={readOnly}
              onChange={set}
            />
          )}
          <span className="truncate px-1">{words(object, rules)}</span>
        </>
      )
    }
    case 'group':
      return (
        <>
          <WordCell<Mask | 'no mask'>
            label={`mask of ${object.name}`}
            value={object.mask ?? 'no mask'}
            words={['no mask', ...Mask.options]}
            readOnly={readOnly}
            onChange={(mask) =>
              change(
                (other) => (other.kind === 'group' ? withMask(other, mask === 'no mask' ? undefined : mask) : other),
                'the mask',
              )
            }
          />
          <span className="truncate px-1">{words(object, rules)}</span>
        </>
      )
    case 'rectangle':
      return <SingleCorners object={object} rules={rules} readOnly={readOnly} change={change} />
    default:
      return <span className="truncate px-1">{words(object, rules)}</span>
  }
}

function withMask({ mask: _, ...rest }: Group, mask: Mask | undefined): Group {
  return mask ? { ...rest, mask } : rest
}

function withDepth<T extends Extract<DrawingObject, { kind: 'polygon' }>>(object: T, depth: number): T {
  const { depth: _, side: __, ...rest } = object
  return (depth > 0 ? { ...rest, depth } : rest) as T
}

const CUTS = ['whole', 'pie', 'chord', 'open'] as const

function PartOfEllipse({ object, readOnly, change }: { object: Ellipse; readOnly: boolean; change: Change }) {
  const set = (next: Parameters<typeof withEllipsePart>[1], what: string) =>
    change((other) => (other.kind === 'ellipse' ? withEllipsePart(other, next) : other), what)
  const isPart = object.from !== undefined && object.to !== undefined
  return (
    <>
      <WordCell<(typeof CUTS)[number]>
        label={`part of ${object.name}`}
        value={isPart ? (object.cut ?? 'pie') : 'whole'}
        words={CUTS}
        readOnly={readOnly}
        onChange={(cut) => set({ cut: cut ?? 'whole' }, 'the part')}
      />
      {isPart ? (
        <>
          <EditCell
            label={`from of ${object.name}`}
            suffix="°"
            value={object.from}
            step={1}
            readOnly={readOnly}
            onChange={(from) => Math.abs(from) <= 360 && set({ from }, 'the start')}
          />
          <EditCell
            label={`to of ${object.name}`}
            suffix="°"
            value={object.to}
            step={1}
            readOnly={readOnly}
            onChange={(to) => Math.abs(to) <= 360 && set({ to }, 'the end')}
          />
        </>
      ) : (
        <EditCell
          label={`hole of ${object.name}`}
          suffix=" % hole"
          value={(object.hole ?? 0) * 100}
          step={1}
          readOnly={readOnly}
          onChange={(hole) => hole >= 0 && hole < 100 && set({ hole: hole / 100 }, 'the hole')}
        />
      )}
    </>
  )
}

/** The shares that make an arrow (head and shaft) or a spiral (turns and first radius). */
function Shares({ object, readOnly, change }: { object: Arrow | Spiral; readOnly: boolean; change: Change }) {
  const { kind, name } = object
  const set = (key: string, value: number) =>
    change((other) => (other.kind === kind ? ({ ...other, [key]: value } as DrawingObject) : other), `the ${key}`)
  const share = (key: string, value: number, suffix: string, least: number, most: number) => (
    <EditCell
      label={`${key} of ${name}`}
      suffix={suffix}
      value={value * 100}
      step={1}
      readOnly={readOnly}
      onChange={(next) => next >= least && next <= most && set(key, next / 100)}
    />
  )
  if (object.kind === 'arrow')
    return (
      <>
        {share('head', object.head, ' % head', 1, 100)}
        {share('shaft', object.shaft, ' % shaft', 1, 100)}
      </>
    )
  return (
    <>
      <EditCell
        label={`turns of ${name}`}
        suffix=" turns"
        value={object.turns}
        step={0.25}
        readOnly={readOnly}
        onChange={(turns) => turns >= 0.25 && turns <= 50 && set('turns', turns)}
      />
      {share('inner', object.inner, ' % inner', 0, 99)}
    </>
  )
}

const CORNERS = ['top left', 'top right', 'bottom right', 'bottom left'] as const

/** The four corners of a rectangle, alike or each with its own radius. */
function SingleCorners({
  object,
  rules,
  readOnly,
  change,
}: {
  object: Rectangle
  rules: Rules
  readOnly: boolean
  change: Change
}) {
  const { corners } = object
  const radii = (corners ?? [object.corner, object.corner, object.corner, object.corner]).map((radius) =>
    radiusOf(radius, rules),
  )
  const set = (i: number, radius: Radius) =>
    change(
      (other) =>
        other.kind === 'rectangle'
          ? {
              ...other,
              corners: Array.from({ length: 4 }, (_, k) => (k === i ? radius : (other.corners?.[k] ?? other.corner))),
            }
          : other,
      'a corner',
    )
  const shown = corners ? radii.map(figure).join(' ') : <span className="text-quiet">corners alike</span>
  return (
    <ChoiceCell
      label={`corners of ${object.name}: ${corners ? radii.map(figure).join(' ') : 'alike'}`}
      shown={shown}
      readOnly={readOnly}
    >
      {[0, 1, 3, 2].map((i) => (
        <div key={i} className="flex h-6 items-center gap-2 px-3">
          <span className="flex-1">{CORNERS[i]}</span>
          <NumberField
            label={`Corner ${CORNERS[i]}`}
            value={radii[i]!}
            step={0.5}
            limits={{ least: 0, most: 10_000 }}
            onChange={(value) => set(i, value)}
            className="!w-20 border border-hair px-1.5 text-right"
          />
        </div>
      ))}
      {corners && (
        <button
          type="button"
          onClick={() => change((other) => (other.kind === 'rectangle' ? alike(other) : other), 'the corners')}
          className="mt-1 block w-full border-t border-hair px-3 py-1 text-left hover:bg-ink hover:text-sheet"
        >
          all alike again
        </button>
      )}
    </ChoiceCell>
  )
}

function alike({ corners: _, ...rest }: Rectangle): Rectangle {
  return rest
}

function words(object: DrawingObject, rules: Rules): string {
  if (object.kind === 'path') {
    const count = object.contours.reduce((sum, run) => sum + run.nodes.length, 0)
    return `${count} nodes${object.contours.every(({ closed }) => closed) ? '' : ', open'}`
  }
  if (object.kind === 'assembly') return `${segmentCount(outline(object, rules))} segments`
  if (object.kind === 'group') return `${object.members.length} inside`
  return ''
}
