import type { Area, Item, Paint } from './items'

/** Premultiplied red, green, blue, then alpha, each 0 to 1: pixels are sums of these. */
export type Premultiplied = [r: number, g: number, b: number, a: number]

/** Colour of an area: constant, or a function of the place that writes it into `out`. */
export type Look = { readonly kind: 'flat'; readonly colour: Readonly<Premultiplied> } | Changing
export type Changing = { readonly kind: 'changing'; readonly at: (x: number, y: number, out: Premultiplied) => void }

export const NOTHING: Look = { kind: 'flat', colour: [0, 0, 0, 0] }

/**
 * The colour where exactly the areas overlap for which `covers` holds: each over those before it (source over, Porter
 * and Duff), groups as a whole.
 */
export function lookOf(items: readonly Item[], covers: (area: Area) => boolean): Look {
  const looks: Look[] = []
  for (const item of items) {
    const look = item.kind === 'area' ? (covers(item) ? paintLook(item.paint) : NOTHING) : groupLook(item, covers)
    if (look.kind === 'flat' && look.colour[3] === 0) continue
    // An opaque layer hides all layers below it.
    if (look.kind === 'flat' && look.colour[3] === 1) looks.length = 0
    looks.push(look)
  }
  return looks.reduce(over, NOTHING)
}

function groupLook(group: Extract<Item, { kind: 'group' }>, covers: (area: Area) => boolean): Look {
  const inner = lookOf(group.items, covers)
  const dimmed = group.opacity === 1 ? inner : dimmedBy(inner, { kind: 'flat', colour: [0, 0, 0, group.opacity] })
  return group.mask ? dimmedBy(dimmed, lookOf(group.mask, covers)) : dimmed
}

function over(below: Look, above: Look): Look {
  if (below === NOTHING) return above
  if (below.kind === 'flat' && above.kind === 'flat') {
    const out: Premultiplied = [...above.colour]
    addBelow(out, below.colour)
    return { kind: 'flat', colour: out }
  }
  if (below.kind === 'flat') {
    const { colour } = below,
      { at } = above as Changing
    return {
      kind: 'changing',
      at(x, y, out) {
        at(x, y, out)
        addBelow(out, colour)
      },
    }
  }
  const under: Premultiplied = [0, 0, 0, 0]
  return {
    kind: 'changing',
    at(x, y, out) {
      below.at(x, y, under)
      look(above, x, y, out)
      addBelow(out, under)
    },
  }
}

function addBelow(out: Premultiplied, below: Readonly<Premultiplied>): void {
  const rest = 1 - out[3]
  out[0] += rest * below[0]
  out[1] += rest * below[1]
  out[2] += rest * below[2]
  out[3] += rest * below[3]
}

/** A look multiplied by the opacity of a mask. */
function dimmedBy(seen: Look, by: Look): Look {
  if (seen.kind === 'flat' && by.kind === 'flat') {
    const [r, g, b, a] = seen.colour,
      k = by.colour[3]
    return { kind: 'flat', colour: [k * r, k * g, k * b, k * a] }
  }
  const through: Premultiplied = [0, 0, 0, 0]
  return {
    kind: 'changing',
    at(x, y, out) {
      look(by, x, y, through)
      look(seen, x, y, out)
      for (let k = 0; k < 4; k++) out[k]! *= through[3]
    },
  }
}

/** Writes the colour at a place into `out`. */
export function look(one: Look, x: number, y: number, out: Premultiplied): void {
  if (one.kind === 'changing') return one.at(x, y, out)
  const { colour } = one
  for (let k = 0; k < 4; k++) out[k] = colour[k]!
}

const looks = new WeakMap<Paint, Look>()

function paintLook(paint: Paint): Look {
  let known = looks.get(paint)
  if (!known) looks.set(paint, (known = newLook(paint)))
  return known
}

function newLook(paint: Paint): Look {
  if (paint.kind === 'flat') {
    const [r, g, b, a] = paint.colour
    return { kind: 'flat', colour: [r * a, g * a, b * a, a] }
  }
  const [a, b, c, d, e, f] = paint.map
  const colour = rampOf(paint.stops, paint.opacity)
  if (paint.kind === 'linear') return { kind: 'changing', at: (x, y, out) => colour(a * x + c * y + e, out) }
  const share = radialShare(paint.focus)
  return { kind: 'changing', at: (x, y, out) => colour(share(a * x + c * y + e, b * x + d * y + f), out) }
}

/** A focus is kept this far within the circle, as a share of its radius: on it there is no way out to the other side. */
const WITHIN = 0.999

/**
 * How far out a place lies between the focus and the unit circle: the size of the circle through it of those whose
 * middles go from the focus to the middle.
 */
function radialShare(focus: readonly [number, number]): (x: number, y: number) => number {
  const far = Math.hypot(...focus),
    k = far > WITHIN ? WITHIN / far : 1
  const fx = focus[0] * k,
    fy = focus[1] * k,
    rest = 1 - fx * fx - fy * fy
  return (x, y) => {
    const dx = x - fx,
      dy = y - fy
    const along = dx * fx + dy * fy
    return (along + Math.sqrt(along * along + rest * (dx * dx + dy * dy))) / rest
  }
}

/** What gives the colour of a gradient at a share of its way, mixed with straight alpha, as SVG wants it. */
function rampOf(
  stops: Extract<Paint, { kind: 'linear' }>['stops'],
  opacity: number,
): (t: number, out: Premultiplied) => void {
  const places = Float64Array.from(stops, ({ at }) => at),
    parts = Float64Array.from(stops.flatMap(({ colour }) => colour)),
    last = stops.length - 1
  return (t, out) => {
    let after = 0
    while (after <= last && places[after]! <= t) after++
    const i = Math.max(0, after - 1),
      j = Math.min(last, after)
    const k = i === j ? 0 : (t - places[i]!) / (places[j]! - places[i]!),
      p = 4 * i,
      q = 4 * j
    const alpha = (parts[p + 3]! + k * (parts[q + 3]! - parts[p + 3]!)) * opacity
    out[0] = (parts[p]! + k * (parts[q]! - parts[p]!)) * alpha
    out[1] = (parts[p + 1]! + k * (parts[q + 1]! - parts[p + 1]!)) * alpha
    out[2] = (parts[p + 2]! + k * (parts[q + 2]! - parts[p + 2]!)) * alpha
    out[3] = alpha
  }
}
