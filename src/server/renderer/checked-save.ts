import { z } from 'zod'
import { excess } from '../../core/formats/bounds'
import { schemaSentence } from '../../core/formats/plain-words'
import { SetWrites } from '../../core/formats/writes'
import type { Rules } from '../../core/rules/rules'
import { nameKey } from '../../core/set/names'
import { iconProblems, setProblems } from '../../core/set/set'
import { done, failed, type Result } from '../failure'
import { type IconRow, rowOfIcon, type SetRows, setOfRows } from '../set-rows'

/** Changes on top of revision `base`, by a session that names itself. */
const SaveRequest = z.strictObject({
  base: z.int().min(1),
  writer: z.string().min(1).max(60).optional(),
  writes: SetWrites,
})

/**
 * What a save is checked against: names and ids of all icons, the rules, and all of the set where more than one icon
 * changes.
 */
export type StoredForCheck = {
  readonly rules: string
  readonly names: readonly { readonly id: string; readonly name: string }[]
  readonly whole: SetRows | null
}

/** A save that may be stored. */
export type CheckedWrites = {
  readonly base: number
  readonly writer: string | null
  readonly name?: string
  readonly rules?: string
  readonly delivery?: string
  readonly icons: readonly IconRow[]
  readonly order?: readonly string[]
}

/** Checks a save request (JSON in UTF-8) against what is stored; gives what is to be written, or why it may not be. */
export function checkedSave(request: Uint8Array, stored: StoredForCheck): Result<CheckedWrites> {
  let body: unknown
  try {
    body = JSON.parse(new TextDecoder().decode(request))
  } catch {
    return failed('invalid', 'The request is not valid JSON.')
  }
  const tooMuch = excess(body)
  if (tooMuch) return failed('too-large', tooMuch)
  const parsed = SaveRequest.safeParse(body)
  if (!parsed.success) return failed('invalid', schemaSentence(parsed.error))
  const { base, writer, writes } = parsed.data
  const problem = problemOf(writes, stored)
  if (problem) return failed('invalid', problem)
  return done({
    base,
    writer: writer ?? null,
    ...(writes.name !== undefined && { name: writes.name }),
    ...(writes.rules && { rules: JSON.stringify(writes.rules) }),
    ...(writes.delivery && { delivery: JSON.stringify(writes.delivery) }),
    icons: (writes.icons ?? []).map(rowOfIcon),
    ...(writes.order && { order: writes.order }),
  })
}

/** What the writes would leave the set wrong in, as a sentence; null when all is well. */
function problemOf(writes: SetWrites, { rules, names, whole }: StoredForCheck): string | null {
  const icons = writes.icons ?? []
  if (!whole) {
    for (const icon of icons) {
      if (names.some(({ id, name }) => id !== icon.id && nameKey(name) === nameKey(icon.name)))
        return `Two icons are named “${icon.name}”.`
    }
    const known = JSON.parse(rules) as Rules
    return icons.flatMap((icon) => iconProblems(icon, known))[0] ?? null
  }
  const before = setOfRows(whole)
  const all = new Map([...before.icons, ...icons].map((icon) => [icon.id, icon]))
  const order = writes.order ?? [...all.keys()]
  const missing = order.find((id) => !all.has(id))
  if (missing !== undefined) return `The icon ${missing.slice(0, 40)} is not in this set.`
  return (
    setProblems({ ...before, rules: writes.rules ?? before.rules, icons: order.map((id) => all.get(id)!) })[0] ?? null
  )
}
