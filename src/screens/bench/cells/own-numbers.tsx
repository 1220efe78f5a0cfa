'use client'

import clsx from 'clsx'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { Refusal } from '@/core/findings/refusal'
import type { Field } from '@/core/drawing/kinds/field'
import { type DrawingObject, kindOf } from '@/core/drawing/objects/object'
import type { Scene } from '@/core/drawing/scene/scene'
import type { Weight } from '@/core/drawing/model/style'
import type { Rules } from '@/core/rules/rules'
import { useBench, useRules } from '../state/context'
import { NumberField } from '@/ui/number-field'
import { figure } from '@/ui/sum'
import { EditCell } from './edit-cell'
import { RADIUS, WEIGHT } from './limits'
import { ChoiceCell, NamedNumberCell, WordCell } from './value-cell'

type Change = (map: (object: DrawingObject) => DrawingObject, what: string) => void

/** The numbers and choices that only one kind of object has, and its make-up in a few words. */
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
  const scene = sceneOf(rules)
  const words = summaryOf(object, scene)
  const fields = kindOf(object).ledger.fields?.(object) ?? []
  // A typed value goes to all selected objects of the kind.
  const write = (field: Own, to: (other: DrawingObject) => DrawingObject) =>
    change((other) => (other.kind === object.kind ? to(other) : other), field.what)
  const isMany = fields.length > MANY
  return (
    <>
      {isMany && (
        <span className="truncate px-1" title="Select it to see its numbers in the settings line">
          {fields.map((field) => shortly(field, object, scene)).join(' · ')}
        </span>
      )}
      {(isMany ? [] : fields).map((field) => (
        <span
          key={field.id}
          // Two stand in line from row to row; three take what each needs.
          className={clsx('min-w-0', fields.length > 2 ? 'flex-auto [&_button]:pr-1' : 'flex-1')}
        >
          <FieldCell
            field={field}
            object={object}
            scene={scene}
            weights={rules.weights}
            step={rules.grid.step}
            readOnly={readOnly}
            write={(to) => write(field, to)}
          />
        </span>
      ))}
      {words && (
        <span className="truncate px-1" title={words}>
          {words}
        </span>
      )}
    </>
  )
}

/** More fields than this do not fit into a row. */
const MANY = 3

type Own = Field<DrawingObject>

/** A field's label and value, for reading only. */
function shortly(field: Own, object: DrawingObject, scene: Scene): string {
  switch (field.as) {
    case 'number': {
      const { prefix = '', suffix = '', zero } = field,
        value = field.read(object, scene)
      return prefix + (value === 0 && zero !== undefined ? zero : figure(value) + suffix)
    }
    case 'choice':
      return field.read(object)
    case 'weight': {
      const weight = field.read(object)
      return typeof weight === 'string' ? weight : figure(weight)
    }
    default:
      return field.id
  }
}

/** The numbers and choices of one selected object, each with its word: for the line over the square. */
export function OwnSettings({ object }: { object: DrawingObject }) {
  const bench = useBench()
  const rules = useRules()
  const fields = kindOf(object).ledger.fields?.(object) ?? []
  if (fields.length === 0) return null
  const write = (field: Own, to: (other: DrawingObject) => DrawingObject) =>
    bench.edit({ kind: 'replace', objects: [to(object)] }, `Change ${field.what} of ${object.name}`)
  return (
    <div role="group" aria-label={`Numbers of ${object.name}`} className="flex flex-wrap items-center gap-x-1 pl-2">
      {fields.map((field) => (
        <span key={field.id} className="flex items-center border-b border-hair">
          <FieldCell
            field={field}
            object={object}
            scene={bench.scene}
            weights={rules.weights}
            step={rules.grid.step}
            readOnly={object.locked === true}
            write={(to) => write(field, to)}
          />
        </span>
      ))}
    </div>
  )
}

/** What an object is made of, nothing where it cannot be drawn. */
function summaryOf(object: DrawingObject, scene: Scene): string {
  try {
    return kindOf(object).ledger.summary?.(object, scene) ?? ''
  } catch (error) {
    if (error instanceof Refusal) return ''
    throw error
  }
}

function FieldCell({
  field,
  object,
  scene,
  weights,
  step,
  readOnly,
  write,
}: {
  field: Own
  object: DrawingObject
  scene: Scene
  weights: Rules['weights']
  step: number
  readOnly: boolean
  write: (to: (other: DrawingObject) => DrawingObject) => void
}) {
  const label = `${field.id} of ${object.name}`
  switch (field.as) {
    case 'number':
      return (
        <EditCell
          label={label}
          prefix={field.prefix}
          suffix={field.suffix}
          zero={field.zero}
          value={field.read(object, scene)}
          step={field.step ?? step}
          limits={field.limits}
          readOnly={readOnly}
          onChange={(value) => write((other) => field.write(other, value, scene))}
        />
      )
    case 'choice':
      return (
        <WordCell
          label={label}
          value={field.read(object)}
          words={field.options}
          readOnly={readOnly}
          onChange={(option) => option !== undefined && write((other) => field.write(other, option))}
        />
      )
    case 'weight':
      return (
        <NamedNumberCell
          label={label}
          value={field.read(object)}
          list={weights}
          readOnly={readOnly}
          limits={field.least === 0 ? RADIUS : WEIGHT}
          onChange={(value) => write((other) => field.write(other, value as Weight))}
        />
      )
    case 'reset':
      return (
        <button
          type="button"
          disabled={readOnly}
          title={field.title}
          className="h-5 truncate rounded-sheet px-1 hover:bg-sheet hover:outline hover:outline-hair"
          onClick={() => write(field.write)}
        >
          {field.word} ✕
        </button>
      )
    case 'radii':
      return <RadiiCell field={field} label={label} object={object} scene={scene} readOnly={readOnly} write={write} />
  }
}

/** Radii of several places, alike or each its own. */
function RadiiCell({
  field,
  label,
  object,
  scene,
  readOnly,
  write,
}: {
  field: Extract<Own, { as: 'radii' }>
  label: string
  object: DrawingObject
  scene: Scene
  readOnly: boolean
  write: (to: (other: DrawingObject) => DrawingObject) => void
}) {
  const own = field.read(object)?.map((radius) => scene.radius(radius)),
    alike = scene.radius(field.alike(object))
  const figures = own?.map(figure).join(' ')
  return (
    <ChoiceCell
      label={`${label}: ${figures ?? 'alike'}`}
      shown={figures ?? <span className="text-quiet">{field.id} alike</span>}
      readOnly={readOnly}
    >
      {field.places.map(({ at, word }) => (
        <div key={at} className="flex h-6 items-center gap-2 px-3">
          <span className="flex-1">{word}</span>
          <NumberField
            label={`Corner ${word}`}
            value={own?.[at] ?? alike}
            step={0.5}
            limits={RADIUS}
            onChange={(value) => write((other) => field.write(other, at, value))}
            className="field !w-20 text-right"
          />
        </div>
      ))}
      {own && (
        <button
          type="button"
          onClick={() => write(field.reset)}
          className="mt-1 block w-full border-t border-hair px-3 py-1 text-left hover:bg-ink hover:text-sheet"
        >
          Make all alike
        </button>
      )}
    </ChoiceCell>
  )
}
