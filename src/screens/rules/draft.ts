import { renamedSum, summed } from '@/core/rules/sums'
import type { Keyline, Rules as RulesType } from '@/core/rules/rules'
import { Rules } from '@/core/rules/rules'
import type { ValueKind } from '@/core/drawing/objects/visit'
import { onAnotherGrid } from '@/core/rules/limits'
import { keepsNames, type Rename, renameInStyle, renameValues } from '@/core/rules/renames'
import { rulesForGrid } from '@/core/rules/rules-for-grid'
import { scaled } from '@/core/rules/fit/brought'
import { differences, isSameLeader } from '@/core/rules/follow'
import { same } from '@/core/drawing/model/same'
import { applyEdit } from '@/core/set/edit'
import { mergedValue } from '@/core/set/merge-value'
import type { Restyling } from '@/core/set/restyle'
import { type IconSet, setProblems } from '@/core/set/set'

/** A named value while it is being edited: `was` is the name that drawings know it by, null for a new one. */
type Edited<T> = T & { readonly was: string | null }

/** Rules while they are being edited. */
export type Draft = Omit<RulesType, 'weights' | 'radii' | 'palette' | 'gradients' | 'finishes' | 'plates'> & {
  readonly finishes: readonly Edited<NonNullable<RulesType['finishes']>[number]>[]
  readonly plates: readonly Edited<NonNullable<RulesType['plates']>[number]>[]
  readonly gradients: readonly Edited<NonNullable<RulesType['gradients']>[number]>[]
  readonly weights: readonly Edited<RulesType['weights'][number]>[]
  readonly radii: readonly Edited<RulesType['radii'][number]>[]
  readonly palette: readonly Edited<RulesType['palette'][number]>[]
  readonly keylines: Keyline[]
}

export function draftOf(rules: RulesType): Draft {
  const edited = <T extends { name: string }>(list: readonly T[]) =>
    list.map((value) => ({ ...value, was: value.name }))
  return {
    ...rules,
    weights: edited(rules.weights),
    radii: edited(rules.radii),
    palette: edited(rules.palette),
    gradients: edited(rules.gradients ?? []),
    finishes: edited(rules.finishes ?? []),
    plates: edited(rules.plates ?? []),
  }
}

/** Rebases a draft: unedited fields take the current rules' values. */
export function rebased(draft: Draft, before: RulesType, now: RulesType): Draft | null {
  const next = draftOf(now),
    { value } = mergedValue(draftOf(before), draft, next)
  return same(value, next) ? null : (value as Draft)
}

/** A draft on another grid: everything that is measured on the grid is brought to it, whole where it is to be crisp. */
export function onGrid(draft: Draft, size: number): Draft {
  const { masters, ...rest } = draft
  const now = plainRules(draft),
    book = rulesForGrid(now, size),
    scale = size / now.grid.size
  const further = masters?.filter(({ base }) => base !== size)
  return {
    ...rest,
    grid: book.grid,
    liveArea: book.liveArea,
    keylines: book.keylines,
    ...onAnotherGrid(book, (value) => value),
    ...(book.trim !== undefined && { trim: book.trim }),
    weights: draft.weights.map((one, i) => ({ ...one, value: book.weights[i]!.value })),
    radii: draft.radii.map((one, i) => ({ ...one, value: book.radii[i]!.value })),
    finishes: draft.finishes.map((one, i) => ({ ...one, style: book.finishes![i]!.style })),
    plates: draft.plates.map((one) => ({
      ...one,
      w: one.w * scale,
      h: one.h * scale,
      ...(one.padding !== undefined && { padding: one.padding * scale }),
    })),
    ...(draft.parts && {
      parts: draft.parts.map((one) => ({
        ...one,
        at: { x: one.at.x * scale, y: one.at.y * scale },
        objects: scaled(one.objects, now, book),
      })),
    }),
    ...(further?.length && { masters: further }),
  }
}

/** A draft with its sums computed, by the current names of values. */
export function settled(draft: Draft): Draft {
  const all = [...draft.weights, ...draft.radii],
    now = new Map(all.flatMap(({ name, was }) => (was !== null && was !== name ? [[was, name] as const] : [])))
  const isThere = (name: string) => all.some((one) => one.name === name)
  const radii = draft.radii.map((one) =>
    one.sum ? { ...one, sum: renamedSum(one.sum, (name) => (isThere(name) ? name : (now.get(name) ?? name))) } : one,
  )
  return summed({ ...draft, radii })
}

/** The problems of a draft by place, and as a sentence. */
type Wrong = { readonly ok: false; readonly problems: ReadonlyMap<string, string>; readonly sentence: string }

/** The rules of a draft, or its problems. */
type Ruled = { readonly ok: true; readonly rules: RulesType; readonly renames: readonly Rename[] } | Wrong

/** The set under the rules of a draft, or its problems. */
type Outcome = { readonly ok: true; readonly set: IconSet } | Wrong

