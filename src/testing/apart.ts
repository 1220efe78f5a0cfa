import { nearestOnPath } from '../core/geometry/nearest'
import type { Path } from '../core/geometry/path'
import { pointAt } from '../core/geometry/segment'

/** How far two paths are apart at most, looked at from both (Hausdorff's distance over dense places). */
export function apart(a: Path, b: Path, places = 40): number {
  const from = (p: Path, q: Path) =>
    Math.max(
      ...p.flatMap(({ segments }) =>
        segments.flatMap((s) =>
          Array.from({ length: places + 1 }, (_, i) => nearestOnPath(q, pointAt(s, i / places))!.distance),
        ),
      ),
    )
  return Math.max(from(a, b), from(b, a))
}
