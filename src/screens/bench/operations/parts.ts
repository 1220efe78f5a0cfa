import { boxCentre } from '@/core/geometry/box'
import type { Point } from '@/core/geometry/point'
import { compose, inverse, translation } from '@/core/geometry/transform'
import { mapOf, sizeOf } from '@/core/drawing/kinds/placement/placed'
import { type DrawingObject, kindOf, type OfKind } from '@/core/drawing/objects/object'
import { ValueName } from '@/core/drawing/model/paint'
import { scaleOwn } from '@/core/drawing/objects/scale-own'
import { transformObject } from '@/core/drawing/objects/transform-object'
import { find, walk } from '@/core/drawing/objects/tree'
import { loosened } from '@/core/drawing/edit/loose'
import { renameValues } from '@/core/rules/renames'
import { holdsItself, selfSentence } from '@/core/rules/parts'
import type { Part, Rules } from '@/core/rules/rules'
import { applyEdit, type SetEdit } from '@/core/set/edit'
import type { Icon, IconSet } from '@/core/set/set'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import { commit } from '../../session/session'
import type { Bench } from '../state/bench'
import { attempt } from './fix'
import { slice } from '../state/slice'

/** State of the panel and the tool for parts: the part in hand, and the open question. */
export const PARTS = slice('parts', {
  inHand: null as string | null,
  /** Where a part was opened last. */
  open: null as null | { readonly icon: string },
  asking: null as null | 'name' | { readonly rename: string } | { readonly putBack: string },
})

export const partsOf = ({ parts }: Rules): readonly Part[] => parts ?? []

const present = (bench: Bench): IconSet => bench.session.getState().history.present

/** A name as the rules have it: small letters, digits and hyphens. */
const slug = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 32)

/** Why a name will not do for a part; null when it will. */
function nameProblem(rules: Rules, name: string, own?: string): string | null {
  if (!ValueName.safeParse(name).success) return 'A part is named by letters, digits and hyphens, a letter first.'
  return partsOf(rules).some((part) => part.name === name && name !== own)
    ? `There is already a part named “${name}”.`
    : null
}

const withParts = (rules: Rules, parts: readonly Part[]): Rules => {
  const { parts: _, ...rest } = rules
  return (parts.length > 0 ? { ...rest, parts } : rest) as Rules
}

const rulesEdit = (rules: Rules): SetEdit => ({ kind: 'rules', rules, renames: [] })

/** Saves the selection as a part and places that in its stead. Gives a sentence when the name will not do. */
export function saveAsPart(bench: Bench, text: string): string | null {
  const name = slug(text),
    { free, here, setRules: rules } = bench
  const problem = nameProblem(rules, name)
  if (problem || free.length === 0 || !here) return problem ?? 'Select the objects of the part first.'
  const at = bench.store.getState().pivot ?? boxCentre(bench.extent(free)!)
  const objects = free.map(({ role: _, ...object }) => object as DrawingObject)
  const placement: DrawingObject = { kind: 'placement', id: newId(), name: text.trim() || name, part: name, at }
  const top = free.at(-1)!
  const gone = free.filter((object) => object !== top).map(({ id }) => id)
  const put: DrawingObject = { ...placement, ...(top.role && { role: top.role }) }
  commit(
    bench.session,
    {
      kind: 'all',
      edits: [
        rulesEdit(withParts(rules, [...partsOf(rules), { name, at, objects }])),
        { kind: 'draw', ...here, edit: { kind: 'loosen', id: top.id, objects: [put] } },
        { kind: 'draw', ...here, edit: { kind: 'remove', ids: gone } },
      ],
    },
    `Save the part ${name}`,
  )
  bench.put(PARTS, { inHand: name })
  bench.select([placement.id])
  return null
}

/** Places a part with its place of insertion at a point. */
export function placePart(bench: Bench, name: string, at: Point): void {
  bench.add([{ kind: 'placement', id: newId(), name: bench.nameFor(name), part: name, at }], `Place ${name}`)
}

/** How often a part is used, by icon and by part. */
export function usesOf(
  set: IconSet,
  name: string,
): { readonly icons: readonly Icon[]; readonly parts: readonly string[]; readonly count: number } {
  let count = 0
  const within = (objects: readonly DrawingObject[]) => {
    const found = [...walk(objects)].filter(({ object }) => kindOf(object).references.part?.(object) === name).length
    count += found
    return found > 0
  }
  const icons = set.icons.filter(({ masters }) =>
    masters.some(({ objects, alternatives = [] }) =>
      [objects, ...alternatives.map((one) => one.objects)].map(within).some(Boolean),
    ),
  )
  const parts = partsOf(set.rules)
    .filter((part) => within(part.objects))
    .map((part) => part.name)
  return { icons, parts, count }
}

/** Deletes a part that nothing uses. */
export function deletePart(bench: Bench, name: string): void {
  const set = present(bench)
  const { count } = usesOf(set, name)
  if (count > 0)
    return say({
      text: `The part “${name}” is placed ${count === 1 ? 'once' : `${count} times`}. Release or delete its placements first.`,
    })
  commit(
    bench.session,
    rulesEdit(
      withParts(
        set.rules,
        partsOf(set.rules).filter((part) => part.name !== name),
      ),
    ),
    `Delete the part ${name}`,
  )
}

