import { arcCentre } from '../../geometry/arc'
import type { Path } from '../../geometry/path'
import { distance } from '../../geometry/point'
import type { Segment } from '../../geometry/segment'
import { SNAP } from '../../geometry/tolerance'

/** Something that lines are taken from: the id of an object, and the path it takes part with. */
export type Source = { readonly id: string; readonly path: Path }

/**
 * The segments of sources by the names of what carries them: object, contour, and the first segment on the same line or
 * ellipse. The name stays while the object moves.
 */
export function carrierNames(sources: readonly Source[]): Map<Segment, string> {
  const names = new Map<Segment, string>()
  for (const { id, path } of sources)
    path.forEach(({ segments }, contour) =>
      segments.forEach((segment, i) => {
        const first = segment.kind === 'arc' ? segments.findIndex((other) => onOneEllipse(other, segment)) : i
        names.set(segment, `${id}/${contour}/${first < 0 ? i : first}`)
      }),
    )
  return names
}

function onOneEllipse(a: Segment, b: Segment): boolean {
  if (a === b) return true
  if (a.kind !== 'arc' || b.kind !== 'arc' || a.rx !== b.rx || a.ry !== b.ry) return false
  return distance(arcCentre(a).centre, arcCentre(b).centre) <= SNAP
}
