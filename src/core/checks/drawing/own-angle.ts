import type { Check } from '../check'
import { offDirections } from '../look/directions'
import { said } from '../look/seen'

export const ownAngle: Check = {
  id: 'own-angle',
  concerns: 'rules',
  word: 'angles not in the rules',
  severity: 'note',
  find: (checked) =>
    checked.rules.angles?.length
      ? offDirections(
          checked,
          checked.rules.angles,
          () => true,
          ({ object }, direction, nearest) =>
            `“${object.name}” lies at ${said(direction)}°, which the rules do not have; the nearest is ${said(nearest)}°.`,
        )
      : [],
}