/** Renames a part and all that refers to it. Gives a sentence when the name will not do. */
export function renamePart(bench: Bench, name: string, text: string): string | null {
  const to = slug(text),
    { rules } = present(bench)
  const problem = nameProblem(rules, to, name)
  if (problem || to === name) return problem
  const renames = [{ kind: 'part' as const, from: name, to }]
  const parts = partsOf(rules).map((part) => ({
    ...part,
    name: part.name === name ? to : part.name,
    objects: renameValues(part.objects, renames),
  }))
  commit(bench.session, { kind: 'rules', rules: withParts(rules, parts), renames }, `Rename the part ${name} to ${to}`)
  if (bench.read(PARTS).inHand === name) bench.put(PARTS, { inHand: to })
  return null
}

/**
 * Opens a placement: its part's objects can be edited in their place, until they are put back. They are as the part has
 * them, but for where they lie and how large they are; colours and weights of this placement come back with it.
 */
export function openPlacement(bench: Bench, object: OfKind<'placement'>): void {
  const members = attempt(() => loosened({ ...object, colours: undefined, weights: undefined }, bench.scene, newId))
  if (!members) return
  const { kind: _, part, at, map, weights, colours, ...common } = object
  const opened = { part, at, ...(map && { map }), ...(weights && { weights }), ...(colours && { colours }) }
  bench.edit({ kind: 'replace', objects: [{ ...common, kind: 'group', opened, members }] }, `Open the part ${part}`)
  bench.store.setState({ scope: object.id })
  bench.select([])
  if (bench.icon) bench.put(PARTS, { open: { icon: bench.icon.id } })
}

/** A part that is open in an icon, and where. */
type OpenIn = { readonly icon: Icon; readonly base: number; readonly group: Opened }

const known = new WeakMap<Icon['masters'], OpenIn | null>()

/** The part that is open in an icon, on any of its grids; null where none is. */
export function openedIn(icon: Icon): OpenIn | null {
  let found = known.get(icon.masters)
  if (found === undefined) {
    const open = icon.masters.flatMap(({ base, objects }) =>
      [...walk(objects)].flatMap(({ object }) => (isOpened(object) ? [{ icon, base, group: object }] : [])),
    )[0]
    known.set(icon.masters, (found = open ?? null))
  }
  return found
}

type Opened = OfKind<'group'> & { readonly opened: NonNullable<OfKind<'group'>['opened']> }

/** The placement that an opened part was. */
function placementOf({ opened, members: _, kind: __, mask: ___, underlap: ____, ...common }: Opened): DrawingObject {
  return { ...common, kind: 'placement', ...opened }
}

const isOpened = (object: DrawingObject): object is Opened => object.kind === 'group' && object.opened !== undefined

/** An opened part by its id; null when it is none. */
function openedById(bench: Bench, id: string): Opened | null {
  const object = find(bench.objects, id)?.object
  return object && isOpened(object) ? object : null
}

/** The opened part that one is in, or that is selected. */
export function openedPart(bench: Bench): Opened | null {
  const { scope } = bench.store.getState()
  const inside = scope !== null ? openedById(bench, scope) : null
  return inside ?? openedById(bench, bench.selected[0]?.id ?? '') ?? (bench.icon && openedIn(bench.icon)?.group) ?? null
}

/** The set after an opened part is put back, and the other icons that change; or the reason why it cannot be. */
export function puttingBack(
  bench: Bench,
  id: string,
):
  | { readonly edit: SetEdit; readonly after: IconSet; readonly changed: readonly Icon[] }
  | { readonly problem: string }
  | null {
  const { here, setRules: rules } = bench
  const group = openedById(bench, id)
  if (!here || !group) return null
  const { part: name, at, map } = group.opened
  const part = partsOf(rules).find((one) => one.name === name)
  if (!part) return { problem: `The set has no part named “${name}” any more.` }
  const within = holdsItself(name, group.members, rules.parts)
  if (within) return { problem: selfSentence(name, within) }
  const placing = { at, map }
  const back = compose(translation(part.at.x, part.at.y), inverse(mapOf(placing)))
  const size = sizeOf(placing)
  const objects = group.members.map((member) => transformObject(size === 1 ? member : scaleOwn(member, 1 / size), back))
  const parts = partsOf(rules).map((one) => (one === part ? { ...part, objects } : one))
  const edit: SetEdit = {
    kind: 'all',
    edits: [
      rulesEdit(withParts(rules, parts)),
      { kind: 'draw', ...here, edit: { kind: 'replace', objects: [placementOf(group)] } },
    ],
  }
  const set = present(bench)
  const { icons } = usesOf(set, name)
  return { edit, after: applyEdit(set, edit), changed: icons.filter((icon) => icon.id !== here.icon) }
}

/** Puts an opened part back without a change to it. */
export function closeUnchanged(bench: Bench, id: string): void {
  const group = openedById(bench, id)
  if (!group) return
  bench.edit({ kind: 'replace', objects: [placementOf(group)] }, `Close the part ${group.opened.part}`)
  bench.store.setState({ scope: null })
  bench.select([id])
}
