import { fileError, type FileProblem } from '../../findings/problem'
import type { DrawingObject } from '../../drawing/objects/object'
import { rulesForGrid } from '../../rules/rules-for-grid'
import type { Rules } from '../../rules/rules'
import { type Icon, type IconSet, LIMITS, type Master } from '../../set/set'
import { blackAsInk } from './black-as-ink'
import { byName, nearest, type Sized, withStyles } from './by-name'
import { STYLES, type Style } from './names'
import { settableIcon } from './settable-icon'
import { onGrid } from './on-grid'
import { type Evidence, proposedRules, type Topic } from './propose'
import { imagesBack } from './images/images-back'
import { inPieces } from './live-pieces'
import { withParts } from './proposed-parts'
import { isFailed, type ReadIcon } from './read-icon'
import { PRIVATE } from './reading'
import { type Sought, soughtIn, withStrokesBack } from './strokes-of-set'
import { strokeTolerance } from './strokes-back'
import { gathered, Tally } from './tally'
import { unbroken } from './unbroken'
import { underRules } from './under-rules'

/**
 * Choices for a set made of files: its name, its style if there are several (default: the most frequent), the files to
 * leave out, the proposed rules to leave out, and whether repeated pieces become parts.
 */
export type Wish = {
  readonly name: string
  readonly style?: Style | 'plain'
  readonly without?: ReadonlySet<string>
  readonly left?: ReadonlySet<Topic>
  readonly parts?: boolean
}

/** A set made of files under proposed rules, with remarks and failures. */
export type Gathered = {
  readonly set: IconSet
  readonly evidence: readonly Evidence[]
  readonly remarks: readonly FileProblem[]
  readonly failed: readonly FileProblem[]
  /** The files that each icon comes from, by its id. */
  readonly paths: ReadonlyMap<string, readonly string[]>
  /** All styles with their numbers of icons; the set has one of them. */
  readonly styles: readonly { readonly style: Style | 'plain'; readonly count: number }[]
}

/** How many of the icons must be there in another size to make it a master of the set. */
const ENOUGH = 0.2

const styleOf = ({ style }: ReadIcon): Style | 'plain' => style ?? 'plain'

/** Is told of how many drawings, of so many, strokes were looked for. */
export type Telling = (done: number, of: number) => void

/** The icons of the style that is taken, and their drawings on the grid that most are for; null where nothing was read. */
function chosenOf(all: readonly (ReadIcon | FileProblem)[], wish: Pick<Wish, 'style'>) {
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
  const remarks: FileProblem[] = []
  const icons = byName(taken, grid, remarks)
  const drawings = icons.map(({ name, sizes }) => {
    const one = nearest(sizes, grid)
    return { name, objects: onGrid(one, grid), how: one.how }
  })
  return { styles, grid, sizes: counts.map(({ value }) => value), icons, drawings, remarks }
}

/** What strokes are looked for in before a set is made: it takes longest, and may be done by several at once. */
export function sought(all: readonly (ReadIcon | FileProblem)[], wish: Pick<Wish, 'style'>): Sought | null {
  const chosen = chosenOf(all, wish)
  return chosen && soughtIn(chosen.drawings, chosen.grid)
}

/** Makes a set of read files, under the rules that their drawings follow. Null if there is no icon. */
export function gatheredSet(all: readonly (ReadIcon | FileProblem)[], wish: Wish, tell?: Telling): Gathered | null {
  const failed: FileProblem[] = all.filter(isFailed)
  const chosen = chosenOf(all, wish)
  if (!chosen) return null
  const { styles, grid, icons, remarks } = chosen
  const further = chosen.sizes
    .filter((base) => base !== grid && base >= 8 && base <= 512)
    .filter((base) => icons.filter(({ sizes }) => sizes.has(base) && sizes.size > 1).length >= ENOUGH * icons.length)
    .slice(0, 8)
    .sort((a, b) => a - b)
  const stroked = withStrokesBack(chosen.drawings, grid, tell && ((done) => tell(done, icons.length)))
  const inInk = wish.left?.has('colours') ? (objects: readonly DrawingObject[]) => objects : blackAsInk(stroked)
  const plain = stroked
    .map((one) => ({ ...one, objects: inInk(one.objects) }))
    .map((one) => (one.how === 'live' ? { ...one, objects: inPieces(one.objects, strokeTolerance(grid)) } : one))
  const { rules: proposed, evidence } = proposedRules(plain, grid, wish.left)
  const { drawings, parts, told } = withParts(
    plain.map(({ name, how, objects }) => ({
      name,
      objects: how === 'live' ? unbroken(() => imagesBack(objects, strokeTolerance(grid)), objects) : objects,
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
      return own && sizes.has(grid)
        ? [{ base, objects: underRules(inInk(onGrid(own, base)), rulesForGrid(rules, base)) }]
        : []
    })
    for (const base of sizes.keys())
      if (base !== grid && !further.includes(base) && sizes.size > 1)
        remarks.push({
          icon: name,
          path: sizes.get(base)!.path,
          isError: false,
          sentence: `its drawing at ${base} is left out: too few icons have one`,
        })
    const kept = settableIcon(
      { id: `i${i + 1}`, name, ...(tags.length > 0 && { tags }), masters: [main, ...others] },
      rules,
    )
    if ('icon' in kept) {
      const files = [...sizes.values()].map((one) => one.path)
      // Icons that are left out still count for the proposed rules.
      if (files.some((file) => wish.without?.has(file))) return
      made.push(kept.icon)
      if (code !== undefined && code >= PRIVATE) codes[kept.icon.id] = code
      paths.set(kept.icon.id, files)
    } else failed.push(fileError(path, kept.problem))
    for (const { what, why } of nearest(sizes, grid).unread)
      remarks.push({ icon: name, path, isError: false, sentence: `${what}: ${why}` })
  })
  const over = made.length - LIMITS.icons
  if (over > 0)
    failed.push(fileError(`${over} files`, `A set holds ${LIMITS.icons} icons; the last ones are left out.`))
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
