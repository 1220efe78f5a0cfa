import type { Path } from '../geometry/path'
import { arrange } from './arrangement'
import type { Arrangement } from './plane'
import { outlineOf, type Traced, tracedOutline } from './loops'

/** What a path does to the paths before it in a live combination. */
export type Role = 'adds' | 'cuts' | 'overlap' | 'flips'

export type Member = { readonly path: Path; readonly role: Role }

/** The fill rule of each path (SVG 2 §13.4). */
export type FillRule = 'nonzero' | 'evenodd'

/**
 * Boolean operations on closed paths, in order: the first is the base, whatever its role; each later one adds to it
 * (union), cuts from it (difference), keeps the overlap (intersection) or flips the area it covers (symmetric
 * difference). Lines, arcs and cubics of the result are parts of those of the members. Outer contours run one way,
 * holes the other, so the result fills alike by either rule.
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

/** The result of a combination, the source of each of its segments, and the effect of each member. */
export type Combined = { readonly contours: readonly Traced[]; readonly effects: readonly Effect[] }

/**
 * The effect of a member: `lasting` where the result would differ without it; `none` where it changed nothing of what
 * came before it; `undone` where later members cancel its change.
 */
export type Effect = 'lasting' | 'none' | 'undone'

/** Combines closed paths as `combine` does, and says what each does and where the result comes from. */
export function combineTraced(members: readonly Member[]): Combined {
  if (members.length === 0) return { contours: [], effects: [] }
  const arrangement = arrange(members.map(({ path }) => path))
  const inside = insides(arrangement, members, 'nonzero')
  return {
    contours: tracedOutline(arrangement, (face) => inside[face]!),
    effects: effectsOf(arrangement, members),
  }
}

/**
 * The effect of each member, from one pass over the faces. `so` is whether a face is inside after each member; `then`
 * is the final answer for either value of that.
 */
function effectsOf({ windings }: Arrangement, members: readonly Member[]): Effect[] {
  const count = members.length
  const lasts = new Array<boolean>(count).fill(false),
    acts = new Array<boolean>(count).fill(false)
  for (const times of windings) {
    const after = (i: number, so: boolean): boolean => step(members[i]!.role, i, so, times[i]! !== 0)
    const so = [false]
    for (let i = 0; i < count; i++) so.push(after(i, so[i]!))
    let ifIn = true,
      ifOut = false
    for (let i = count - 1; i >= 0; i--) {
      if (so[i] !== so[i + 1]) {
        acts[i] = true
        if ((so[i] ? ifIn : ifOut) !== so[count]) lasts[i] = true
      }
      ;[ifIn, ifOut] = [after(i, true) ? ifIn : ifOut, after(i, false) ? ifIn : ifOut]
    }
  }
  return members.map((_, i) => (lasts[i] ? 'lasting' : acts[i] ? 'undone' : 'none'))
}

function outlineOfMembers(arrangement: Arrangement, members: readonly Member[], rule: FillRule): Path {
  const inside = insides(arrangement, members, rule)
  return outlineOf(arrangement, (face) => inside[face]!)
}

/** Whether each face of an arrangement is inside the result. */
function insides({ windings }: Arrangement, members: readonly Member[], rule: FillRule): boolean[] {
  const isIn = (times: number) => (rule === 'nonzero' ? times !== 0 : times % 2 !== 0)
  return windings.map((times) => members.reduce((so, { role }, i) => step(role, i, so, isIn(times[i]!)), false))
}

/** Whether a face is in after a member, by whether it was in before it: the first member is the ground. */
const step = (role: Role, i: number, so: boolean, here: boolean): boolean => (i === 0 ? here : RULES[role](so, here))

const RULES: Record<Role, (so: boolean, here: boolean) => boolean> = {
  adds: (so, here) => so || here,
  cuts: (so, here) => so && !here,
  overlap: (so, here) => so && here,
  flips: (so, here) => so !== here,
}
