import { distance } from '../geometry/point'
import { shippedFace } from '../text/faces'
import type { DrawingObject, Node, NodeRun } from './object'
import { isGradient } from './paint'
import { Refusal } from './refusal'
import { paintsOf, type Style } from './style'

/** What something comes to when it is drawn, counted without drawing it; each an upper bound, or near one. */
export type Cost = {
  readonly segments: number
  readonly dashes: number
  readonly stops: number
  readonly characters: number
}

/**
 * How much a drawing may come to, every image of a mirror counted. Beyond it no screen and no rasteriser answers in
 * time.
 */
export const MOST: Cost = { segments: 60_000, dashes: 10_000, stops: 4_000, characters: 2_000 }

const WORDS: Record<keyof Cost, string> = {
  segments: 'segments',
  dashes: 'dashes',
  stops: 'stops of gradients',
  characters: 'characters',
}

const NOTHING: Cost = { segments: 0, dashes: 0, stops: 0, characters: 0 }
const plus = (a: Cost, b: Cost): Cost => ({
  segments: a.segments + b.segments,
  dashes: a.dashes + b.dashes,
  stops: a.stops + b.stops,
  characters: a.characters + b.characters,
})
const times = (a: Cost, n: number): Cost => ({
  segments: a.segments * n,
  dashes: a.dashes * n,
  stops: a.stops * n,
  characters: a.characters * n,
})

const known = new WeakMap<DrawingObject, Cost>()

/** What an object comes to. Hidden ones come to nothing. */
export function costOf(object: DrawingObject): Cost {
  if (object.hidden) return NOTHING
  let cost = known.get(object)
  if (!cost) known.set(object, (cost = counted(object)))
  return cost
}

/** What a drawing comes to. */
export const costOfAll = (objects: readonly DrawingObject[]): Cost =>
  objects.reduce((sum, object) => plus(sum, costOf(object)), NOTHING)

/** True for what comes to more than may be drawn. */
export const isExcessive = (cost: Cost): boolean =>
  (Object.keys(MOST) as (keyof Cost)[]).some((key) => cost[key] > MOST[key])

/** Throws a refusal when something named comes to more than may be drawn. */
export function refuseExcess(name: string, cost: Cost): void {
  for (const key of Object.keys(MOST) as (keyof Cost)[]) {
    if (cost[key] > MOST[key])
      throw new Refusal(
        'too-much',
        `${name} comes to ${amount(cost[key])} ${WORDS[key]}; at most ${amount(MOST[key])} are drawn.`,
      )
  }
}

function amount(count: number): string {
  if (count < 1e6) return Math.ceil(count).toLocaleString('en')
  return count < 1e9 ? `${Math.round(count / 1e6).toLocaleString('en')} million` : 'billions of'
}

function counted(object: DrawingObject): Cost {
  switch (object.kind) {
    case 'group':
      return costOfAll(object.members)
    case 'mirror':
      return times(costOfAll(object.members), object.folds * (object.flip ? 2 : 1))
    case 'assembly': {
      const members = costOfAll(object.members)
      return {
        ...members,
        stops: stopsIn(object.style),
        dashes: members.dashes + dashesIn(object.style, lengthOf(object)),
      }
    }
    default:
      return {
        segments: segmentsOf(object),
        dashes: dashesIn(object.style, lengthOf(object)),
        stops: stopsIn(object.style),
        characters: object.kind === 'text' ? object.text.length : 0,
      }
  }
}

const stopsIn = (style: Style): number =>
  paintsOf(style).reduce(
    (sum, paint) => sum + (isGradient(paint) ? (typeof paint.stops === 'string' ? 2 : paint.stops.length) : 0),
    0,
  )

function dashesIn({ dash, stroke }: Style, length: number): number {
  if (!dash || stroke === 'none') return 0
  return Math.ceil((length / dash.reduce((sum, one) => sum + one, 0)) * dash.length)
}

type Leaf = Exclude<DrawingObject, { members: unknown }>

/** About how many segments an object's outline has; corners may double them. */
function segmentsOf(object: Leaf): number {
  switch (object.kind) {
    case 'rectangle':
      return 8
    case 'ellipse':
      return object.hole ? 8 : 4
    case 'polygon':
      return object.sides * 2 * (1 + (object.side?.nodes.length ?? (object.depth ? 1 : 0)))
    case 'arrow':
      return 14
    case 'spiral':
      return Math.ceil(4 * object.turns)
    case 'line':
      return 1
    case 'path':
      return object.contours.reduce((sum, { nodes }) => sum + nodes.length, 0)
    case 'text': {
      const { glyphs } = object.face ?? shippedFace(object.boldness)
      let sum = 0
      for (const char of object.text) for (const contour of glyphs[char]?.contours ?? []) sum += contour.length
      return sum
    }
  }
}

/** A length that an object's outline does not exceed by much, in grid units. */
function lengthOf(object: DrawingObject): number {
  switch (object.kind) {
    case 'group':
    case 'assembly':
      return object.members.reduce((sum, member) => sum + lengthOf(member), 0)
    case 'mirror':
      return object.members.reduce((sum, member) => sum + lengthOf(member), 0) * object.folds * (object.flip ? 2 : 1)
    case 'line':
      return distance(object.from, object.to)
    case 'path':
      return object.contours.reduce((sum, run) => sum + runLength(run), 0)
    case 'text': {
      const [a, b, c, d] = object.map ?? [1, 0, 0, 1]
      return 8 * object.size * object.text.length * Math.hypot(a!, b!, c!, d!)
    }
    default: {
      const round = 2 * (object.w + object.h) * (1 + Math.abs(Math.tan(((object.skew ?? 0) * Math.PI) / 180)))
      if (object.kind === 'polygon')
        return round * (object.depth || object.side ? object.sides / 2 : 1) * (1 + (object.side?.nodes.length ?? 0))
      return object.kind === 'spiral' ? round * object.turns : 2 * round
    }
  }
}

/** The length of a run's nodes and handles, one after the other, which its curves do not exceed. */
function runLength({ nodes, closed }: NodeRun): number {
  const last = closed ? nodes.length : nodes.length - 1
  let sum = 0
  for (let i = 0; i < last; i++) {
    const a = nodes[i]!,
      b = nodes[(i + 1) % nodes.length]!
    sum += a.arc
      ? 2 * Math.PI * Math.max(a.arc.rx, a.arc.ry, distance(a, b))
      : distance(a, b) + 2 * (reach(a.out) + reach(b.in))
  }
  return sum
}

const reach = (handle: Node['in']): number => (handle ? Math.hypot(handle.x, handle.y) : 0)
