import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { evaluateAll } from '../drawing/evaluate/evaluate'
import { type DrawingObject, isStyled, kindOf } from '../drawing/objects/object'
import { isGradient, type Paint, type Stop } from '../drawing/model/paint'
import { same } from '../drawing/model/same'
import { styleOf } from '../drawing/scene/shared-style'
import { isShared, type Style, withPaints } from '../drawing/model/style'
import { mapObjects } from '../drawing/objects/tree'
import { colourOf, finishOf, radiusOf, stopsOf, weightOf } from '../drawing/model/values'
import { visited } from '../drawing/objects/visit'
import { basesOf, rulesForGrid } from '../rules/rules-for-grid'
import { LISTS } from '../rules/lists'
import type { Rename } from '../rules/renames'
import type { Part, Rules } from '../rules/rules'
import { masterOn } from './masters'
import { freeName } from './names'
import { type Icon, type Master, masterFor } from './set'

type Objects = readonly DrawingObject[]
type NumberKind = 'weight' | 'radius'
type KeptKind = 'swatch' | 'plate' | 'part' | NumberKind

/**
 * Keeps the look of icons under other rules: named values that would change become values of their own. Three kinds of
 * values cannot be an object's own and are kept in the rules under another name: swatches with a colour for dark ground,
 * plates, and parts (with the weights and radii in them, which differ from grid to grid).
 */
export class KeptLook {
  private readonly kept = new Map<string, { readonly kind: KeptKind; readonly value: { readonly name: string } }>()

  /** `scale` is by how much lengths grow on the grid of the other rules. */
  constructor(
    private readonly before: Rules,
    private readonly after: Rules,
    private readonly renames: readonly Rename[],
    private readonly scale = 1,
  ) {}

  /** The other rules with what had to stay. */
  get rules(): Rules {
    const next: Record<string, unknown> = { ...this.after }
    for (const { kind, value } of this.kept.values()) {
      const list = LISTS[kind]
      next[list] = [...((next[list] as unknown[] | undefined) ?? []), value]
    }
    const masters = this.after.masters?.map((master) => this.withKeptNumbers(master))
    return this.kept.size > 0 ? ({ ...next, ...(masters && { masters }) } as Rules) : this.after
  }

  /** What a further grid says of the numbers that stay. */
  private withKeptNumbers(master: NonNullable<Rules['masters']>[number]): typeof master {
    if (!basesOf(this.before).includes(master.base)) return master
    const was = rulesForGrid(this.before, master.base)
    const kept = (kind: NumberKind) =>
      [...this.kept].flatMap(([key, one]) => {
        const value = was[LISTS[kind]].find(({ name }) => key === `${kind} ${name}`)?.value
        return one.kind === kind && value !== undefined ? [{ name: one.value.name, value }] : []
      })
    const weights = [...(master.weights ?? []), ...kept('weight')],
      radii = [...(master.radii ?? []), ...kept('radius')]
    return { ...master, ...(weights.length > 0 && { weights }), ...(radii.length > 0 && { radii }) }
  }

  /** An icon on the grid it is on, as it looked on every grid. */
  icon(icon: Icon): Icon {
    const main = this.master(masterFor(icon), this.before, this.after)
    const stored = new Map(icon.masters.slice(1).map((one) => [one.base, one]))
    let next: Icon = { ...icon, masters: [main, ...stored.values()] }
    const shared = basesOf(this.after).filter((base) => base !== main.base && basesOf(this.before).includes(base))
    for (const base of shared) {
      const was = rulesForGrid(this.before, base),
        is = rulesForGrid(this.rules, base)
      const { master } = masterOn(icon, this.before, base)
      if (looksOf(master.objects, was) === this.tried(next, base)) continue
      const { from: _, ...own } = this.master(master, was, is)
      stored.set(base, own)
      next = { ...next, masters: [main, ...stored.values()] }
    }
    return main === masterFor(icon) && [...stored.values()].every((one, i) => one === icon.masters[i + 1]) ? icon : next
  }

  /** What an icon would look like on a grid under the other rules; null where it cannot be drawn there. */
  private tried(icon: Icon, base: number): string | null {
    try {
      return looksOf(masterOn(icon, this.rules, base).master.objects, rulesForGrid(this.rules, base))
    } catch {
      return null
    }
  }

  /** A master whose values that other rules would change are stored as its own. */
  master(master: Master, before: Rules = this.before, after: Rules = this.after): Master {
    const own = (objects: Objects) => this.objects(objects, before, after)
    return {
      ...master,
      objects: own(master.objects),
      ...(master.from && { from: own(master.from) }),
      ...(master.alternatives && {
        alternatives: master.alternatives.map((one) => ({ ...one, objects: own(one.objects) })),
      }),
    }
  }

  private isInPart = false

  private objects(objects: Objects, before: Rules, after: Rules): DrawingObject[] {
    const scene = sceneOf(before)
    return mapObjects(objects, (object) => {
      let next = object
      if (isStyled(next) && isShared(next.style) && !this.isSameFinish(next.style.finish, before, after))
        next = { ...next, style: styleOf(next, scene) } as DrawingObject
      next = visited(next, {
        radius: (value) => this.number(value, 'radius', radiusOf, before, after),
        weight: (value) => this.number(value, 'weight', weightOf, before, after),
        style: (style) => this.style(style, before, after),
        colour: (colour) => this.colour(colour),
      })
      const { plate, withPlate, part, withPart } = kindOf(next).references
      const plateName = plate?.(next)
      if (plateName !== undefined) next = named(next, plateName, this.plate(plateName), withPlate)
      const partName = part?.(next)
      return partName === undefined ? next : named(next, partName, this.part(partName), withPart)
    })
  }

