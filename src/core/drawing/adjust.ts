import { transformArc } from '../geometry/arc'
import { type Box, boxAround, boxUnion } from '../geometry/box'
import { pathBounds } from '../geometry/path'
import type { Point } from '../geometry/point'
import { tidy } from '../geometry/tidy'
import { apply, boxToBox, compose, rotation, type Transform, translation } from '../geometry/transform'
import { outline } from './evaluate'
import {
  changeFrame,
  type Frame,
  type FrameChange,
  framePoint,
  frameToFrame,
  isMirroring,
  transformFrame,
} from './frame'
import { transformPaint } from './gradient'
import { costOf, isExcessive } from './cost'
import { imagesOf, movedAxis } from './mirror'
import { type DrawingObject, type Framed, isContainer, isCornered, isFramed, isStyled, type Node } from './object'
import { isGradient } from './paint'
import { paintsOf, type Radius, type Style, withPaints } from './style'
import { transformText } from './text'
import { contourOf } from './nodes'
import type { NamedValues } from './values'

const applyTidy = (map: Transform, p: Point): Point => {
  const { x, y } = apply(map, p)
  return { x: tidy(x), y: tidy(y) }
}

/** An object under an affine map: its numbers change and its gradients go along, weights and radii stay. */
export function transformObject<T extends DrawingObject>(object: T, map: Transform): T
export function transformObject(object: DrawingObject, map: Transform): DrawingObject {
  return withMovedPaints(transformGeometry(object, map), map)
}

/** An object with its gradients where a map takes them. */
function withMovedPaints(object: DrawingObject, map: Transform): DrawingObject {
  if (!isStyled(object)) return object
  const style = withPaints(object.style, (paint) => transformPaint(paint, map))
  return style === object.style ? object : { ...object, style }
}

function transformGeometry(object: DrawingObject, map: Transform): DrawingObject {
  switch (object.kind) {
    case 'rectangle':
    case 'ellipse':
    case 'polygon':
    case 'arrow':
    case 'spiral': {
      const turned: Framed = isMirroring(map) ? turnedOver(object) : object
      return settled({ ...turned, ...transformFrame(turned, map) })
    }
    case 'line':
      return { ...object, from: applyTidy(map, object.from), to: applyTidy(map, object.to) }
    case 'text':
      return transformText(object, map)
    case 'path':
      return {
        ...object,
        contours: object.contours.map((run) => ({ ...run, nodes: run.nodes.map((node) => transformNode(node, map)) })),
        ...(object.regions && { regions: object.regions.map((p) => applyTidy(map, p)) }),
        ...(object.trace && { trace: { ...object.trace, points: object.trace.points.map((p) => applyTidy(map, p)) } }),
      }
    case 'group':
    case 'assembly':
      return { ...object, members: object.members.map((member) => transformObject(member, map)) }
    case 'mirror': {
      const { at, angle } = movedAxis(object, map)
      return {
        ...object,
        at: { x: tidy(at.x), y: tidy(at.y) },
        angle: tidy(angle),
        members: object.members.map((member) => transformObject(member, map)),
      }
    }
  }
}

/** A node under an affine map, with its handles and the arc that leaves it. */
function transformNode(node: Node, map: Transform): Node {
  const [a, b, c, d] = map
  const next: Node = { ...node, ...applyTidy(map, node) }
  if (a === 1 && b === 0 && c === 0 && d === 1) return next
  const linear: Transform = [a, b, c, d, 0, 0]
  if (node.in) next.in = applyTidy(linear, node.in)
  if (node.out) next.out = applyTidy(linear, node.out)
  if (node.arc) {
    const { rx, ry, turn = 0, large, sweep = false } = node.arc
    const arc = transformArc(
      {
        kind: 'arc',
        from: { x: 0, y: 0 },
        to: { x: 1, y: 0 },
        rx,
        ry,
        turn: (turn * Math.PI) / 180,
        large: false,
        sweep,
      },
      linear,
    )
    next.arc = {
      rx: tidy(arc.rx),
      ry: tidy(arc.ry),
      ...(arc.turn !== 0 && { turn: (arc.turn * 180) / Math.PI }),
      ...(large && { large }),
      ...(arc.sweep && { sweep: true as const }),
    }
  }
  return next
}

