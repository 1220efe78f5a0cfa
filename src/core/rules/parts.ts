import { type DrawingObject, kindOf } from '../drawing/objects/object'
import { countObjects, walk } from '../drawing/objects/tree'
import type { NamedPart, NamedValues } from '../drawing/model/values'
import { namesUsed } from '../drawing/objects/visit'
import { LISTS } from './lists'

/** How many objects one part may hold. */
const MOST = 2000

/** The parts that objects place, each once. */
function partsPlaced(objects: readonly DrawingObject[]): Set<string> {
  const found = new Set<string>()
  for (const { object } of walk(objects)) {
    const name = kindOf(object).references.part?.(object)
    if (name !== undefined) found.add(name)
  }
  return found
}

const objectsOf = ({ objects }: NamedPart) => objects as readonly DrawingObject[]

/** The part through which a part with these objects would contain itself; null where none would. */
export function holdsItself(
  name: string,
  objects: readonly DrawingObject[],
  parts: readonly NamedPart[] = [],
): string | null {
  const seen = new Set<string>()
  const reach = (within: readonly DrawingObject[], by: string): string | null => {
    for (const placed of partsPlaced(within)) {
      if (placed === name) return by
      if (seen.has(placed)) continue
      seen.add(placed)
      const part = parts.find((one) => one.name === placed)
      const found = part && reach(objectsOf(part), placed)
      if (found) return found
    }
    return null
  }
  return reach(objects, name)
}

/** The sentence for a part that would hold itself. */
export const selfSentence = (name: string, within: string): string =>
  within === name
    ? `The part “${name}” cannot contain itself.`
    : `The part “${name}” cannot contain itself, which it would within “${within}”.`

/** Problems of the parts of a rule book, as sentences. */
export function partProblems(rules: NamedValues): string[] {
  const { parts = [] } = rules
  const problems: string[] = []
  for (const part of parts) {
    const objects = objectsOf(part)
    if (countObjects(objects) > MOST) problems.push(`The part “${part.name}” has more than ${MOST} objects.`)
    const within = holdsItself(part.name, objects, parts)
    if (within) problems.push(selfSentence(part.name, within))
    const ids = new Set<string>()
    for (const { object } of walk(objects)) {
      if (ids.has(object.id)) problems.push(`The part “${part.name}” has two objects with the id “${object.id}”.`)
      ids.add(object.id)
      for (const { kind, name } of namesUsed(object))
        if (!(rules[LISTS[kind]] ?? []).some((value) => value.name === name))
          problems.push(`The part “${part.name}” uses the ${kind} “${name}”, which the rules do not have.`)
    }
  }
  return problems
}
