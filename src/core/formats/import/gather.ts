import { bookAt } from '../../rules/book'
import type { DrawingObject } from '../../drawing/model/object'
import type { Rules } from '../../rules/rules'
import { freeName, nameKey } from '../../set/names'
import { Icon, type IconSet, iconProblems, LIMITS, type Master } from '../../set/set'
import { STYLES, type Style } from './names'
import { onGrid } from './on-grid'
import { type Evidence, type Plain, proposedRules, type Topic } from './propose'
import { imagesBack } from './images/images-back'
import { type ComingPart, partsIn, withPlacements } from './images/parts'
import { isFailed, type ReadIcon } from './read-icon'
import { type Failed, PRIVATE } from './reading'
import { strokeBack, strokeTolerance } from './strokes-back'
import { gathered, Tally } from './tally'
import { underRules } from './under-rules'

/**
 * How files become a set: its name, the style that is taken where there are several (the most frequent one by itself), the
 * files whose icons are left out, and the proposed rules that are not taken; whether
 * what comes again in several icons becomes parts.
 */
export type Wish = {
  readonly name: string
  readonly style?: Style | 'plain'
  readonly without?: ReadonlySet<string>
  readonly left?: ReadonlySet<Topic>
  readonly parts?: boolean
}

/** What is to be told of an icon that was taken over: a clash of names, a size that was left, what was not read. */
export type Remark = { readonly icon: string; readonly path: string; readonly text: string }

/** Files as a set under proposed rules, with what is to be told. */
export type Gathered = {
  readonly set: IconSet
  readonly evidence: readonly Evidence[]
  readonly remarks: readonly Remark[]
  readonly failed: readonly Failed[]
  /** The files that each icon comes from, by its id. */
  readonly paths: ReadonlyMap<string, readonly string[]>
  /** Every style that occurs and how many icons have it; only one of them is in the set. */
  readonly styles: readonly { readonly style: Style | 'plain'; readonly count: number }[]
}

/** How many of the icons must be there in another size to make it a master of the set. */
const ENOUGH = 0.2

const styleOf = ({ style }: ReadIcon): Style | 'plain' => style ?? 'plain'

