/** A coordinate to be placed: where it would like to be, the places it may take beside half units, and what each costs. */
export type Knot = {
  readonly ideal: number
  /** Places other than halves that its painted edges would like, within a unit: k + each of these is one. */
  readonly phases: readonly number[]
  readonly cost: (place: number) => number
}

/** A wish about several places: the sum of factor × place is to be a value, or at `least` that. `weight` is per unit missed. */
export type Wish = {
  readonly knots: readonly number[]
  readonly factors: readonly number[]
  readonly value: number
  readonly least?: true
  readonly weight: number
}

/** Where the knots go, what that costs, and whether nothing cheaper exists among the places they may take. */
export type Placed = { readonly places: readonly number[]; readonly cost: number; readonly isExact: boolean }

/** How far from its ideal a knot may go, in units. */
const REACH = 1
/** How many partial placings are looked at before the best one so far is taken. */
const BUDGET = 4000
/** Costs nearer than this are one. */
const TIE = 1e-12

/**
 * Branch and bound over knots: the cheapest places for ordered knots. Dynamic programming over the costs of single
 * knots and of neighbours gives a lower bound for the rest, so the optimum is found within the budget. Only results
 * below `below` are searched; the cost is Infinity if there is none. Deterministic.
 */
export function bestPlaces(knots: readonly Knot[], wishes: readonly Wish[], below = Infinity): Placed {
  const n = knots.length
  if (n === 0) return { places: [], cost: 0, isExact: true }
  const choices = knots.map(choicesOf)
  const near: Wish[][] = knots.map(() => []),
    far: Far[][] = knots.map(() => [])
  for (const wish of wishes) {
    const last = Math.max(...wish.knots)
    const isNear = wish.knots.every((knot) => knot === last || knot === last - 1)
    if (isNear) near[last]!.push(wish)
    else far[last]!.push({ ...wish, factor: wish.factors[wish.knots.indexOf(last)]!, last, off: 0 })
  }
  const steps = stepsOf(knots, choices, near)
  const rest = boundsOf(choices, steps)
  const places = new Float64Array(n),
    chosen = new Float64Array(n)
  /** The remaining choices of each knot, the most promising first, with their costs and lower bounds. */
  const open = choices.map(({ length }) => ({
    at: new Int32Array(length),
    cost: new Float64Array(length),
    bound: new Float64Array(length),
  }))
  let best = below,
    left = BUDGET,
    isFound = false
  const look = (i: number, before: number, sum: number): void => {
    if (i === n) {
      if (sum < best - TIE) {
        best = sum
        isFound = true
        chosen.set(places)
      }
      return
    }
    const { at, cost, bound } = open[i]!,
      further = far[i]!
    const list = choices[i]!,
      m = list.length
    for (const wish of further) wish.off = offOf(wish, places)
    let count = 0
    for (let c = 0; c < m; c++) {
      let own = steps[i]![before * m + c]!
      if (sum + own + rest[i]![c]! >= best - TIE || own === Infinity) continue
      const place = list[c]!
      for (const { off, factor, least, weight } of further) {
        const missing = off - factor * place
        own += weight * (least ? Math.max(0, missing) : Math.abs(missing))
      }
      const all = own + rest[i]![c]!
      let k = count++
      for (; k > 0 && bound[k - 1]! > all; k--) {
        at[k] = at[k - 1]!
        cost[k] = cost[k - 1]!
        bound[k] = bound[k - 1]!
      }
      at[k] = c
      cost[k] = own
      bound[k] = all
    }
    for (let k = 0; k < count; k++) {
      if (sum + bound[k]! >= best - TIE) return
      if (best < Infinity && left-- <= 0) return
      places[i] = list[at[k]!]!
      look(i + 1, at[k]!, sum + cost[k]!)
    }
  }
  look(0, 0, 0)
  return { places: [...chosen], cost: isFound ? best : Infinity, isExact: left > 0 }
}

/**
 * The cheapest places that are symmetric: those of a knot and of its partner, counted from the other end, sum up to
 * `sum`.
 */
