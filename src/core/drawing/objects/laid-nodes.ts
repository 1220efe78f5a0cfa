import type { NodeRun } from '../model/node'
import { type DrawingObject, kindOf } from './object'

/** The nodes that define an object; none if it is defined otherwise. */
export const laidNodes = (object: DrawingObject): readonly NodeRun[] => kindOf(object).geometry.runs?.(object) ?? []

/** The object with those nodes elsewhere. */
export const withLaidNodes = (object: DrawingObject, runs: readonly NodeRun[]): DrawingObject =>
  kindOf(object).geometry.fold?.(object, runs) ?? object
