import { kindOf } from '../../drawing/objects/object'
import type { Check } from '../check'
import { shownInk } from '../look/ink'
import { scaled } from '../look/reach'
import { said } from '../look/seen'
import { OVER } from '../look/tolerance'

/** Ink outside the safe zone, which some platforms cut away. */
export const crossesSafeZone: Check = {
  id: 'crosses-safe-zone',
  concerns: 'size',
  isLoss: true,
  limit: 'safeZone',
  isSeen: true,
  word: 'crosses the safe zone',
  severity: 'warning',
  find(checked) {
    const { rules, objects } = checked
    if (!rules.safeZone) return []
    const c = rules.grid.size / 2,
      r = rules.safeZone / 2
    const front = objects.filter((object) => kindOf(object).stands !== 'ground')
    const far = shownInk({ ...checked, objects: front })
      .flatMap(({ segments }) => segments.map(({ from }) => from))
      .reduce<{ away: number; at: { x: number; y: number } } | null>((best, at) => {
        const away = Math.hypot(at.x - c, at.y - c)
        return best && best.away >= away ? best : { away, at }
      }, null)
    if (!far || far.away <= r + (OVER * rules.grid.size) / 24) return []
    return [
      {
        sentence: `The drawing passes the safe zone by ${said(far.away - r)}.`,
        objects: [],
        spot: { at: far.at },
        ...scaled(checked, r / far.away, front),
      },
    ]
  },
}
