import { type Box, boxCentre } from '../../geometry/box'
import { type Path, pathBounds } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import type { Checked } from '../check'
import { shownInk } from './ink'

/** Drawings whose sides differ in length by less than this show the same thing, in pixels of the master's grid. */
const SAME_SIZE = 1
/** A drawing that lies farther from where the main one lies jumps from size to size, in pixels of the master's grid. */
const FAR = 0.75

/**
 * The ink of a master drawn by hand, and of the drawing derived from the main master for its grid; null without a main
 * master.
 */
export function besideMain(checked: Checked): {
  readonly own: Path
  readonly main: Path
  /** From the middle of this one to that of the main one, where both are as large and lie apart. */
  readonly moved: { readonly from: Point; readonly to: Point } | null
} | null {
  if (!checked.main) return null
  const own = shownInk(checked),
    main = shownInk({ ...checked, objects: checked.main })
  const box = pathBounds(own),
    mainBox = pathBounds(main)
  if (!box || !mainBox) return null
  const from = boxCentre(box),
    to = boxCentre(mainBox)
  const isMoved = isAsLarge(box, mainBox) && Math.hypot(to.x - from.x, to.y - from.y) > FAR
  return { own, main, moved: isMoved ? { from, to } : null }
}

const isAsLarge = (a: Box, b: Box): boolean => Math.abs(a.w - b.w) < SAME_SIZE && Math.abs(a.h - b.h) < SAME_SIZE
