import { LIMITS } from '../set/set'

/** How deep a document may be nested: as deep as objects may be, each in its container's list, and what they hold. */
const DEPTH = 2 * LIMITS.depth + 16

/** What the entries of a list count as, by its key; those of all others are nodes, points and the like. */
const LISTS: Partial<Record<string, 'icons' | 'objects'>> = { icons: 'icons', objects: 'objects', members: 'objects' }

/**
 * What is too much about a document that was read but not checked, as a sentence; null when a schema may go through it.
 * The same for files and for saves. Stops counting at the limit.
 */
export function excess(root: unknown): string | null {
  const left: Record<keyof typeof SENTENCES, number> = {
    icons: LIMITS.icons,
    objects: LIMITS.objectsInSet,
    nodes: LIMITS.nodesInSet,
  }
  // Level by level: what is nested without end must not take the stack.
  let level: unknown[] = [root]
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > DEPTH) return `The set nests objects more than ${LIMITS.depth} deep, the most a set may have.`
    const next: unknown[] = []
    for (const value of level) {
      if (Array.isArray(value)) for (const item of value) if (isNested(item)) next.push(item)
      if (Array.isArray(value) || !isNested(value)) continue
      for (const [key, item] of Object.entries(value)) {
        if (!isNested(item)) continue
        next.push(item)
        if (!Array.isArray(item)) continue
        const kind = LISTS[key] ?? 'nodes'
        left[kind] -= item.length
        if (left[kind] < 0) return SENTENCES[kind]
      }
    }
    level = next
  }
  return null
}

const SENTENCES = {
  icons: `A set may have at most ${LIMITS.icons.toLocaleString('en')} icons.`,
  objects: `The set holds more than ${LIMITS.objectsInSet.toLocaleString('en')} objects, the most a set may have.`,
  nodes: `The set holds more than ${LIMITS.nodesInSet.toLocaleString('en')} nodes and points, the most a set may have.`,
}

const isNested = (value: unknown): value is object => typeof value === 'object' && value !== null
