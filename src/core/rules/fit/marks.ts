import { type Row, STAYING } from '../../drawing/model/fitting'
import { frameCorners } from '../../drawing/model/frame'
import type { WithStyle } from '../../drawing/model/traits'
import {
  type Container,
  type DrawingObject,
  type Framed,
  isContainer,
  isCornered,
  isFramed,
  isStyled,
  kindOf,
} from '../../drawing/objects/object'
import { laidNodes } from '../../drawing/objects/laid-nodes'
import type { Scene } from '../../drawing/scene/scene'
import { styleOf } from '../../drawing/scene/shared-style'
import { walk } from '../../drawing/objects/tree'
import { boxCentre } from '../../geometry/box'
import type { Point } from '../../geometry/point'
import { anchorOf } from './anchor'
import { offsetsOf } from './copies'
import { distinct, SAME } from './coordinates'
import { across, AXES, type Axis, EVEN, markAt, type Marks, noMarks, type Paint, STRONG } from './mark'
import { areaOf, roundMarks, runMarks } from './outline-marks'

/** What the objects of a drawing are fitted by; `scenes` those of the set's grid and of the other, `scale` between them. */
export function marksOf(
  objects: readonly DrawingObject[],
  scenes: { readonly from: Scene; readonly to: Scene },
  scale: number,
): Marks {
  const found = noMarks()
  const middles: Point[] = []
  for (const object of objects) gather(object, null, found)
  concentric()
  return found

  function gather(object: DrawingObject, paint: Paint | null, into: Marks): void {
    if (object.hidden) return
    const { combines, fitting } = kindOf(object)
    if (!fitting.fit || fitting.fit(object, STAYING) === null) return anchored(object, into)
    const own = isStyled(object) ? paintOf(object) : null
    if (isContainer(object)) {
      const mirror = fitting.mirror?.(object)
      if (mirror) return imaged(object, mirror, paint, into)
      const copies = fitting.rows?.(object)
      if (copies) return repeated(object, copies.rows, paint, into)
      for (const member of object.members)
        gather(member, combines ? { ...own!, isCut: member.role === 'cuts' } : paint, into)
      return
    }
    const isOpen = laidNodes(object).some(({ closed }) => !closed)
    const painted = paint && !isOpen && object.by !== 'ink' ? paint : (own ?? paint)
    if (!painted) return
    drawn(object, painted, into)
  }

  function paintOf(object: DrawingObject & WithStyle): Paint {
    const style = styleOf(object, scenes.from)
    const { weight } = style
    return {
      stroke:
        style.stroke === 'none'
          ? null
          : {
              was: scenes.from.weight(weight),
              is: typeof weight === 'string' ? scenes.to.weight(weight) : weight * scale,
            },
      side: style.side ?? 'centre',
      cap: style.cap ?? scenes.from.cap,
      fills: style.fill !== 'none',
      isCut: false,
    }
  }

  function drawn(object: DrawingObject, paint: Paint, into: Marks): void {
    const { fills } = kindOf(object)
    if (isFramed(object) && fills) {
      middles.push(boxCentre(object))
      if (fills === 'ellipse') roundMarks(boxCentre(object), object.w / 2, object.h / 2, null, paint, into)
      else along(object, paint, into)
    }
    const runs = laidNodes(object)
    const main = runs.map(areaOf).reduce((most, one) => (Math.abs(one) > Math.abs(most) ? one : most), 0)
    for (const run of runs) runMarks(run, Math.sign(main) || 1, paint, into)
  }

  /** The straight sides of a frame. */
  function along(object: Framed, paint: Paint, into: Marks): void {
    const corner = isCornered(object) ? scenes.from.radius(object.corner) : 0
    const nodes = frameCorners(object)
    runMarks({ closed: true, nodes }, 1, paint, into, 2 * corner)
    if (Math.abs(object.w - object.h) < 1e-9)
      into.squares.push({ x: [object.x, object.x + object.w], y: [object.y, object.y + object.h], weight: EVEN })
  }

  /**
   * An object that is fitted as a whole is anchored at its longest straight edge along each axis, or else at its
   * centre.
   */
  function anchored(object: DrawingObject, into: Marks): void {
    const anchor = anchorOf(object, scenes.from)
    for (const axis of AXES) {
      const { at, length, weight } = anchor[axis]
      const named = typeof weight === 'string' ? scenes.to.weight(weight) : weight * scale
      const edges = length === 0 ? [] : named > 0 ? [-named / 2, named / 2] : [0]
      const beside = anchor[across(axis)].at
      into.marks[axis].push({ ...markAt(at, beside, beside, 0, 0, null), length, edges })
    }
  }

  /** Members, and their images across a level or plumb line. */
  function imaged(
    object: Container,
    { axis, at: middle }: { readonly axis: Axis; readonly at: number },
    paint: Paint | null,
    into: Marks,
  ): void {
    const own = noMarks()
    for (const member of object.members) gather(member, paint, own)
    const over = (value: number) => 2 * middle - value
    into.marks[axis].push(...own.marks[axis], markAt(middle, 0, 0, 0, 0, null))
    into.marks[across(axis)].push(...own.marks[across(axis)])
    for (const other of AXES) into.middles[other].push(...own.middles[other])
    into.squares.push(...own.squares)
    for (const one of own.marks[axis]) {
      if (Math.abs(one.at - middle) > 1e-3)
        into.middles[axis].push({ a: one.at, b: over(one.at), middle, weight: STRONG })
      into.marks[axis].push({
        ...one,
        at: over(one.at),
        edges: one.edges.map((edge) => -edge),
        before: one.after,
        after: one.before,
        reach: [one.reach[1], one.reach[0]],
      })
    }
    for (const one of own.marks[across(axis)])
      into.marks[across(axis)].push({ ...one, from: over(one.to), to: over(one.from) })
  }

  /** Members, and their copies in rows. */
  function repeated(object: Container, rows: readonly Row[], paint: Paint | null, into: Marks): void {
    const own = noMarks()
    for (const member of object.members) gather(member, paint, own)
    into.squares.push(...own.squares)
    for (const axis of AXES) into.rows[axis].push(...own.rows[axis])
    for (const by of offsetsOf(rows))
      for (const axis of AXES) {
        const along = by[across(axis)]
        for (const one of own.marks[axis])
          into.marks[axis].push({ ...one, at: one.at + by[axis], from: one.from + along, to: one.to + along })
        for (const { a, b, middle, weight } of own.middles[axis])
          into.middles[axis].push({ a: a + by[axis], b: b + by[axis], middle: middle + by[axis], weight })
      }
    for (const { count, step } of rows)
      for (const axis of AXES) {
        if (count < 2 || Math.abs(step[axis]) < 1e-6) continue
        const places = distinct(
          own.marks[axis].map(({ at }) => at),
          SAME,
        )
        into.rows[axis].push(places.map((at) => Array.from({ length: count }, (_, i) => at + i * step[axis])))
      }
  }

  /** Rectangles whose middle is that of something else keep it. */
  function concentric(): void {
    const rectangles = [...walk(objects)]
      .map(({ object }) => object)
      .filter((one): one is Framed => isFramed(one) && kindOf(one).fills === 'sides' && !one.turn && !one.skew)
    for (const one of rectangles) {
      const centre = boxCentre(one)
      for (const axis of AXES) {
        const others = middles.filter((other) => Math.abs(other[axis] - centre[axis]) < 1e-3)
        if (others.length < 2) continue
        const size = axis === 'x' ? one.w : one.h
        found.marks[axis].push(markAt(centre[axis], 0, 0, 0, 0, null))
        found.middles[axis].push({
          a: centre[axis] - size / 2,
          b: centre[axis] + size / 2,
          middle: centre[axis],
          weight: EVEN,
        })
      }
    }
  }
}
