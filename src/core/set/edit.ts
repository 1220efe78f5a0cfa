import { applyDrawingEdit, type DrawingEdit } from '../drawing/edit'
import type { Guide } from '../drawing/guide'
import type { DrawingObject } from '../drawing/object'
import { type Rename, renameValues } from '../rules/renames'
import type { Rules } from '../rules/rules'
import type { Reference } from '../drawing/reference'
import type { Alternative, Icon, IconSet, Master } from './set'

/** A change of a set, as plain data. */
export type SetEdit =
  | { readonly kind: 'draw'; readonly icon: string; readonly edit: DrawingEdit }
  | { readonly kind: 'guides'; readonly icon: string; readonly guides: readonly Guide[] }
  | { readonly kind: 'references'; readonly icon: string; readonly references: readonly Reference[] }
  | {
      readonly kind: 'alternatives'
      readonly icon: string
      readonly title: string
      readonly objects: readonly DrawingObject[]
      readonly alternatives: readonly Alternative[]
    }
  | { readonly kind: 'add-icons'; readonly icons: readonly Icon[]; readonly at: number }
  | { readonly kind: 'remove-icons'; readonly ids: readonly string[] }
  | { readonly kind: 'rename-icon'; readonly id: string; readonly name: string }
  | { readonly kind: 'move-icon'; readonly id: string; readonly to: number }
  | { readonly kind: 'rename-set'; readonly name: string }
  | { readonly kind: 'rules'; readonly rules: Rules; readonly renames: readonly Rename[] }

/** The set after an edit. What the edit does not touch stays identical. */
export function applyEdit(set: IconSet, edit: SetEdit): IconSet {
  const { icons } = set
  switch (edit.kind) {
    case 'draw':
      return { ...set, icons: icons.map((icon) => (icon.id === edit.icon ? drawn(icon, edit.edit) : icon)) }
    case 'guides':
      return {
        ...set,
        icons: icons.map((icon) =>
          icon.id === edit.icon
            ? withMaster(icon, { guides: edit.guides.length > 0 ? [...edit.guides] : undefined })
            : icon,
        ),
      }
    case 'references':
      return {
        ...set,
        icons: icons.map((icon) =>
          icon.id === edit.icon
            ? withMaster(icon, { references: edit.references.length > 0 ? [...edit.references] : undefined })
            : icon,
        ),
      }
    case 'alternatives': {
      const { title, objects, alternatives } = edit
      const many = alternatives.length > 0
      return {
        ...set,
        icons: icons.map((icon) =>
          icon.id === edit.icon
            ? withMaster(icon, {
                objects: [...objects],
                title: many ? title : undefined,
                alternatives: many ? [...alternatives] : undefined,
              })
            : icon,
        ),
      }
    }
    case 'add-icons':
      return { ...set, icons: [...icons.slice(0, edit.at), ...edit.icons, ...icons.slice(edit.at)] }
    case 'remove-icons':
      return { ...set, icons: icons.filter(({ id }) => !edit.ids.includes(id)) }
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
    case 'rules':
      return { ...set, rules: edit.rules, icons: icons.map((icon) => restyled(icon, edit.rules, edit.renames)) }
  }
}

function drawn(icon: Icon, edit: DrawingEdit): Icon {
  const [master, ...others] = icon.masters
  return { ...icon, masters: [{ ...master!, objects: applyDrawingEdit(master!.objects, edit) }, ...others] }
}

/** An icon with parts of its master changed; what is undefined is left out. */
function withMaster(icon: Icon, change: { readonly [K in keyof Master]?: Master[K] | undefined }): Icon {
  const [master, ...others] = icon.masters
  const next = Object.fromEntries(
    Object.entries({ ...master!, ...change }).filter(([, value]) => value !== undefined),
  ) as Master
  return { ...icon, masters: [next, ...others] }
}

function restyled(icon: Icon, rules: Rules, renames: readonly Rename[]): Icon {
  const [master, ...others] = icon.masters
  const objects = renameValues(master!.objects, renames)
  const alternatives = master!.alternatives?.map((one) => ({ ...one, objects: renameValues(one.objects, renames) }))
  const same =
    objects === master!.objects &&
    (alternatives ?? []).every((one, i) => one.objects === master!.alternatives![i]!.objects)
  if (same && master!.base === rules.grid.size) return icon
  return {
    ...icon,
    masters: [{ ...master!, base: rules.grid.size, objects, ...(alternatives && { alternatives }) }, ...others],
  }
}
