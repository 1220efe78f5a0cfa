import { type DrawingObject, isContainer, isFramed, isStyled, kindOf } from '../objects/object'
import { isGradient } from '../model/paint'
import { type Memory, remembered } from '../scene/memory'
import { Refusal } from '../../findings/refusal'
import type { NamedValues } from '../model/values'
import { type Finish, isShared, paintsOf, type Style } from '../model/style'

/** Upper bounds of what drawing something takes, counted without drawing it. */
type Cost = {
  readonly segments: number
  readonly dashes: number
  readonly stops: number
  readonly characters: number
}

/**
 * The limits of a drawing, every image of a repeat or mirror counted. Beyond them neither a screen nor a rasteriser
 * answers in time.
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

/** The context of counting: the parts that placements refer to, and the shared finishes. */
export type Within = Pick<NamedValues, 'parts' | 'finishes'>

const NOTHING_NAMED: Within = {}
const known: Memory<Within, DrawingObject, Cost> = new WeakMap()

/** The cost of an object; hidden objects cost nothing. */
export function costOf(object: DrawingObject, within: Within = NOTHING_NAMED): Cost {
  return object.hidden ? NOTHING : remembered(known, within, object, () => counted(object, within))
}

/** The cost of a drawing. */
export const costOfAll = (objects: readonly DrawingObject[], within: Within = NOTHING_NAMED): Cost =>
  objects.reduce((sum, object) => plus(sum, costOf(object, within)), NOTHING)

/** Whether a cost is above the limits. */
export const isExcessive = (cost: Cost): boolean =>
  (Object.keys(MOST) as (keyof Cost)[]).some((key) => cost[key] > MOST[key])

/** Throws a refusal when the cost of something named is above the limits. */
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

function counted(object: DrawingObject, within: Within): Cost {
  const { segments, characters, times: images } = kindOf(object).cost,
    { part } = kindOf(object).references
  const placed = isContainer(object) ? undefined : part?.(object)
  if (placed !== undefined) return ofPart(placed, within)
  const members = isContainer(object) ? times(costOfAll(object.members, within), images?.(object) ?? 1) : NOTHING
  if (!isStyled(object)) return members
  const style = styleIn(object.style, within)
  return plus(
    // The paints of members are not visible in their combination.
    { ...members, stops: 0 },
    {
      segments: segments?.(object) ?? 0,
      dashes: style ? dashesIn(style, lengthOf(object)) : 0,
      stops: style ? stopsIn(style) : 0,
      characters: characters?.(object) ?? 0,
    },
  )
}

/** Parts whose cost is being counted: a part inside itself counts as nothing here, and is refused when it is drawn. */
const counting = new Set<string>()

function ofPart(name: string, within: Within): Cost {
  const part = within.parts?.find((one) => one.name === name)
  if (!part || counting.has(name)) return NOTHING
  counting.add(name)
  try {
    return costOfAll(part.objects as readonly DrawingObject[], within)
  } finally {
    counting.delete(name)
  }
}

const styleIn = (finish: Finish, { finishes }: Within): Style | undefined =>
  isShared(finish) ? finishes?.find(({ name }) => name === finish.finish)?.style : finish

const stopsIn = (style: Style): number =>
  paintsOf(style).reduce(
    (sum, paint) => sum + (isGradient(paint) ? (typeof paint.stops === 'string' ? 2 : paint.stops.length) : 0),
    0,
  )

function dashesIn({ dash, stroke }: Style, length: number): number {
  if (!dash || stroke === 'none') return 0
  return Math.ceil((length / dash.reduce((sum, one) => sum + one, 0)) * dash.length)
}

/** About the largest length of an object's outline, in grid units. */
function lengthOf(object: DrawingObject): number {
  const { length, times: images } = kindOf(object).cost
  if (length) return length(object)
  if (isContainer(object))
    return object.members.reduce((sum, member) => sum + lengthOf(member), 0) * (images?.(object) ?? 1)
  if (!isFramed(object)) return 0
  const slant = 1 + Math.abs(Math.tan(((object.skew ?? 0) * Math.PI) / 180))
  return 4 * (object.w + object.h) * slant
}
