import { type Fitting, fittedPlace, type Row, STAYING } from '../../drawing/model/fitting'
import { laidNodes } from '../../drawing/objects/laid-nodes'
import {
  cornerRadius,
  isShared,
  keepsMiddle,
  roundedCorner,
  roundStretches,
  wholeRadius,
} from '../../drawing/kinds/path/fitted-run'
import type { WithStyle } from '../../drawing/model/traits'
import type { NodeRun } from '../../drawing/model/node'
import { contourOf } from '../../drawing/model/nodes'
import { type DrawingObject, type Framed, isContainer, isFramed, isStyled, kindOf } from '../../drawing/objects/object'
import type { Scene } from '../../drawing/scene/scene'
import { styleOf } from '../../drawing/scene/shared-style'
import { evaluate } from '../../drawing/evaluate/evaluate'
import { boxCentre } from '../../geometry/box'
import { segmentCount } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import { type Segment, transformSegment } from '../../geometry/segment'
import { apply, type Transform } from '../../geometry/transform'
import { anchorOf, nameOf } from './anchor'
import { numbersIn } from './copies'
import { constant, type Form, type Spot, sumOf, unknown } from './form'
import type { Axis, Length } from './mark'

/** A stretch of an outline between two spots; `half` is half the stroke along it, null where it has none. */
export type Stretch = {
  readonly segment: Segment
  readonly from: Spot
  readonly to: Spot
  readonly half: Length | null
  /** Which run it is of: what joins within one run is not a contact. */
  readonly run: number
}

/** A circle, or most of one. */
export type Circle = {
  readonly centre: Spot
  readonly r: Form
  readonly was: number
  readonly half: Length | null
  readonly run: number
}

/** A drawing as relations see it: places, stretches and circles, by unknowns. */
export type Figure = {
  readonly spots: readonly Spot[]
  readonly stretches: readonly Stretch[]
  readonly circles: readonly Circle[]
  /** Stretches of one run that follow each other. */
  readonly joints: readonly (readonly [Stretch, Stretch])[]
  /** Two forms of one place, which are to be equal. */
  readonly same: readonly (readonly [Form, Form])[]
  /** Where the unknowns are to begin with. */
  readonly values: readonly number[]
  /** The place that a point is by an unknown of its own; null where it has none. */
  readonly freeAt: (p: Point) => Spot | null
  /** The radius of a circle, by its centre and its old radius. */
  readonly radiusAt: (centre: Point, r: number) => Form | null
}

/** How many segments something may have that moves as a whole, to be looked at for what touches it. */
const MOST_OF_ONE = 200

const keyOf = ({ x, y }: Point): string => `${Math.round(x * 1e4)},${Math.round(y * 1e4)}`
const radiusKey = (centre: Point, r: number): string => `${keyOf(centre)} ${Math.round(r * 1e4)}`

