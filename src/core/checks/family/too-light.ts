import { outOfFamily } from './ink-beside'

/** Icons with far less ink than the others. */
export const tooLight = outOfFamily('too-light', 'too light for the family', false)
