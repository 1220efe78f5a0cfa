import { CHECKS } from '../core/checks/checks'
import { mendsOf } from '../core/checks/mended'
import { snagsOn } from '../core/checks/snags'
import { applyDrawingEdit } from '../core/drawing/edit/edit'
import { sceneOf } from '../core/drawing/evaluate/evaluated-scene'
import { writeSetFile } from '../core/formats/set-file'
import { rulesForGrid } from '../core/rules/rules-for-grid'
import { acceptedIn, type Icon, type Master, setProblems } from '../core/set/set'
import type { Rules } from '../core/rules/rules'
import { replaceFile } from '../server/replace-file'
import { type Answer, type Options, UsageError } from './command'
import { readWhole } from './read-set'

/** Applies all safe mends to the stored drawings of a set and writes it; lists the mended and the remaining snags. */
export async function mendCommand(files: readonly string[], { out, only }: Options): Promise<Answer> {
  if (!out) throw new UsageError('Name the file to write: --out FILE.')
  const ids = only?.split(',')
  const unknown = ids?.find((id) => !CHECKS.some((check) => check.id === id))
  if (unknown !== undefined) throw new UsageError(`There is no check “${unknown}”.`)
  const { set, pictures } = await readWhole(files)
  const checks = ids && new Set(ids)
  let mended = 0
  const did: { icon: string; mends: number; left: readonly string[] }[] = []
  const icons = set.icons.map((icon): Icon => {
    let mends = 0
    const masters = icon.masters.map((master) => {
      const { next, count } = mendedMaster(master, set.rules, checks)
      mends += count
      return next
    })
    const next = mends > 0 ? { ...icon, masters: masters as [Master, ...Master[]] } : icon
    const left = snagsOn(next, set.rules, set.rules.grid.size)
      .filter(({ severity }) => severity !== 'note')
      .map(({ sentence }) => sentence)
    mended += mends
    if (mends > 0 || left.length > 0) did.push({ icon: icon.name, mends, left })
    return next
  })
  const whole = { ...set, icons }
  const [wrong] = setProblems(whole)
  if (wrong) throw new Error(wrong)
  await replaceFile(out, writeSetFile(whole, pictures))
  return {
    lines: [
      ...did.flatMap(({ icon, mends, left }) => [
        ...(mends > 0 ? [`${icon}: ${mends === 1 ? 'one snag' : `${mends} snags`} mended.`] : []),
        ...left.map((sentence) => `${icon}: left: ${sentence}`),
      ]),
      `“${set.name}” written to ${out}; ${mended === 0 ? 'nothing was mended' : mended === 1 ? 'one snag was mended' : `${mended} snags were mended`}.`,
    ],
    value: { set: set.name, out, mended, icons: did },
  }
}

function mendedMaster(
  master: Master,
  rules: Rules,
  only: ReadonlySet<string> | undefined,
): { next: Master; count: number } {
  const book = rulesForGrid(rules, master.base)
  const edits = mendsOf({ objects: master.objects, rules: book, scene: sceneOf(book) }, acceptedIn(master), only)
  if (edits.length === 0) return { next: master, count: 0 }
  const objects = edits.reduce<Master['objects']>(
    (list, edit) => applyDrawingEdit(list, edit) as Master['objects'],
    master.objects,
  )
  return { next: { ...master, objects }, count: edits.length }
}
