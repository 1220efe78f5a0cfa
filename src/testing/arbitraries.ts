import type fastCheck from 'fast-check'
import type { Point } from '../core/geometry/point'
import type { NodeRun } from '../core/drawing/model/node'
import type { Radius, Style } from '../core/drawing/model/style'

/** What tests give a kind to make arbitrary objects of: the generator, and numbers on half units so that things touch. */
export type Arbitraries = {
  readonly fc: typeof fastCheck
  readonly half: (min: number, max: number) => fastCheck.Arbitrary<number>
  readonly place: fastCheck.Arbitrary<Point>
  readonly radius: fastCheck.Arbitrary<Radius>
  readonly run: fastCheck.Arbitrary<NodeRun>
  /** A finish with everything it may have, and a plain one. */
  readonly style: fastCheck.Arbitrary<Style>
  readonly plainStyle: fastCheck.Arbitrary<Style>
  /** Numbers of a frame, and a corner. */
  readonly frame: fastCheck.Arbitrary<object>
  readonly corner: fastCheck.Arbitrary<object>
  /** Some members, each with something more. */
  readonly members: (most: number, more?: object) => fastCheck.Arbitrary<object[]>
}
