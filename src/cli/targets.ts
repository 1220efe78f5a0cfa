import { starter } from '../core/rules/starters'
import type { Choice } from '../core/targets/options'
import { plannedFiles } from '../core/targets/plan'
import { type Family, PLATFORMS, type Target } from '../core/targets/target'
import { TARGETS } from '../core/targets/targets'
import { type Answer, UsageError } from './command'

/** A set that the lists of files are made of: one icon, which stands for an application too. */
const SAMPLE: Family = {
  name: 'Skerry Line',
  kind: 'app',
  rules: { ...starter('interface-24')!.rules, sizes: [24], densities: [1, 2] },
  icons: [{ id: 'ferry', name: 'ferry' }],
}

const inWords = (choice: Choice): string =>
  choice.as === 'switch'
    ? `on or off; ${choice.usual ? 'on' : 'off'} as usual`
    : choice.as === 'one of'
      ? `${choice.of.map(({ value, label }) => `\`${value}\` ${label}`).join(', ')}; \`${choice.usual}\` as usual`
      : `a text; ${choice.usual === '' ? 'by the set’s name' : `\`${choice.usual}\``} as usual`

function page({ id, name, note, isForApps, choices }: Target): string[] {
  return [
    `### ${name} (\`${id}\`)`,
    '',
    note + (isForApps ? ' Of icons that stand for an application.' : ''),
    '',
    '| choice | what it may be |',
    '|---|---|',
    ...Object.entries(choices).map(([key, choice]) => `| \`${key}\`: ${choice.word} | ${inWords(choice)} |`),
    '',
    '```',
    ...plannedFiles(SAMPLE, [id]).map(({ path }) => path),
    '```',
    '',
  ]
}

/** Lists every target with its options and files, as docs/targets.md has them. */
export async function targetsCommand(files: readonly string[]): Promise<Answer> {
  if (files.length > 0) throw new UsageError('targets takes no file.')
  return {
    lines: [
      '# What a set is delivered as',
      '',
      'Written by `bin/wise-square targets`. The files are those of a set “Skerry Line” with one icon, *ferry*, at 24 px and two',
      'densities. What is chosen is kept in the set, under `delivery` in its file.',
      '',
      '| target | reader | compared values | test |',
      '|---|---|---|---|',
      ...TARGETS.flatMap(({ name, readBy }) =>
        readBy.map(
          ({ reader, compares, spec }, i) => `| ${i === 0 ? name : ''} | ${reader} | ${compares} | \`${spec}\` |`,
        ),
      ),
      '',
      ...PLATFORMS.flatMap((platform) => [
        `## ${platform}`,
        '',
        ...TARGETS.filter((target) => target.platform === platform).flatMap(page),
      ]),
    ],
    value: TARGETS.map(({ id, name, platform, note, choices }) => ({
      id,
      name,
      platform,
      note,
      choices,
      files: plannedFiles(SAMPLE, [id]).map(({ path }) => path),
    })),
  }
}
