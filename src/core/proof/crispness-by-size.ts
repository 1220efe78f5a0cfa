import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { evaluateAll } from '../drawing/evaluate/evaluate'
import { inkOfAll } from '../drawing/scene/ink'
import { type Crispness, crispness } from '../geometry/crispness'
import type { Rules } from '../rules/rules'
import { drawingFor } from '../set/masters'
import type { Icon } from '../set/set'

/** How crisp an icon is at each delivered size, from the master that fits it. */
export const crispnessBySize = (icon: Pick<Icon, 'masters'>, rules: Rules): readonly Crispness[] =>
  rules.sizes.map((size) => {
    const { objects, rules: book } = drawingFor(icon, rules, size)
    return crispness(inkOfAll(evaluateAll(objects, sceneOf(book))), book.grid.size, size)
  })
