import type { Box } from '../../geometry/box'
import type { Path } from '../../geometry/path'
import type { Transform } from '../../geometry/transform'
import type { Thing } from '../model/traits'
import type { Gradient, Stop } from '../model/paint'
import type { Shape } from './shape'
import type { Cap, Finish, Join, Radius, Style, Weight } from '../model/style'
import type { ResolvedColour } from '../model/resolved'
import type { Plate } from '../model/plates'
import type { NamedPart, NamedValues } from '../model/values'

/** Results of immutable objects, for each scene in which they came out differently. */
export type Memory<T> = WeakMap<object, Remembered<T>[]>
export type Remembered<T> = { readonly scene: Scene; readonly reads: ReadonlyMap<string, Read>; readonly result: T }

/** A named value in a comparable form. */
export type Read = string | number | undefined

/**
 * The context in which drawings are evaluated: the named values of the rules, and the results of other objects.
 * Everything read is recorded, so that a result is computed anew only when something it read has changed.
 */
export type Scene = {
  /** The named values, without tracking of dependencies. */
  readonly values: NamedValues
  /** A weight in grid units. Throws when the rules lack the name. */
  weight(weight: Weight): number
  /** A radius in grid units. Throws when the rules lack the name. */
  radius(radius: Radius): number
  /** A colour by its name in the palette, or its own. Throws when the rules lack the swatch. */
  colour(color: string, opacity?: number): ResolvedColour
  /** The stops of a gradient, of its own or by name. Throws when the rules lack the name. */
  stops(gradient: Gradient): readonly Stop[]
  /**
   * How something with such a box is painted, be it in a style of its own or in one it shares. Throws when the rules
   * lack the name.
   */
  style(finish: Finish, box: () => Box | null): Style
  /** A plate by its name. Throws when the rules lack it. */
  plate(name: string): Plate
  /** A part by its name. Throws when the set lacks it. */
  part(name: string): NamedPart
  readonly cap: Cap
  readonly join: Join
  readonly miterLimit: number
  /** Greatest error of bent paths, in grid units. */
  readonly tolerance: number
  /** The filled outline of an object, without paint. Throws a `Refusal`. */
  edge(object: Thing): Path
  /** The area that an object paints, strokes included. Throws a `Refusal`. */
  ink(object: Thing): Path
  /** The area that an object stands for where it is combined with others: its edge, or its ink. Throws a `Refusal`. */
  solid(object: Thing): Path
  /** The shapes of an object in paint order. Throws a `Refusal`. */
  shapes(object: Thing): readonly Shape[]
  /** What an object with a style paints along an outline. */
  painted(object: Thing, path: Path): readonly Shape[]
  /** An object where a map takes it. */
  moved<T extends Thing>(object: T, map: Transform): T
  /** An object whose own weights and corners scale; those from the rules stay. */
  scaled<T extends Thing>(object: T, by: number): T
  /** The upright box of an object's geometry, strokes left aside; under a map, where one is given. */
  box(object: Thing, map?: Transform): Box
  /** The memoised result for an object, or a new one. */
  remembered<T>(memory: Memory<T>, object: object, compute: () => T): T
}