  private style(style: Style, before: Rules, after: Rules): Style {
    const painted = withPaints(style, (paint) => this.paint(paint, before, after))
    const weight = this.number(style.weight, 'weight', weightOf, before, after)
    const isStroked = style.stroke !== 'none'
    const own = (key: 'cap' | 'join' | 'miterLimit') =>
      isStroked && style[key] === undefined && before[key] !== after[key] ? { [key]: before[key] } : {}
    const more = { ...own('cap'), ...own('join'), ...own('miterLimit') }
    if (weight === style.weight && Object.keys(more).length === 0) return painted
    return { ...painted, weight, ...more }
  }

  private paint(paint: Paint, before: Rules, after: Rules): Paint {
    if (!isGradient(paint)) return paint === 'none' ? paint : this.colour(paint)
    const stops = stopsOf(paint, before),
      own = stops.map((stop): Stop => ({ ...stop, color: this.colour(stop.color) }))
    const isOwn = typeof paint.stops !== 'string'
    const name = isOwn ? '' : this.nameAfter('gradient', paint.stops as string)
    const now = isOwn ? stops : after.gradients?.find((one) => one.name === name)?.stops
    const isSame = same(own, stops) && (isOwn || same(now, stops))
    return isSame ? paint : { ...paint, stops: own }
  }

  private colour(color: string): string {
    if (color.startsWith('#')) return color
    const was = colourOf(color, this.before)
    const is = this.after.palette.find(({ name }) => name === this.nameAfter('swatch', color))
    if (is && is.color === was.light && (is.dark ?? is.color) === was.dark) return color
    return was.dark === was.light ? was.light : this.keep('swatch', color, (value) => value)
  }

  private number<V extends number | string>(
    value: V,
    kind: NumberKind,
    valueOf: typeof weightOf,
    before: Rules,
    after: Rules,
  ): V | number {
    if (typeof value !== 'string') return value
    const was = valueOf(value, before) * this.scale
    const list = kind === 'weight' ? after.weights : after.radii
    if (list.find(({ name }) => name === this.nameAfter(kind, value))?.value === was && !this.isInPart) return value
    if (!this.isInPart) return was
    if (this.isSameNumber(kind, value)) return value
    return this.keep<{ name: string; value: number }>(kind, value, ({ name }) => ({ name, value: was })) as V
  }

  /** Whether a named number has the same value on every grid. */
  private isSameNumber(kind: NumberKind, name: string): boolean {
    const after = this.nameAfter(kind, name)
    return basesOf(this.before).every((base) => {
      if (!basesOf(this.after).includes(base)) return true
      const [was, is] = [rulesForGrid(this.before, base), rulesForGrid(this.after, base)].map(
        (book) => book[LISTS[kind]],
      )
      return was!.find((one) => one.name === name)?.value === is!.find((one) => one.name === after)?.value
    })
  }

  private isSameFinish(name: string, before: Rules, after: Rules): boolean {
    const was = finishOf(name, before)
    const is = after.finishes?.find((one) => one.name === this.nameAfter('finish', name))?.style
    return is !== undefined && same(is, was) && same(this.style(was, before, after), was)
  }

  private plate(name: string): string {
    const was = this.before.plates?.find((one) => one.name === name),
      is = this.after.plates?.find((one) => one.name === this.nameAfter('plate', name))
    if (!was || (is && same({ ...is, name }, was))) return name
    const by = this.scale
    return this.keep<NonNullable<Rules['plates']>[number]>('plate', name, (value) => ({
      ...value,
      w: value.w * by,
      h: value.h * by,
      ...(value.padding !== undefined && { padding: value.padding * by }),
    }))
  }

  private part(name: string): string {
    const was = this.before.parts?.find((one) => one.name === name),
      is = this.after.parts?.find((one) => one.name === this.nameAfter('part', name))
    if (!was) return name
    const outer = this.isInPart
    this.isInPart = true
    const objects = this.objects(was.objects, this.before, this.after)
    this.isInPart = outer
    if (is && objects === was.objects && same({ ...is, name }, was)) return name
    return this.keep<Part>('part', name, (value) => ({ ...value, objects }))
  }

  private nameAfter(kind: Rename['kind'], name: string): string {
    return this.renames.find((one) => one.kind === kind && one.from === name)?.to ?? name
  }

  /** The name under which the rules keep an unchanged value. */
  private keep<V extends { readonly name: string }>(kind: KeptKind, name: string, own: (value: V) => V): string {
    const key = `${kind} ${name}`
    const known = this.kept.get(key)
    if (known) return known.value.name
    const list = LISTS[kind]
    const was = (this.before[list] as readonly { readonly name: string }[]).find((one) => one.name === name) as V
    const taken = [
      ...((this.rules[list] ?? []) as readonly { readonly name: string }[]),
      ...((this.before[list] ?? []) as readonly { readonly name: string }[]),
    ].map((one) => one.name)
    const value = { ...own(was), name: freeName(`${name.slice(0, 24)}-kept`, taken) }
    this.kept.set(key, { kind, value })
    return value.name
  }
}

/** A drawing as text for comparison, without the names of the values that it refers to. */
const looksOf = (objects: Objects, rules: Rules): string =>
  JSON.stringify(evaluateAll(objects, sceneOf(rules)), (key, value: unknown) =>
    key === 'name' || key === 'weight' ? undefined : value,
  )

function named<T extends DrawingObject>(
  object: T,
  was: string,
  is: string,
  change: ((object: T, name: string) => T) | undefined,
): T {
  return is === was ? object : change!(object, is)
}
