import type { Rules } from '@/core/rules/rules'

/** Where the square is on the screen. */
type Seen = { readonly x: number; readonly y: number; readonly scale: number }
type Lined = Pick<Rules, 'grid' | 'liveArea' | 'lines' | 'trim'>

/** The lines of the rules to draw by: through the middle, from corner to corner, at thirds of the live area. */
export function ConstructionLines({ rules, view }: { rules: Lined; view: Seen }) {
  const { grid, liveArea, lines = [] } = rules
  const at = (units: number, axis: 'x' | 'y') => view[axis] + units * view.scale
  const low = (grid.size - liveArea) / 2
  const across = [
    ...(lines.includes('centre') ? [grid.size / 2] : []),
    ...(lines.includes('thirds') ? [low + liveArea / 3, low + (2 * liveArea) / 3] : []),
  ]
  const end = grid.size
  return (
    <g stroke="var(--key)" strokeDasharray="2 4" opacity=".7" data-layer="lines">
      {across.map((units) => (
        <path
          key={units}
          d={`M${at(units, 'x')} ${at(0, 'y')}V${at(end, 'y')}M${at(0, 'x')} ${at(units, 'y')}H${at(end, 'x')}`}
        />
      ))}
      {lines.includes('diagonals') && (
        <path
          d={`M${at(0, 'x')} ${at(0, 'y')}L${at(end, 'x')} ${at(end, 'y')}M${at(end, 'x')} ${at(0, 'y')}L${at(0, 'x')} ${at(end, 'y')}`}
        />
      )}
    </g>
  )
}

/** The square beyond which a platform cuts everything off, where the rules have one. */
export function Trim({ rules: { grid, trim }, view: { x, y, scale } }: { rules: Lined; view: Seen }) {
  if (trim === undefined) return null
  const low = ((grid.size - trim) / 2) * scale
  return (
    <rect
      x={x + low}
      y={y + low}
      width={trim * scale}
      height={trim * scale}
      fill="none"
      stroke="var(--key)"
      strokeDasharray="8 3 1 3"
      opacity=".6"
      data-layer="trim"
    />
  )
}
