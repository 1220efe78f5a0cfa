import { isStyled, kindOf, type Styled } from '../../drawing/objects/object'
import { outline } from '../../drawing/evaluate/evaluate'
import { styleOf } from '../../drawing/scene/shared-style'
import { nearestOnPath } from '../../geometry/nearest'
import { type Path, pathBounds } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import { pointAt, type Segment } from '../../geometry/segment'
import { winding } from '../../geometry/winding'
import type { Check } from '../check'
import type { Found } from '../snag'
import { type Seen, seenIn } from '../look/seen'
import { SAME } from '../look/tolerance'

/** Parameters of a segment that must be on the other outline for a shared edge. */
const LOOKS = [0.25, 0.5, 0.75]

/** By how much pieces are drawn on beneath each other, in units of a 24 grid: enough for the ground not to show. */
const UNDERLAP = 0.25

/** Filled pieces that abut, through whose shared edge the ground shows. */
export const seam: Check = {
  id: 'seam',
  concerns: 'slips',
  isLoss: true,
  isSeen: true,
  word: 'seams that let the ground through',
  severity: 'warning',
  find({ objects, scene, rules }) {
    const unit = rules.grid.size / 24
    const filled = seenIn(objects).filter(
      ({ object, parents }) =>
        isStyled(object) &&
        !parents.some(
          (parent) => kindOf(parent).geometry.isMask?.(parent) !== false || kindOf(parent).geometry.underlap?.(parent),
        ) &&
        styleOf(object, scene).fill !== 'none' &&
        styleOf(object, scene).stroke === 'none',
    ) as (Seen & { object: Styled })[]
    const edges = filled.map(({ object }) => outline(object, scene))
    return filled.flatMap((one, i) =>
      filled.slice(0, i).flatMap((other, k): Found[] => {
        if (one.parents.at(-1) !== other.parents.at(-1)) return []
        const at = sharedEdge(edges[i]!, edges[k]!, SAME * unit)
        if (!at) return []
        const group = one.parents.at(-1)
        return [
          {
            sentence: `The ground shows between “${other.object.name}” and “${one.object.name}”, which abut.`,
            objects: [one.object.id, other.object.id],
            spot: { at },
            ...(one.isFree &&
              other.isFree &&
              (group && kindOf(group).geometry.withUnderlap
                ? {
                    mend: {
                      kind: 'replace' as const,
                      objects: [kindOf(group).geometry.withUnderlap!(group, UNDERLAP * unit)],
                    },
                  }
                : {
                    mend: {
                      kind: 'gather' as const,
                      ids: [one.object.id, other.object.id],
                      container: {
                        kind: 'group' as const,
                        id: `${one.object.id}-seam`.slice(0, 40),
                        name: 'Pieces without a seam',
                        underlap: UNDERLAP * unit,
                      },
                    },
                  })),
          },
        ]
      }),
    )
  },
}

/** The middle of a segment that two outlines share, lying on opposite sides of it; null where there is none. */
function sharedEdge(a: Path, b: Path, within: number): Point | null {
  const [own, other] = [pathBounds(a), pathBounds(b)]
  if (!own || !other) return null
  const apart =
    own.x > other.x + other.w + within ||
    other.x > own.x + own.w + within ||
    own.y > other.y + other.h + within ||
    other.y > own.y + own.h + within
  if (apart) return null
  for (const { segments } of a)
    for (const segment of segments) {
      if (Math.hypot(segment.to.x - segment.from.x, segment.to.y - segment.from.y) < 100 * within) continue
      const places = LOOKS.map((t) => pointAt(segment, t))
      if (
        places.every((p) => (nearestOnPath(b, p)?.distance ?? Infinity) <= within) &&
        isBetween(a, b, segment, 5 * within)
      )
        return places[1]!
    }
  return null
}

/** True if one area is only on one side of a segment, and the other only on the other side. */
function isBetween(a: Path, b: Path, segment: Segment, by: number): boolean {
  const { x, y } = pointAt(segment, 0.5),
    [p, q] = [pointAt(segment, 0.49), pointAt(segment, 0.51)]
  const length = Math.hypot(q.x - p.x, q.y - p.y) || 1
  const side = (k: number): Point => ({
    x: x - (k * by * (q.y - p.y)) / length,
    y: y + (k * by * (q.x - p.x)) / length,
  })
  const isIn = (path: Path, k: number) => winding(path, side(k)) !== 0
  return [1, -1].some((k) => isIn(a, k) && !isIn(a, -k) && isIn(b, -k) && !isIn(b, k))
}
