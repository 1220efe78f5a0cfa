import type { Path } from '../../../geometry/path'
import { combineTraced, type Combined, type Effect } from '../../../planar/boolean'
import type { Source } from '../../scene/carriers'
import { cornerMark, cornersOf, pickedOf, type ResultCorner, withCorners } from '../../scene/result-corners'
import type { Memory, Scene } from '../../scene/scene'
import { visible } from '../members'
import type { Thing } from '../../model/traits'
import type { Assembly } from './schema'

const memory: Memory<Combined> = new WeakMap()

/** The combination of an assembly's visible members, before its corners are finished. */
export const assembled = (object: Assembly, scene: Scene): Combined =>
  scene.remembered(memory, object, () =>
    combineTraced(
      visible(object.members).map((member) => ({ path: scene.solid(member), role: member.role ?? 'adds' })),
    ),
  )

const sourcesOf = ({ members }: Assembly, scene: Scene): Source[] =>
  visible(members).map((member) => ({ id: member.id, path: scene.solid(member) }))

export function finishedEdge(object: Assembly, scene: Scene): Path {
  const { contours } = assembled(object, scene)
  return object.corners
    ? withCorners(contours, sourcesOf(object, scene), object.corners, scene)
    : contours.map(({ contour }) => contour)
}

/** The corners of an assembly's result, before they are finished. */
export const assemblyCorners = (object: Assembly, scene: Scene): ResultCorner[] =>
  cornersOf(assembled(object, scene).contours, sourcesOf(object, scene)).flatMap((corners) => [...corners.values()])

/** The members that do nothing lasting, each with why. */
export function idleMembers({ members }: Assembly, effects: readonly Effect[]): Map<string, string> {
  const idle = new Map<string, string>()
  visible(members).forEach((member, i) => {
    const effect = effects[i]!
    if (effect !== 'lasting') idle.set(member.id, reason(member, i, effect))
  })
  return idle
}

function reason({ name, role = 'adds' }: Thing, at: number, effect: Effect): string {
  if (effect === 'undone') return `What “${name}” does is undone by the members after it.`
  if (at === 0) return `“${name}” encloses nothing.`
  switch (role) {
    case 'adds':
      return `“${name}” adds nothing: it lies wholly within what is there already.`
    case 'cuts':
      return `“${name}” cuts nothing: it lies wholly outside of what is there.`
    case 'overlap':
      return `“${name}” takes nothing away: it covers all that is there.`
    case 'flips':
      return `“${name}” flips nothing: it encloses nothing.`
  }
}

/** An assembly whose picked corners are known by their lines again. */
export function remarkedCorners(object: Assembly, scene: Scene): Assembly {
  if (!object.corners?.byPlace || !object.corners.picked) return object
  const { byPlace, ...corners } = object.corners
  const picked = pickedOf(assemblyCorners(object, scene), object.corners.picked, byPlace)
  return { ...object, corners: { ...corners, picked: [...picked].map(cornerMark) } }
}
