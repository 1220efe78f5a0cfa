import type { Cap, Join } from '@/core/drawing/model/style'
import type { Node } from '@/core/drawing/model/node'
import type { Path } from '@/core/geometry/path'
import type { Point } from '@/core/geometry/point'
import type { Sample } from './sample'

/** Something a tool draws over the square, in grid units; marks keep their size on screen. */
export type Drawable =
  /** A box from one corner to the other, as of a selection being drawn. */
  | { readonly as: 'box'; readonly from: Point; readonly to: Point }
  /** A line from place to place; with `ends` short bars across both. */
  | { readonly as: 'line'; readonly points: readonly Point[]; readonly dashed?: true; readonly ends?: true }
  | { readonly as: 'path'; readonly path: Path; readonly dashed?: true }
  /** The ink of a stroke that is being drawn; its width in grid units. */
  | { readonly as: 'stroke'; readonly path: Path; readonly width: number; readonly cap: Cap; readonly join: Join }
  | { readonly as: 'circle'; readonly centre: Point; readonly r: number }
  /** A line across the whole square; the angle in degrees, anticlockwise from the right. */
  | { readonly as: 'axis'; readonly at: Point; readonly angle: number }
  /** A node with the handles it has. */
  | { readonly as: 'node'; readonly node: Node; readonly filled: boolean; readonly handles: boolean }
  /** A place that can be dragged: a ring with a cross. */
  | { readonly as: 'pivot'; readonly at: Point }
  /** Areas in separate tints; hatched to be dropped; or washed while in hand. */
  | { readonly as: 'areas'; readonly paths: readonly Path[]; readonly look: 'tinted' | 'hatched' | 'washed' }
  /** A place where lines nearly meet, and how far they are apart. */
  | { readonly as: 'leak'; readonly at: Point; readonly text: string }
  /** A corner that can be picked, filled where it is. */
  | { readonly as: 'corner'; readonly at: Point; readonly filled: boolean }
  | { readonly as: 'figure'; readonly at: Point; readonly text: string }
  /** A magnifier beside the pointer: enlarged pixels and the mean colour of `side` × `side` of them. */
  | ({ readonly as: 'loupe'; readonly at: Point; readonly side: number } & Sample)
