import { drawnIcon } from '../core/formats/drawn'
import type { IconSet } from '../core/set/set'
import type { DeliveredFile } from '../core/targets/archive'
import { pathFaults, plannedFiles, targetsOf } from '../core/targets/plan'
import type { Fault } from '../core/targets/target'
import { TARGETS } from '../core/targets/targets'
import { madeIcon, madeSet } from '../server/renderer/make'
import { type Options, UsageError } from './command'

/** The targets that are asked for, else those that the set is delivered to. */
export function askedTargets({ targets }: Options, set: IconSet): string[] {
  const known = TARGETS.map(({ id }) => id)
  const asked = targets === 'all' ? known : (targets?.split(',') ?? targetsOf(set))
  const unknown = asked.find((id) => !known.includes(id))
  if (unknown !== undefined) throw new UsageError(`“${unknown}” is no target; there are ${known.join(', ')}.`)
  return known.filter((id) => asked.includes(id))
}

/** Says how far something is, on a terminal: one line that is written over. */
export function progressLine({ quiet, json }: Options, verb: string): (done: number, of: number) => void {
  const out = process.stderr
  if (quiet || json || !out.isTTY) return () => undefined
  const begun = performance.now()
  return (done, of) => {
    const left = Math.ceil(((performance.now() - begun) / 1000 / Math.max(1, done)) * (of - done))
    out.write(`\r\u001b[K${done < of ? `${verb} ${done} of ${of} icons, ${left} s left` : ''}`)
  }
}

/**
 * Makes every file of a delivery, icon by icon, and gives what speaks against it. Throws a sentence where an icon cannot
 * be drawn or two files would be one.
 */
export async function makeFiles(
  set: IconSet,
  targets: readonly string[],
  take: (file: DeliveredFile) => Promise<void> | void,
  progress: (done: number, of: number) => void,
): Promise<Fault[]> {
  const faults = [...pathFaults(plannedFiles(set, targets))]
  const [problem] = faults
  if (problem) throw new Error(problem.sentence)
  const pieces: Record<string, string[]> = {}
  for (const [i, icon] of set.icons.entries()) {
    progress(i, set.icons.length)
    const drawn = drawnIcon(icon, set.rules)
    if (drawn.problem !== undefined) throw new Error(`“${icon.name}” cannot be delivered. ${drawn.problem}`)
    const made = await madeIcon(icon, drawn, set, targets)
    for (const file of made.files) await take(file)
    for (const [path, piece] of Object.entries(made.pieces)) (pieces[path] ??= []).push(piece)
    faults.push(...made.faults)
  }
  for (const file of await madeSet(set, targets, pieces)) await take(file)
  progress(set.icons.length, set.icons.length)
  return faults
}