/** Makes a set of what was read, under the rules that its drawings follow. Null where nothing was read. */
export function gatheredSet(all: readonly (ReadIcon | Failed)[], wish: Wish): Gathered | null {
  const failed: Failed[] = all.filter(isFailed)
  const read = withStyles(all.filter((one): one is ReadIcon => !isFailed(one)))
  if (read.length === 0) return null
  const styles = (['plain', ...STYLES] as const)
    .map((style) => ({ style, count: read.filter((one) => styleOf(one) === style).length }))
    .filter(({ count }) => count > 0)
    .sort((a, b) => b.count - a.count)
  const style = styles.some((one) => one.style === wish.style) ? wish.style! : styles[0]!.style
  const taken = read.filter((one) => styleOf(one) === style)
  const bases = new Tally<number>()
  for (const { base, path } of taken) bases.add(base, path)
  const counts = bases.counts
  const grid = counts.filter(({ count }) => count === counts[0]!.count).sort((a, b) => b.value - a.value)[0]!.value
  const remarks: Remark[] = []
  const icons = byName(taken, grid, remarks)
  const further = counts
    .map(({ value }) => value)
    .filter((base) => base !== grid && base >= 8 && base <= 512)
    .filter((base) => icons.filter(({ sizes }) => sizes.has(base) && sizes.size > 1).length >= ENOUGH * icons.length)
    .slice(0, 8)
    .sort((a, b) => a - b)
  const plain = withStrokesBack(
    icons.map(({ name, sizes }) => {
      const one = nearest(sizes, grid)
      return { name, objects: onGrid(one, grid), how: one.how }
    }),
    grid,
  )
  const { rules: proposed, evidence } = proposedRules(plain, grid, wish.left)
  const { drawings, parts, told } = withParts(
    plain.map(({ name, how, objects }) => ({
      name,
      objects: how === 'live' ? imagesBack(objects, strokeTolerance(grid)) : objects,
    })),
    grid,
    wish.parts === true,
  )
  const rules: Rules = {
    ...proposed,
    ...(further.length > 0 && { masters: further.map((base) => masterRule(base, icons)) }),
  }
  if (parts.length > 0)
    rules.parts = parts.map(({ name, at, object }) => ({ name, at, objects: underRules([object], rules) }))
  const made: Icon[] = []
  const paths = new Map<string, readonly string[]>()
  const codes: Record<string, number> = {}
  icons.forEach(({ name, tags, sizes, path, code }, i) => {
    const main: Master = { base: grid, objects: underRules(drawings[i]!.objects, rules) }
    const others = further.flatMap((base): Master[] => {
      const own = sizes.get(base)
      return own && sizes.has(grid) ? [{ base, objects: underRules(onGrid(own, base), bookAt(rules, base)) }] : []
    })
    for (const base of sizes.keys())
      if (base !== grid && !further.includes(base) && sizes.size > 1)
        remarks.push({
          icon: name,
          path: sizes.get(base)!.path,
          text: `its drawing at ${base} is left out: too few icons have one`,
        })
    const icon = Icon.safeParse({ id: `i${i + 1}`, name, ...(tags.length > 0 && { tags }), masters: [main, ...others] })
    const problem = icon.success ? iconProblems(icon.data, rules)[0] : icon.error.issues[0]?.message
    if (icon.success && problem === undefined) {
      const files = [...sizes.values()].map((one) => one.path)
      // What is left out still tells the rules: they are those that were shown.
      if (files.some((file) => wish.without?.has(file))) return
      made.push(icon.data)
      if (code !== undefined && code >= PRIVATE) codes[icon.data.id] = code
      paths.set(icon.data.id, files)
    } else failed.push({ path, problem: problem ?? 'It is no drawing that a set can hold.' })
    for (const { what, why } of nearest(sizes, grid).unread) remarks.push({ icon: name, path, text: `${what}: ${why}` })
  })
  const over = made.length - LIMITS.icons
  if (over > 0)
    failed.push({ path: `${over} files`, problem: `A set holds ${LIMITS.icons} icons; the last ones are left out.` })
  return {
    set: {
      name: wish.name,
      kind: 'interface',
      rules,
      icons: made.slice(0, LIMITS.icons),
      // What a font was read of stays its font.
      ...(Object.keys(codes).length > 0 && { delivery: { codes } }),
    },
    evidence: [...evidence, ...told],
    remarks,
    failed,
    paths,
    styles,
  }
}

/** Drawings, the parts that come again in them, what is told of these; placed where they are `wanted`. */
function withParts(
  icons: readonly Plain[],
  grid: number,
  wanted: boolean,
): { readonly drawings: readonly Plain[]; readonly parts: readonly ComingPart[]; readonly told: readonly Evidence[] } {
  const parts = partsIn(icons, strokeTolerance(grid))
  const iconsOf = (list: readonly ComingPart[]) => new Set(list.flatMap(({ uses }) => uses.map(({ icon }) => icon)))
  const told: Evidence = {
    topic: 'parts',
    what: parts.length === 1 ? 'one part that comes again' : `${parts.length} parts that come again`,
    count: iconsOf(parts).size,
    of: icons.length,
    others: parts.slice(0, 6).map((part) => {
      const own = [...iconsOf([part])].map((i) => icons[i]!.name)
      return { what: part.name, count: own.length, icons: own.slice(0, 8) }
    }),
  }
  return {
    drawings: wanted ? withPlacements(icons, parts) : icons,
    parts: wanted ? parts : [],
    told: parts.length > 0 ? [told] : [],
  }
}

/** The share of the files from which on a word at the end of their names is a style, and not a part of the names. */
const STYLED = 0.15

/** What was read, with the style that a name ends in only where many names do. */
function withStyles(read: readonly ReadIcon[]): readonly ReadIcon[] {
  const count = (style: Style) => read.filter((one) => one.fullName !== null && one.style === style).length
  const rare = new Set(STYLES.filter((style) => count(style) < STYLED * read.length))
  return read.map((one) =>
    one.fullName !== null && one.style !== null && rare.has(one.style)
      ? { ...one, name: one.fullName, fullName: null, style: null }
      : one,
  )
}

type Taken = Plain & Pick<ReadIcon, 'how'>

/** The share of the icons in which areas are as thick as a stroke before they are taken for strokes that were outlined. */
const OUTLINED = 0.3

