import { z } from 'zod'
import { DrawingObject } from '@/core/drawing/objects/object'
import { Plate } from '@/core/drawing/model/plates'
import { Stops, ValueName } from '@/core/drawing/model/paint'
import { namesUsed, type ValueKind, withStyleNames } from '@/core/drawing/objects/visit'
import { walk, withNewIds } from '@/core/drawing/objects/tree'
import { svgOf } from '@/core/picture/svg'
import { LISTS } from '@/core/rules/lists'
import { hasValue } from '@/core/rules/renames'
import { FinishRule, Part, Rules, SwatchRule } from '@/core/rules/rules'
import { newId } from '@/ui/new-id'
import { inKeys } from '@/ui/keys'
import { say } from '@/ui/notice'
import type { Bench } from '../state/bench'
import { remove } from './objects'
import { slice } from '../state/slice'

const TYPE = 'application/x-wise-square-objects+json'

const NamedNumber = z.strictObject({ name: ValueName, value: z.number() })

/** Content of the clipboard: objects, and the named values they use. */
const Copied = z.strictObject({
  objects: z.array(DrawingObject),
  weights: z.array(NamedNumber),
  radii: z.array(NamedNumber),
  palette: z.array(SwatchRule),
  plates: z.array(Plate),
  finishes: z.array(FinishRule),
  gradients: z.array(z.strictObject({ name: ValueName, stops: Stops })),
  parts: z.array(Part),
})
type Copied = z.infer<typeof Copied>

/** Everything that objects refer to, and what that refers to again. */
function needsOf(objects: readonly DrawingObject[], rules: Rules): Omit<Copied, 'objects'> {
  const needed = new Map<string, { kind: ValueKind; name: string }>()
  const need = (kind: ValueKind, name: string): string => {
    const key = `${kind} ${name}`
    if (needed.has(key)) return name
    needed.set(key, { kind, name })
    const named = <T extends { name: string }>(list: readonly T[] = []) => list.find((one) => one.name === name)
    if (kind === 'part') look(named(rules.parts)?.objects ?? [])
    const finish = kind === 'finish' && named(rules.finishes)
    if (finish) withStyleNames(finish.style, need)
    const gradient = kind === 'gradient' && named(rules.gradients)
    if (gradient) for (const { color } of gradient.stops) if (!color.startsWith('#')) need('swatch', color)
    return name
  }
  const look = (list: readonly DrawingObject[]) => {
    for (const { object } of walk(list)) for (const { kind, name } of namesUsed(object)) need(kind, name)
  }
  look(objects)
  const of = <T extends { name: string }>(kind: ValueKind, list: readonly T[] = []): T[] =>
    list.filter(({ name }) => needed.has(`${kind} ${name}`))
  return {
    weights: of('weight', rules.weights),
    radii: of('radius', rules.radii),
    palette: of('swatch', rules.palette),
    gradients: of('gradient', rules.gradients),
    plates: of('plate', rules.plates),
    finishes: of('finish', rules.finishes),
    parts: of('part', rules.parts),
  }
}

/** Puts the selection on the clipboard: as objects for Wise Square, as SVG text for everyone else. */
/** What was copied last in this window: a page may read the clipboard only when keys paste it. */
let lastCopied = ''

/** The missing condition of pasting without keys, as a sentence; null if it is possible. */
export const pasteNeeds = (): string | null =>
  lastCopied === '' ? inKeys('Nothing was copied in this window yet. Press Ctrl V to paste from elsewhere.') : null

/** Pastes the objects that were copied last in this window. */
export const pasteCopied = (bench: Bench): void => pasteText(bench, lastCopied)

export function copySelection(bench: Bench, event: ClipboardEvent, cut: boolean): void {
  const { selected, rules } = bench
  if (selected.length === 0) return
  event.preventDefault()
  lastCopied = JSON.stringify({ objects: selected, ...needsOf(selected, rules) })
  event.clipboardData!.setData(TYPE, lastCopied)
  event.clipboardData!.setData('text/plain', svgOf(selected, rules, rules.grid.size))
  if (cut) remove(bench)
}

function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}

/** The named values of the clipboard that these rules lack, in words, and the rules with them. */
function brought(copied: Copied, rules: Rules): { readonly lacks: string[]; readonly rules: Rules } {
  const lacks: string[] = []
  const next: Record<string, unknown> = { ...rules }
  for (const kind of Object.keys(LISTS) as ValueKind[]) {
    const list = copied[LISTS[kind]].filter(({ name }) => !hasValue(rules, kind, name))
    if (list.length === 0) continue
    lacks.push(...list.map(({ name }) => `the ${kind} “${name}”`))
    next[LISTS[kind]] = [...(rules[LISTS[kind]] ?? []), ...list]
  }
  return { lacks, rules: next as Rules }
}

/**
 * Pastes objects in place, into the open icon. Named values are matched by name; missing ones are listed, and added on
 * request. False if the clipboard has no objects.
 */
export function pasteObjects(bench: Bench, event: ClipboardEvent): boolean {
  const text = event.clipboardData!.getData(TYPE)
  const { here } = bench
  if (text === '') return false
  event.preventDefault()
  if (here) pasteText(bench, text)
  return true
}

function pasteText(bench: Bench, text: string): void {
  const parsed = Copied.safeParse(parsedJson(text))
  if (!parsed.success) return say({ text: 'The clipboard holds no drawing that can be pasted.', tone: 'fault' })
  const objects = parsed.data.objects.map((object) => withNewIds(object, newId))
  const label = `Paste ${objects.length === 1 ? objects[0]!.name : `${objects.length} objects`}`
  const { lacks, rules } = brought(parsed.data, bench.setRules)
  if (lacks.length === 0) return bench.add(objects, label)
  const checked = Rules.safeParse(rules)
  if (!checked.success) return say({ text: checked.error.issues[0]!.message, tone: 'fault' })
  const accept = () => {
    // Another window may have changed the rules meanwhile.
    const { rules: now } = brought(parsed.data, bench.setRules)
    bench.edit({ kind: 'add', objects, ...bench.top }, label, now)
    bench.select(objects.map(({ id }) => id))
  }
  bench.put(PASTING, { question: { title: `${label}?`, lacks, accept } })
}

/** The question before objects with missing named values are pasted. */
export const PASTING = slice('pasting', {
  question: null as { readonly title: string; readonly lacks: readonly string[]; readonly accept: () => void } | null,
})
