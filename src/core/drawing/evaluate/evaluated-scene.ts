import type { Box } from '../../geometry/box'
import { isTimed, timed, timeoutEra } from '../../geometry/deadline'
import type { Path } from '../../geometry/path'
import { WARP } from '../../geometry/tolerance'
import type { Transform } from '../../geometry/transform'
import { costOf, refuseExcess } from './cost'
import { drawable } from './drawable'
import { inkOfAll } from '../scene/ink'
import type { Thing } from '../model/traits'
import { type DrawingObject, isStyled, kindOf, type Styled } from '../objects/object'
import { painted } from './painted'
import type { Gradient } from '../model/paint'
import type { Plate } from '../model/plates'
import { Refusal, refusalOf } from '../../findings/refusal'
import type { Memory, Read, Remembered, Scene } from '../scene/scene'
import { type Shape, withEffect } from '../scene/shape'
import { operandOf } from './operand'
import { type Cap, type Finish, isShared, type Join, type Radius, type Style, type Weight } from '../model/style'
import { transformObject } from '../objects/transform-object'
import { scaleOwn } from '../objects/scale-own'
import { laidStyle } from '../scene/shared-style'
import {
  colourOf,
  type NamedPart,
  type NamedValues,
  partOf,
  plateOf,
  radiusOf,
  stopsOf,
  weightOf,
} from '../model/values'
import { extent } from './extent'

/**
 * The number of scenes for which results of one object are kept: before and after a change of the rules, and a few
 * more.
 */
const KEPT = 4

const scenes = new WeakMap<NamedValues, Scene>()

/** The scene that the named values of a set make; the same values always give the same scene. */
export function sceneOf(values: NamedValues): Scene {
  let scene = scenes.get(values)
  if (!scene) scenes.set(values, (scene = new EvaluatedScene(values)))
  return scene
}

const edges: Memory<Path | Refusal> = new WeakMap()
const inks: Memory<Path | Refusal> = new WeakMap()
const solids: Memory<Path | Refusal> = new WeakMap()
const shapes: Memory<readonly Shape[] | Refusal> = new WeakMap()

class EvaluatedScene implements Scene {
  /** The record of what the computation under way reads; null when none is. */
  private reads: Map<string, Read> | null = null
  private readonly looked = new Map<string, Read>()

  constructor(readonly values: NamedValues) {}

  weight(weight: Weight): number {
    if (typeof weight === 'string') this.note(`weight ${weight}`)
    return weightOf(weight, this.values)
  }

  radius(radius: Radius): number {
    if (typeof radius === 'string') this.note(`radius ${radius}`)
    return radiusOf(radius, this.values)
  }

  colour(color: string, opacity?: number) {
    if (!color.startsWith('#')) this.note(`swatch ${color}`)
    return colourOf(color, this.values, opacity)
  }

  stops(gradient: Gradient) {
    if (typeof gradient.stops === 'string') this.note(`gradient ${gradient.stops}`)
    return stopsOf(gradient, this.values)
  }

  style(finish: Finish, box: () => Box | null): Style {
    if (isShared(finish)) this.note(`finish ${finish.finish}`)
    return laidStyle(finish, this.values, box)
  }

  plate(name: string): Plate {
    this.note(`plate ${name}`)
    return plateOf(name, this.values)
  }

  part(name: string): NamedPart {
    this.note(`part ${name}`)
    return partOf(name, this.values)
  }

  get cap(): Cap {
    this.note('cap')
    return this.values.cap
  }

  get join(): Join {
    this.note('join')
    return this.values.join
  }

  get miterLimit(): number {
    this.note('miterLimit')
    return this.values.miterLimit
  }

  get tolerance(): number {
    this.note('tolerance')
    return this.values.tolerance ?? WARP
  }

  edge(thing: Thing): Path {
    const object = thing as DrawingObject
    return this.known(edges, object, () => drawable(object, kindOf(object).geometry.edge(object, this)))
  }

  ink(thing: Thing): Path {
    const object = thing as DrawingObject
    return this.known(inks, object, () => inkOfAll(this.shapes(object)))
  }

  solid(thing: Thing): Path {
    const object = thing as DrawingObject
    return this.known(solids, object, () => operandOf(object, this))
  }

  shapes(thing: Thing): readonly Shape[] {
    const object = thing as DrawingObject
    return this.known(shapes, object, () => {
      if (object.hidden || object.opacity === 0) return []
      const own = this.ownShapes(object)
      const { opacity = 1, shadow } = object
      const dimmed = opacity < 1 ? withEffect(own, opacity, null) : own
      if (!shadow || dimmed.length === 0) return dimmed
      const { x, y, blur, color } = shadow
      return withEffect(dimmed, 1, null, { x, y, blur, color: this.colour(color, shadow.opacity) })
    })
  }

