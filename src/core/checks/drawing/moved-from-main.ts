import { moveObject } from '../../drawing/edit/transform-object'
import { type Box, boxCentre } from '../../geometry/box'
import { pathBounds } from '../../geometry/path'
import type { Check } from '../check'
import { shownInk } from '../look/ink'
import { said } from '../look/seen'

/** Drawings whose sides differ in length by less than this show the same thing, in pixels of the master's grid. */
const SAME_SIZE = 1
/** A drawing that lies farther from where the main one lies jumps from size to size, in pixels of the master's grid. */
const FAR = 0.75

/** A master drawn by hand that lies elsewhere in its square than the main master does in its own. */
export const movedFromMain: Check = {
  id: 'moved-from-main',
  concerns: 'slips',
  word: 'lies elsewhere than the main master',
  severity: 'warning',
  find(checked) {
    const own = checked.main && pathBounds(shownInk(checked)),
      main = checked.main && pathBounds(shownInk({ ...checked, objects: checked.main }))
    if (!own || !main || !isAsLarge(own, main)) return []
    const at = boxCentre(own),
      to = boxCentre(main),
      away = Math.hypot(to.x - at.x, to.y - at.y)
    if (away <= FAR) return []
    // By whole pixels, so that what is crisp stays crisp.
    const by = { x: Math.round(to.x - at.x), y: Math.round(to.y - at.y) }
    const mends = (by.x !== 0 || by.y !== 0) && !checked.objects.some(({ locked }) => locked)
    return [
      {
        sentence: `The drawing lies ${said(away)} px from where the main master has it.`,
        objects: [],
        spot: { at, to },
        ...(mends && {
          mend: { kind: 'replace' as const, objects: checked.objects.map((object) => moveObject(object, by)) },
        }),
      },
    ]
  },
}

const isAsLarge = (a: Box, b: Box): boolean => Math.abs(a.w - b.w) < SAME_SIZE && Math.abs(a.h - b.h) < SAME_SIZE
