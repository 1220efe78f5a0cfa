'use client'

import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { memo } from 'react'
import { rememberedPathData } from '@/core/formats/path-data'
import { editable } from '@/core/drawing/edit/editable'
import { evaluate, evaluateAll } from '@/core/drawing/evaluate/evaluate'
import { styledWithin } from '@/core/drawing/edit/paint'
import { type DrawingObject, isContainer, kindOf, type Styled } from '@/core/drawing/objects/object'
import { strokeInkIfQuick } from '@/core/drawing/scene/ink'
import type { Shape } from '@/core/drawing/scene/shape'
import type { NamedValues } from '@/core/drawing/model/values'
import { PixelPicture } from '@/ui/pixel-picture'
import { useDeferredMaster, useRules, useShownObjects } from '../../state/context'
import { toScreen, type View } from '../../state/view'
import { DIGITS } from '../../cells/shape-runs'

/** The drawing as lines: edges of painted areas solid, centre lines of strokes dashed. */
export function OutlineArtwork() {
  const objects = useShownObjects()
  const rules = useRules()
  return evaluateAll(objects, sceneOf(rules)).map((shape, i) => <Lines key={i} shape={shape} />)
}

const Lines = memo(function Lines({ shape }: { shape: Shape }) {
  const { path, fill, stroke } = shape
  const line = { fill: 'none', vectorEffect: 'non-scaling-stroke' as const }
  return (
    <>
      {fill && <path d={rememberedPathData(path, DIGITS)} stroke="var(--ink)" strokeWidth={1.25} {...line} />}
      {stroke && (
        <path
          d={rememberedPathData(strokeInkIfQuick(shape), DIGITS)}
          stroke="var(--ink)"
          strokeWidth={1.25}
          data-line="edge"
          {...line}
        />
      )}
      {stroke && (
        <path
          d={rememberedPathData(path, DIGITS)}
          stroke="var(--key)"
          strokeWidth={1.5}
          strokeDasharray="6 2 1 2"
          data-line="centre"
          {...line}
        />
      )}
    </>
  )
})

/** Every object translucent in its own tint, which makes overlaps visible; the finish is not changed. */
export function TintedArtwork() {
  const objects = useShownObjects()
  const rules = useRules()
  return styledWithin(objects.filter(({ hidden }) => !hidden)).map((one, i) => (
    <Tinted key={one.id} object={one} values={rules} hue={(i * 137.5) % 360} />
  ))
}

const Tinted = memo(function Tinted({ object, values, hue }: { object: Styled; values: NamedValues; hue: number }) {
  const tint = `oklch(62% 0.17 ${hue.toFixed(0)})`
  return evaluate(object, sceneOf(values)).map(({ path, fill, stroke }, i) => (
    <path
      key={i}
      d={rememberedPathData(path, DIGITS)}
      fill={fill ? tint : 'none'}
      fillOpacity={0.4}
      stroke={tint}
      strokeOpacity={stroke ? 0.45 : 1}
      strokeWidth={stroke ? stroke.width : 1}
      vectorEffect={stroke ? undefined : 'non-scaling-stroke'}
      strokeLinecap={stroke?.cap}
      strokeLinejoin={stroke?.join}
    />
  ))
})

/** The square as the pixels of one delivered size. */
export function PixelArtwork({ view, size, ground }: { view: View; size: number; ground: 'light' | 'dark' }) {
  const master = useDeferredMaster()
  const rules = useRules()
  if (!master) return null
  return (
    <div
      className="pointer-events-none absolute origin-top-left"
      style={{ left: view.x, top: view.y, transform: `scale(${(rules.grid.size * view.scale) / size})` }}
    >
      <PixelPicture
        source={{ objects: master.objects, rules, ground }}
        size={size}
        exact
        label={`The square in ${size} pixels`}
      />
    </div>
  )
}

/** The nodes of every object, small. */
export function AllNodes({ view }: { view: View }) {
  const objects = useShownObjects()
  const rules = useRules()
  return (
    <g fill="var(--sheet)">
      {styledWithin(objects).map((one) => (
        <NodesOf key={one.id} object={one} values={rules} view={view} />
      ))}
    </g>
  )
}

const NodesOf = memo(function NodesOf({
  object,
  values,
  view,
}: {
  object: DrawingObject
  values: NamedValues
  view: View
}) {
  const path =
    isContainer(object) || kindOf(object).cost.characters || object.hidden ? null : editable(object, sceneOf(values))
  return path?.contours.flatMap(({ nodes }, contour) =>
    nodes.map((node, n) => {
      const { x, y } = toScreen(view, node)
      return <path key={`${contour} ${n}`} d={`M${x - 2.5} ${y - 2.5}h5v5h-5z`} />
    }),
  )
})
