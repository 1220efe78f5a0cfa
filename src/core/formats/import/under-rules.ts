import { refusalIn } from '../../drawing/evaluate/evaluate'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { type DrawingObject, isContainer, isStyled } from '../../drawing/objects/object'
import { isDot } from '../../drawing/objects/dot'
import { isShared, type Style, withPaints } from '../../drawing/model/style'
import type { Paint } from '../../drawing/model/paint'
import { visited } from '../../drawing/objects/visit'
import type { Rules } from '../../rules/rules'
import { showsJoins, showsCaps } from './caps-and-joins'
import { INK } from './svg/paint'

/** Numbers that differ by less, in units of a 24 grid, are one: below two of 255 levels at any size. */
export const NEAR = 0.008

/**
 * Replaces the numbers and colours of a drawing by named values of the rules that have them: weights, radii, swatches.
 * Caps and joins of the rules are dropped. Other values stay, and are snags.
 */
export function underRules(objects: readonly DrawingObject[], rules: Rules): DrawingObject[] {
  const near = (NEAR * rules.grid.size) / 24
  const named = (list: readonly { name: string; value: number }[], value: number): string | null =>
    list.reduce<{ name: string; away: number } | null>((best, one) => {
      const away = Math.abs(one.value - value)
      return away <= near && (!best || away < best.away) ? { name: one.name, away } : best
    }, null)?.name ?? null
  const swatches = new Map(rules.palette.map(({ name, color }) => [color, name]))
  const colour = (text: string): string => (text === INK || text === 'none' ? text : (swatches.get(text) ?? text))
  const paint = (one: Paint): Paint =>
    typeof one === 'string'
      ? colour(one)
      : typeof one.stops === 'string'
        ? one
        : { ...one, stops: one.stops.map((stop) => ({ ...stop, color: colour(stop.color) })) }
  const style = (own: Style): Style => {
    const { cap, join, miterLimit, weight, ...rest } = withPaints(own, paint)
    const hasStroke = rest.stroke !== 'none'
    return {
      ...rest,
      weight:
        typeof weight !== 'number'
          ? weight
          : hasStroke
            ? (named(rules.weights, weight) ?? weight)
            : rules.weights[0]!.name,
      ...(hasStroke && cap !== undefined && cap !== rules.cap && { cap }),
      ...(hasStroke && join !== undefined && join !== rules.join && { join }),
      ...(hasStroke &&
        (join ?? rules.join) === 'miter' &&
        miterLimit !== undefined &&
        miterLimit !== rules.miterLimit && { miterLimit }),
    }
  }
  const one = (given: DrawingObject): DrawingObject => {
    const object = withoutIdle(given, rules)
    // The caps of a dot are its shape: they stay where the rules take others.
    const cap = 'style' in object && !isShared(object.style) ? object.style.cap : undefined
    const kept = cap && cap !== 'butt' && isDot(object, weightIn(object)) ? { cap } : {}
    const next = visited(object, {
      style: (own) => (isShared(own) ? own : { ...style(own), ...kept }),
      radius: (radius) => (typeof radius === 'number' && radius > 0 ? (named(rules.radii, radius) ?? radius) : radius),
    })
    return isContainer(next) ? ({ ...next, members: next.members.map(one) } as DrawingObject) : next
  }
  return objects.map(one)
}

/** Stroke weight of an object that was read, in units; 0 if it has no style of its own. */
const weightIn = (object: DrawingObject): number =>
  'style' in object && !isShared(object.style) && typeof object.style.weight === 'number' ? object.style.weight : 0

/** An object without caps where it has no ends, and without joins where it has no corners: nothing shows them. */
function withoutIdle(object: DrawingObject, rules: Rules): DrawingObject {
  if (!isStyled(object) || isShared(object.style)) return object
  const scene = sceneOf(rules)
  if (refusalIn(object, scene) !== null || object.style.dash) return object
  const edge = scene.edge(object),
    { cap, join, miterLimit, ...rest } = object.style
  const ends = showsCaps(edge),
    corners = showsJoins(edge)
  return {
    ...object,
    style: {
      ...rest,
      ...(ends && cap && { cap }),
      ...(corners && join && { join }),
      ...(corners && miterLimit !== undefined && { miterLimit }),
    },
  }
}
