'use client'

import type { Paint } from '@/core/drawing/model/paint'
import { By, type Container, type DrawingObject } from '@/core/drawing/objects/object'
import { Cap, type Style, type Weight } from '@/core/drawing/model/style'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { weightsAsFills } from '@/core/drawing/evaluate/strokes-as-fills'
import type { Rules } from '@/core/rules/rules'
import { useBench } from '../../state/context'
import { showFinish } from '../../operations/objects'
import { withStyle } from './columns'
import { WEIGHT } from '../../cells/limits'
import { Nothing, Optional } from '../../cells/optional'
import { NamedNumberCell, PaintCell, WordCell } from '../../cells/value-cell'

/** The paint cells of an object's row; for a member of a combination also its operation. */
export function FinishCells({
  object,
  inside,
  byInk,
  style,
  rules,
  locked,
  change,
}: {
  object: DrawingObject
  inside: Container | null
  byInk: boolean
  /** Null where the object is not painted on its own. */
  style: Style | null
  rules: Rules
  locked: boolean
  change: (map: (object: DrawingObject) => DrawingObject, what: string) => void
}) {
  const bench = useBench()
  const { scene } = bench
  return (
    <>
      <div role="gridcell">
        <Optional
          there={style && style.stroke !== 'none' ? style.weight : undefined}
          otherwise={<AsFills of={object} rules={rules} />}
        >
          {(weight) => (
            <NamedNumberCell
              label={`weight of ${object.name}`}
              value={weight}
              list={rules.weights}
              readOnly={locked}
              limits={WEIGHT}
              onChange={(next) => change((other) => withStyle(other, { weight: next as Weight }, scene), 'the weight')}
            />
          )}
        </Optional>
      </div>
      <div role="gridcell">
        <Optional there={style && style.stroke !== 'none' ? style : undefined}>
          {({ cap }) => (
            <WordCell<Cap>
              label={`cap of ${object.name}`}
              value={cap}
              words={Cap.options}
              byRules={rules.cap}
              readOnly={locked}
              onChange={(next) => change((other) => withStyle(other, { cap: next }, scene), 'the cap')}
            />
          )}
        </Optional>
      </div>
      {(['fill', 'stroke'] as const).map((key) => (
        <div role="gridcell" key={key}>
          {inside && key === 'fill' ? (
            <WordCell<By>
              label={`what counts of ${object.name}`}
              value={object.by}
              words={By.options}
              byDefault={{ word: byInk ? 'ink' : 'edge', why: 'as it is drawn' }}
              readOnly={locked}
              onChange={(by) => change((other) => withBy(other, by), 'what counts')}
            />
          ) : style ? (
            <PaintCell
              label={`${key} of ${object.name}`}
              value={style[key]}
              rules={rules}
              readOnly={locked}
              onMore={() => showFinish(bench, bench.store.getState().selection.has(object.id) ? null : object.id, key)}
              onChange={(paint) => change((other) => withStyle(other, { [key]: paint as Paint }, scene), `the ${key}`)}
            />
          ) : (
            <span className="block truncate px-1 text-quiet/70">{inside ? 'assembly’s' : '–'}</span>
          )}
        </div>
      ))}
    </>
  )
}

/** The weights of strokes that an object paints as filled outlines; a dash where there are none. */
function AsFills({ of, rules }: { of: DrawingObject; rules: Rules }) {
  const weights = weightsOf(of, rules)
  if (weights.length === 0) return <Nothing />
  return (
    <span
      className="block truncate px-1 text-quiet italic"
      title={`Its strokes of weight ${weights.join(', ')} are delivered as filled outlines`}
    >
      {weights.join(', ')}
    </span>
  )
}

function weightsOf(object: DrawingObject, rules: Rules): Weight[] {
  try {
    return weightsAsFills(object, sceneOf(rules))
  } catch {
    // The row says already that the object cannot be drawn.
    return []
  }
}

function withBy(object: DrawingObject, by: By | undefined): DrawingObject {
  const { by: _, ...rest } = object
  return (by ? { ...rest, by } : rest) as DrawingObject
}
