import { refusalIn } from '../../drawing/evaluate/evaluate'
import { styleOf } from '../../drawing/scene/shared-style'
import { arcCentre } from '../../geometry/arc'
import { cross, dot } from '../../geometry/point'
import { pointAt, type Segment } from '../../geometry/segment'
import { directionAt } from '../../geometry/slope'
import type { Rules } from '../../rules/rules'
import type { Check } from '../check'
import { many } from '../look/paths'
import { paintedIn, said } from '../look/seen'
import { ON_GRID } from '../../drawing/edit/exactness'
import { SAME, SAME_DIRECTION } from '../look/tolerance'

/** A corner that differs from a radius by a greater share of it was meant to be something else. */
const NEARLY = 0.25
/** A radius is met within this share of it: outlines are written with few digits. */
const MET = 0.01

/** Whether one segment runs on smoothly as the next. */
function runsOn(a: Segment, b: Segment): boolean {
  const into = directionAt(a, 1),
    out = directionAt(b, 0)
  return dot(into, out) > 0 && Math.abs(Math.atan2(cross(into, out), dot(into, out))) < (SAME_DIRECTION * Math.PI) / 180
}

/** The radii that corners of outlines may have: those of the rules, and what half a weight makes of them on either side. */
const allowed = ({ radii, weights }: Rules) =>
  radii.flatMap(({ name, value }) => [
    { name, value },
    ...weights.flatMap((weight) => [
      { name: `${name} and half of ${weight.name}`, value: value + weight.value / 2 },
      { name: `${name} less half of ${weight.name}`, value: value - weight.value / 2 },
    ]),
  ])

/** Rounded corners of filled paths, written as arcs between straight lines, that all but have a radius of the rules. */
export const ownArc: Check = {
  id: 'own-arc',
  concerns: 'rules',
  word: 'arcs nearly of a radius',
  severity: 'warning',
  find({ objects, scene, rules }) {
    const unit = rules.grid.size / 24,
      radii = allowed(rules).filter(({ value }) => value > 0)
    if (radii.length === 0) return []
    return paintedIn(objects).flatMap(({ object }) => {
      const { fill, stroke } = styleOf(object, scene)
      if (object.kind !== 'path' || object.corner !== 0 || fill === 'none' || stroke !== 'none') return []
      if (refusalIn(object, scene)) return []
      const off = scene.ink(object).flatMap(({ segments, closed }) =>
        segments.flatMap((segment, i) => {
          const before = segments[i - 1] ?? (closed ? segments.at(-1) : undefined),
            after = segments[i + 1] ?? (closed ? segments[0] : undefined)
          if (segment.kind !== 'arc' || before?.kind !== 'line' || after?.kind !== 'line') return []
          const { rx, ry } = arcCentre(segment)
          if (Math.abs(rx - ry) > SAME * unit || !runsOn(before, segment) || !runsOn(segment, after)) return []
          const named = radii.reduce((best, one) => (Math.abs(one.value - rx) < Math.abs(best.value - rx) ? one : best))
          const away = Math.abs(rx - named.value)
          const isMet = away <= Math.max(MET * named.value, ON_GRID * unit)
          return isMet || away > NEARLY * named.value ? [] : [{ radius: rx, named, at: pointAt(segment, 0.5) }]
        }),
      )
      const [first] = off
      if (!first) return []
      return [
        {
          sentence: `“${object.name}” has ${many(off.length, 'a corner', 'corners')} of radius ${said(first.radius)}; the nearest in the rules is ${first.named.name}, ${said(first.named.value)}.`,
          objects: [object.id],
          spot: { at: first.at },
        },
      ]
    })
  },
}
