import { outOfFamily } from './ink-beside'

/** Icons with far more ink than the others. */
export const tooHeavy = outOfFamily('too-heavy', 'too heavy for the family', true)
