'use client'

import { memo } from 'react'
import { type Run, runsOf, type Shape } from '@/core/drawing/scene/shape'
import type { ResolvedColour, ResolvedGradient, ResolvedPaint, ResolvedShadow } from '@/core/drawing/model/resolved'
import { rememberedPathData } from '@/core/formats/path-data'
import { gradientDefinition } from '@/core/picture/svg-paint'

/** Digits of the paths on screen: far below a device pixel at the largest zoom. */
export const DIGITS = 5

/** Resolved shapes as SVG elements, in grid units; one run for the shapes under one group effect. */
export function ShapeRuns({ shapes }: { shapes: readonly Shape[] }) {
  return runsOf(shapes).map((run, i) => <RunOf key={i} run={run} />)
}

function RunOf({ run }: { run: Run }) {
  if (!('runs' in run)) return <ShapePath shape={run} />
  const { effect, runs } = run
  const id = effect.mask && maskId(effect.mask)
  return (
    <g
      opacity={effect.opacity < 1 ? effect.opacity : undefined}
      mask={id ? `url(#${id})` : undefined}
      style={effect.shadow && { filter: dropShadow(effect.shadow) }}
    >
      {id && (
        <mask
          id={id}
          style={{ maskType: 'alpha' }}
          maskUnits="userSpaceOnUse"
          x="-10000"
          y="-10000"
          width="30000"
          height="30000"
        >
          <ShapeRuns shapes={effect.mask!} />
        </mask>
      )}
      {runs.map((one, i) => (
        <RunOf key={i} run={one} />
      ))}
    </g>
  )
}

/** A soft shadow as a filter of the page: lengths are those of the square, which the page scales along. */
function dropShadow({ x, y, blur, color }: ResolvedShadow): string {
  const shade = `color-mix(in srgb, ${inkOrColour(color)} ${color.opacity * 100}%, transparent)`
  return `drop-shadow(${x}px ${y}px ${blur / 2}px ${shade})`
}

const ids = new WeakMap<readonly Shape[], string>()
let next = 1

/** An id for a mask on the page, the same for the same shapes. */
function maskId(shapes: readonly Shape[]): string {
  let id = ids.get(shapes)
  if (!id) ids.set(shapes, (id = `mask-${next++}`))
  return id
}

const ShapePath = memo(function ShapePath({ shape }: { shape: Shape }) {
  const { path, fill, stroke } = shape
  return (
    <>
      {fill && 'kind' in fill && <GradientDefinition gradient={fill} />}
      {stroke && 'kind' in stroke.paint && <GradientDefinition gradient={stroke.paint} />}
      <path
        d={rememberedPathData(path, DIGITS)}
        fill={fill ? colour(fill) : 'none'}
        fillOpacity={opacityOf(fill)}
        {...(stroke && {
          stroke: colour(stroke.paint),
          strokeOpacity: opacityOf(stroke.paint),
          strokeWidth: stroke.width,
          strokeLinecap: stroke.cap,
          strokeLinejoin: stroke.join,
          strokeMiterlimit: stroke.miterLimit,
          strokeDasharray: stroke.dash?.join(' '),
          strokeDashoffset: stroke.dashOffset,
        })}
      />
    </>
  )
})

function GradientDefinition({ gradient }: { gradient: ResolvedGradient }) {
  const { id } = gradientDefinition(gradient, 'light')
  const stops = gradient.stops.map(({ at, color }, i) => (
    <stop key={i} offset={at} stopColor={inkOrColour(color)} stopOpacity={color.opacity} />
  ))
  if (gradient.kind === 'linear') {
    const { from, to } = gradient
    return (
      <linearGradient id={id} gradientUnits="userSpaceOnUse" x1={from.x} y1={from.y} x2={to.x} y2={to.y}>
        {stops}
      </linearGradient>
    )
  }
  const { map, focus } = gradient
  return (
    <radialGradient
      id={id}
      gradientUnits="userSpaceOnUse"
      cx={0}
      cy={0}
      r={1}
      fx={focus.x}
      fy={focus.y}
      gradientTransform={`matrix(${map.join(' ')})`}
    >
      {stops}
    </radialGradient>
  )
}

const opacityOf = (paint: ResolvedPaint | null): number | undefined =>
  paint && paint.opacity < 1 ? paint.opacity : undefined

const colour = (paint: ResolvedPaint): string =>
  'kind' in paint ? `url(#${gradientDefinition(paint, 'light').id})` : inkOrColour(paint)

/** The icon's own colour is drawn in the sheet's ink, so that it is visible by day and by night. */
const inkOrColour = ({ light, ink }: ResolvedColour): string => (ink ? 'var(--ink)' : light)
