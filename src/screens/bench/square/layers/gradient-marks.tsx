'use client'

import { PAINT } from '../../state/paint-in-hand'
import { colourOf, stopsOf } from '@/core/drawing/model/values'
import { gradientInHand } from '../../operations/paints'
import { useBench, useBenchState, useRules, useShownObjects, useSlice } from '../../state/context'
import { gradientHandles } from '../../tools/gradient-handles'

/** The gradient in hand on the square: its way with the stops on it, each in its colour. */
export function GradientMarks() {
  const bench = useBench()
  const rules = useRules()
  useShownObjects()
  const { stop } = useSlice(PAINT)
  useBenchState((state) => state.selection)
  useBenchState((state) => state.view)
  const shown = useBenchState((state) => state.panel === 'colours' && state.tool === 'select')
  const found = shown ? gradientInHand(bench, true) : null
  if (!found) return null
  const handles = gradientHandles(bench, true),
    stops = stopsOf(found.gradient, rules)
  const from = handles.find(({ id }) => id === 'from')!.screen
  const stopOf = (id: (typeof handles)[number]['id']) =>
    typeof id === 'number' ? id : id === 'from' ? 0 : id === 'to' ? stops.length - 1 : null
  return (
    <g>
      {handles.map(
        ({ id, screen }) =>
          (id === 'to' || id === 'across' || id === 'focus') && (
            <path
              key={`way ${id}`}
              d={`M${from.x} ${from.y}L${screen.x} ${screen.y}`}
              strokeWidth={id === 'to' ? 1.5 : 1}
              strokeDasharray={id === 'to' ? undefined : '3 3'}
            />
          ),
      )}
      {handles.map(({ id, screen: { x, y } }) => {
        const number = stopOf(id)
        if (number === null) return <circle key={id} cx={x} cy={y} r={4} fill="var(--sheet)" strokeWidth={1.5} />
        const { color } = stops[number]!
        return (
          <rect
            key={id}
            x={x - 5.5}
            y={y - 5.5}
            width={11}
            height={11}
            fill={colourOf(color, rules).light}
            stroke="var(--sheet)"
            strokeWidth={4}
            paintOrder="stroke"
          />
        )
      })}
      {handles.map(
        ({ id, screen: { x, y } }) =>
          stopOf(id) !== null && (
            <rect
              key={`edge ${id}`}
              x={x - 6.5}
              y={y - 6.5}
              width={13}
              height={13}
              strokeWidth={stopOf(id) === stop ? 2.5 : 1}
            />
          ),
      )}
    </g>
  )
}
