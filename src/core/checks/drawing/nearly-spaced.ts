import { moveObject } from '../../drawing/objects/transform-object'
import { type Framed, isFramed } from '../../drawing/objects/object'
import type { Check } from '../check'
import type { Found } from '../snag'
import { isNearly } from '../look/circles'
import { replacing, said, type Seen, seenIn } from '../look/seen'
import { SAME } from '../look/tolerance'

type Piece = Seen & { readonly object: Framed }

/** Like pieces in a row whose gaps are nearly equal. */
export const nearlySpaced: Check = {
  id: 'nearly-spaced',
  concerns: 'slips',
  word: 'nearly equal spacing',
  severity: 'warning',
  find({ objects, rules }) {
    const unit = rules.grid.size / 24
    const pieces = seenIn(objects).filter((one): one is Piece => isFramed(one.object) && !one.object.turn)
    return (['x', 'y'] as const).flatMap((axis): Found[] => {
      const size = axis === 'x' ? 'w' : 'h'
      const rows = new Map<string, Piece[]>()
      for (const one of pieces) {
        const { kind, w, h } = one.object,
          across = axis === 'x' ? one.object.y : one.object.x
        const key = [one.parents.at(-1)?.id ?? '', kind, w, h, across].join(' ')
        rows.set(key, [...(rows.get(key) ?? []), one])
      }
      return [...rows.values()].flatMap((row): Found[] => {
        if (row.length < 3) return []
        const line = row.toSorted((a, b) => a.object[axis] - b.object[axis])
        const gaps = line.slice(1).map(({ object }, i) => object[axis] - line[i]!.object[axis] - line[i]!.object[size])
        const [least, most] = [Math.min(...gaps), Math.max(...gaps)]
        if (least <= 0 || !isNearly(most - least, unit) || most - least < SAME * unit) return []
        // The piece that moves least to make all gaps equal: the last of three, for one, keeps both others.
        const first = line[0]!.object,
          last = line.at(-1)!.object
        const step = (last[axis] - first[axis]) / (line.length - 1)
        const off = line.findIndex(
          ({ object }, i) => Math.abs(object[axis] - first[axis] - i * step) > (SAME * unit) / 2,
        )
        const { object } = line[off]!
        const by = first[axis] + off * step - object[axis]
        return [
          {
            sentence: `“${object.name}” stands between gaps of ${said(least)} and ${said(most)}.`,
            objects: line.map((one) => one.object.id),
            spot: { at: { x: object.x + object.w / 2, y: object.y + object.h / 2 } },
            ...replacing(line[off]!, moveObject(object, axis === 'x' ? { x: by, y: 0 } : { x: 0, y: by })),
          },
        ]
      })
    })
  },
}
