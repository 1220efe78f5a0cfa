import type { Point } from '@/core/geometry/point'
import type { Guide } from '@/core/drawing/model/guide'
import { type DrawingObject, isContainer } from '@/core/drawing/objects/object'
import { walk } from '@/core/drawing/objects/tree'
import type { Rules } from '@/core/rules/rules'
import { type SnapSwitches, type SnapTargets, snapTargets } from '@/core/snap/targets'

/** Input of snapping: the drawing, its rules, the enabled targets, and the reference pixels. */
type SnapState = {
  readonly objects: readonly DrawingObject[]
  readonly guides: readonly Guide[]
  readonly rules: Rules
  readonly on: SnapSwitches
  /** The size in whose pixels positions snap; null where they snap to the grid's step. */
  readonly pixelsOf: number | null
}

/** What positions can snap to while some objects are in hand; those do not count, but for the places given. */
export function targetsOf(
  { objects, guides, rules, on, pixelsOf }: SnapState,
  inHand: ReadonlySet<string> = new Set(),
  places: readonly Point[] = [],
): SnapTargets {
  const others: DrawingObject[] = []
  for (const { object, parents } of walk(objects)) {
    const held = inHand.has(object.id) || parents.some(({ id }) => inHand.has(id))
    if (!held && (!isContainer(object) || !holdsAny(object, inHand))) others.push(object)
  }
  const drawn = snapTargets(rules, others, on, guides)
  const targets = pixelsOf !== null && on.grid ? { ...drawn, step: rules.grid.size / pixelsOf } : drawn
  return places.length === 0
    ? targets
    : { ...targets, points: [...targets.points, ...places.map((at) => ({ at, label: 'node' }))] }
}

const holdsAny = (object: DrawingObject, ids: ReadonlySet<string>): boolean =>
  [...walk([object])].some((place) => ids.has(place.object.id))

/** The targets while nothing is in hand, remembered until what decides them changes. */
export class RestingTargets {
  private last: { readonly state: SnapState; readonly targets: SnapTargets } | null = null

  of(state: SnapState): SnapTargets {
    const keys = Object.keys(state) as (keyof SnapState)[]
    if (!this.last || keys.some((key) => this.last!.state[key] !== state[key]))
      this.last = { state, targets: targetsOf(state) }
    return this.last.targets
  }
}
