import { type z } from 'zod'
import { unknownCheck } from '../../core/checks/known'
import { excess, excessOf, sizeOf } from '../../core/set/bounds'
import { schemaSentence } from '../../core/formats/plain-words'
import { type Bases, SaveRequest, type SetWrites } from '../../core/saving/wire'
import { LISTS } from '../../core/rules/lists'
import type { Rules } from '../../core/rules/rules'
import { iconPart, type PartKey } from '../../core/set/merge-icon'
import { nameKey } from '../../core/set/names'
import { type Icon, iconProblems } from '../../core/set/set'
import type { RequestRefusal } from '../result'
import { type CountedIconRow, type IconRow, iconOfRow, rowOfIcon } from '../set-rows'

/** Further drawings that a check needs: of icons by id, or all. */
export type Lacking = readonly string[] | 'all'

/**
 * The stored state that a save is checked against: the rules as JSON, the order, and facts of every icon, deleted ones
 * included.
 */
export type StoredForCheck = {
  readonly rules: string
  readonly order: readonly string[]
  readonly known: readonly {
    readonly id: string
    readonly name: string
    readonly objects: number | null
    readonly nodes: number | null
  }[]
  /** Which drawings were asked for, and these. */
  readonly lacking: Lacking | null
  readonly icons: readonly IconRow[]
}

/** A save that may be stored; its values as JSON. */
export type CheckedWrites = {
  readonly epoch: string
  readonly id: string
  readonly bases: Bases
  readonly name?: string
  readonly rules?: string
  readonly delivery?: string
  readonly icons: readonly CountedIconRow[]
  readonly order?: readonly string[]
}

/** Result of a check: the values to write, the missing drawings, or a refusal with the id of the save. */
export type SaveCheck =
  | { readonly ok: true; readonly value: CheckedWrites | { readonly lacking: Lacking } }
  | { readonly ok: false; readonly failure: RequestRefusal; readonly save?: string }

const refusal = (failure: RequestRefusal, save?: string): SaveCheck => ({
  ok: false,
  failure,
  ...(save !== undefined && { save }),
})

/** Checks a save request (JSON in UTF-8) by the state of the set after it. */
export function checkedSave(request: Uint8Array, stored: StoredForCheck): SaveCheck {
  let body: unknown
  try {
    body = JSON.parse(new TextDecoder().decode(request))
  } catch {
    return refusal({ code: 'invalid', message: 'The request is not valid JSON.' })
  }
  const tooMuch = excess(body)
  if (tooMuch) return refusal({ code: 'too-large', message: tooMuch })
  const parsed = SaveRequest.safeParse(body)
  if (!parsed.success)
    return refusal({ code: 'invalid', message: schemaSentence(parsed.error), parts: guiltyIn(parsed.error, body) })
  const { epoch, id, bases, writes } = parsed.data
  const lacking = lackingFor(writes, stored)
  if (lacking && !stored.lacking) return { ok: true, value: { lacking } }
  const failure = failureAfter(writes, stored) ?? unbased(bases, writes)
  if (failure) return refusal(failure, id)
  return {
    ok: true,
    value: {
      epoch,
      id,
      bases,
      ...(writes.name !== undefined && { name: writes.name }),
      ...(writes.rules && { rules: JSON.stringify(writes.rules) }),
      ...(writes.delivery && { delivery: JSON.stringify(writes.delivery) }),
      icons: (writes.icons ?? []).map(rowOfIcon),
      ...(writes.order && { order: writes.order }),
    },
  }
}

/** The icons that a schema has something against. */
function guiltyIn({ issues }: z.ZodError, body: unknown): PartKey[] {
  const icons = (body as { writes?: { icons?: unknown } } | null)?.writes?.icons
  return issues.flatMap(({ path }) => {
    const [, part, at] = path
    if (part !== 'icons')
      return part === 'name' || part === 'rules' || part === 'delivery' || part === 'order' ? part : []
    const id: unknown = Array.isArray(icons) ? (icons[Number(at)] as { id?: unknown } | undefined)?.id : undefined
    return typeof id === 'string' ? iconPart(id) : []
  })
}

