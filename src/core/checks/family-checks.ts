import { lookAlike } from './family/look-alike'
import { noDirection } from './family/no-direction'
import { namePattern } from './family/name-pattern'
import { tooHeavy } from './family/too-heavy'
import { tooLight } from './family/too-light'
import type { FamilyCheck } from './family-check'

/** Everything that is looked for in a family, in the order in which it is shown. */
export const FAMILY_CHECKS: readonly FamilyCheck[] = [tooHeavy, tooLight, lookAlike, namePattern, noDirection]
