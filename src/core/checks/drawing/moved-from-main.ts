import { moveObject } from '../../drawing/objects/transform-object'
import type { Check } from '../check'
import { besideMain } from '../look/beside-main'
import { said } from '../look/seen'

/** A master drawn by hand that lies elsewhere in its square than the main master does in its own. */
export const movedFromMain: Check = {
  id: 'moved-from-main',
  concerns: 'slips',
  word: 'moved away from the main master',
  severity: 'warning',
  find(checked) {
    const moved = besideMain(checked)?.moved
    if (!moved) return []
    const { from, to } = moved
    // By whole pixels, which keeps crisp edges crisp.
    const by = { x: Math.round(to.x - from.x), y: Math.round(to.y - from.y) }
    const mends = (by.x !== 0 || by.y !== 0) && !checked.objects.some(({ locked }) => locked)
    return [
      {
        sentence: `The drawing lies ${said(Math.hypot(to.x - from.x, to.y - from.y))} px from where the main master has it.`,
        objects: [],
        spot: { at: from, to },
        ...(mends && {
          mend: { kind: 'replace' as const, objects: checked.objects.map((object) => moveObject(object, by)) },
        }),
      },
    ]
  },
}
