import { withCuts } from '../drawing/edit/cut-by-ground'
import { applyDrawingEdit, type DrawingEdit } from '../drawing/edit/edit'
import type { Accepted } from '../drawing/model/accepted'
import type { Guide } from '../drawing/model/guide'
import type { DrawingObject } from '../drawing/objects/object'
import { basesOf } from '../rules/rules-for-grid'
import type { Pin } from '../rules/fit/pin'
import type { Reference } from '../drawing/model/reference'
import { asItWas, type TakingBack } from './as-it-was'
import { touched } from './masters'
import type { Delivery } from './settings'
import { keepingCodes } from './code-points'
import { restyledSet, type Restyling } from './restyle'
import type { Alternative, Icon, IconSet, Labels, Master } from './set'

/** A master, by its icon and its base size. */
export type MasterAt = { readonly icon: string; readonly master: number }

/** A change of a set, as plain data. Changes of a drawing name its master. */
export type SetEdit =
  | ({ readonly kind: 'draw'; readonly edit: DrawingEdit } & MasterAt)
  | ({ readonly kind: 'guides'; readonly guides: readonly Guide[] } & MasterAt)
  | ({ readonly kind: 'accept'; readonly accepted: readonly Accepted[] } & MasterAt)
  /** Pins set by hand in a derived master. */
  | ({ readonly kind: 'pins'; readonly pins: readonly Pin[] } & MasterAt)
  | ({ readonly kind: 'references'; readonly references: readonly Reference[] } & MasterAt)
  | ({
      readonly kind: 'alternatives'
      readonly title: string
      readonly objects: readonly DrawingObject[]
      readonly alternatives: readonly Alternative[]
    } & MasterAt)
  /** A stored master on a further grid; null derives it again. */
  | ({ readonly kind: 'master'; readonly drawn: Master | null } & MasterAt)
  /** Several edits, one after the other, as one. */
  | { readonly kind: 'all'; readonly edits: readonly SetEdit[] }
  | { readonly kind: 'add-icons'; readonly icons: readonly Icon[]; readonly at: number }
  | { readonly kind: 'remove-icons'; readonly ids: readonly string[] }
  /** The labels of icons, all of them for each icon. */
  | { readonly kind: 'labels'; readonly labels: readonly ({ readonly id: string } & Labels)[] }
  | { readonly kind: 'rename-icon'; readonly id: string; readonly name: string }
  | { readonly kind: 'move-icon'; readonly id: string; readonly to: number }
  | { readonly kind: 'rename-set'; readonly name: string }
  | { readonly kind: 'delivery'; readonly delivery: Delivery }
  | ({ readonly kind: 'rules' } & Restyling)
  | ({ readonly kind: 'as-it-was' } & TakingBack)

/** The set after an edit. Parts that the edit does not touch stay the same objects; code points are never taken back. */
export const applyEdit = (set: IconSet, edit: SetEdit): IconSet => keepingCodes(edited(set, edit), set)

function edited(set: IconSet, edit: SetEdit): IconSet {
  const { icons } = set
  switch (edit.kind) {
    case 'draw':
      return withMaster(set, edit, ({ objects }) => ({
        objects: withCuts(objects, applyDrawingEdit(objects, edit.edit)),
      }))
    case 'guides':
      return withMaster(set, edit, () => ({ guides: edit.guides.length > 0 ? [...edit.guides] : undefined }))
    case 'accept':
      return withMaster(set, edit, () => ({ accepted: edit.accepted.length > 0 ? [...edit.accepted] : undefined }))
    case 'pins':
      return withMaster(set, edit, () => ({ pins: edit.pins.length > 0 ? [...edit.pins] : undefined }))
    case 'references':
      return withMaster(set, edit, () => ({
        references: edit.references.length > 0 ? [...edit.references] : undefined,
      }))
    case 'alternatives': {
      const { title, objects, alternatives } = edit
      const many = alternatives.length > 0
      return withMaster(set, edit, () => ({
        objects: [...objects],
        title: many ? title : undefined,
        alternatives: many ? [...alternatives] : undefined,
      }))
    }
    case 'master':
      return withStored(set, edit, () => edit.drawn)
    case 'all':
      return edit.edits.reduce(edited, set)
    case 'add-icons':
      return { ...set, icons: [...icons.slice(0, edit.at), ...edit.icons, ...icons.slice(edit.at)] }
    case 'remove-icons':
      return { ...set, icons: icons.filter(({ id }) => !edit.ids.includes(id)) }
    case 'labels': {
      const labels = new Map(edit.labels.map((one) => [one.id, one]))
      return { ...set, icons: icons.map((icon) => labelled(icon, labels.get(icon.id))) }
    }
    case 'rename-icon':
      return { ...set, icons: icons.map((icon) => (icon.id === edit.id ? { ...icon, name: edit.name } : icon)) }
    case 'move-icon': {
      const moved = icons.find(({ id }) => id === edit.id)
      if (!moved) return set
      const rest = icons.filter((icon) => icon !== moved)
      return { ...set, icons: [...rest.slice(0, edit.to), moved, ...rest.slice(edit.to)] }
    }
    case 'rename-set':
      return { ...set, name: edit.name }
    case 'delivery':
      return { ...set, delivery: edit.delivery }
    case 'rules':
      return restyledSet(set, edit)
    case 'as-it-was':
      return asItWas(set, edit)
  }
}

/** A set with fields of one master changed; undefined fields are removed. A derived master is stored from then on. */
function withMaster(
  set: IconSet,
  at: MasterAt,
  change: (master: Master) => { readonly [K in keyof Master]?: Master[K] | undefined },
): IconSet {
  if (!basesOf(set.rules).includes(at.master)) return set
  return withStored(set, at, (icon) => {
    const one = touched(icon, set.rules, at.master)
    return Object.fromEntries(
      Object.entries({ ...one, ...change(one) }).filter(([, value]) => value !== undefined),
    ) as Master
  })
}

/** An icon with other labels; empty lists are left out. */
function labelled(icon: Icon, labels: Labels | undefined): Icon {
  if (!labels) return icon
  const { masters, tags: _, aliases: __, rtl: ___, ...rest } = icon
  const { tags = [], aliases = [], rtl } = labels
  return {
    ...rest,
    ...(tags.length > 0 && { tags: [...tags] }),
    ...(aliases.length > 0 && { aliases: [...aliases] }),
    ...(rtl && { rtl }),
    masters,
  }
}

/** A set that keeps another master of an icon; none where that is null. */
function withStored(set: IconSet, at: MasterAt, stored: (icon: Icon) => Master | null): IconSet {
  const changed = (icon: Icon): Icon => {
    const next = stored(icon)
    const isKept = icon.masters.some(({ base }) => base === at.master)
    const masters = isKept
      ? icon.masters.flatMap((one) => (one.base === at.master ? (next ?? []) : [one]))
      : [...icon.masters, ...(next ? [next] : [])]
    return { ...icon, masters }
  }
  return { ...set, icons: set.icons.map((one) => (one.id === at.icon ? changed(one) : one)) }
}
