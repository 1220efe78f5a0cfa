import { LIMITS } from './set'

/** Greatest nesting of a document: that of objects, each in the list of its container, and of their values. */
const DEPTH = 2 * LIMITS.depth + 16

/** What the entries of a list count as, by its key; those of all others are nodes, points and the like. */
const LISTS: Partial<Record<string, 'icons' | 'objects'>> = { icons: 'icons', objects: 'objects', members: 'objects' }

/**
 * The first exceeded bound of a document that is parsed but not validated, as a sentence; null within the bounds. Used
 * for files and for saves. Stops counting at the bound.
 */
export function excess(root: unknown): string | null {
  const left: Record<keyof typeof SENTENCES, number> = {
    icons: LIMITS.icons,
    objects: LIMITS.objectsInSet,
    nodes: LIMITS.nodesInSet,
  }
  // Breadth first, so that endless nesting cannot overflow the stack.
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

/** How many objects, and how many nodes and points, something holds. */
export type Size = { readonly objects: number; readonly nodes: number }

/** How much the masters of an icon hold, counted as `excess` counts it. */
export function sizeOf(masters: unknown): Size {
  const count = { icons: 0, objects: 0, nodes: 0 }
  const look = (value: unknown): void => {
    if (!isNested(value)) return
    for (const [key, item] of Object.entries(value)) {
      if (!Array.isArray(value) && Array.isArray(item)) count[LISTS[key] ?? 'nodes'] += item.length
      look(item)
    }
  }
  look(masters)
  return { objects: count.objects, nodes: count.nodes }
}

/** The first exceeded bound of a set of so many icons and of this size, as a sentence; null within the bounds. */
export function excessOf(icons: number, { objects, nodes }: Size): string | null {
  if (icons > LIMITS.icons) return SENTENCES.icons
  if (objects > LIMITS.objectsInSet) return SENTENCES.objects
  return nodes > LIMITS.nodesInSet ? SENTENCES.nodes : null
}

const SENTENCES = {
  icons: `A set may have at most ${LIMITS.icons.toLocaleString('en')} icons.`,
  objects: `The set holds more than ${LIMITS.objectsInSet.toLocaleString('en')} objects, the most a set may have.`,
  nodes: `The set holds more than ${LIMITS.nodesInSet.toLocaleString('en')} nodes and points, the most a set may have.`,
}

const isNested = (value: unknown): value is object => typeof value === 'object' && value !== null