/** What happens to the drawings by a change, beside what the rules say. */
export type Ways = Pick<Restyling, 'drawings' | 'except' | 'fits'>

export function ruled(draft: Draft, before: RulesType): Ruled {
  const plain = <T extends { was: string | null }>(list: readonly T[]) => list.map(({ was: _, ...value }) => value)
  const swatches = renamed('swatch', draft.palette),
    names = new Map(swatches.map(({ from, to }) => [from, to]))
  const gradients = plain(draft.gradients).map((one) => ({
    ...one,
    stops: one.stops.map((stop) => ({ ...stop, color: names.get(stop.color) ?? stop.color })),
  }))
  const plates = plain(draft.plates)
  const renames = [
    ...renamed('weight', draft.weights),
    ...renamed('radius', draft.radii),
    ...swatches,
    ...renamed('gradient', draft.gradients),
    ...renamed('plate', draft.plates),
    ...renamed('finish', draft.finishes),
  ]
  // The parts and finishes of the set refer to the same names as its icons.
  const finishes = plain(draft.finishes).map((one) => ({ ...one, style: renameInStyle(one.style, renames) }))
  const named = (kind: ValueKind) => (one: { name: string; value: number }) => ({
    ...one,
    name: renames.find((rename) => rename.kind === kind && rename.from === one.name)?.to ?? one.name,
  })
  const masters = draft.masters?.map((master) => ({
    ...master,
    ...(master.weights && { weights: master.weights.map(named('weight')) }),
    ...(master.radii && { radii: master.radii.map(named('radius')) }),
  }))
  const parts = draft.parts?.map((part) => ({ ...part, objects: renameValues(part.objects, renames) }))
  const follows = draft.follows && {
    ...draft.follows,
    // Edited keys become its own; keys that follow again do not.
    own: ownIn(draft, before),
  }
  const parsed = Rules.safeParse({
    ...draft,
    gradients: gradients.length > 0 ? gradients : undefined,
    plates: plates.length > 0 ? plates : undefined,
    finishes: finishes.length > 0 ? finishes : undefined,
    parts,
    masters,
    follows,
    weights: plain(draft.weights),
    radii: plain(draft.radii),
    palette: plain(draft.palette),
  })
  if (!parsed.success) {
    const problems = new Map(parsed.error.issues.map(({ path, message }) => [path.join('.'), message]))
    return { ok: false, problems, sentence: parsed.error.issues[0]!.message }
  }
  return { ok: true, rules: parsed.data, renames }
}

/** A set under other rules, or why it cannot be. */
export function outcome({ rules, renames }: Extract<Ruled, { ok: true }>, set: IconSet, ways: Ways = {}): Outcome {
  const next = applyEdit(set, {
    kind: 'rules',
    rules,
    renames,
    ...ways,
    ...(rules.follows && { isFollowing: true }),
  })
  // On the same grid, with all names there, drawings that were well are well, and need not be read through again.
  const isWell =
    !ways.except?.length && rules.grid.size === set.rules.grid.size && keepsNames(set.rules, next.rules, renames)
  const [problem] = isWell ? [] : setProblems(next)
  return problem ? { ok: false, problems: new Map(), sentence: problem } : { ok: true, set: next }
}

const renamed = (kind: ValueKind, list: readonly { name: string; was: string | null }[]): Rename[] =>
  list.flatMap(({ name, was }) => (was !== null && was !== name ? [{ kind, from: was, to: name }] : []))

/** Own keys of a draft that follows another set. */
function ownIn(draft: Draft, before: RulesType): string[] {
  const { follows } = draft
  if (!follows) return []
  if (!isSameLeader(before.follows, follows)) return follows.own
  // A key that was changed back goes on following.
  const changed = new Set([...before.follows!.own, ...differences(before, plainRules(draft))])
  return follows.own.filter((key) => changed.has(key))
}

/** Marks the edited keys of a following draft as its own. */
export function noted(before: Draft, after: Draft): Draft {
  const { follows } = after
  // A new leader, or keys that follow again, set the own keys directly.
  if (!follows || !before.follows || !same(before.follows, follows)) return after
  const own = [...new Set([...follows.own, ...differences(plainRules(before), plainRules(after))])].sort()
  return { ...after, follows: { ...follows, own } }
}

/** A draft as rules, without former names; it may be invalid. */
export function plainRules(draft: Draft): RulesType {
  const bare = (list: readonly { was: string | null }[]) => list.map(({ was: _, ...rest }) => rest)
  const some = (list: readonly { was: string | null }[]) => (list.length > 0 ? bare(list) : undefined)
  return {
    ...draft,
    weights: bare(draft.weights),
    radii: bare(draft.radii),
    palette: bare(draft.palette),
    gradients: some(draft.gradients),
    finishes: some(draft.finishes),
    plates: some(draft.plates),
  } as unknown as RulesType
}
