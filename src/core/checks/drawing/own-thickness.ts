import { refusalIn } from '../../drawing/evaluate/evaluate'
import { styleOf } from '../../drawing/scene/shared-style'
import { arcCentre } from '../../geometry/arc'
import type { Styled } from '../../drawing/objects/object'
import type { Path } from '../../geometry/path'
import { cross, distance, dot, mix, type Point, subtract } from '../../geometry/point'
import type { Segment } from '../../geometry/segment'
import { windingOf } from '../../geometry/winding'
import type { Check, Checked } from '../check'
import { many } from '../look/paths'
import { paintedIn, said } from '../look/seen'
import { ON_GRID } from '../../drawing/edit/exactness'
import { SAME } from '../look/tolerance'
import { nearestNamed } from '../look/values-of-rules'

/** A bar that differs from a weight by a greater share of it was meant to be something else. */
const NEARLY = 0.2
/** A weight is met within this share of it: outlines are written with few digits. */
const MET = 0.01
/** Least ratio of length to thickness of a bar. */
const LONG = 1.5
/** The most pairs of segments of one object that are looked at. */
const MOST = 40_000

/** A bar between two sides that face each other: its thickness, and its middle. */
type Bar = { readonly thick: number; readonly at: Point }

/** The bars of an area whose sides are straight and parallel, or arcs about one centre. */
function barsOf(ink: Path, below: number, unit: number): Bar[] {
  const all = ink.flatMap(({ segments }) => segments)
  if (all.length * all.length > MOST) return []
  const around = windingOf(ink)
  return all
    .flatMap((a, i) => all.slice(i + 1).flatMap((b) => barBetween(a, b, below, unit) ?? []))
    .filter(({ at }) => around(at) !== 0)
}

function barBetween(a: Segment, b: Segment, below: number, unit: number): Bar | null {
  if (a.kind === 'line' && b.kind === 'line') {
    const length = distance(a.from, a.to)
    if (length < SAME * unit) return null
    const along = { x: (a.to.x - a.from.x) / length, y: (a.to.y - a.from.y) / length }
    const way = (p: Point) => dot(subtract(p, a.from), along),
      off = (p: Point) => cross(along, subtract(p, a.from))
    // They run against each other, at one distance.
    if (way(b.to) >= way(b.from) || Math.abs(off(b.from) - off(b.to)) > SAME * unit) return null
    const thick = Math.abs(off(b.from)),
      from = Math.max(0, way(b.to)),
      to = Math.min(length, way(b.from))
    if (thick > below || thick < SAME * unit || to - from < LONG * thick) return null
    const middle = (from + to) / 2
    const there = { x: a.from.x + along.x * middle, y: a.from.y + along.y * middle }
    const across = { x: -along.y * off(b.from), y: along.x * off(b.from) }
    return { thick, at: { x: there.x + across.x / 2, y: there.y + across.y / 2 } }
  }
  if (a.kind !== 'arc' || b.kind !== 'arc') return null
  const p = arcCentre(a),
    q = arcCentre(b)
  const isRound = [p, q].every(({ rx, ry }) => Math.abs(rx - ry) < SAME * unit)
  const thick = Math.abs(p.rx - q.rx)
  if (!isRound || distance(p.centre, q.centre) > SAME * unit || thick > below || thick < SAME * unit) return null
  const shorter = p.rx * Math.abs(p.extent) < q.rx * Math.abs(q.extent) ? p : q
  if (shorter.rx * Math.abs(shorter.extent) < LONG * thick) return null
  const turn = shorter.start + shorter.extent / 2,
    rim = (r: number): Point => ({ x: shorter.centre.x + r * Math.cos(turn), y: shorter.centre.y + r * Math.sin(turn) })
  return { thick, at: mix(rim(p.rx), rim(q.rx), 0.5) }
}

/** Whether an object is an area without a stroke. Letters are as thick as their face has them. */
const isArea = (object: Styled, { scene }: Checked): boolean => {
  const { fill, stroke } = styleOf(object, scene)
  return fill !== 'none' && stroke === 'none' && object.kind !== 'text'
}

/** Bars inside filled outlines that are all but as thick as a weight of the rules. */
export const ownThickness: Check = {
  id: 'own-thickness',
  concerns: 'rules',
  word: 'bars nearly as thick as a weight',
  severity: 'warning',
  find(checked) {
    const { objects, scene, rules } = checked,
      unit = rules.grid.size / 24,
      widest = Math.max(...rules.weights.map(({ value }) => value))
    return paintedIn(objects).flatMap(({ object }) => {
      if (!isArea(object, checked) || refusalIn(object, scene)) return []
      const off = barsOf(scene.ink(object), widest * (1 + NEARLY), unit).flatMap((bar) => {
        const named = nearestNamed(bar.thick, rules.weights)!,
          away = Math.abs(bar.thick - named.value)
        return away > Math.max(MET * named.value, ON_GRID * unit) && away <= NEARLY * named.value
          ? [{ ...bar, named }]
          : []
      })
      const [first] = off
      if (!first) return []
      return [
        {
          sentence: `“${object.name}” has ${many(off.length, 'a bar', 'bars')} ${said(first.thick)} thick; the nearest weight in the rules is ${first.named.name}, ${said(first.named.value)}.`,
          objects: [object.id],
          spot: { at: first.at },
        },
      ]
    })
  },
}
