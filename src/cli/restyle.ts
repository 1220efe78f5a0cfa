import { readFile } from 'node:fs/promises'
import { lossesOf } from '../core/checks/change'
import { readRulesFile } from '../core/formats/rules-file'
import { writeSetFile } from '../core/formats/set-file'
import { restyledSet } from '../core/set/restyle'
import { setProblems } from '../core/set/set'
import { replaceFile } from '../server/replace-file'
import { type Answer, type Options, UsageError } from './command'
import { readWhole } from './read-set'

/** Brings a set under the rules of another file and writes it; says which icons lose something by that. */
export async function restyleCommand(files: readonly string[], options: Options): Promise<Answer> {
  const { rules: rulesFile, out, drawings, except } = options
  if (!rulesFile || !out) throw new UsageError('Name the rules and the file to write: --rules RULES.json --out FILE.')
  if (!['fitted', 'scaled', 'kept'].includes(drawings ?? 'fitted'))
    throw new UsageError(`Drawings are fitted, scaled or kept, not “${drawings}”.`)
  const { set, pictures } = await readWhole(files)
  const text = await readFile(rulesFile, 'utf8').catch(() => null)
  if (text === null) throw new Error(`There is no file ${rulesFile}.`)
  const { rules, problem } = readRulesFile(text)
  if (!rules) throw new Error(`${rulesFile}: ${problem}`)
  const names = except?.split(',') ?? []
  const unknown = names.find((name) => !set.icons.some((icon) => icon.name === name))
  if (unknown !== undefined) throw new Error(`There is no icon “${unknown}” in “${set.name}”.`)
  const next = restyledSet(set, {
    rules,
    renames: [],
    ...(drawings !== 'kept' &&
      rules.grid.size !== set.rules.grid.size && { drawings: drawings === 'scaled' ? drawings : 'fitted' }),
    except: set.icons.filter(({ name }) => names.includes(name)).map(({ id }) => id),
  })
  const [wrong] = setProblems(next)
  if (wrong) throw new Error(wrong)
  const need = set.icons.flatMap((icon, i) => {
    const lost = lossesOf({ icon, rules: set.rules }, { icon: next.icons[i]!, rules })
    return lost.length > 0 ? [{ icon: icon.name, strains: lost }] : []
  })
  await replaceFile(out, writeSetFile(next, pictures))
  return {
    lines: [
      ...need.map(({ icon, strains: lost }) => `${icon}: ${lost.join(' ')}`),
      `“${set.name}” under ${rulesFile} written to ${out}; ${need.length === 0 ? 'no icon needs' : need.length === 1 ? 'one icon needs' : `${need.length} icons need`} a hand.`,
    ],
    value: { set: set.name, out, icons: next.icons.length, need },
  }
}