/** A refusal if a written part does not name its base revision. */
function unbased(bases: Bases, { icons = [], ...writes }: SetWrites): RequestRefusal | null {
  const key = (['name', 'rules', 'delivery', 'order'] as const).find(
    (one) => writes[one] !== undefined && bases[one] === undefined,
  )
  const icon = icons.find(({ id }) => bases.icons?.[id] === undefined)
  const what = key ?? (icon && `icon “${icon.name}”`)
  return what
    ? { code: 'invalid', message: `It is not said which revision of the ${what} the change is built on.` }
    : null
}

/**
 * Which drawings say whether the set is in order after writes: all where rules change in a way that drawings may not
 * follow, those that come out of the bin otherwise.
 */
function lackingFor({ rules, order, icons = [] }: SetWrites, stored: StoredForCheck): Lacking | null {
  if (rules && mayLeaveBehind(JSON.parse(stored.rules) as Rules, rules)) return 'all'
  const there = new Set([...stored.order, ...icons.map(({ id }) => id)])
  const known = new Set(stored.known.map(({ id }) => id))
  const back = order?.filter((id) => !there.has(id) && known.has(id)) ?? []
  return back.length > 0 ? back : null
}

/** Whether a drawing that is in order under some rules may not be so under others. */
const mayLeaveBehind = (before: Rules, after: Rules): boolean =>
  before.grid.size !== after.grid.size ||
  Object.values(LISTS).some((list) => {
    const names = new Set(after[list]?.map(({ name }) => name))
    return (before[list] ?? []).some(({ name }) => !names.has(name))
  })

/** The problem of the set after the writes; null if there is none. */
function failureAfter(writes: SetWrites, stored: StoredForCheck): RequestRefusal | null {
  const invalid = (message: string, ...parts: PartKey[]): RequestRefusal => ({ code: 'invalid', message, parts })
  const icons = writes.icons ?? [],
    written = new Map(icons.map((icon) => [icon.id, icon])),
    known = new Map(stored.known.map((one) => [one.id, one]))
  const order = writes.order ?? [...new Set([...stored.order, ...written.keys()])]
  const missing = order.find((id) => !written.has(id) && !known.has(id))
  if (missing !== undefined) return invalid(`The icon ${missing.slice(0, 40)} is not in this set.`, 'order')
  if (new Set(order).size < order.length) return invalid('The order names an icon twice.', 'order')
  const unplaced = icons.find(({ id }) => !order.includes(id))
  if (unplaced) return invalid(`The order does not name the icon “${unplaced.name}”.`, 'order')

  const names = new Map<string, string>()
  for (const id of order) {
    const { name } = (written.get(id) ?? known.get(id))!,
      other = names.get(nameKey(name))
    if (other !== undefined) {
      const guilty = [other, id].filter((one) => written.has(one))
      return invalid(`Two icons are named “${written.get(guilty[0] ?? id)?.name ?? name}”.`, ...guilty.map(iconPart))
    }
    names.set(nameKey(name), id)
  }

  const unknown = writes.rules && unknownCheck(writes.rules)
  if (unknown) return invalid(unknown, 'rules')

  const size = { objects: 0, nodes: 0 }
  for (const id of order) {
    const own = written.has(id) ? sizeOf(written.get(id)!.masters) : known.get(id)!
    size.objects += own.objects ?? 0
    size.nodes += own.nodes ?? 0
  }
  const tooMuch = excessOf(order.length, size)
  if (tooMuch) return { code: 'too-large', message: tooMuch }

  const rules = writes.rules ?? (JSON.parse(stored.rules) as Rules)
  const there = new Set(order)
  const others = stored.icons.filter(({ id }) => there.has(id) && !written.has(id)).map(iconOfRow)
  for (const icon of [...icons, ...others] as readonly Icon[]) {
    const [problem] = iconProblems(icon, rules)
    if (problem) return invalid(problem, written.has(icon.id) ? iconPart(icon.id) : writes.rules ? 'rules' : 'order')
  }
  return null
}
