import type { Path } from '../geometry/path'
import { arrange } from './arrangement'
import type { Arrangement } from './plane'
import { outlineOf } from './loops'

/** What a path does to the paths before it in a live combination. */
export type Role = 'adds' | 'cuts' | 'overlap' | 'flips'

export type Member = { readonly path: Path; readonly role: Role }

/** By which rule a path is inside itself (SVG 2 §13.4). */
export type FillRule = 'nonzero' | 'evenodd'

/**
 * Combines closed paths in order: the first is the ground, whatever its role; each later one adds to it (union), cuts
 * from it (difference), keeps the overlap (intersection) or flips what it covers (symmetric difference). Lines, arcs
 * and cubics of the result are parts of those of the members. Outer contours run one way, holes the other, so the
 * result fills alike by either rule.
 */
export function combine(members: readonly Member[], rule: FillRule = 'nonzero'): Path {
  return members.length === 0 ? [] : outlineOfMembers(arrange(members.map(({ path }) => path)), members, rule)
}

/** The same by the nonzero rule, of members one of which should wind around nothing backwards; null when it does. */
export function combineOneWay(members: readonly Member[], oneWay: number): Path | null {
  const arrangement = arrange(members.map(({ path }) => path))
  return arrangement.windings.some((times) => times[oneWay]! < 0)
    ? null
    : outlineOfMembers(arrangement, members, 'nonzero')
}

function outlineOfMembers(arrangement: Arrangement, members: readonly Member[], rule: FillRule): Path {
  const isIn = (times: number) => (rule === 'nonzero' ? times !== 0 : times % 2 !== 0)
  const inside = arrangement.windings.map((times) =>
    members.reduce((so, { role }, i) => (i === 0 ? isIn(times[0]!) : RULES[role](so, isIn(times[i]!))), false),
  )
  return outlineOf(arrangement, (face) => inside[face]!)
}

const RULES: Record<Role, (so: boolean, here: boolean) => boolean> = {
  adds: (so, here) => so || here,
  cuts: (so, here) => so && !here,
  overlap: (so, here) => so && here,
  flips: (so, here) => so !== here,
}
