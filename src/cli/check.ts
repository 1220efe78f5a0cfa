import { familySnags, snagsIn } from '../core/checks/checks'
import { balanceOf } from '../core/proof/balance'
import { sceneOf } from '../core/drawing/evaluated-scene'
import { acceptedIn, masterFor } from '../core/set/set'
import type { Answer } from './command'
import { readSet } from './read-set'

/** Says what is wrong with the icons of a set; the status is 1 where any of it is an error. */
export async function checkCommand(files: readonly string[]): Promise<Answer> {
  const { name, rules, icons } = await readSet(files)
  const scene = sceneOf(rules)
  const family = icons.map((icon) => {
    const master = masterFor(icon)
    return {
      id: icon.id,
      name: icon.name,
      balance: balanceOf(master.objects, scene, rules),
      accepted: acceptedIn(master),
    }
  })
  const beside = familySnags(family, rules)
  const snags = icons.flatMap((icon) => {
    const found = icon.masters.flatMap((master) =>
      snagsIn({ objects: master.objects, rules, scene }, acceptedIn(master)),
    )
    const all = [...found, ...(beside.get(icon.id) ?? [])]
    return all.map(({ check, severity, sentence, objects, spot }) => ({
      icon: icon.name,
      check,
      severity,
      sentence,
      objects,
      ...(spot && { spot }),
    }))
  })
  const errors = snags.filter(({ severity }) => severity === 'error').length
  const count = snags.length === 0 ? 'No snags' : snags.length === 1 ? 'One snag' : `${snags.length} snags`
  return {
    lines: [
      ...snags.map(({ icon, severity, sentence }) => `${severity.padEnd(7)} ${icon}: ${sentence}`),
      `${count} in the ${icons.length} icons of “${name}”${errors > 0 ? `, ${errors} of them ${errors === 1 ? 'an error' : 'errors'}` : ''}.`,
    ],
    value: { set: name, icons: icons.length, errors, snags },
    ...(errors > 0 && { status: 1 as const }),
  }
}