/** A shape turned over from left to right in its own frame. */
function turnedOver<T extends Framed>(object: T): T
function turnedOver(object: Framed): Framed {
  if (object.kind === 'rectangle' && object.corners) {
    const [a, b, c, d] = object.corners as [Radius, Radius, Radius, Radius]
    return { ...object, corners: [b, a, d, c] }
  }
  if (object.kind === 'ellipse' && object.from !== undefined && object.to !== undefined)
    return { ...object, from: upright(180 - object.to), to: upright(180 - object.from) }
  if (object.kind === 'arrow') {
    const { back, ...rest } = object
    return back ? rest : { ...rest, back: true }
  }
  if (object.kind === 'spiral') {
    const { flip, ...rest } = object
    return flip ? rest : { ...rest, flip: true }
  }
  return object
}

/** An angle in degrees between -180 and 360. */
const upright = (degrees: number): number => (degrees < -180 ? degrees + 360 : degrees > 360 ? degrees - 360 : degrees)

export const moveObject = <T extends DrawingObject>(object: T, by: Point): T =>
  transformObject(object, translation(by.x, by.y))

/**
 * The frame that an object's x, y, w, h and turn are read from: its own for boxes, the upright box around its nodes for
 * paths, around its members for containers. Strokes do not count.
 */
export function frameOf(object: DrawingObject, values: NamedValues): Frame {
  switch (object.kind) {
    case 'rectangle':
    case 'ellipse':
    case 'polygon':
    case 'arrow':
    case 'spiral':
      return object
    case 'line':
      return boxAround([object.from, object.to])!
    case 'text':
      return pathBounds(outline(object, values)) ?? { ...object.at, w: 0, h: 0 }
    case 'path':
      return pathBounds(object.contours.map(contourOf)) ?? boxAround(object.contours.flatMap((run) => run.nodes))!
    case 'group':
    case 'assembly':
      return boxUnion(object.members.map((member) => extent(member, values)))!
    case 'mirror':
      // Of images without number those that are drawn first: the members themselves.
      if (isExcessive(costOf(object))) return boxUnion(object.members.map((member) => extent(member, values)))!
      return boxUnion(
        imagesOf(object).flatMap((map) => object.members.map((member) => extent(transformObject(member, map), values))),
      )!
  }
}

/** The upright box of an object's geometry, turn and slant included. */
export function extent(object: DrawingObject, values: NamedValues): Box {
  const frame = frameOf(object, values)
  if (!frame.turn && !frame.skew && !isSmaller(object)) return frame
  return pathBounds(outline(object, values)) ?? frame
}

/** Whether a shape may be smaller than its frame: a part of an ellipse, a polygon, a spiral. */
const isSmaller = (object: DrawingObject): boolean =>
  (object.kind === 'ellipse' && object.from !== undefined) || object.kind === 'polygon' || object.kind === 'spiral'

/** The upright box around several objects; null around none. */
export function extentOf(objects: readonly DrawingObject[], values: NamedValues): Box | null {
  return boxUnion(objects.map((object) => extent(object, values)))
}

/**
 * The object with numbers typed for an anchor (a share of its frame). For paths and containers a turn is added to the
 * drawing.
 */
export function changeNumbers<T extends DrawingObject>(
  object: T,
  values: NamedValues,
  anchor: Point,
  change: FrameChange,
): T
export function changeNumbers(
  object: DrawingObject,
  values: NamedValues,
  anchor: Point,
  change: FrameChange,
): DrawingObject {
  const frame = frameOf(object, values)
  const next = changeFrame(frame, anchor, change)
  if (isFramed(object)) return withMovedPaints(settled({ ...object, ...next }), frameToFrame(frame, next))
  const upright: Frame = { ...next, turn: undefined }
  const scaling = boxToBox(frame, changeFrame(upright, anchor, framePoint(next, anchor)))
  return transformObject(object, next.turn ? compose(rotation(next.turn, framePoint(next, anchor)), scaling) : scaling)
}

