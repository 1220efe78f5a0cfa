import type { ValueKind } from '../drawing/objects/visit'

/** The lists of named values a drawing can refer to, by the kind of reference. */
export const LISTS = {
  weight: 'weights',
  radius: 'radii',
  swatch: 'palette',
  gradient: 'gradients',
  part: 'parts',
  plate: 'plates',
  finish: 'finishes',
} as const satisfies Record<ValueKind, string>