/**
 * Drawings with areas that strokes were outlined to as strokes again, where they are as heavy as the strokes of the set; of a
 * set that was outlined as a whole, as heavy as most of its rings, frames and bars.
 */
function withStrokesBack(icons: readonly Taken[], grid: number): Taken[] {
  const within = strokeTolerance(grid),
    drawn = new Tally<number>(),
    thick = new Tally<number>(),
    centred = hasCentreLines(icons, within)
  const backOf = (object: DrawingObject) => strokeBack(object, within, centred)
  const round = (weight: number) => Math.round(weight * 100) / 100
  for (const { name, objects, how } of icons)
    for (const object of objects) {
      if (
        'style' in object &&
        'stroke' in object.style &&
        object.style.stroke !== 'none' &&
        typeof object.style.weight === 'number'
      )
        drawn.add(round(object.style.weight), name)
      const back = how === 'live' ? backOf(object) : null
      if (back) thick.add(round(back.weight), name)
    }
  const isCommon = (share: number) => (one: { readonly icons: readonly string[] }) =>
    one.icons.length >= Math.max(2, share * icons.length)
  const weights = [...drawn.counts.filter(isCommon(OUTLINED)), ...thick.counts.filter(isCommon(OUTLINED))]
  return icons.map(({ name, objects, how }) => ({
    name,
    how,
    objects: objects.flatMap((object) => {
      const back = how === 'live' ? backOf(object) : null
      return back && weights.some(({ value }) => Math.abs(value - back.weight) <= within) ? back.objects : [object]
    }),
  }))
}

/** How many icons are looked at to see whether outlines have centre lines, and the share that has. */
const SAMPLE = 40,
  CENTRED = 0.15

/** Whether outlines tell of centre lines: what is written with few digits, as in fonts, does not, and it takes long to see. */
function hasCentreLines(icons: readonly Plain[], within: number): boolean {
  const every = Math.max(1, Math.floor(icons.length / SAMPLE))
  const some = icons.filter((_, i) => i % every === 0)
  const found = some.filter(({ objects }) => objects.some((object) => strokeBack(object, within, true)))
  return found.length >= CENTRED * some.length
}

type Sized = { name: string; tags: string[]; path: string; code?: number; sizes: Map<number, ReadIcon> }

/** The drawings by their icons: the same name in several sizes is one icon, the same name and size again is another. */
function byName(read: readonly ReadIcon[], grid: number, remarks: Remark[]): Sized[] {
  const icons: Sized[] = [],
    byKey = new Map<string, Sized>()
  for (const one of read) {
    const key = nameKey(one.name)
    const known = byKey.get(key)
    if (known && !known.sizes.has(one.base)) {
      known.sizes.set(one.base, one)
      if (one.base === grid) known.path = one.path
      continue
    }
    const name = known
      ? freeName(
          one.name,
          icons.map((icon) => icon.name),
        )
      : one.name
    if (known)
      remarks.push({ icon: name, path: one.path, text: `there is another “${one.name}”, so it is named “${name}”` })
    const fresh: Sized = {
      name,
      tags: one.tags.slice(0, 40),
      path: one.path,
      ...(one.code !== undefined && { code: one.code }),
      sizes: new Map([[one.base, one]]),
    }
    icons.push(fresh)
    byKey.set(nameKey(name), fresh)
  }
  return icons
}

/** The drawing for a grid, else that of the size nearest to it. */
const nearest = (sizes: ReadonlyMap<number, ReadIcon>, grid: number): ReadIcon =>
  [...sizes].reduce((best, one) => (Math.abs(one[0] - grid) < Math.abs(best[0] - grid) ? one : best))[1]

/** A further grid with the weight that most strokes have on it. */
function masterRule(base: number, icons: readonly Sized[]): NonNullable<Rules['masters']>[number] {
  const weights = new Tally<number>()
  for (const { name, sizes } of icons) {
    const own = sizes.get(base)
    if (!own) continue
    for (const object of onGrid(own, base))
      if (
        'style' in object &&
        'stroke' in object.style &&
        object.style.stroke !== 'none' &&
        typeof object.style.weight === 'number'
      )
        weights.add(Math.round(object.style.weight * 1000) / 1000, name)
  }
  const [main] = gathered(weights, 0.01)
  return { base, ...(main && { weights: [{ name: 'main', value: main.value }] }) }
}
