import { createInterface } from 'node:readline'
import { parseArgs } from 'node:util'
import { bringClock } from '../core/geometry/deadline'
import { ownDeadline } from '../server/renderer/own-time'
import { replaceFile } from '../server/replace-file'
import { type Answer, limitOf, OPTIONS, type Options, print, UsageError, wentWrong } from './command'

const USAGE = `bin/wise-square COMMAND

  check FILE [--fail-on note|warning|error]   say what breaks the rules or will look bad; 1 if any weighs as much (error)
  mend FILE --out FILE [--only CHECK,CHECK]   mend what can be mended without harm, and say what was left
  import FILES-OR-FOLDERS… --out FILE         read SVG files into a new set under the rules that they follow, or into one
          [--name NAME] [--style STYLE]       that is there (--into); live shapes are found unless --as drawn
          [--into FILE] [--as live|drawn]     --rules FILE takes the rules of another set instead; --leave corners,cap takes
          [--rules FILE] [--leave RULES]      all proposed rules but those; --parts makes parts of what comes
          [--parts]                           again in several icons
  deliver FILE --to DIR [--targets svg,png]   write a set's files into a folder: to the targets named, to all, or to
          [--clean] [--check]                 those that the set is delivered to; what is there already stays as it is;
                                              --clean removes what an earlier delivery wrote and this one does not;
                                              --check writes nothing and ends with 1 if anything differs;
          [--watch] [--releases DIR]          --watch delivers again whenever the set file changes;
          [--prove]                           --prove reads every written SVG back and ends with 1 if one differs;
                                              --releases says where its last release is, for what is new since
  release FILE --to DIR [--note TEXT]         keep a delivery as the next numbered release in a folder
  diff OLD NEW [--out PAGE.html]              say which icons changed between two set files; 1 if any did
  proof FILE --icon NAME --size N --out PNG   draw one icon as it will be delivered
  restyle FILE --rules FILE --out FILE        bring a set under other rules and say which icons need a hand
          [--drawings fitted|scaled|kept]     what becomes of them on another grid (fitted)
          [--except NAME,NAME]                icons that stay as they look
  rules FILE [--tokens] [--out FILE]          print the rules alone, or as design tokens
  targets [--out FILE]                        list what a set can be delivered to, and the files of each
  schema [--out FILE]                         print the JSON Schema of the set file
  path [--time]                               answer geometry requests, one JSON object a line
                                              (union, subtract, intersect, exclude, divide, patches,
                                              offset, stroke, round, simplify, measure)

Every command takes --json for an answer that programs can read, and --limit SECONDS for how long one drawing may be
computed (processor time; without it there is no limit); deliver, release and diff take --quiet. FILE is a set file (name.wisesquare.json).`

type Command = (files: readonly string[], options: Options) => Promise<Answer>

/** Each command is loaded when it is asked for, so that none waits for what another needs. */
const COMMANDS = new Map<string, () => Promise<Command>>([
  ['check', async () => (await import('./check')).checkCommand],
  ['mend', async () => (await import('./mend')).mendCommand],
  ['import', async () => (await import('./import')).importCommand],
  ['diff', async () => (await import('./diff')).diffCommand],
  ['release', async () => (await import('./release')).releaseCommand],
  ['deliver', async () => (await import('./deliver')).deliverCommand],
  ['proof', async () => (await import('./proof')).proofCommand],
  ['restyle', async () => (await import('./restyle')).restyleCommand],
  ['rules', async () => (await import('./rules')).rulesCommand],
  ['targets', async () => (await import('./targets')).targetsCommand],
  ['schema', async () => (await import('./schema')).schemaCommand],
])

/** Commands that print a document; with --out it goes to a file. */
const PRINTED = new Set(['rules', 'targets', 'schema'])

/** Runs the command line and gives the exit status: 0 done, 1 it could not be done, 2 it was asked wrongly. */
export async function main(args: readonly string[]): Promise<number> {
  let json = args.includes('--json')
  try {
    const { values, positionals } = parseArgs({ args: [...args], options: OPTIONS, allowPositionals: true })
    json = values.json === true
    const limit = limitOf(values)
    bringClock(limit === Infinity ? null : () => ownDeadline(limit))
    const [name, ...files] = positionals
    if (values.help || name === undefined) {
      console.log(USAGE)
      return name === undefined && !values.help ? 2 : 0
    }
    if (name === 'path') {
      const { pathCommand } = await import('./path')
      await pathCommand(
        createInterface({ input: process.stdin }),
        (line) => process.stdout.write(`${line}\n`),
        values.time ? (line) => process.stderr.write(`${line}\n`) : null,
      )
      return 0
    }
    const load = COMMANDS.get(name)
    if (!load) throw new UsageError(`There is no command “${name}”.`)
    const command = await load()
    const answer = await command(files, values)
    if (values.out !== undefined && PRINTED.has(name)) await replaceFile(values.out, `${answer.lines.join('\n')}\n`)
    else print(answer, json)
    return answer.status ?? 0
  } catch (error) {
    const wrongUse =
      error instanceof UsageError || (error as { code?: string }).code?.startsWith('ERR_PARSE_ARGS') === true
    const message = wentWrong(error)
    console.error(json ? JSON.stringify({ error: { code: wrongUse ? 'usage' : 'failed', message } }) : message)
    return wrongUse ? 2 : 1
  }
}
