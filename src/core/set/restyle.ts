import type { DrawingObject } from '../drawing/objects/object'
import { walk, withNewIds } from '../drawing/objects/tree'
import { basesOf } from '../rules/rules-for-grid'
import { withOwn } from '../rules/follow'
import { scaled } from '../rules/fit/brought'
import { fitted } from '../rules/fit/fit'
import { pinsScaled } from '../rules/fit/pin'
import { type Rename, renameValues } from '../rules/renames'
import type { Rules } from '../rules/rules'
import { KeptLook } from './kept-look'
import { masterOn } from './masters'
import { freeName } from './names'
import { type Icon, type IconSet, type Master, masterFor, titleOf } from './set'

/** What becomes of drawings on another grid: fitted to it, only scaled, or left at their coordinates. */
export type OnNewGrid = 'fitted' | 'scaled'

/**
 * The fitted form of one drawing of an icon on the grid of other rules. `place` 0 is the main drawing, 1 and more are its
 * alternatives. `of` are the original objects, `objects` the fitted ones.
 */
export type Fit = {
  readonly icon: string
  readonly place: number
  readonly of: readonly DrawingObject[]
  readonly objects: readonly DrawingObject[]
}

/** A change of a set's rules, and what becomes of its icons by it. */
export type Restyling = {
  readonly rules: Rules
  readonly renames: readonly Rename[]
  /** It follows the rules of another set by this: what changes is not its own. */
  readonly isFollowing?: true
  /** Treatment of drawings on another grid; without it coordinates stay. */
  readonly drawings?: OnNewGrid
  /** Fitted drawings that were computed before; missing ones are computed here. */
  readonly fits?: readonly Fit[]
  /** Ids of icons that keep their look: named values that change become their own values. */
  readonly except?: readonly string[]
}

/** A set under other rules. Icons that do not change stay the same objects. */
export function restyledSet(set: IconSet, asked: Restyling): IconSet {
  const restyling = asked.isFollowing ? asked : { ...asked, rules: withOwn(set.rules, asked.rules) }
  const except = new Set(restyling.except)
  const { rules, renames, drawings } = restyling
  const look = new KeptLook(set.rules, rules, renames, drawings ? rules.grid.size / set.rules.grid.size : 1)
  const fits = new Map<string, Fit[]>()
  for (const fit of restyling.fits ?? []) fits.set(fit.icon, [...(fits.get(fit.icon) ?? []), fit])
  const icons = set.icons.map((icon) => {
    const own = { ...restyling, fits: fits.get(icon.id) ?? [] }
    return restyledIcon(icon, set.rules, own, except.has(icon.id) ? look : null)
  })
  return { ...set, rules: look.rules, icons }
}

function restyledIcon(given: Icon, before: Rules, restyling: Restyling, look: KeptLook | null): Icon {
  const { rules, renames, drawings, fits = [] } = restyling
  const isOtherGrid = rules.grid.size !== before.grid.size
  const icon = look && !isOtherGrid ? look.icon(given) : given
  const next = isOtherGrid ? onOtherGrid(icon, before, rules, drawings, fits) : masterFor(icon)
  let same = !isOtherGrid && icon === given
  const masters = [next, ...icon.masters.slice(1).filter(({ base }) => base !== rules.grid.size)].map((master, i) => {
    const renamed = withNewNames(look && isOtherGrid && i === 0 ? look.master(master) : master, renames)
    const { from: _, pins, ...plain } = renamed
    const based =
      i === 0 && isOtherGrid
        ? { ...plain, base: rules.grid.size }
        : isOtherGrid && pins
          ? { ...renamed, pins: pinsScaled(pins, rules.grid.size / before.grid.size) }
          : renamed
    if (based !== icon.masters[i]) same = false
    return based
  })
  return same ? given : { ...icon, masters }
}

/**
 * The main drawing on another grid. With fitting, a drawing made by hand for that grid becomes the main drawing;
 * otherwise it is kept as an alternative. Alternatives of the main drawing stay.
 */
