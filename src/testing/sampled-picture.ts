import { flattened } from '../core/geometry/flat'
import { segmentBounds } from '../core/geometry/segment'
import { type Area, areasOf, type Item } from '../core/raster/items'
import type { Picture } from '../core/raster/raster'

/** How many places of each pixel are looked at along either side. */
const SIDE = 64

/** How far the lines by which curves are looked at may lie from them, in pixels. */
const FINE = 1e-4

type Rgba = [r: number, g: number, b: number, a: number]

/**
 * A picture of flat colours by looking at 64 × 64 places of each pixel: at each the areas that it lies in are painted
 * over each other. Slow, and sharing nothing with how pictures are drawn. Bytes with straight alpha.
 */
export function sampledPicture({ box, items }: Picture, size: number): Uint8ClampedArray {
  const scale = size / box.w,
    across = size * SIDE
  const areas = areasOf(items),
    order = new Map(areas.map((area, i) => [area, i]))
  const edges = areas.map(({ path, outline }) =>
    flattened(outline?.() ?? path, FINE / scale)
      .flatMap(({ segments, closed }) =>
        closed ? segments : [...segments, { kind: 'line' as const, from: segments.at(-1)!.to, to: segments[0]!.from }],
      )
      .filter((segment) => segmentBounds(segment).h > 0),
  )
  const sums = new Float64Array(4 * size * size)
  for (let line = 0; line < across; line++) {
    const y = box.y + (line + 0.5) / SIDE / scale
    const inside = edges.map((lines) => {
      const turns = new Int16Array(across + 1)
      for (const { from, to } of lines) {
        const isDown = from.y <= y && to.y > y
        if (!isDown && !(to.y <= y && from.y > y)) continue
        const x = from.x + ((y - from.y) / (to.y - from.y)) * (to.x - from.x)
        turns[Math.min(across, Math.max(0, Math.ceil((x - box.x) * scale * SIDE - 0.5)))]! += isDown ? 1 : -1
      }
      for (let i = 1; i <= across; i++) turns[i]! += turns[i - 1]!
      return turns
    })
    let colour: Rgba = [0, 0, 0, 0]
    for (let i = 0; i < across; i++) {
      // What is seen changes only where an edge is crossed.
      if (i === 0 || inside.some((turns) => turns[i] !== turns[i - 1]))
        colour = seen(items, (area) => {
          const times = inside[order.get(area)!]![i]!
          return area.rule === 'nonzero' ? times !== 0 : times % 2 !== 0
        })
      const [r, g, b, a] = colour,
        pixel = 4 * (Math.floor(line / SIDE) * size + Math.floor(i / SIDE))
      sums[pixel]! += r
      sums[pixel + 1]! += g
      sums[pixel + 2]! += b
      sums[pixel + 3]! += a
    }
  }
  const out = new Uint8ClampedArray(sums.length)
  for (let i = 0; i < sums.length; i += 4) {
    const a = sums[i + 3]!
    out[i + 3] = (a / SIDE / SIDE) * 255
    for (let k = i; k < i + 3; k++) out[k] = a === 0 ? 0 : (sums[k]! / a) * 255
  }
  return out
}

/** What is seen of items at a place, as opaque as it is. */
function seen(items: readonly Item[], covers: (area: Area) => boolean): Rgba {
  const out: Rgba = [0, 0, 0, 0]
  for (const item of items) {
    const [r, g, b, a] = item.kind === 'area' ? ofArea(item, covers) : ofGroup(item, covers)
    const rest = 1 - a
    out[0] = r + rest * out[0]
    out[1] = g + rest * out[1]
    out[2] = b + rest * out[2]
    out[3] = a + rest * out[3]
  }
  return out
}

function ofArea(area: Area, covers: (area: Area) => boolean): Rgba {
  if (!covers(area)) return [0, 0, 0, 0]
  if (area.paint.kind !== 'flat') throw new Error('Only flat colours are looked at.')
  const [r, g, b, a] = area.paint.colour
  return [r * a, g * a, b * a, a]
}

function ofGroup(group: Exclude<Item, Area>, covers: (area: Area) => boolean): Rgba {
  const inner = seen(group.items, covers),
    k = group.opacity * (group.mask ? seen(group.mask, covers)[3] : 1)
  return inner.map((part) => part * k) as Rgba
}
