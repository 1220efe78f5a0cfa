import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { wholeDrawing } from '../drawing/evaluate/evaluate'
import { type DrawingObject, kindOf } from '../drawing/objects/object'
import { withStrokesOutlined } from '../drawing/scene/stroke-outlines'
import type { Shape } from '../drawing/scene/shape'
import { mapObjects, walk } from '../drawing/objects/tree'
import { drawingPicture, type StoredPictures, storedFor } from '../picture/drawn'
import { pictureIn } from '../picture/stored'
import { compactElement, svgOfPicture } from '../picture/svg'
import { type Ground, type Picture, pictureOf } from '../picture/picture'
import { type Element, markup } from '../formats/markup'
import { timed } from '../geometry/deadline'
import type { Path } from '../geometry/path'
import { baseFor } from '../rules/rules-for-grid'
import type { Rules } from '../rules/rules'
import { drawingOn } from '../set/masters'
import type { Icon } from '../set/set'
import { bled } from './bleed'
import { emblem } from './tone'

export type Strokes = 'kept' | 'outlined'

/** How many times as large as its plate the one is that a cast is cut by where it goes beyond it. */
const FAR = 3

/** A cast that is not cut by its plate any more, but far outside of it. */
function castFar(object: DrawingObject): DrawingObject {
  const { cut: cutOf, withCut } = kindOf(object).geometry,
    cut = cutOf?.(object)
  if (!cut) return object
  const map = (cut.map ?? [1, 0, 0, 1]).map((value) => value * FAR) as [number, number, number, number]
  return withCut!(object, { ...cut, map })
}

/**
 * The drawings of one icon that files are made of, for any size by the master that fits it. Takes stored drawings;
 * computes others on demand, once for all targets. Throws the errors of drawing.
 */
export class IconRenderer {
  private readonly known = new Map<string, unknown>()

  constructor(
    readonly icon: Icon,
    readonly rules: Rules,
    private readonly drawn: StoredPictures | null,
    /** Another icon that stands for it where text runs from right to left. */
    readonly turned: IconRenderer | null = null,
  ) {}

  /** A value computed once under a name. */
  private once<T>(name: string, compute: () => T): T {
    if (!this.known.has(name)) this.known.set(name, timed(compute))
    return this.known.get(name) as T
  }

  /** The side of the grid that fits so many pixels. */
  grid(size: number): number {
    return baseFor(this.rules, size)
  }

  /** The icon as a document; its strokes as the rules have them, where nothing else is asked. */
  document(size: number, ground: Ground, strokes = this.rules.strokes ?? 'kept'): string {
    const picture = this.picture(size, ground, strokes)
    return timed(() => svgOfPicture(picture))
  }

  /** The icon as a picture; its strokes as the rules have them, where nothing else is asked. */
  picture(size: number, ground: Ground, strokes = this.rules.strokes ?? 'kept'): Picture {
    if (strokes === (this.rules.strokes ?? 'kept')) {
      if (this.drawn) return { ...pictureIn(storedFor(this.drawn, this.rules, size)), ground }
      const { objects, rules } = drawingOn(this.icon, this.rules, this.grid(size))
      return drawingPicture(objects, rules, ground)
    }
    return pictureOf(this.shapes(size, strokes), this.grid(size), ground)
  }

  /** The document in as few characters as it takes: for programs, not to be drawn on. */
  compact(size: number, ground: Ground, strokes: Strokes = this.rules.strokes ?? 'kept'): Element {
    const grid = this.grid(size)
    return this.once(`compact ${grid} ${ground} ${strokes}`, () =>
      compactElement(this.shapes(size, strokes), grid, ground),
    )
  }

  /** The same as text. */
  compactDocument(size: number, ground: Ground, strokes?: Strokes): string {
    return markup(this.compact(size, ground, strokes))
  }

  /** What the icon paints, from the lowest up. */
  shapes(size: number, strokes: Strokes = 'kept'): readonly Shape[] {
    return this.once(`shapes ${this.grid(size)} ${strokes}`, () => {
      const { objects, rules } = drawingOn(this.icon, this.rules, this.grid(size))
      const shapes = wholeDrawing(objects, sceneOf(rules))
      return strokes === 'outlined' ? withStrokesOutlined(shapes) : shapes
    })
  }

  /**
   * Its shapes in two layers: plates, and the figure on them; with `beyond` the plates' paint extends to the edges of a
   * picture.
   */
  layers(size: number, beyond = false): { readonly plate: readonly Shape[]; readonly figure: readonly Shape[] } {
    const { objects, rules } = drawingOn(this.icon, this.rules, this.grid(size))
    const plates = new Set(objects.filter((object) => kindOf(object).stands === 'ground').map(({ id }) => id))
    const shapes = beyond ? timed(() => wholeDrawing(mapObjects(objects, castFar), sceneOf(rules))) : this.shapes(size)
    const plate = shapes.filter(({ id }) => plates.has(id)),
      figure = shapes.filter(({ id }) => !plates.has(id))
    return {
      plate,
      figure: beyond
        ? timed(() =>
            bled(
              figure,
              plate.flatMap(({ path }) => path),
            ),
          )
        : figure,
    }
  }

  /** The icon as one shape: its silhouette, or the plate with the figure cut out. */
  emblem(size: number): Path {
    return this.once(`emblem ${this.grid(size)}`, () => emblem(this.layers(size)))
  }

  /** The ids of cast shadows. */
  castIds(size: number): ReadonlySet<string> {
    const { objects } = drawingOn(this.icon, this.rules, this.grid(size))
    return new Set([...walk(objects)].flatMap(({ object }) => (kindOf(object).stands === 'shade' ? [object.id] : [])))
  }
}