/** Several objects from one upright box to another. */
export function fitObjects(objects: readonly DrawingObject[], from: Box, to: Box): DrawingObject[] {
  const map = boxToBox(from, to)
  return objects.map((object) => transformObject(object, map))
}

/** An object with the weights and corners that are numbers of its own scaled; those from the rules stay. */
export function scaleOwn<T extends DrawingObject>(object: T, by: number): T
export function scaleOwn(object: DrawingObject, by: number): DrawingObject {
  const scaled = <V extends string | number | undefined>(value: V): V =>
    (typeof value === 'number' ? tidy(value * by) : value) as V
  if (isContainer(object)) {
    const members = object.members.map((member) => scaleOwn(member, by))
    return object.kind === 'assembly'
      ? { ...object, style: scaledStyle(object.style, by), members }
      : { ...object, members }
  }
  const next = { ...object, style: scaledStyle(object.style, by) }
  if (isCornered(next)) next.corner = scaled(next.corner)
  if (next.kind === 'rectangle' && next.corners) next.corners = next.corners.map(scaled)
  if (next.kind === 'path')
    next.contours = next.contours.map((run) => ({
      ...run,
      nodes: run.nodes.map((node) => (node.corner === undefined ? node : { ...node, corner: scaled(node.corner) })),
    }))
  return next
}

/** A style with a weight of its own, and the dashes along with it, scaled. */
function scaledStyle(style: Style, by: number): Style {
  if (typeof style.weight === 'string') return style
  return {
    ...style,
    weight: tidy(style.weight * by),
    ...(style.dash && { dash: style.dash.map((length) => tidy(length * by)) }),
    ...(style.dashOffset !== undefined && { dashOffset: tidy(style.dashOffset * by) }),
  }
}

/** Every named value an object itself refers to, its members left aside, by the kind of value. */
export function* namesUsed(
  object: DrawingObject,
): Generator<{ kind: 'weight' | 'radius' | 'swatch' | 'gradient'; name: string }> {
  if (!isStyled(object)) return
  const { weight } = object.style
  if (typeof weight === 'string') yield { kind: 'weight', name: weight }
  for (const paint of paintsOf(object.style)) {
    if (!isGradient(paint)) yield* swatchOf(paint)
    else if (typeof paint.stops === 'string') yield { kind: 'gradient', name: paint.stops }
    else for (const { color } of paint.stops) yield* swatchOf(color)
  }
  if (isCornered(object) && typeof object.corner === 'string') yield { kind: 'radius', name: object.corner }
  if (object.kind === 'rectangle')
    for (const corner of object.corners ?? []) if (typeof corner === 'string') yield { kind: 'radius', name: corner }
  const nodes =
    object.kind === 'path'
      ? object.contours.flatMap((run) => run.nodes)
      : object.kind === 'polygon'
        ? (object.side?.nodes ?? [])
        : []
  for (const { corner } of nodes) if (typeof corner === 'string') yield { kind: 'radius', name: corner }
}

function* swatchOf(color: string): Generator<{ kind: 'swatch'; name: string }> {
  if (color !== 'none' && !color.startsWith('#')) yield { kind: 'swatch', name: color }
}

/**
 * Numbers without noise, and optional ones that came out as undefined left out, so that equal drawings are written
 * alike.
 */
function settled<T extends Framed>(object: T): T {
  const copy = { ...object, x: tidy(object.x), y: tidy(object.y), w: tidy(object.w), h: tidy(object.h) }
  if (copy.turn === undefined) delete copy.turn
  if (copy.skew === undefined) delete copy.skew
  return copy
}
