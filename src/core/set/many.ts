import { repainted } from '../drawing/edit/paint'
import { type DrawingObject, isStyled, type OfKind, kindOf } from '../drawing/objects/object'
import { styleOf } from '../drawing/scene/shared-style'
import { isShared, type Style, type Weight, withPaints } from '../drawing/model/style'
import { mapObjects } from '../drawing/objects/tree'
import { visited } from '../drawing/objects/visit'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import type { DrawingEdit } from '../drawing/edit/edit'
import { INK } from '../drawing/model/values'
import type { Rules } from '../rules/rules'
import type { SetEdit } from './edit'
import { IconName, nameKey } from './names'
import { aliasesOf, type Icon, type IconSet, type Labels, masterFor, type RightToLeft, tagsOf } from './set'

/** The words of a comma-separated list, without repetitions, in order. */
export const wordsOf = (text: string): string[] => [
  ...new Set(
    text
      .split(',')
      .map((word) => word.trim())
      .filter((word) => word !== ''),
  ),
]

/** Something said otherwise of icons; all else that is said of them stays. */
const labelsEdit = (icons: readonly Icon[], change: (icon: Icon) => Labels): SetEdit => ({
  kind: 'labels',
  labels: icons.map((icon) => ({
    id: icon.id,
    tags: [...tagsOf(icon)],
    aliases: [...aliasesOf(icon)],
    ...(icon.rtl && { rtl: icon.rtl }),
    ...change(icon),
  })),
})

/** Tags given to icons, or taken from them. */
export const taggedEdit = (icons: readonly Icon[], give: readonly string[], take: readonly string[]): SetEdit =>
  labelsEdit(icons, (icon) => ({
    tags: [...new Set([...tagsOf(icon), ...give])].filter((tag) => !take.includes(tag)),
  }))

/** Other names for icons. */
export const aliasedEdit = (icons: readonly Icon[], aliases: readonly string[]): SetEdit =>
  labelsEdit(icons, () => ({ aliases: [...aliases] }))

/** What icons are where text runs from right to left; undefined where nothing is said of it. */
export const directedEdit = (icons: readonly Icon[], rtl: RightToLeft | undefined): SetEdit =>
  labelsEdit(icons, () => ({ rtl }))

/** A name made by a pattern: * is the old name, # a number, ## a number of two digits, and so on. */
export const nameBy = (pattern: string, name: string, n: number): string =>
  pattern.replace(/#+/g, (digits) => String(n).padStart(digits.length, '0')).replaceAll('*', name)

/** Renames icons by a pattern and numbers them in order; a sentence where a name would not be allowed. */
export function renamedEdit(
  { icons: all }: Pick<IconSet, 'icons'>,
  icons: readonly Icon[],
  pattern: string,
): SetEdit | string {
  if (!/[*#]/.test(pattern) && icons.length > 1)
    return 'A pattern for several icons has a * for the name or a # for a number.'
  const chosen = new Set(icons.map(({ id }) => id))
  const taken = new Map(all.filter(({ id }) => !chosen.has(id)).map(({ name }) => [nameKey(name), name]))
  const edits: SetEdit[] = []
  for (const [i, icon] of icons.entries()) {
    const name = nameBy(pattern, icon.name, i + 1)
    const parsed = IconName.safeParse(name)
    if (!parsed.success) return `“${name}” cannot be used. ${parsed.error.issues[0]!.message}`
    if (taken.has(nameKey(name))) return `Two icons would be named “${name}”.`
    taken.set(nameKey(name), name)
    if (name !== icon.name) edits.push({ kind: 'rename-icon', id: icon.id, name })
  }
  return { kind: 'all', edits }
}

/** Icons with every stroke set to a weight: a name of the rules, or a number in grid units. */
export const weightedEdit = (icons: readonly Icon[], rules: Rules, weight: Weight): SetEdit =>
  restyledEdit(icons, rules, (style) =>
    style.stroke === 'none' || style.weight === weight ? style : { ...style, weight },
  )

/** A colour of icons exchanged for another, in their gradients too. */
export const recolouredEdit = (icons: readonly Icon[], rules: Rules, from: string, to: string): SetEdit =>
  restyledEdit(icons, rules, (style) => withPaints(style, (paint) => repainted(paint, new Map([[from, to]]))))

/** Icons with every style changed. Where a shared finish changes, the object gets a style of its own. */
function restyledEdit(icons: readonly Icon[], rules: Rules, change: (style: Style) => Style): SetEdit {
  const scene = sceneOf(rules)
  const restyled = (object: DrawingObject): DrawingObject => {
    if (!isStyled(object) || !isShared(object.style)) return visited(object, { style: change })
    const was = styleOf(object, scene),
      style = change(was)
    return style === was ? object : { ...object, style }
  }
  return {
    kind: 'all',
    edits: icons.flatMap((icon): SetEdit[] => {
      const { base, objects } = masterFor(icon)
      const next = mapObjects(objects, restyled).filter((object, i) => object !== objects[i])
      return next.length === 0
        ? []
        : [{ kind: 'draw', icon: icon.id, master: base, edit: { kind: 'replace', objects: next } }]
    }),
  }
}

/** Icons with a plate of the rules behind each drawing, instead of any plate there; null removes plates. */
export function platedEdit(icons: readonly Icon[], rules: Rules, plate: string | null, nextId: () => string): SetEdit {
  const middle = rules.grid.size / 2
  const fill = rules.palette.find(({ name }) => name !== INK)?.name ?? '#d9e2df'
  return {
    kind: 'all',
    edits: icons.flatMap((icon): SetEdit[] => {
      const { base, objects } = masterFor(icon)
      const own = objects.filter((object) => kindOf(object).stands === 'ground')
      const draw = (edit: DrawingEdit): SetEdit[] => [{ kind: 'draw', icon: icon.id, master: base, edit }]
      if (plate === null) return own.length > 0 ? draw({ kind: 'remove', ids: own.map(({ id }) => id) }) : []
      if (own.length > 0)
        return draw({ kind: 'replace', objects: own.map((one) => kindOf(one).references.withPlate!(one, plate)) })
      const laid: OfKind<'plate'> = {
        kind: 'plate',
        id: nextId(),
        name: 'Plate',
        plate,
        at: { x: middle, y: middle },
        style: { fill, stroke: 'none', weight: rules.weights[0]!.name },
      }
      return draw({ kind: 'add', objects: [laid], into: null, at: 0 })
    }),
  }
}
