import { type Box, boxCentre } from '../../geometry/box'
import { distinct } from './coordinates'
import type { Figure } from './figure'
import type { Original } from './fit-losses'
import { AXES, type Axis, type Mark, type Marks } from './mark'
import { drawing, imagesAmong } from './mirrored'
import { NEAR } from './weights'

/** Coordinates of the set's grid in pairs of mirror images, one list for each symmetric contour or pair of contours. */
export type MirrorMarks = Record<Axis, (readonly (readonly [number, number])[])[]>

/** The coordinates that draw the symmetric contours of a drawing, and its contours that are mirror images of each other. */
export function mirrorMarks(figure: Figure, marks: Marks, { outlines, pairs }: Original): MirrorMarks {
  const found: MirrorMarks = { x: [], y: [] }
  const imagesIn = (axis: Axis, along: ReturnType<typeof drawing>, box: Box) =>
    imagesAmong(figure.spots, along, axis, box).map(([p, q]) => [p.was[axis], q.was[axis]] as const)
  for (const { contour, isEven, box } of outlines) {
    if (!isEven.x && !isEven.y) continue
    const along = drawing(contour, box, figure)
    for (const axis of AXES) if (isEven[axis]) found[axis].push(imagesIn(axis, along, box))
  }
  const sidesIn = (axis: Axis, one: Outline, other: Outline, sides: readonly (0 | 1)[]) => {
    const [a, b] = [sidesOf(one.box, axis), sidesOf(other.box, axis)],
      isInk = one.swept > 0
    return sides.flatMap((side) => {
      const low = seenAt(marks.marks[axis], a[side], side === 0, isInk),
        high = seenAt(marks.marks[axis], b[1 - side]!, side === 1, isInk)
      return low !== null && high !== null ? [[low, high] as const] : []
    })
  }
  const sides: Record<Axis, { readonly line: number; readonly pairs: readonly (readonly [number, number])[] }[]> = {
    x: [],
    y: [],
  }
  for (const { axis, one, other, box } of pairs) {
    const along = new Set([one, other].flatMap((each) => [...drawing(each.contour, each.box, figure)]))
    const own = sidesIn(axis, one, other, [0, 1])
    found[axis].push([...imagesIn(axis, along, box), ...own])
    sides[axis].push({ line: boxCentre(box)[axis], pairs: own })
  }
  // Contours that share a line of symmetry keep one line.
  for (const axis of AXES) {
    for (const one of outlines)
      if (one.isEven[axis]) sides[axis].push({ line: boxCentre(one.box)[axis], pairs: sidesIn(axis, one, one, [0]) })
    const lines = distinct(
      sides[axis].map(({ line }) => line),
      NEAR,
    )
    for (const line of lines)
      found[axis].push(sides[axis].filter((one) => Math.abs(one.line - line) <= NEAR).flatMap(({ pairs }) => pairs))
  }
  return found
}

type Outline = Original['outlines'][number]

const sidesOf = ({ x, y, w, h }: Box, axis: Axis): readonly [number, number] => (axis === 'x' ? [x, x + w] : [y, y + h])

/** The coordinate whose edge is the side of a contour; `isLow`: its side of smaller coordinates, `isInk`: ink is inside. */
function seenAt(marks: readonly Mark[], side: number, isLow: boolean, isInk: boolean): number | null {
  for (const { at, before, after, edges } of marks) {
    if (edges.length === 0) continue
    // Ink inside begins before the coordinate at the low side; a counter begins after it.
    const reach = isLow === isInk ? before : after
    if (reach && Math.abs(at + (isLow === isInk ? -reach.was : reach.was) - side) < NEAR) return at
  }
  return null
}
