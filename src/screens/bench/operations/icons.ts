import { freeName, IconName } from '@/core/set/names'
import type { Icon } from '@/core/set/set'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import { commit, undoStep } from '../../session/session'
import type { Bench } from '../state/bench'
import { slice } from '../state/slice'

/** Whether the open icon is being renamed. */
export const NAMING = slice('naming icon', { open: false })

const present = (bench: Bench) => bench.session.getState().history.present
const names = (bench: Bench): string[] => present(bench).icons.map(({ name }) => name)

/** Adds an empty icon after the open one and opens it, with its name to be typed. */
export function addIcon(bench: Bench): void {
  const { icons, rules } = present(bench)
  const icon: Icon = {
    id: newId(),
    name: freeName('icon', names(bench)),
    masters: [{ base: rules.grid.size, objects: [] }],
  }
  const open = icons.findIndex(({ id }) => id === bench.icon?.id)
  commit(
    bench.session,
    { kind: 'add-icons', icons: [icon], at: open < 0 ? icons.length : open + 1 },
    `Add ${icon.name}`,
  )
  bench.open(icon.id)
  bench.put(NAMING, { open: true })
}

export function duplicateIcon(bench: Bench, icon: Icon): void {
  const { icons } = present(bench)
  // Ids are an icon's own: masters that are derived know their objects by them.
  const copy: Icon = { ...icon, id: newId(), name: freeName(icon.name, names(bench)) }
  commit(
    bench.session,
    { kind: 'add-icons', icons: [copy], at: icons.findIndex(({ id }) => id === icon.id) + 1 },
    `Duplicate ${icon.name}`,
  )
  bench.open(copy.id)
}

export function deleteIcon(bench: Bench, icon: Icon): void {
  const { icons } = present(bench)
  const at = icons.findIndex(({ id }) => id === icon.id)
  const neighbour = icons[at + 1] ?? icons[at - 1]
  if (bench.store.getState().icon === icon.id && neighbour) bench.open(neighbour.id)
  commit(bench.session, { kind: 'remove-icons', ids: [icon.id] }, `Delete ${icon.name}`)
  say({
    text: `“${icon.name}” was deleted. It also waits under “deleted”.`,
    action: { label: 'Undo', run: () => undoStep(bench.session) },
  })
}

/** Renames an icon; gives a sentence when the name will not do, null when it is done. */
export function renameIcon(bench: Bench, icon: Icon, name: string): string | null {
  const parsed = IconName.safeParse(name)
  if (!parsed.success) return parsed.error.issues[0]!.message
  if (
    freeName(
      name,
      names(bench).filter((other) => other !== icon.name),
    ) !== name
  )
    return `There is already an icon named “${name}”.`
  if (name !== icon.name)
    commit(bench.session, { kind: 'rename-icon', id: icon.id, name }, `Rename ${icon.name} to ${name}`)
  return null
}

/** Puts a deleted icon back at the end of the family; its name gets a number where it was taken meanwhile. */
export function restoreIcon(bench: Bench, icon: Icon): void {
  const { icons } = present(bench)
  const restored = { ...icon, name: freeName(icon.name, names(bench)) }
  commit(bench.session, { kind: 'add-icons', icons: [restored], at: icons.length }, `Put back ${restored.name}`)
  bench.open(restored.id)
}
