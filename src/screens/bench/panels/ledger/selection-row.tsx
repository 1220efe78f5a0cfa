'use client'

import { styleOf } from '@/core/drawing/scene/shared-style'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { changeFrame, framePoint } from '@/core/drawing/model/frame'
import type { FrameChange } from '@/core/drawing/model/frame'
import { extentOf } from '@/core/drawing/evaluate/extent'
import { fitObjects } from '@/core/drawing/edit/numbers'
import { type DrawingObject, isStyled } from '@/core/drawing/objects/object'
import type { Paint } from '@/core/drawing/model/paint'
import { Cap, type Radius, type Weight } from '@/core/drawing/model/style'
import type { Rules } from '@/core/rules/rules'
import { useBench, useBenchState } from '../../state/context'
import { common, cornerOf, cornerStyleOf, withCorner, withCornerStyle, withStyle } from './columns'
import { showFinish } from '../../operations/objects'
import { CornerStyleChoice } from '../../cells/corner-style'
import { EditCell } from '../../cells/edit-cell'
import { FRAME, RADIUS, WEIGHT } from '../../cells/limits'
import { GRID } from './row'
import { NamedNumberCell, PaintCell, type SEVERAL, WordCell } from '../../cells/value-cell'

/**
 * The selection as one row: its box in numbers, and what its objects have in common. Shown when several are selected.
 */
export function SelectionRow({ objects, rules }: { objects: readonly DrawingObject[]; rules: Rules }) {
  const bench = useBench()
  const anchor = useBenchState((state) => state.anchor)
  const linked = useBenchState((state) => state.linked)
  const box = extentOf(objects, sceneOf(rules))!
  const place = framePoint(box, anchor)
  const all = `${objects.length} objects`
  const setNumber = (key: 'x' | 'y' | 'w' | 'h') => (value: number) => {
    const whole: FrameChange =
      linked && key === 'w' && box.w > 0
        ? { w: value, h: (box.h * value) / box.w }
        : linked && key === 'h' && box.h > 0
          ? { h: value, w: (box.w * value) / box.h }
          : { [key]: value }
    bench.edit(
      { kind: 'replace', objects: fitObjects(bench.free, box, changeFrame(box, anchor, whole)) },
      `Set ${key} of ${all}`,
    )
  }
  const change = (map: (object: DrawingObject) => DrawingObject, what: string) =>
    bench.change(map, `Set ${what} of ${all}`)
  const style = <K extends 'weight' | 'fill' | 'stroke'>(key: K) =>
    common(objects, (object) => (isStyled(object) ? styleOf(object, bench.scene)[key] : undefined))
  const corner = common(objects, cornerOf),
    weight = style('weight'),
    fill = style('fill'),
    stroke = style('stroke')
  const cap = common(objects, (object) =>
    isStyled(object) ? (styleOf(object, bench.scene).cap ?? 'rules') : undefined,
  )
  const none = <span className="px-1 text-quiet/70">–</span>
  return (
    <div
      role="row"
      aria-label={`${all} selected`}
      className={`${GRID} sticky top-0 z-[5] h-[22px] border-b border-hand bg-hand-wash font-[560]`}
    >
      <span className="col-span-4 pl-[58px]">{all}</span>
      {(['x', 'y', 'w', 'h'] as const).map((key) => (
        <div role="gridcell" key={key}>
          <EditCell
            label={`${key} of the selection`}
            value={{ ...place, w: box.w, h: box.h }[key]}
            step={rules.grid.step}
            limits={FRAME[key]}
            onChange={setNumber(key)}
          />
        </div>
      ))}
      <div role="gridcell">{none}</div>
      <div role="gridcell" className="pl-2">
        {corner === undefined ? (
          none
        ) : (
          <NamedNumberCell
            label="corner of the selection"
            value={corner}
            list={rules.radii}
            none="sharp"
            limits={RADIUS}
            onChange={(next) => change((object) => withCorner(object, next as Radius), 'the corner')}
          >
            <CornerStyleChoice
              label="Style of the corners of the selection"
              value={common(objects, cornerStyleOf)}
              onChange={(style) => change((object) => withCornerStyle(object, style), 'the corner style')}
            />
          </NamedNumberCell>
        )}
      </div>
      <div role="gridcell">
        {weight === undefined ? (
          none
        ) : (
          <NamedNumberCell
            label="weight of the selection"
            value={weight}
            list={rules.weights}
            limits={WEIGHT}
            onChange={(next) =>
              change((object) => withStyle(object, { weight: next as Weight }, bench.scene), 'the weight')
            }
          />
        )}
      </div>
      <div role="gridcell">
        {cap === undefined ? (
          none
        ) : (
          <WordCell<Cap>
            label="cap of the selection"
            value={cap === 'rules' ? undefined : (cap as Cap | typeof SEVERAL)}
            words={Cap.options}
            byRules={rules.cap}
            onChange={(next) => change((object) => withStyle(object, { cap: next }, bench.scene), 'the cap')}
          />
        )}
      </div>
      {(
        [
          ['fill', fill],
          ['stroke', stroke],
        ] as const
      ).map(([key, value]) => (
        <div role="gridcell" key={key}>
          {value === undefined ? (
            none
          ) : (
            <PaintCell
              label={`${key} of the selection`}
              value={value}
              rules={rules}
              onMore={() => showFinish(bench, null, key)}
              onChange={(paint) =>
                change((object) => withStyle(object, { [key]: paint as Paint }, bench.scene), `the ${key}`)
              }
            />
          )}
        </div>
      ))}
      <span />
    </div>
  )
}
