import { freshCorner, freshStyle } from '@/core/drawing/edit/fresh'
import type { Frame } from '@/core/drawing/model/frame'
import type { DrawingObject } from '@/core/drawing/objects/object'
import type { Radius, Style } from '@/core/drawing/model/style'
import type { Bench } from '../../state/bench'
import { isFilledSet } from '../fresh-style'

/** What a new shape starts with: how it is called, where it lies, and what the rules give it. */
export type Fresh = { readonly id: string; readonly name: string; readonly style: Style } & Frame

/** A shape that is drawn in a box. */
export type BoxShape = {
  /** The shape's name, and its name when its sides are equal. */
  readonly word: string
  readonly even?: string
  /** Whether it is a line, and never filled at first. */
  readonly isLine?: true
  /** How else it can be laid than from corner to corner. */
  readonly ways?: readonly ('tilted' | 'three')[]
  /** How many main weights high it is where it is drawn along a line, without height. */
  readonly slim?: number
  /** Whether its sides are counted, up and down by arrow keys. */
  readonly counts?: true
  readonly fresh: (bench: Bench, fresh: Fresh, corner: Radius) => DrawingObject
}

/** A new shape in a frame, from the rules and the settings of its tool. */
export function freshShape(bench: Bench, shape: BoxShape, id: string, name: string, frame: Frame): DrawingObject {
  const style = freshStyle(bench.rules, isFilledSet(bench) && !shape.isLine)
  return shape.fresh(bench, { id, name, ...frame, style }, freshCorner(bench.rules))
}
