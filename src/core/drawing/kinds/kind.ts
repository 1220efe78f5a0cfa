import type { Point } from '../../geometry/point'
import type { Path } from '../../geometry/path'
import type { Transform } from '../../geometry/transform'
import type { Fitting } from '../edit/fitting'
import type { Cut } from '../model/cut'
import type { Frame } from '../model/frame'
import type { Grip, GripPull, Pulled } from '../model/grip'
import type { NodeRun } from '../model/node'
import type { Scene } from '../evaluate/scene'
import type { Shape } from '../evaluate/shape'
import type { Radius, Style, Weight } from '../model/style'
import type { ResolvedStroke } from '../evaluate/resolved'
import type { Field } from './field'
import type { Arbitraries } from './arbitraries'
import type { z } from 'zod'
import type { Thing } from './traits'

/**
 * Everything the program knows of one kind of object. Features that several kinds share (a frame, corners, a style,
 * members) are traits, see `traits.ts`; callers evaluate, move and count members. Lengths in grid units.
 */
export type Kind<T extends Thing> = {
  readonly kind: T['kind']
  /** Its default name. */
  readonly word: string
  /** What a file may hold; members are added to it. */
  readonly schema: z.ZodObject
  readonly hasMembers?: true
  /** Its members have roles, and count by their outlines, paint left aside. */
  readonly combines?: true
  /** Whether the corners of its result can be finished. */
  readonly rounds?: true
  /** Its place in the drawing, if special: the `ground` below all else, or the `shade` of its members. */
  readonly stands?: 'ground' | 'shade'
  /** What fills the frame that it was laid down by: straight sides, or an ellipse. Of others the frame only follows. */
  readonly fills?: 'sides' | 'ellipse'
  /** The nodes that it was laid down by. */
  readonly runs?: (object: T) => readonly NodeRun[]
  /** Its members are painted each by itself, as far as a mask of it lets them through; and whether it has one. */
  readonly isMask?: (object: T) => boolean
  /** The outline that is filled, corners finished. Throws where it cannot be computed. */
  readonly edge: (object: T, scene: Scene) => Path
  /** Operand in boolean operations. Default: the outline; for an open line, the stroked area. */
  readonly operand?: (object: T, scene: Scene) => Path
  /** Members without effect on the result, with the reason, by id. */
  readonly idle?: (object: T, scene: Scene) => ReadonlyMap<string, string>
  /** The painted shapes. Default: the outline with the object's style. */
  readonly shapes?: (object: T, scene: Scene) => readonly Shape[]
  /** The part of its edge that is filled, and what its stroke paints, where they are not as with others. */
  readonly filled?: (object: T, edge: Path) => Path
  readonly stroked?: (object: T, edge: Path, stroke: ResolvedStroke, style: Style) => Path | null
  /** What its x, y, w, h and turn are read from, where they are not its own numbers. */
  readonly frame?: (object: T, scene: Scene) => Frame
  /** Fits the object to a frame. Default: writes its numbers, or scales it. */
  readonly toFrame?: (object: T, frame: Frame, scene: Scene) => T
  /** Whether only uniform scaling keeps its form, because it contains turned parts. */
  readonly isEven?: (object: T) => boolean
  /** Whether its outline may be smaller than its frame, or pass it. */
  readonly isSmaller?: (object: T) => boolean
  /** The object under an affine map; of framed ones only what becomes of it when it is turned over, left to right. */
  readonly transform?: (object: T, map: Transform) => T
  readonly turnedOver?: (object: T) => T
  /** After a flip, recomputes signatures from stored positions. */
  readonly withSignatures?: (object: T, scene: Scene) => T
  /** Fits the object to another grid, without its members. Null, or missing: it can only be scaled as a whole. */
  readonly fit?: (object: T, to: Fitting) => T | null
  /** The level or plumb line that its members are mirrored at, once; null where they are imaged otherwise. */
  readonly mirror?: (object: T) => { readonly axis: 'x' | 'y'; readonly at: number } | null
  /** The largest radius that its corners have room for. */
  readonly room?: (object: T) => number
  /** By how much its members are drawn on beneath each other, and the same with more or less of that. */
  readonly underlap?: (object: T) => number
  readonly withUnderlap?: (object: T, by: number) => T
  /** How this object, as a background, clips objects that reach its edge. */
  readonly cuts?: (object: T) => Cut
  /** The object's clip, and the object with another clip or none. */
  readonly cut?: (object: T) => Cut | undefined
  readonly withCut?: (object: T, cut: Cut | undefined) => T
  /** What its copies lie around. */
  readonly middle?: (object: T) => Point | null
  /** The object with each radius that it names or holds, beside its corner, replaced; the same when none changes. */
  readonly withRadii?: (object: T, change: (radius: Radius) => Radius) => T
  /** The object with each length by weight that it names or holds, beside its style, replaced. */
  readonly withWeights?: (object: T, change: (weight: Weight) => Weight) => T
  /** The object with each finish that it holds, beside its style, replaced. */
  readonly withStyles?: (object: T, change: (style: Style) => Style) => T
  /** The object with colours of its own beside its style exchanged. */
  readonly withColours?: (object: T, change: (colour: string) => string) => T
  /** The plate of the rules that it refers to, and the same with another. */
  readonly plate?: (object: T) => string | undefined
  readonly withPlate?: (object: T, name: string) => T
  /** The part that it places, and the same with another. */
  readonly part?: (object: T) => string | undefined
  readonly withPart?: (object: T, name: string) => T
  /** Estimates of the segments and the length of its outline, and the number of images of its members. */
  readonly segments?: (object: T) => number
  readonly length?: (object: T) => number
  readonly characters?: (object: T) => number
  readonly times?: (object: T) => number
  /** Its own numbers and choices in the ledger. */
  readonly fields?: (object: T) => readonly Field<T>[]
  /** Its make-up in a few words, where there is something to say. */
  readonly summary?: (object: T, scene: Scene) => string
  /** Its ends, where it is pulled by them and not by the handles of a frame. */
  readonly ends?: (object: T) => readonly Point[]
  readonly withEnd?: (object: T, end: number, to: Point) => T
  /** Places by which a number is dragged; `least` keeps those of sharp corners off the corners themselves. */
  readonly grips?: (object: T, scene: Scene, least: number) => Grip[]
  readonly pull?: (object: T, grip: string, to: Point, scene: Scene, pull: GripPull) => Pulled<T>
  /** Its nodes as runs that can be edited, corners still live, where they are not those of its edge. */
  readonly nodes?: (object: T, scene: Scene) => NodeRun[]
  /** The object after its nodes were edited; null where it cannot express the edit and becomes a path. */
  readonly fold?: (object: T, contours: readonly NodeRun[]) => T | null
  /** The pieces it is released into. Default: its members. */
  readonly loose?: (object: T, scene: Scene) => readonly LoosePiece[]
  /** The live features that are lost when it becomes a path; null for objects without an outline. */
  readonly lost: string | null
  /** Arbitrary objects of this kind for property tests, without the common values. */
  readonly any: (given: Arbitraries) => unknown
}

/** A piece of what falls apart: an object where a map takes it, or with a `path` one in its place that has this outline. */
export type LoosePiece = { readonly of: Thing; readonly map?: Transform; readonly path?: Path }

/** A kind, checked by its type. */
export const defineKind = <T extends Thing>(kind: Kind<T>): Kind<T> => kind
