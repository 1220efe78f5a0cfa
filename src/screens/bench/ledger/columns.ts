import { distance } from '@/core/geometry/point'
import { tidy } from '@/core/geometry/tidy'
import { frameOf } from '@/core/drawing/adjust'
import { framePoint } from '@/core/drawing/frame'
import { type DrawingObject, type Ellipse, isCornered, isStyled, type LineObject } from '@/core/drawing/object'
import type { CornerStyle, Radius, Style } from '@/core/drawing/style'
import type { NamedValues } from '@/core/drawing/values'
import type { Point } from '@/core/geometry/point'
import { SEVERAL } from './value-cell'

/** The numbers of a row, read at an anchor. */
export type RowNumbers = {
  readonly x: number
  readonly y: number
  readonly w: number
  readonly h: number
  readonly turn: number
}

export function numbersOf(object: DrawingObject, values: NamedValues, anchor: Point): RowNumbers {
  const frame = frameOf(object, values)
  const { x, y } = framePoint(frame, anchor)
  return { x, y, w: frame.w, h: frame.h, turn: frame.turn ?? 0 }
}

/** The corner of an object that has one. */
export const cornerOf = (object: DrawingObject): Radius | undefined => (isCornered(object) ? object.corner : undefined)

export const withCorner = (object: DrawingObject, corner: Radius): DrawingObject =>
  isCornered(object) ? { ...object, corner } : object

export const cornerStyleOf = (object: DrawingObject): CornerStyle | undefined =>
  isCornered(object) ? (object.cornerStyle ?? 'round') : undefined

export function withCornerStyle(object: DrawingObject, cornerStyle: CornerStyle): DrawingObject {
  if (!isCornered(object)) return object
  const { cornerStyle: _, ...rest } = object
  return (cornerStyle === 'round' ? rest : { ...rest, cornerStyle }) as DrawingObject
}

export function withStyle(object: DrawingObject, change: Partial<Style>): DrawingObject {
  if (!isStyled(object)) return object
  const style = { ...object.style, ...change }
  if (style.cap === undefined) delete style.cap
  if (style.join === undefined) delete style.join
  return { ...object, style }
}

/** What several objects have in common: the value, `SEVERAL` where they differ, undefined where none has it. */
export function common<T>(
  objects: readonly DrawingObject[],
  read: (object: DrawingObject) => T | undefined,
): T | undefined | typeof SEVERAL {
  const values = objects.map(read).filter((value) => value !== undefined)
  if (values.length === 0) return undefined
  const first = JSON.stringify(values[0])
  return values.every((value) => value === values[0] || JSON.stringify(value) === first) ? values[0] : SEVERAL
}

/** The length and the angle (degrees, anticlockwise from the right) of a line. */
export function lineNumbers({ from, to }: LineObject): { length: number; angle: number } {
  return { length: distance(from, to), angle: (Math.atan2(from.y - to.y, to.x - from.x) * 180) / Math.PI + 0 }
}

/** The line with another length or angle; its first end stays. */
export function withLineNumbers(line: LineObject, change: { length?: number; angle?: number }): LineObject {
  const { length, angle } = { ...lineNumbers(line), ...change }
  const radians = (angle * Math.PI) / 180
  return {
    ...line,
    to: { x: tidy(line.from.x + length * Math.cos(radians)), y: tidy(line.from.y - length * Math.sin(radians)) },
  }
}

/**
 * An ellipse with another part of it drawn: how it is cut, from where to where (degrees), how much of it is a hole (a
 * share).
 */
export function withEllipsePart(
  object: Ellipse,
  change: { cut?: 'whole' | 'pie' | 'chord' | 'open'; from?: number; to?: number; hole?: number },
): Ellipse {
  const { from = 0, to = 270, cut, hole, ...rest } = { ...object, ...change }
  const kept: Ellipse = { ...rest, ...(hole && { hole }) } as Ellipse
  const isPart = change.cut ? change.cut !== 'whole' : object.from !== undefined
  return isPart ? { ...kept, from, to, cut: cut === undefined || cut === 'whole' ? 'pie' : cut } : kept
}
