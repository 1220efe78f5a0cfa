import { png } from './png/png'
import { svg } from './svg/svg'
import type { Target } from './target'

/** Everything a set can be delivered as, in the order in which it is offered. */
export const TARGETS: readonly Target[] = [svg, png]
