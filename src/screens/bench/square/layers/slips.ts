import { type Box, boxesOverlap } from '@/core/geometry/box'

/** A word or a figure over the square, in screen pixels; `box` is where it would like to stand. */
export type Slip = { readonly text: string; readonly tone: 'word' | 'figure'; readonly box: Box }

/** Between two slips, in pixels. */
const GAP = 2

/**
 * Places labels as near to their anchors as possible without overlaps or leaving the bounds. Earlier labels keep their
 * place; later ones move up or down.
 */
export function placed(slips: readonly Slip[], bounds: Box): Slip[] {
  const result: Slip[] = []
  for (const slip of slips) {
    const home = within(slip.box, bounds)
    const step = home.h + GAP,
      tries = Math.ceil(bounds.h / step)
    const places = [
      home,
      ...Array.from({ length: tries }, (_, i) =>
        [1, -1].map((way) => within({ ...home, y: home.y + way * (i + 1) * step }, bounds)),
      ).flat(),
    ]
    const free = places.find((box) => result.every((other) => !boxesOverlap(box, other.box, GAP)))
    result.push({ ...slip, box: free ?? home })
  }
  return result
}

function within({ x, y, w, h }: Box, bounds: Box): Box {
  const into = (at: number, size: number, from: number, room: number) =>
    Math.max(from, Math.min(at, from + room - size))
  return { x: into(x, w, bounds.x, bounds.w), y: into(y, h, bounds.y, bounds.h), w, h }
}

/** A slip with its upper left corner, or the middle of its upper edge, at a place; as wide as its text about is. */
export function slip(text: string, tone: Slip['tone'], x: number, y: number, isCentred = false): Slip {
  const w = tone === 'word' ? text.length * 5.9 + 8 : text.length * 6.4 + 14,
    h = tone === 'word' ? 15 : 18
  return { text, tone, box: { x: isCentred ? x - w / 2 : x, y, w, h } }
}
