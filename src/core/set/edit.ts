import { applyDrawingEdit, type DrawingEdit } from '../drawing/edit'
import type { Guide } from '../drawing/guide'
import { type Rename, renameValues } from '../rules/renames'
import type { Rules } from '../rules/rules'
import type { Icon, IconSet, Master } from './set'

/** A change of a set, as plain data. */
export type SetEdit =
  | { readonly kind: 'draw'; readonly icon: string; readonly edit: DrawingEdit }
  | { readonly kind: 'guides'; readonly icon: string; readonly guides: readonly Guide[] }
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
      return { ...set, icons: icons.map((icon) => (icon.id === edit.icon ? guided(icon, edit.guides) : icon)) }
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

function guided(icon: Icon, guides: readonly Guide[]): Icon {
  const [{ guides: _, ...master }, ...others] = icon.masters as [Master, ...Master[]]
  return { ...icon, masters: [guides.length > 0 ? { ...master, guides: [...guides] } : master, ...others] }
}

function restyled(icon: Icon, rules: Rules, renames: readonly Rename[]): Icon {
  const [master, ...others] = icon.masters
  const objects = renameValues(master!.objects, renames)
  if (objects === master!.objects && master!.base === rules.grid.size) return icon
  return { ...icon, masters: [{ ...master!, base: rules.grid.size, objects }, ...others] }
}