  painted(thing: Thing, path: Path): readonly Shape[] {
    return painted(thing as Styled, path, this)
  }

  moved<T extends Thing>(thing: T, map: Transform): T {
    return transformObject(thing as unknown as DrawingObject, map) as unknown as T
  }

  scaled<T extends Thing>(thing: T, by: number): T {
    return scaleOwn(thing as unknown as DrawingObject, by) as unknown as T
  }

  box(thing: Thing, map?: Transform): Box {
    const object = thing as DrawingObject
    return extent(map ? transformObject(object, map) : object, this)
  }

  remembered<T>(memory: Memory<T>, object: object, compute: () => T): T {
    const known = memory.get(object)?.find((one) => one.scene === this || this.agrees(one))
    if (known) {
      if (this.reads) for (const [key, read] of known.reads) this.reads.set(key, read)
      return known.result
    }
    const { result, reads } = this.noted(compute)
    keep(memory, object, { scene: this, reads, result })
    return result
  }

  /**
   * The remembered result of an object, or the one computed now; a refusal is a result too. A timeout is remembered
   * only for the object that was given the time, as a member may merely have come last, and only for a while.
   */
  private known<T>(memory: Memory<T | Refusal>, object: DrawingObject, compute: () => T): T {
    const isPart = isTimed()
    let isNew = false
    const result = this.remembered(memory, object, () => {
      isNew = true
      return attempt(object, this.values, compute)
    })
    if (!(result instanceof Refusal)) return result
    if (!isNew && result.code === 'too-slow' && result.era !== timeoutEra()) {
      memory.delete(object)
      return this.known(memory, object, compute)
    }
    if (isNew && isPart && result.code === 'too-slow') memory.set(object, memory.get(object)!.slice(1))
    throw result
  }

  private ownShapes(object: DrawingObject): readonly Shape[] {
    const { shapes: own } = kindOf(object).geometry
    if (own) return own(object, this)
    if (!isStyled(object)) return []
    return painted(object, this.edge(object), this).flatMap((shape) => {
      const path = drawable(object, shape.path)
      return path === shape.path ? [shape] : path.length > 0 ? [{ ...shape, path }] : []
    })
  }

  /** A result with the values it depends on; they are added to those of the enclosing computation. */
  private noted<T>(compute: () => T): { result: T; reads: ReadonlyMap<string, Read> } {
    const outer = this.reads,
      reads = (this.reads = new Map<string, Read>())
    try {
      return { result: compute(), reads }
    } finally {
      this.reads = outer
      if (outer) for (const [key, read] of reads) outer.set(key, read)
    }
  }

  private agrees({ reads }: Remembered<unknown>): boolean {
    for (const [key, read] of reads) if (this.look(key) !== read) return false
    return true
  }

  private note(key: string): void {
    this.reads?.set(key, this.look(key))
  }

  private look(key: string): Read {
    if (!this.looked.has(key)) this.looked.set(key, valueAt(this.values, key))
    return this.looked.get(key)
  }
}

function keep<T>(memory: Memory<T>, object: object, one: Remembered<T>): void {
  memory.set(object, [one, ...(memory.get(object) ?? []).slice(0, KEPT - 1)])
}

function attempt<T>(object: DrawingObject, values: NamedValues, compute: () => T): T | Refusal {
  try {
    refuseExcess(`“${object.name}”`, costOf(object, values))
    return timed(compute)
  } catch (error) {
    return refusalOf(object, error)
  }
}

/** A named value in a form that can be compared; undefined where the rules lack it. */
function valueAt(values: NamedValues, key: string): Read {
  const cut = key.indexOf(' '),
    name = key.slice(cut + 1)
  switch (cut < 0 ? key : key.slice(0, cut)) {
    case 'weight':
      return values.weights.find((one) => one.name === name)?.value
    case 'radius':
      return values.radii.find((one) => one.name === name)?.value
    case 'swatch':
      return text(values.palette.find((one) => one.name === name))
    case 'finish':
      return text(values.finishes?.find((one) => one.name === name))
    case 'plate':
      return text(values.plates?.find((one) => one.name === name))
    case 'part':
      return partText(values.parts?.find((one) => one.name === name))
    case 'gradient': {
      const stops = values.gradients?.find((one) => one.name === name)?.stops
      return stops && text(stops)
    }
    default:
      return values[key as 'cap' | 'join' | 'miterLimit' | 'tolerance']
  }
}

/** Parts are never changed in place: each is written once. */
const written = new WeakMap<NamedPart, string>()

function partText(part: NamedPart | undefined): Read {
  if (!part) return undefined
  let known = written.get(part)
  if (known === undefined) written.set(part, (known = JSON.stringify(part)))
  return known
}

const text = (value: unknown): string | undefined => (value === undefined ? undefined : JSON.stringify(value))
