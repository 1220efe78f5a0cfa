import { laidNodes } from '../../drawing/objects/laid-nodes'
import { isStyled } from '../../drawing/objects/object'
import { visited } from '../../drawing/objects/visit'
import { isShared, type Style } from '../../drawing/model/style'
import { walk } from '../../drawing/objects/tree'
import { refusalIn } from '../../drawing/evaluate/evaluate'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { starterRules } from '../../rules/starters'
import type { Rules } from '../../rules/rules'
import { type Plain, said } from './plain'
import { showsJoins, showsCaps } from './caps-and-joins'
import { patternOf } from './pattern'
import { extentsOf } from './proposed-extents'
import { paletteOf } from './proposed-palette'
import { type Count, gathered, Tally } from './tally'
import { unbroken } from './unbroken'
import { NEAR } from './under-rules'

/** What a proposed rule is about; all but the grid can be left. */
export const TOPICS = [
  'grid',
  'weights',
  'corners',
  'colours',
  'cap',
  'join',
  'angles',
  'extents',
  'names',
  'parts',
] as const
export type Topic = (typeof TOPICS)[number]

/** Evidence for a proposed rule: its value, in how many cases of how many, and the exceptions. */
export type Evidence = {
  readonly topic: Topic
  readonly what: string
  readonly count: number
  readonly of: number
  /** Other values, with some of their icons. */
  readonly others: readonly { readonly what: string; readonly count: number; readonly icons: readonly string[] }[]
}

type Proposal = { readonly rules: Rules; readonly evidence: readonly Evidence[] }

/** From which share of the icons on, and from how many, a value that is not the most frequent one gets a name. */
const NAMED = 0.04,
  FEW = 2

/** How many values of one list get a name at most. */
const MOST = { weights: 4, radii: 4 }

function evidence<T>(
  topic: Topic,
  what: string,
  chosen: readonly Count<T>[],
  all: readonly Count<T>[],
  word: (value: T) => string,
): Evidence {
  const others = all.filter((one) => !chosen.some(({ value }) => value === one.value))
  const sum = (list: readonly Count<T>[]) => list.reduce((total, { count }) => total + count, 0)
  return {
    topic,
    what,
    count: sum(chosen),
    of: sum(all),
    others: others
      .slice(0, 6)
      .map(({ value, count, icons }) => ({ what: word(value), count, icons: icons.slice(0, 8) })),
  }
}

/**
 * Proposes the rules that drawings follow, by frequency, with evidence. Strokes and corners still have numbers. A topic
 * in `left` keeps the default of a new set without named radii, and its values stay numbers.
 */