function onOtherGrid(
  icon: Icon,
  before: Rules,
  after: Rules,
  how: OnNewGrid | undefined,
  fits: readonly Fit[],
): Master {
  const main = masterFor(icon),
    base = after.grid.size
  const own = icon.masters.slice(1).find((one) => one.base === base)
  if (how === 'fitted' && basesOf(before).includes(base)) {
    const { objects, accepted, alternatives = [] } = masterOn(icon, before, base).master
    const beside = regridded({ ...main, objects: [] }, before, after, how, fits)
    const next = { ...beside, objects, ...(accepted && { accepted }) }
    return alternatives.reduce((all, one) => withAlternative(all, one.name, one.objects), next)
  }
  const next = how ? regridded(main, before, after, how, fits) : main
  return own ? withAlternative(next, `${base} master`, own.objects) : next
}

/** All drawings of a set that are brought along when its grid becomes another one, by icon and place. */
export const onOtherGridFrom = (set: IconSet): Omit<Fit, 'objects'>[] =>
  set.icons.flatMap((icon) => {
    const { objects, alternatives = [] } = masterFor(icon)
    return [objects, ...alternatives.map((one) => one.objects)].map((of, place) => ({ icon: icon.id, place, of }))
  })

/** A master with one more alternative, its objects under ids that no other of it has. */
function withAlternative(master: Master, name: string, objects: readonly DrawingObject[]): Master {
  const alternatives = master.alternatives ?? []
  const taken = new Set(
    [master.objects, ...alternatives.map((one) => one.objects)].flatMap((list) =>
      [...walk(list)].map(({ object }) => object.id),
    ),
  )
  let n = 0
  const nextId = () => {
    while (taken.has(`kept-${++n}`));
    return `kept-${n}`
  }
  const one = {
    name: freeName(
      name,
      alternatives.map((other) => other.name),
      ' ',
    ),
    objects: objects.map((object) => withNewIds(object, nextId)),
  }
  return { ...master, title: titleOf(master), alternatives: [...alternatives, one] }
}

/** A master with the names of other rules; itself where none changed. */
function withNewNames(master: Master, renames: readonly Rename[]): Master {
  if (renames.length === 0) return master
  const objects = renameValues(master.objects, renames),
    from = master.from && renameValues(master.from, renames)
  const alternatives = master.alternatives?.map((one) => {
    const renamed = renameValues(one.objects, renames)
    return renamed === one.objects ? one : { ...one, objects: renamed }
  })
  const isSame =
    objects === master.objects &&
    from === master.from &&
    (alternatives ?? []).every((one, i) => one === master.alternatives![i])
  return isSame ? master : { ...master, objects, ...(from && { from }), ...(alternatives && { alternatives }) }
}

/** The main drawing, and those kept beside it, on another grid. Guides and pictures go along in proportion. */
function regridded(master: Master, before: Rules, after: Rules, how: OnNewGrid, fits: readonly Fit[]): Master {
  const onGrid = (objects: readonly DrawingObject[], place: number) => {
    if (how === 'scaled') return scaled(objects, before, after) as DrawingObject[]
    const known = fits.find((fit) => fit.place === place && fit.of === objects)
    return (known ?? fitted(objects, before, after)).objects as DrawingObject[]
  }
  const scale = after.grid.size / before.grid.size
  const { guides, references, alternatives, accepted, ...rest } = master
  return {
    ...rest,
    objects: onGrid(master.objects, 0),
    ...(alternatives && {
      alternatives: alternatives.map((one, i) => ({ ...one, objects: onGrid(one.objects, i + 1) })),
    }),
    // An accepted snag at another place than the scaled one is found and shown again.
    ...(accepted && {
      accepted: accepted.map((one) => (one.at ? { ...one, at: { x: one.at.x * scale, y: one.at.y * scale } } : one)),
    }),
    ...(guides && {
      guides: guides.map((guide) => ({ ...guide, at: { x: guide.at.x * scale, y: guide.at.y * scale } })),
    }),
    ...(references && {
      references: references.map((one) => ({
        ...one,
        x: one.x * scale,
        y: one.y * scale,
        w: one.w * scale,
        h: one.h * scale,
      })),
    }),
  }
}
