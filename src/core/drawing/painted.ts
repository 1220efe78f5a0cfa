import type { Path } from '../geometry/path'
import { strokedArea } from '../outline/stroking'
import { headedOutline } from './heads'
import type { Styled } from './object'
import { hasOwnJoints, ownJointsOutline } from './own-joints'
import { filledRegions } from './regions'
import type { Shape } from './shape'
import { type NamedValues, paintOf, type ResolvedPaint, strokeOf, withOpacity } from './values'

/**
 * What a styled object paints along its outline: its fills in order, and its stroke over or under them; as one shape
 * where one can say it.
 */
export function painted(object: Styled, path: Path, values: NamedValues): Shape[] {
  if (path.length === 0) return []
  const { id, style } = object
  const fills = fillsOf(object, values)
  const stroke = strokeOf(style, values)
  const plain =
    !style.side &&
    !style.startHead &&
    !style.endHead &&
    !style.strokeFirst &&
    !(object.kind === 'path' && (object.regions || hasOwnJoints(object)))
  if (plain && fills.length <= 1) return fills[0] || stroke ? [{ id, path, fill: fills[0] ?? null, stroke }] : []
  const filled =
    fills.length > 0 && object.kind === 'path' && object.regions ? filledRegions(path, object.regions) : path
  const under = filled.length === 0 ? [] : fills.map((fill): Shape => ({ id, path: filled, fill, stroke: null }))
  if (!stroke) return under
  const line = strokeShape(object, path, values)
  return style.strokeFirst ? [...line, ...under] : [...under, ...line]
}

function fillsOf({ style }: Styled, values: NamedValues): ResolvedPaint[] {
  const all = [{ paint: style.fill, opacity: style.fillOpacity }, ...(style.fills ?? [])]
  return all.flatMap(({ paint, opacity = 1 }) => {
    const resolved = paintOf(paint, values)
    return resolved && opacity > 0 ? [withOpacity(resolved, opacity)] : []
  })
}

/** The stroke alone: as a stroke, or as the outline of one that no stroke can say. */
function strokeShape(object: Styled, path: Path, values: NamedValues): Shape[] {
  const { id, style } = object
  const stroke = strokeOf(style, values)!
  const outline =
    style.startHead || style.endHead
      ? headedOutline(path, stroke, style.startHead, style.endHead)
      : object.kind === 'path' && hasOwnJoints(object)
        ? ownJointsOutline(object, path, { ...stroke, ...(style.side && { position: style.side }) })
        : style.side
          ? strokedArea(path, { ...stroke, position: style.side })
          : null
  if (!outline) return [{ id, path, fill: null, stroke }]
  return outline.length > 0 ? [{ id, path: outline, fill: stroke.paint, stroke: null }] : []
}
