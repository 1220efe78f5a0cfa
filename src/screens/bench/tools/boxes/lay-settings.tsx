'use client'

import { Fragment } from 'react'
import { Choice } from '@/ui/choice'
import type { Limits } from '@/ui/limits'
import { NumberField } from '@/ui/number-field'
import { useBench, useBenchState, useSlice } from '../../state/context'
import { LAY, type LayBy as LayWay } from '../laying'
import { FIELD, Setting } from '../setting'

export const LaySettings = () => <LayBy ellipse={false} />
export const EllipseSettings = () => <LayBy ellipse />

export const PolygonSettings = () => (
  <>
    <OtherShape />
    <Sides word="sides" />
    <LaySize />
  </>
)

export const StarSettings = () => (
  <>
    <Sides word="points" />
    <LaySize />
  </>
)

export const OtherShapeSettings = () => (
  <>
    <OtherShape />
    <LaySize />
  </>
)

function Sides({ word }: { word: string }) {
  const bench = useBench()
  const { sides } = useSlice(LAY)
  return (
    <Setting word={word}>
      <NumberField
        label="Sides"
        value={sides}
        step={1}
        className={FIELD}
        limits={{ least: 3, most: 120, whole: true }}
        onChange={(value) => bench.put(LAY, { sides: value })}
      />
    </Setting>
  )
}

const LAYS = [
  { value: 'corners', label: 'by corners' },
  { value: 'tilted', label: 'tilted' },
] as const
const THREE = { value: 'three', label: 'three places' } as const
const PARTS = [
  { value: 'whole', label: 'whole' },
  { value: 'ring', label: 'ring' },
  { value: 'pie', label: 'pie' },
  { value: 'arc', label: 'arc' },
] as const

/** How rectangles and ellipses are laid, and at what size a click places them. */
function LayBy({ ellipse }: { ellipse: boolean }) {
  const bench = useBench()
  const { layBy: ways } = useSlice(LAY)
  const word = ellipse ? 'Ellipse' : 'Rectangle',
    layBy = ways[word] ?? 'corners'
  const part = useSlice(LAY).part
  return (
    <div className="flex items-center gap-2 pl-3">
      <Choice<LayWay>
        label="Lay by"
        value={layBy}
        options={ellipse ? [...LAYS, THREE] : LAYS}
        // What stays so until it is changed back is marked.
        className={layBy === 'corners' ? undefined : 'outline outline-1 outline-hand'}
        onChange={(next) => bench.put(LAY, { layBy: { ...ways, [word]: next } })}
      />
      {ellipse && (
        <Choice
          label="Part"
          value={part}
          options={PARTS}
          onChange={(next: 'whole' | 'ring' | 'pie' | 'arc') => bench.put(LAY, { part: next })}
        />
      )}
      {layBy === 'corners' && <LaySize />}
    </div>
  )
}

const KINDS = [
  { value: 'polygon', label: 'polygon' },
  { value: 'arrow', label: 'arrow' },
  { value: 'spiral', label: 'spiral' },
] as const

/** The tools that lie under the polygon's. */
function OtherShape() {
  const bench = useBench()
  const tool = useBenchState((state) => state.tool) as (typeof KINDS)[number]['value']
  return (
    <div className="flex items-center pl-3">
      <Choice label="Shape" value={tool} options={KINDS} onChange={(next) => bench.take(next)} />
    </div>
  )
}

const SIZE: Limits = { least: 0, above: true, most: 1e5 }

/** The size that a click places. */
function LaySize() {
  const bench = useBench()
  const size = useSlice(LAY).laySize
  return (
    <div
      className="flex items-center gap-1.5 pl-3 whitespace-nowrap text-quiet"
      title="A click places this size; Alt: by its centre"
    >
      click places
      {(['w', 'h'] as const).map((key) => (
        <Fragment key={key}>
          {key === 'h' && '×'}
          <NumberField
            label={`${key === 'w' ? 'Width' : 'Height'} a click places`}
            value={size?.[key] ?? null}
            step={0.5}
            placeholder={key}
            className="!w-9 border-b border-ink text-center text-ink"
            limits={SIZE}
            onChange={(value) =>
              bench.put(LAY, { laySize: { w: size?.w ?? value, h: size?.h ?? value, [key]: value } })
            }
          />
        </Fragment>
      ))}
      {size && (
        <button
          type="button"
          aria-label="No size"
          title="No size"
          className="px-1 hover:text-ink"
          onClick={() => bench.put(LAY, { laySize: null })}
        >
          ✕
        </button>
      )}
    </div>
  )
}