export function proposedRules(icons: readonly Plain[], grid: number, left: ReadonlySet<Topic> = new Set()): Proposal {
  const base = starterRules(grid),
    scene = sceneOf(base)
  const unit = grid / 24
  const weights = new Tally<number>(),
    radii = new Tally<number>(),
    colours = new Tally<string>(),
    caps = new Tally<Style['cap']>(),
    joins = new Tally<Style['join']>(),
    angles = new Tally<boolean>()
  for (const { name, objects } of icons)
    for (const { object, parents } of walk(objects)) {
      if (!isStyled(object) || parents.some((parent) => isStyled(parent)) || isShared(object.style)) continue
      const { style } = object
      for (const paint of [style.fill, style.stroke])
        if (typeof paint === 'string' && paint !== 'none') colours.add(paint, name)
      if (style.stroke !== 'none' && typeof style.weight === 'number') {
        weights.add(Math.round(style.weight * 1000) / 1000, name)
        const edge = unbroken(() => (refusalIn(object, scene) ? [] : scene.edge(object)), [])
        if (showsCaps(edge)) caps.add(style.cap ?? 'butt', name)
        if (showsJoins(edge)) joins.add(style.join ?? 'miter', name)
      }
      visited(object, {
        radius(radius) {
          if (typeof radius === 'number' && radius > 0) radii.add(Math.round(radius * 1000) / 1000, name)
          return radius
        },
      })
      for (const { closed, nodes } of laidNodes(object))
        nodes.forEach((from, i) => {
          const to = nodes[i + 1] ?? (closed ? nodes[0]! : from)
          if (from === to || from.out || from.arc || to.in) return
          const turn = ((Math.atan2(from.y - to.y, to.x - from.x) * 180) / Math.PI + 360) % 45
          angles.add(Math.min(turn, 45 - turn) < 0.1, name)
        })
    }
  const list: Evidence[] = [
    { topic: 'grid', what: `grid ${said(grid)}`, count: icons.length, of: icons.length, others: [] },
  ]

  const heavy = gathered(weights, NEAR * unit)
  const isFrequent = (own: readonly string[]) => own.length >= Math.max(FEW, NAMED * icons.length)
  const named = heavy.filter(({ icons: own }, i) => i === 0 || isFrequent(own)).slice(0, MOST.weights)
  const main = named[0]?.value
  if (main !== undefined)
    list.push(
      evidence('weights', `weight ${named.map(({ value }) => said(value)).join(', ')}`, named, heavy, (value) =>
        said(value),
      ),
    )

  const round = gathered(radii, NEAR * unit)
  const corners = round.filter(({ icons: own }, i) => i === 0 || isFrequent(own)).slice(0, MOST.radii)
  if (corners.length > 0)
    list.push(
      evidence('corners', `corner ${corners.map(({ value }) => said(value)).join(', ')}`, corners, round, (value) =>
        said(value),
      ),
    )

  const palette = paletteOf(colours.counts)
  if (colours.total > 0)
    list.push(
      evidence(
        'colours',
        `${palette.named.length === 1 ? 'one colour' : `${palette.named.length} colours`}`,
        palette.named,
        colours.counts,
        (value) => value,
      ),
    )
  const [cap] = caps.counts,
    [join] = joins.counts
  if (cap) list.push(evidence('cap', `${cap.value} caps`, [cap], caps.counts, (value) => value ?? 'butt'))
  if (join) list.push(evidence('join', `${join.value} joins`, [join], joins.counts, (value) => value ?? 'miter'))
  const straight = angles.counts.find(({ value }) => value)
  const isUpright = straight !== undefined && straight.count >= 0.9 * angles.total && angles.total >= 10
  if (isUpright)
    list.push({ topic: 'angles', what: 'lines at 0°, 45°, 90°', count: straight.count, of: angles.total, others: [] })

  const extents = extentsOf(icons, grid)
  if (extents.boxes.length > 0) list.push(extents.evidence)
  const naming = patternOf(icons.map(({ name }) => name))
  if (naming) list.push({ topic: 'names', what: naming.pattern, count: naming.count, of: icons.length, others: [] })

  const takes = (topic: Topic) => !left.has(topic)
  const rules: Rules = {
    ...base,
    ...(extents.boxes.length > 0 && takes('extents') && { liveArea: extents.liveArea }),
    ...(extents.keylines.length > 0 && takes('extents') && { keylines: extents.keylines }),
    ...(main !== undefined && takes('weights') && { weights: namedWeights(named.map(({ value }) => value)) }),
    radii: takes('corners')
      ? corners.map(({ value }, i) => ({ name: ['outer', 'inner', 'small', 'smaller'][i]!, value }))
      : [],
    ...(cap?.value && takes('cap') && { cap: cap.value }),
    ...(join?.value && takes('join') && { join: join.value }),
    ...(takes('colours') && { palette: palette.palette }),
    ...(isUpright && takes('angles') && { angles: [0, 45, 90, 135] }),
    ...(naming && takes('names') && { naming: naming.pattern }),
  }
  return { rules, evidence: list }
}

/** The most frequent weight is the main one; lighter ones are fine, heavier ones bold. */
function namedWeights(values: readonly number[]): Rules['weights'] {
  const [main, ...rest] = values
  const lighter = rest.filter((value) => value < main!).sort((a, b) => b - a),
    heavier = rest.filter((value) => value > main!).sort((a, b) => a - b)
  const all = (word: string, list: readonly number[]) =>
    list.map((value, i) => ({ name: i === 0 ? word : `${word}-${i + 1}`, value }))
  return [{ name: 'main', value: main! }, ...all('fine', lighter), ...all('bold', heavier)]
}
