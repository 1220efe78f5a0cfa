import type { Path } from '../../../geometry/path'
import type { Transform } from '../../../geometry/transform'
import type { Cut } from '../../model/cut'
import type { Frame } from '../../model/frame'
import type { NodeRun } from '../../model/node'
import type { ResolvedStroke } from '../../model/resolved'
import type { Style } from '../../model/style'
import type { Thing, WithFrame, WithMembers } from '../../model/traits'
import type { Scene } from '../../scene/scene'
import type { Shape } from '../../scene/shape'

/** What objects of a kind look like, where they are, and how they move. Lengths in grid units. */
export type Geometry<T extends Thing> = Outlines<T> & Partial<Box<T> & Moves<T> & Nodes<T>>

/** The geometry that a kind has to state: how it moves, unless the numbers of its frame or its members do. */
export type GeometryFacet<T extends Thing> = Outlines<T> &
  (T extends WithFrame
    ? Partial<Box<T>> & Pick<Partial<Moves<T>>, 'turnedOver' | 'withSignatures'>
    : Box<T> & (T extends WithMembers ? Partial<Moves<T>> : Partial<Moves<T>> & Pick<Moves<T>, 'transform'>)) &
  ((Partial<Omit<Nodes<T>, 'runs'>> & { runs?: undefined }) | (Partial<Nodes<T>> & Pick<Nodes<T>, 'runs' | 'fold'>))

type Outlines<T extends Thing> = {
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
  /** Whether it has a mask: its members are painted each by itself, as far as the mask lets them through. */
  readonly isMask?: (object: T) => boolean
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
  /** The pieces it is released into. Default: its members. */
  readonly loose?: (object: T, scene: Scene) => readonly LoosePiece[]
  /** The live features that are lost when it becomes a path; null for objects without an outline. */
  readonly lost: string | null
}

type Box<T extends Thing> = {
  /** What its x, y, w, h and turn are read from, where they are not its own numbers. */
  readonly frame: (object: T, scene: Scene) => Frame
  /** Fits the object to a frame. Default: writes its numbers, or scales it. */
  readonly toFrame?: (object: T, frame: Frame, scene: Scene) => T
  /** Whether only uniform scaling keeps its form, because it contains turned parts. */
  readonly isEven?: (object: T) => boolean
  /** Whether its outline may be smaller than its frame, or pass it. */
  readonly isSmaller?: (object: T) => boolean
}

type Moves<T extends Thing> = {
  /** The object under an affine map, its members left aside. Every map is followed, uneven and mirroring ones too. */
  readonly transform: (object: T, map: Transform) => T
  /** For kinds with the numbers of a frame: the object mirrored left to right within its frame. */
  readonly turnedOver: (object: T) => T
  /** After a flip, recomputes signatures from stored positions. */
  readonly withSignatures: (object: T, scene: Scene) => T
}

type Nodes<T extends Thing> = {
  /** The nodes that define it. */
  readonly runs: (object: T) => readonly NodeRun[]
  /** Its nodes as runs that can be edited, corners still live, where they are not those of its edge. */
  readonly nodes: (object: T, scene: Scene) => NodeRun[]
  /** The object after its runs or nodes were edited; null where it cannot express the edit and becomes a path. */
  readonly fold: (object: T, contours: readonly NodeRun[]) => T | null
}

/** One piece of a released object: an object under a map, or with a `path` a path object in its place. */
export type LoosePiece = { readonly of: Thing; readonly map?: Transform; readonly path?: Path }
