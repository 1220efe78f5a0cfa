import { DrawingObject, isContainer } from '../drawing/objects/object'
import { unknownCheck } from '../checks/known'
import { Rules } from '../rules/rules'
import { Icon, iconProblems, type IconSet, LIMITS, type Master } from '../set/set'
import { Delivery } from '../set/settings'
import { fieldSentence } from './plain-words'

/**
 * What a changed set has that no file may hold and no server stores, as a sentence; null when all is well. Looks only
 * at what differs from a set that was in order.
 */
export function changeProblem(before: IconSet, after: IconSet): string | null {
  if (after.rules !== before.rules) {
    const parsed = Rules.safeParse(after.rules)
    if (!parsed.success) return fieldSentence(parsed.error, 'The rules')
    const unknown = unknownCheck(parsed.data)
    if (unknown) return unknown
  }
  if (after.delivery !== before.delivery) {
    const parsed = Delivery.safeParse(after.delivery)
    if (!parsed.success) return fieldSentence(parsed.error, 'The delivery')
  }
  if (after.icons === before.icons) return null
  if (after.icons.length > LIMITS.icons) return `A set may have at most ${LIMITS.icons.toLocaleString('en')} icons.`
  const known = new Set(before.icons)
  for (const icon of after.icons) {
    const problem = known.has(icon) ? null : iconProblem(icon, after.rules)
    if (problem) return problem
  }
  return null
}

function iconProblem(icon: Icon, rules: Rules): string | null {
  const bare = Icon.safeParse({ ...icon, masters: icon.masters.map((master) => withoutObjects(master)) })
  if (!bare.success) return fieldSentence(bare.error, `“${icon.name}”`)
  for (const { objects, from = [], alternatives = [] } of icon.masters) {
    for (const object of [...objects, ...from, ...alternatives.flatMap((one) => one.objects)]) {
      const problem = objectProblem(object)
      if (problem) return problem
    }
  }
  return iconProblems(icon, rules)[0] ?? null
}

const withoutObjects = (master: Master): Master => ({
  ...master,
  objects: [],
  ...(master.from && { from: [] }),
  ...(master.alternatives && { alternatives: master.alternatives.map((one) => ({ ...one, objects: [] })) }),
})

/** Objects that are known to be in order. */
const fine = new WeakSet<DrawingObject>()

/** Stands for the members of a container while it is looked at without them. */
const MEMBER: DrawingObject = {
  kind: 'line',
  id: 'member',
  name: 'Member',
  from: { x: 0, y: 0 },
  to: { x: 1, y: 0 },
  style: { fill: 'none', stroke: 'none', weight: 1 },
}

/** The problem of a changed object or one of its members; null if there is none. */
function objectProblem(object: DrawingObject): string | null {
  if (fine.has(object)) return null
  const parsed = DrawingObject.safeParse(
    isContainer(object) ? { ...object, members: object.members.length > 0 ? [MEMBER] : [] } : object,
  )
  if (!parsed.success) return fieldSentence(parsed.error, `“${object.name}”`)
  if (isContainer(object)) {
    for (const member of object.members) {
      const problem = objectProblem(member)
      if (problem) return problem
    }
  }
  fine.add(object)
  return null
}