export function evenPlaces(knots: readonly Knot[], wishes: readonly Wish[], sum: number, below = Infinity): Placed {
  const n = knots.length,
    half = Math.ceil(n / 2)
  const partner = (i: number) => n - 1 - i
  const halved = knots.slice(0, half).map((knot, i): Knot => {
    const other = knots[partner(i)]!
    if (partner(i) === i)
      return { ideal: sum / 2, phases: [sum / 2], cost: (place) => (place === sum / 2 ? knot.cost(place) : Infinity) }
    return {
      ideal: (knot.ideal + sum - other.ideal) / 2,
      phases: [...knot.phases, ...other.phases.map((phase) => sum - phase)],
      cost: (place) => (place > sum / 2 + 1e-9 ? Infinity : knot.cost(place) + other.cost(sum - place)),
    }
  })
  const folded = wishes.map((wish): Wish => {
    const factors = new Map<number, number>()
    let { value } = wish
    wish.knots.forEach((knot, k) => {
      const factor = wish.factors[k]!
      const isFolded = knot >= half
      if (isFolded) value -= factor * sum
      const at = isFolded ? partner(knot) : knot
      factors.set(at, (factors.get(at) ?? 0) + (isFolded ? -factor : factor))
    })
    return { ...wish, knots: [...factors.keys()], factors: [...factors.values()], value }
  })
  const { places, cost, isExact } = bestPlaces(halved, folded, below)
  return {
    places: knots.map((_, i) => (i < half ? places[i]! : sum - places[partner(i)]!)),
    cost,
    isExact,
  }
}

/** A wish about knots that are no neighbours: the factor of its last one, and what the places of the others leave to be met. */
type Far = Wish & { readonly factor: number; readonly last: number; off: number }

function offOf({ knots, factors, value, last }: Far, places: ArrayLike<number>): number {
  let off = value
  for (let k = 0; k < knots.length; k++) if (knots[k] !== last) off -= factors[k]! * places[knots[k]!]!
  return off
}

/** By how much wishes are missed, each times its weight. */
function missed(wishes: readonly Wish[], places: ArrayLike<number>): number {
  let sum = 0
  for (const { knots, factors, value, least, weight } of wishes) {
    let off = value
    for (let k = 0; k < knots.length; k++) off -= factors[k]! * places[knots[k]!]!
    sum += weight * (least ? Math.max(0, off) : Math.abs(off))
  }
  return sum
}

/** The possible places of a knot: halves, and places at which painted edges are on whole units. */
function choicesOf({ ideal, phases }: Knot): number[] {
  const places = new Set<number>()
  const add = (from: number, by: number) => {
    for (let k = Math.ceil((ideal - REACH - from) / by - 1e-9); from + k * by <= ideal + REACH + 1e-9; k++)
      places.add(Math.round((from + k * by) * 1e9) / 1e9 + 0)
  }
  add(0, 0.5)
  for (const phase of phases) add(phase, 1)
  return [...places].sort((a, b) => a - b)
}

/**
 * Cost of each choice of a knot, alone and with each choice of the knot before it (rows); Infinity if the order breaks.
 */
function stepsOf(
  knots: readonly Knot[],
  choices: readonly (readonly number[])[],
  near: readonly (readonly Wish[])[],
): Float64Array[] {
  const places = new Float64Array(knots.length)
  return choices.map((list, i) => {
    const own = list.map((place) => knots[i]!.cost(place))
    const before = i > 0 ? choices[i - 1]! : [-Infinity]
    const steps = new Float64Array(before.length * list.length)
    before.forEach((earlier, b) => {
      if (i > 0) places[i - 1] = earlier
      list.forEach((place, c) => {
        places[i] = place
        steps[b * list.length + c] = place < earlier - 1e-9 ? Infinity : own[c]! + missed(near[i]!, places)
      })
    })
    return steps
  })
}

/** Lower bound of all later knots for each choice of a knot, without wishes of three and more knots. */
function boundsOf(choices: readonly (readonly number[])[], steps: readonly Float64Array[]): Float64Array[] {
  const rest = choices.map(({ length }) => new Float64Array(length))
  for (let i = choices.length - 2; i >= 0; i--) {
    const m = choices[i + 1]!.length
    for (let b = 0; b < choices[i]!.length; b++) {
      let least = Infinity
      for (let c = 0; c < m; c++) least = Math.min(least, steps[i + 1]![b * m + c]! + rest[i + 1]![c]!)
      rest[i]![b] = least
    }
  }
  return rest
}
