import { type Path, pathBounds } from '../../geometry/path'
import { strokedArea } from '../../outline/stroking'
import { headedOutline } from '../scene/heads'
import { kindOf, type Styled } from '../objects/object'
import { paintOf, strokeOf } from '../scene/resolve'
import { type ResolvedPaint, type ResolvedStroke, withOpacity } from '../model/resolved'
import type { Scene } from '../scene/scene'
import type { Shape } from '../scene/shape'
import type { Style } from '../model/style'

/**
 * What a styled object paints along its outline: its fills in order, and its stroke over or under them; as one shape
 * where one can say it.
 */
export function painted(object: Styled, path: Path, scene: Scene): Shape[] {
  if (path.length === 0) return []
  const { id } = object
  const style = scene.style(object.style, () => pathBounds(path))
  const fills = fillsOf(style, scene)
  const stroke = strokeOf(style, scene)
  const filled = (fills.length > 0 && kindOf(object).geometry.filled?.(object, path)) || path
  const ownLine = stroke && strokeOutline(object, style, path, stroke)
  if (filled === path && !ownLine && !style.strokeFirst && fills.length <= 1)
    return fills[0] || stroke ? [{ id, path, fill: fills[0] ?? null, stroke }] : []
  const under = filled.length === 0 ? [] : fills.map((fill): Shape => ({ id, path: filled, fill, stroke: null }))
  if (!stroke) return under
  const line: Shape[] = !ownLine
    ? [{ id, path, fill: null, stroke }]
    : ownLine.length > 0
      ? [{ id, path: ownLine, fill: stroke.paint, stroke: null }]
      : []
  return style.strokeFirst ? [...line, ...under] : [...under, ...line]
}

function fillsOf(style: Style, scene: Scene): ResolvedPaint[] {
  const all = [{ paint: style.fill, opacity: style.fillOpacity }, ...(style.fills ?? [])]
  return all.flatMap(({ paint, opacity = 1 }) => {
    const resolved = paintOf(paint, scene)
    return resolved && opacity > 0 ? [withOpacity(resolved, opacity)] : []
  })
}

/** What a stroke paints, where no stroke can say it: heads at its ends, joints of its own, to one side. */
function strokeOutline(object: Styled, style: Style, path: Path, stroke: ResolvedStroke): Path | null {
  const { startHead, endHead, side } = style
  if (startHead || endHead) return headedOutline(path, stroke, startHead, endHead)
  return (
    kindOf(object).geometry.stroked?.(object, path, stroke, style) ??
    (side ? strokedArea(path, { ...stroke, position: side }) : null)
  )
}
