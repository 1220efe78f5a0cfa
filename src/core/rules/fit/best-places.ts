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

/**
 * The cheapest places for knots that keep their order: a branch and bound over the places each may take. What is still
 * to come is bounded from below by dynamic programming over the costs of single knots and of neighbours, so that
 * nothing is missed as long as the budget lasts. Deterministic.
 */
export function bestPlaces(knots: readonly Knot[], wishes: readonly Wish[]): Placed {
  const n = knots.length
  if (n === 0) return { places: [], cost: 0, isExact: true }
  const choices = knots.map(choicesOf)
  const near: Wish[][] = knots.map(() => []),
    far: Wish[][] = knots.map(() => [])
  for (const wish of wishes) {
    const last = Math.max(...wish.knots)
    const isNear = wish.knots.every((knot) => knot === last || knot === last - 1)
    ;(isNear ? near : far)[last]!.push(wish)
  }
  const places = new Float64Array(n)
  const own = choices.map((list, i) => list.map((place) => knots[i]!.cost(place)))
  /** What a step from one knot's place to the next one's costs by itself; Infinity where it breaks the order. */
  const step = (i: number, c: number): number => {
    const place = choices[i]![c]!
    if (i > 0 && place < places[i - 1]! - 1e-9) return Infinity
    places[i] = place
    return own[i]![c]! + missed(near[i]!, places)
  }
  const rest = boundsOf(choices, step, places)
  let best = Infinity,
    left = BUDGET
  const chosen = new Float64Array(n)
  const look = (i: number, sum: number): void => {
    if (i === n) {
      if (sum < best - 1e-12) {
        best = sum
        chosen.set(places)
      }
      return
    }
    const next = choices[i]!.map((place, c) => {
      const cost = step(i, c)
      return { place, cost: cost === Infinity ? cost : cost + missed(far[i]!, places), after: rest[i]![c]! }
    })
    next.sort((a, b) => a.cost + a.after - (b.cost + b.after))
    for (const { place, cost, after } of next) {
      if (sum + cost + after >= best - 1e-12) return
      if (best < Infinity && left-- <= 0) return
      places[i] = place
      look(i + 1, sum + cost)
    }
  }
  look(0, 0)
  return { places: [...chosen], cost: best, isExact: left > 0 }
}

/**
 * The cheapest places that are symmetric: those of a knot and of its partner, counted from the other end, sum up to
 * `sum`.
 */
export function evenPlaces(knots: readonly Knot[], wishes: readonly Wish[], sum: number): Placed {
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
  const { places, cost, isExact } = bestPlaces(halved, folded)
  return {
    places: knots.map((_, i) => (i < half ? places[i]! : sum - places[partner(i)]!)),
    cost,
    isExact,
  }
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

/** The places within reach: halves, and those at which painted edges lie on whole units. */
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

/** The least that all knots after one can come to, for each place of that one: wishes of three and more left aside. */
function boundsOf(
  choices: readonly (readonly number[])[],
  step: (i: number, c: number) => number,
  places: Float64Array,
): number[][] {
  const n = choices.length
  const rest: number[][] = Array.from({ length: n }, () => [])
  rest[n - 1] = choices[n - 1]!.map(() => 0)
  for (let i = n - 2; i >= 0; i--)
    rest[i] = choices[i]!.map((place) => {
      let least = Infinity
      choices[i + 1]!.forEach((_, c) => {
        places[i] = place
        least = Math.min(least, step(i + 1, c) + rest[i + 1]![c]!)
      })
      return least
    })
  return rest
}
