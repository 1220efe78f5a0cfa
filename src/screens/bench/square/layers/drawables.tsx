'use client'

import { transformPath } from '@/core/geometry/path'
import { boxBetween } from '@/core/geometry/box'
import type { Point } from '@/core/geometry/point'
import { pathData } from '@/core/formats/path-data'
import { alongGuide } from '@/core/snap/targets'
import { useRules } from '../../state/context'
import { toScreen, type View } from '../../state/view'
import type { Drawable } from '../../state/drawable'
import { Areas } from './areas'
import { Loupe } from './loupe'
import { Handle, NodeMark } from './node-marks'
import { Slips } from './slip-marks'
import { slip } from './slips'

/** What a tool draws over the square. */
export function Drawables({ list, view }: { list: readonly Drawable[]; view: View }) {
  const size = useRules().grid.size
  return list.map((one, i) => <One key={i} one={one} view={view} size={size} />)
}

function One({ one, view, size }: { one: Drawable; view: View; size: number }) {
  const at = (p: Point) => toScreen(view, p)
  switch (one.as) {
    case 'box': {
      const box = boxBetween(at(one.from), at(one.to))
      return (
        <rect
          x={box.x + 0.5}
          y={box.y + 0.5}
          width={box.w}
          height={box.h}
          fill="var(--hand)"
          fillOpacity=".06"
          strokeDasharray="3 3"
        />
      )
    }
    case 'line': {
      const places = one.points.map(at)
      return (
        <>
          <path
            d={`M${places.map(({ x, y }) => `${x} ${y}`).join('L')}`}
            strokeWidth={one.ends ? 1.25 : 1.5}
            strokeDasharray={one.dashed ? '4 3' : undefined}
          />
          {one.ends && places.length > 1 && <Across a={places[0]!} b={places.at(-1)!} />}
        </>
      )
    }
    case 'path':
      return (
        <path
          d={pathData(transformPath(one.path, [view.scale, 0, 0, view.scale, view.x, view.y]), 2)}
          strokeWidth={one.dashed ? 1 : 1.5}
          strokeDasharray={one.dashed ? '4 3' : undefined}
        />
      )
    case 'stroke':
      return (
        <path
          d={pathData(transformPath(one.path, [view.scale, 0, 0, view.scale, view.x, view.y]), 2)}
          stroke="var(--ink)"
          strokeOpacity=".3"
          strokeWidth={one.width * view.scale}
          strokeLinecap={one.cap}
          strokeLinejoin={one.join}
        />
      )
    case 'circle': {
      const { x, y } = at(one.centre)
      return (
        <g stroke="var(--guide)">
          <circle cx={x} cy={y} r={one.r * view.scale} strokeWidth={1.25} />
          <path d={`M${x - 6} ${y}h12M${x} ${y - 6}v12`} />
        </g>
      )
    }
    case 'axis':
      return <Axis view={view} at={one.at} angle={one.angle} size={size} />
    case 'node': {
      const { node, handles, filled } = one
      return (
        <>
          {handles &&
            (['in', 'out'] as const).map(
              (side) =>
                node[side] && (
                  <Handle key={side} from={at(node)} to={at({ x: node.x + node[side].x, y: node.y + node[side].y })} />
                ),
            )}
          <NodeMark node={node} at={at(node)} filled={filled} end={false} />
        </>
      )
    }
    case 'pivot': {
      const { x, y } = at(one.at)
      return (
        <path
          d={`M${x - 6} ${y}a6 6 0 1 0 12 0a6 6 0 1 0 -12 0M${x - 10} ${y}h20M${x} ${y - 10}v20`}
          strokeWidth={1.25}
        />
      )
    }
    case 'areas':
      return <Areas paths={one.paths} look={one.look} view={view} />
    case 'leak': {
      const { x, y } = at(one.at)
      return (
        <g stroke="var(--snag)">
          <path d={`M${x - 6} ${y - 4}v8M${x + 6} ${y - 4}v8M${x - 6} ${y}h3M${x + 6} ${y}h-3`} strokeWidth={1.75} />
          <Slips slips={[slip(one.text, 'word', x + 8, y + 6)]} />
        </g>
      )
    }
    case 'corner': {
      const { x, y } = at(one.at)
      return (
        <path d={`M${x - 4} ${y - 4}h8v8h-8Z`} fill={one.filled ? 'var(--hand)' : 'var(--sheet)'} strokeWidth={1.25} />
      )
    }
    case 'figure': {
      const { x, y } = at(one.at)
      return <Slips slips={[slip(one.text, 'figure', x, y + 12, true)]} />
    }
    case 'loupe':
      return <Loupe loupe={one} at={at(one.at)} />
  }
}

/** Short bars across both ends of a line. */
function Across({ a, b }: { a: Point; b: Point }) {
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1,
    nx = (-(b.y - a.y) / length) * 6,
    ny = ((b.x - a.x) / length) * 6
  return <path d={[a, b].map(({ x, y }) => `M${x - nx} ${y - ny}L${x + nx} ${y + ny}`).join('')} strokeWidth={1.25} />
}

/** A line across the whole square. */
export function Axis({ view, at, angle, size }: { view: View; at: Point; angle: number; size: number }) {
  const { from, to } = alongGuide(at, angle, 2 * size)
  const a = toScreen(view, from),
    b = toScreen(view, to)
  return <path d={`M${a.x} ${a.y}L${b.x} ${b.y}`} strokeDasharray="8 3 2 3" />
}
