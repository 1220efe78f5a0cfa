import type { Scene } from '../scene/scene'
import type { Radius, Weight } from '../model/style'

/**
 * Between which numbers a field goes; `above` when the least itself is not one of them, `whole` when only whole ones
 * are.
 */
export type Limits = {
  readonly least?: number
  readonly most?: number
  readonly above?: boolean
  readonly whole?: boolean
}

/** A number or a choice that one kind of object has: how it is named, shown, limited, read and written. */
export type Field<T> = {
  readonly id: string
  /** The name of the field in a label after “Change”, such as “the depth”. */
  readonly what: string
} & (NumberField<T> | ChoiceField<T> | ResetField<T> | RadiiField<T> | WeightField<T>)

/** `prefix` and `suffix` stand beside the number, `zero` in place of 0; a `step` left out is that of the grid. */
type NumberField<T> = {
  readonly as: 'number'
  readonly prefix?: string
  readonly suffix?: string
  readonly zero?: string
  readonly step?: number
  readonly limits?: Limits
  readonly read: (object: T, scene: Scene) => number
  readonly write: (object: T, value: number, scene: Scene) => T
}

/** A length that may be named in the rules, such as a distance. */
type WeightField<T> = {
  readonly as: 'weight'
  /** 0 where there may be none. */
  readonly least?: 0
  readonly read: (object: T) => Weight | 0
  readonly write: (object: T, value: Weight) => T
}

type ChoiceField<T> = {
  readonly as: 'choice'
  readonly options: readonly string[]
  readonly read: (object: T) => string
  readonly write: (object: T, option: string) => T
}

/** Something of its own that can only be given up. */
type ResetField<T> = {
  readonly as: 'reset'
  readonly word: string
  readonly title: string
  readonly write: (object: T) => T
}

/** Several radii that are alike (null) or each its own; `places` names them in the order in which they are listed. */
type RadiiField<T> = {
  readonly as: 'radii'
  readonly places: readonly { readonly at: number; readonly word: string }[]
  readonly read: (object: T) => readonly Radius[] | null
  readonly alike: (object: T) => Radius
  readonly write: (object: T, at: number, radius: Radius) => T
  readonly reset: (object: T) => T
}

/** A share of something as a whole number of hundredths. */
export const share = <T, K extends keyof T & string>(
  key: K,
  word: string,
  limits: Limits,
): Field<T & Record<K, number>> => ({
  id: key,
  what: `the ${key}`,
  as: 'number',
  prefix: `${word} `,
  suffix: ' %',
  step: 1,
  limits,
  read: (object) => object[key] * 100,
  write: (object, value) => ({ ...object, [key]: value / 100 }),
})

/** An angle in degrees, in steps of 15. */
export const angle = <T extends { readonly angle: number }>(): Field<T> => ({
  id: 'angle',
  what: 'the angle',
  as: 'number',
  suffix: '°',
  step: 15,
  limits: { least: -360, most: 360 },
  read: (object) => object.angle,
  write: (object, degrees) => ({ ...object, angle: degrees }),
})

/** A smoothness in grid units, read and written by the kind. */
export const smoothness = <T>(way: Pick<NumberField<T>, 'read' | 'write'>): Field<T> => ({
  id: 'smoothness',
  what: 'the smoothness',
  as: 'number',
  prefix: 'Smoothness ',
  step: 0.05,
  limits: { least: 0.01, most: 10 },
  ...way,
})
