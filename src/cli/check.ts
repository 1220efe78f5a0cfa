import type { Snag } from '../core/checks/check'
import { snagsIn } from '../core/checks/checks'
import { nameProblem } from '../core/checks/name-pattern'
import { sceneOf } from '../core/drawing/evaluated-scene'
import { acceptedIn } from '../core/set/set'
import type { Answer } from './command'
import { readSet } from './read-set'

/** Says what is wrong with the icons of a set; the status is 1 where any of it is an error. */
export async function checkCommand(files: readonly string[]): Promise<Answer> {
  const { name, rules, icons } = await readSet(files)
  const scene = sceneOf(rules)
  const snags = icons.flatMap((icon) => {
    const named = nameProblem(icon.name, rules)
    const found = icon.masters.flatMap((master) =>
      snagsIn({ objects: master.objects, rules, scene }, acceptedIn(master)),
    )
    const all: readonly Pick<Snag, 'check' | 'severity' | 'sentence' | 'objects' | 'spot'>[] = [
      ...(named ? [{ check: 'name-pattern', severity: 'warning' as const, sentence: named, objects: [] }] : []),
      ...found,
    ]
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