/** The figure of a drawing. `to` maps coordinates to the other grid, `scenes` are those of both grids. */
export function figureOf(
  objects: readonly DrawingObject[],
  scenes: { readonly from: Scene; readonly to: Scene },
  to: Fitting,
): Figure {
  const values: number[] = []
  const free = new Map<string, Spot>(),
    radii = new Map<string, Form>()
  const spots: Spot[] = [],
    stretches: Stretch[] = [],
    circles: Circle[] = [],
    joints: [Stretch, Stretch][] = [],
    same: [Form, Form][] = []
  let runs = 0

  const begin = (value: number): Form => unknown(values.push(value) - 1)

  function spotAt(was: Point): Spot {
    const key = keyOf(was)
    let spot = free.get(key)
    if (!spot) {
      const place = fittedPlace(was, to)
      free.set(key, (spot = { was, x: begin(place.x), y: begin(place.y) }))
      spots.push(spot)
    }
    return spot
  }

  /** A place that hangs on others; where another object has it too, both are one. */
  function hung(was: Point, x: Form, y: Form): Spot {
    const spot = { was, x, y }
    const known = free.get(keyOf(was))
    if (known) same.push([known.x, x], [known.y, y])
    else spots.push(spot)
    return spot
  }

  function radiusOf(centre: Point, r: number): Form {
    const key = radiusKey(centre, r)
    let form = radii.get(key)
    if (!form) radii.set(key, (form = begin(wholeRadius(centre, r, to))))
    return form
  }

  function gather(object: DrawingObject): void {
    if (object.hidden) return
    const { fills, fitting } = kindOf(object),
      { fit, mirror, middle: middleOf } = fitting
    if (!fit || fit(object, STAYING) === null) return asAWhole(object)
    if (isContainer(object)) {
      const line = mirror?.(object),
        middle = line && middleOf?.(object)
      const first = { spots: spots.length, stretches: stretches.length, circles: circles.length }
      for (const member of object.members) gather(member)
      if (line && middle) imaged(line.axis, spotAt(middle), first)
      const copies = fitting.rows?.(object)
      if (copies) copied(copies.from, copies.rows, first)
      return
    }
    const half = isStyled(object) ? halfOf(object) : null
    if (isFramed(object) && fills) framed(object, fills === 'ellipse', half)
    for (const run of laidNodes(object)) laid(run, half)
  }

  function halfOf(object: DrawingObject & WithStyle): Length | null {
    const { stroke, weight } = styleOf(object, scenes.from)
    if (stroke === 'none') return null
    return {
      was: scenes.from.weight(weight) / 2,
      is: (typeof weight === 'string' ? scenes.to.weight(weight) : weight * to.scale) / 2,
    }
  }

  /** Adds mirror images, across a horizontal or vertical line, of all places gathered since `first`. */
  function imaged(axis: Axis, line: Spot, first: { spots: number; stretches: number; circles: number }): void {
    const over = (form: Form) =>
      sumOf([
        [2, line[axis]],
        [-1, form],
      ])
    const map: Transform = axis === 'x' ? [-1, 0, 0, 1, 2 * line.was.x, 0] : [1, 0, 0, -1, 0, 2 * line.was.y]
    const images = new Map<Spot, Spot>()
    const imageOf = (spot: Spot): Spot => {
      let image = images.get(spot)
      if (!image) {
        const was = apply(map, spot.was)
        const isOnLine = Math.abs(was[axis] - spot.was[axis]) < 1e-6
        if (isOnLine) same.push([spot[axis], line[axis]])
        image = isOnLine ? spot : hung(was, axis === 'x' ? over(spot.x) : spot.x, axis === 'y' ? over(spot.y) : spot.y)
        images.set(spot, image)
      }
      return image
    }
    for (const spot of spots.slice(first.spots)) imageOf(spot)
    const run = runs++
    for (const one of stretches.slice(first.stretches))
      stretches.push({
        ...one,
        segment: transformSegment(one.segment, map),
        from: imageOf(one.from),
        to: imageOf(one.to),
        run,
      })
    for (const one of circles.slice(first.circles)) circles.push({ ...one, centre: imageOf(one.centre), run })
  }

  /** Adds the copies of all places gathered since `first`. The last copy of each row has a place of its own; the others lie evenly before it. */
  function copied(
    from: Point,
    rows: readonly Row[],
    first: { spots: number; stretches: number; circles: number },
  ): void {
    const begin = spotAt(from)
    const own = {
      spots: spots.slice(first.spots),
      stretches: stretches.slice(first.stretches),
      circles: circles.slice(first.circles),
    }
    const ends = rows.map(({ count, step }) =>
      count < 2 ? null : spotAt({ x: from.x + (count - 1) * step.x, y: from.y + (count - 1) * step.y }),
    )
    for (const at of numbersIn(rows).slice(1)) {
      const by = rows.reduce((sum, { step }, k) => ({ x: sum.x + at[k]! * step.x, y: sum.y + at[k]! * step.y }), {
        x: 0,
        y: 0,
      })
      const images = new Map<Spot, Spot>()
      const moved = (spot: Spot, axis: Axis): Form =>
        sumOf([
          [1, spot[axis]],
          ...rows.flatMap(({ count }, k): [number, Form][] => {
            const share = count < 2 ? 0 : at[k]! / (count - 1)
            return share === 0
              ? []
              : [
                  [share, ends[k]![axis]],
                  [-share, begin[axis]],
                ]
          }),
        ])
      const imageOf = (spot: Spot): Spot => {
        let image = images.get(spot)
        if (!image) {
          image = hung({ x: spot.was.x + by.x, y: spot.was.y + by.y }, moved(spot, 'x'), moved(spot, 'y'))
          images.set(spot, image)
        }
        return image
      }
      for (const spot of own.spots) imageOf(spot)
      const run = runs++
      for (const one of own.stretches)
        stretches.push({
          ...one,
          segment: transformSegment(one.segment, [1, 0, 0, 1, by.x, by.y]),
          from: imageOf(one.from),
          to: imageOf(one.to),
          run,
        })
      for (const one of own.circles) circles.push({ ...one, centre: imageOf(one.centre), run })
    }
  }

  /** What moves as a whole: all of its outline goes with the place that it is held at. */
  function asAWhole(object: DrawingObject): void {
    const { x, y } = anchorOf(object, scenes.from)
    const shapes = evaluate(object, scenes.from)
    const held = spotAt({ x: x.at, y: y.at })
    if (shapes.reduce((sum, { path }) => sum + segmentCount(path), 0) > MOST_OF_ONE) return
    const run = runs++
    const going = (p: Point): Spot => ({
      was: p,
      x: sumOf([
        [1, held.x],
        [1, constant((p.x - x.at) * to.scale)],
      ]),
      y: sumOf([
        [1, held.y],
        [1, constant((p.y - y.at) * to.scale)],
      ]),
    })
    for (const { path, stroke } of shapes)
      for (const { segments } of path)
        for (const segment of segments) {
          const half = stroke && { was: stroke.width / 2, is: weightOf(stroke.width) / 2 }
          stretches.push({ segment, from: going(segment.from), to: going(segment.to), half: half || null, run })
        }
  }

  /** What a width of the set's grid is on the other grid: that of the weight that it is, else in proportion. */
  function weightOf(width: number): number {
    const name = nameOf(width, scenes.from)
    return name === undefined ? width * to.scale : scenes.to.weight(name)
  }

  /** An upright frame by two of its corners; a circle by them too. */
  function framed(object: Framed, isRound: boolean, half: Length | null): void {
    const { x, y, w, h } = object
    const a = spotAt({ x, y }),
      c = spotAt({ x: x + w, y: y + h })
    const run = runs++
    if (Math.abs(w - h) < 1e-9)
      same.push([
        sumOf([
          [1, c.x],
          [-1, a.x],
        ]),
        sumOf([
          [1, c.y],
          [-1, a.y],
        ]),
      ])
    if (isRound) {
      const middle = (p: Form, q: Form) =>
        sumOf([
          [0.5, p],
          [0.5, q],
        ])
      const centre = hung(boxCentre(object), middle(a.x, c.x), middle(a.y, c.y))
      if (Math.abs(w - h) < 1e-9)
        circles.push({
          centre,
          r: sumOf([
            [0.5, c.x],
            [-0.5, a.x],
          ]),
          was: w / 2,
          half,
          run,
        })
      return
    }
    const b = hung({ x: x + w, y }, c.x, a.y),
      d = hung({ x, y: y + h }, a.x, c.y)
    const corners = [a, b, c, d]
    corners.forEach((from, i) => {
      const next = corners[(i + 1) % 4]!
      stretches.push({ segment: { kind: 'line', from: from.was, to: next.was }, from, to: next, half, run })
    })
  }

  function laid(run: NodeRun, half: Length | null): void {
    const { nodes, closed } = run
    const places: (Spot | null)[] = nodes.map(() => null)
    const number = runs++
    const rounds = roundStretches(run)
    for (const round of rounds.filter(keepsMiddle)) {
      const centre = spotAt(round.centre),
        r = radiusOf(round.centre, round.r)
      circles.push({ centre, r, was: round.r, half, run: number })
      for (let k = 0; k <= round.count; k++) {
        const node = (round.at + k) % nodes.length
        const { x, y } = nodes[node]!
        places[node] = hung(
          { x, y },
          sumOf([
            [1, centre.x],
            [(x - round.centre.x) / round.r, r],
          ]),
          sumOf([
            [1, centre.y],
            [(y - round.centre.y) / round.r, r],
          ]),
        )
      }
    }
    for (const round of rounds) {
      const corner = keepsMiddle(round) ? null : roundedCorner(run, round)
      const ends = [round.at, (round.at + 1) % nodes.length]
      if (!corner || ends.some((end) => isShared(end, rounds, nodes.length))) continue
      const k = spotAt(corner)
      const small = cornerRadius(round.r, to.scale)
      for (const end of ends) {
        const { x, y } = nodes[end]!
        places[end] = hung(
          { x, y },
          sumOf([
            [1, k.x],
            [1, constant(Math.abs(x - corner.x) < 1e-3 ? 0 : Math.sign(x - corner.x) * small)],
          ]),
          sumOf([
            [1, k.y],
            [1, constant(Math.abs(y - corner.y) < 1e-3 ? 0 : Math.sign(y - corner.y) * small)],
          ]),
        )
      }
    }
    const all = nodes.map((node, i) => places[i] ?? spotAt({ x: node.x, y: node.y }))
    const own = contourOf(run).segments.map((segment, i): Stretch => {
      return { segment, from: all[i]!, to: all[(i + 1) % nodes.length]!, half, run: number }
    })
    stretches.push(...own)
    own.forEach((one, i) => {
      const next = own[i + 1] ?? (closed ? own[0] : undefined)
      if (next && next !== one) joints.push([one, next])
    })
  }

  for (const object of objects) gather(object)
  return {
    spots,
    stretches,
    circles,
    joints,
    same,
    values,
    freeAt: (p) => free.get(keyOf(p)) ?? null,
    radiusAt: (centre, r) => radii.get(radiusKey(centre, r)) ?? null,
  }
}
