import type { Point } from '../../../geometry/point'
import type { Thing } from '../../model/traits'
import type { Grip, GripPull, Pulled } from '../../scene/grip'
import type { Scene } from '../../scene/scene'

/** Places of objects of a kind that are dragged on the square. */
export type GripsFacet<T extends Thing> = {
  /** Places by which a number is dragged; `least` keeps those of sharp corners off the corners themselves. */
  readonly places?: (object: T, scene: Scene, least: number) => Grip[]
  readonly pull?: (object: T, grip: string, to: Point, scene: Scene, pull: GripPull) => Pulled<T>
  /** Its ends, where it is pulled by them and not by the handles of a frame. */
  readonly ends?: (object: T) => readonly Point[]
  readonly withEnd?: (object: T, end: number, to: Point) => T
}
