import { freeName } from '../../set/names'
import { Icon, type IconSet, iconProblems, LIMITS } from '../../set/set'
import { onGrid } from './on-grid'
import type { ReadIcon } from './read-icon'
import type { Failed } from './reading'
import type { Remark } from './gather'
import { underRules } from './under-rules'

/** What was read, as icons of a set that is there: on its grid, under its rules, with names and ids that are free in it. */
export function iconsInto(
  read: readonly ReadIcon[],
  set: IconSet,
  newId: (i: number) => string,
): { readonly icons: readonly Icon[]; readonly remarks: readonly Remark[]; readonly failed: readonly Failed[] } {
  const grid = set.rules.grid.size
  const taken = set.icons.map(({ name }) => name)
  const icons: Icon[] = [],
    remarks: Remark[] = [],
    failed: Failed[] = []
  read.forEach((one, i) => {
    if (set.icons.length + icons.length >= LIMITS.icons) {
      failed.push({ path: one.path, problem: `A set holds ${LIMITS.icons} icons at most.` })
      return
    }
    const name = freeName(one.fullName ?? one.name, taken)
    const master = { base: grid, objects: underRules(onGrid(one, grid), set.rules) }
    const icon = Icon.safeParse({
      id: newId(i),
      name,
      ...(one.tags.length > 0 && { tags: one.tags }),
      masters: [master],
    })
    const problem = icon.success ? iconProblems(icon.data, set.rules)[0] : icon.error.issues[0]?.message
    if (!icon.success || problem !== undefined) {
      failed.push({ path: one.path, problem: problem ?? 'It is no drawing that a set can hold.' })
      return
    }
    taken.push(name)
    icons.push(icon.data)
    if (name !== (one.fullName ?? one.name))
      remarks.push({
        icon: name,
        path: one.path,
        text: `“${one.fullName ?? one.name}” was there, so it is named “${name}”`,
      })
    for (const { what, why } of one.unread) remarks.push({ icon: name, path: one.path, text: `${what}: ${why}` })
  })
  return { icons, remarks, failed }
}
