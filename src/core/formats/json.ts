const LINE = 120

/**
 * A value as JSON for people and version control: keys in the order they have, two spaces of indent, and any object or
 * array of plain values on one line where it fits, so that a change of one node is a change of one line.
 */
export function readableJson(value: unknown): string {
  return `${write(value, '')}\n`
}

function write(value: unknown, indent: string): string {
  if (typeof value !== 'object' || value === null) return JSON.stringify(value)
  const entries = Array.isArray(value)
    ? value.map((item) => ['', item] as const)
    : Object.entries(value)
        .filter(([, item]) => item !== undefined)
        .map(([key, item]) => [`${JSON.stringify(key)}: `, item] as const)
  const [open, close] = Array.isArray(value) ? '[]' : '{}'
  if (entries.length === 0) return `${open}${close}`
  if (entries.every(([, item]) => shallow(item))) {
    const flat = `${open}${entries.map(([key, item]) => key + write(item, '')).join(', ')}${close}`
    if (flat.length + indent.length <= LINE) return flat
  }
  const inner = `${indent}  `
  return `${open}\n${entries.map(([key, item]) => inner + key + write(item, inner)).join(',\n')}\n${indent}${close}`
}

/** Plain values, and points and styles: objects of nothing but plain values. */
function shallow(value: unknown): boolean {
  if (typeof value !== 'object' || value === null) return true
  return !Array.isArray(value) && Object.values(value).every((item) => typeof item !== 'object' || item === null)
}
