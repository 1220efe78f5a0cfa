import { type DrawingObject, isStyled, type Styled } from '../drawing/objects/object'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import type { DrawingEdit } from '../drawing/edit/edit'
import { shareable } from '../drawing/scene/shared-style'
import { isShared, type SharedStyle, type Style } from '../drawing/model/style'
import { walk } from '../drawing/objects/tree'
import type { MasterAt, SetEdit } from './edit'
import { masterOn } from './masters'
import type { IconSet } from './set'

type Sharing = Styled & { style: SharedStyle }
type Restyled = { readonly was: Sharing; readonly style: Style }

/**
 * An edit of a drawing as one of its set: where it changes of an object that shares its finish nothing but how it is
 * painted, the finish is changed, for all that share it. Where objects of one finish come out unlike, each has its own.
 */
export function sharingEdit(set: IconSet, at: MasterAt, edit: DrawingEdit): SetEdit {
  const draw = { kind: 'draw' as const, ...at }
  const finishes = edit.kind === 'replace' ? set.rules.finishes : undefined
  if (edit.kind !== 'replace' || !finishes) return { ...draw, edit }
  const restyled = restyledBy(objectsAt(set, at), edit.objects)
  if (restyled.size === 0) return { ...draw, edit }
  const scene = sceneOf(set.rules)
  const next = new Map<string, Style>(),
    unlike = new Set<string>()
  for (const { was, style } of restyled.values()) {
    const name = was.style.finish,
      shared = shareable(style, scene.box(was)),
      other = next.get(name)
    if (other && JSON.stringify(other) !== JSON.stringify(shared)) unlike.add(name)
    next.set(name, shared)
  }
  for (const name of unlike) next.delete(name)
  const objects = edit.objects.filter(({ id }) => {
    const one = restyled.get(id)
    return !one || !next.has(one.was.style.finish)
  })
  const rules = {
    ...set.rules,
    finishes: finishes.map((one) => ({ ...one, style: next.get(one.name) ?? one.style })),
  }
  return {
    kind: 'all',
    edits: [
      ...(objects.length > 0 ? [{ ...draw, edit: { kind: 'replace' as const, objects } }] : []),
      ...(next.size > 0 ? [{ kind: 'rules' as const, rules, renames: [] }] : []),
    ],
  }
}

function objectsAt({ icons, rules }: IconSet, { icon, master }: MasterAt): readonly DrawingObject[] {
  const one = icons.find(({ id }) => id === icon)
  return one ? masterOn(one, rules, master).master.objects : []
}

/** Objects with a shared finish that differ from their earlier state in the style alone, by id. */
function restyledBy(before: readonly DrawingObject[], after: readonly DrawingObject[]): Map<string, Restyled> {
  const next = new Map(after.map((object) => [object.id, object]))
  const found = new Map<string, Restyled>()
  for (const { object: was } of walk(before)) {
    const now = next.get(was.id)
    if (!now || !isStyled(was) || !isShared(was.style) || !isStyled(now) || isShared(now.style)) continue
    const { style: _, ...rest } = was,
      { style, ...others } = now
    if (isSame(rest, others)) found.set(was.id, { was: was as Sharing, style })
  }
  return found
}

/** True when two objects hold the very same values. */
function isSame(a: object, b: object): boolean {
  const [mine, theirs] = [Object.entries(a), new Map(Object.entries(b))]
  return mine.length === theirs.size && mine.every(([key, value]) => theirs.has(key) && theirs.get(key) === value)
}
