import type { ResolvedColour, ResolvedGradient, ResolvedPaint, ResolvedStroke } from '../drawing/model/resolved'
import { ellipse, type Path } from '../geometry/path'
import { compose, inverse, type Transform } from '../geometry/transform'
import type { Stroke } from '../outline/line-style'
import type { Colour, Paint } from '../raster/items'
import { pathData } from '../formats/path-data'
import { readPathData } from '../formats/path-reader'
import { type Ground, stated } from './picture'
import { linearEnds, type Round, radialCircle, roundOf } from './svg-paint'

/**
 * Rounds paths and paints to the numbers that a file states (three digits after the point), so that a proof has the pixels
 * of the file.
 */

const paths = new WeakMap<Path, Path>()

/** A path as its path data states it. */
export function precisePath(path: Path): Path {
  let known = paths.get(path)
  if (!known) paths.set(path, (known = newPath(path)))
  return known
}

function newPath(path: Path): Path {
  const round = roundOf(path)
  return round ? [roundPath(round)] : readPathData(pathData(path))
}

const roundPath = ({ centre, rx, ry }: Round): Path[number] =>
  ellipse({ x: stated(centre.x), y: stated(centre.y) }, stated(rx), stated(ry))

/** A stroke as its attributes state it. */
export const preciseStroke = ({ width, cap, join, miterLimit, dash, dashOffset }: ResolvedStroke): Stroke => ({
  width: stated(width),
  cap,
  join,
  miterLimit: join === 'miter' ? stated(miterLimit) : 4,
  ...(dash && { dash: dash.map(stated), dashOffset: stated(dashOffset ?? 0) }),
})

/** A paint on a ground as its attributes state it; `map` moves the painted shape. */
export const precisePaint = (paint: ResolvedPaint, ground: Ground, map: Transform): Paint =>
  'kind' in paint ? gradientPaint(paint, ground, map) : { kind: 'flat', colour: preciseColour(paint, ground) }

/** A colour on a ground; ink is black where the ground is not known. */
export function preciseColour({ light, dark, ink, opacity }: ResolvedColour, ground: Ground): Colour {
  if (ink && ground === 'current') return [0, 0, 0, statedOpacity(opacity)]
  const own = ground === 'dark' ? dark : light
  const part = (at: number) => Number.parseInt(own.slice(at, at + 2), 16) / 255
  return [
    part(1),
    part(3),
    part(5),
    statedOpacity(own.length === 9 ? (opacity * Number.parseInt(own.slice(7), 16)) / 255 : opacity),
  ]
}

export const statedOpacity = (opacity: number): number => (opacity < 1 ? stated(opacity) : 1)

function gradientPaint(gradient: ResolvedGradient, ground: Ground, map: Transform): Paint {
  const opacity = statedOpacity(gradient.opacity)
  const stops = gradient.stops.map(({ at, color }) => ({
    at: at > 0 ? stated(at) : 0,
    colour: preciseColour(color, ground),
  }))
  // A gradient of no length is its last colour (SVG 2 §14.2.2).
  const [r, g, b, a] = stops.at(-1)!.colour,
    last: Paint = { kind: 'flat', colour: [r, g, b, a * opacity] }
  if (gradient.kind === 'linear') {
    const { x1, y1, x2, y2 } = linearEnds(gradient),
      dx = x2 - x1,
      dy = y2 - y1
    if (dx === 0 && dy === 0) return last
    return { kind: 'linear', stops, opacity, map: inverse(compose(map, [dx, dy, -dy, dx, x1, y1])) }
  }
  const circle = radialCircle(gradient)
  if (circle?.r === 0) return last
  const {
    cx,
    cy,
    r: radius,
    fx,
    fy,
  } = circle ?? { cx: 0, cy: 0, r: 1, fx: stated(gradient.focus.x), fy: stated(gradient.focus.y) }
  const moved = circle ? map : compose(map, gradient.map.map(stated) as unknown as Transform)
  return {
    kind: 'radial',
    stops,
    opacity,
    map: inverse(compose(moved, [radius, 0, 0, radius, cx, cy])),
    focus: [(fx - cx) / radius, (fy - cy) / radius],
  }
}
