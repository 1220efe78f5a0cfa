import type { DrawingObject } from '../drawing/object'
import type { Scene } from '../drawing/scene'

/** What a check looks at: the objects of a master, in the scene they are drawn in. */
export type Checked = { readonly objects: readonly DrawingObject[]; readonly scene: Scene }

/**
 * One place where an icon breaks a rule or will look bad: a sentence, and the ids of the objects it is about; none of
 * the whole drawing.
 */
export type Snag = { readonly check: string; readonly sentence: string; readonly objects: readonly string[] }

/** Something that is looked for in a drawing. */
export type Check = {
  readonly id: string
  /** What it finds, in a few words. */
  readonly word: string
  readonly find: (checked: Checked) => readonly Omit<Snag, 'check'>[]
}
