import type { Problem } from '../core/findings/problem'
import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { rightToLeft } from '../core/set/direction'
import type { IconSet } from '../core/set/set'
import type { DeliveredFile } from '../core/targets/archive'
import { deliverable } from '../core/targets/deliverable'
import { targetsOf } from '../core/targets/plan'
import type { Released } from '../core/targets/released'
import type { LeftOut } from '../core/targets/run'
import { TARGETS } from '../core/targets/targets'
import { madeSet } from '../server/renderer/make'
import { MAKERS, Renderer, THREAD } from '../server/renderer/renderer'
import { isTaskEnded } from '../server/renderer/task-ended'
import { rowOfIcon } from '../server/set-rows'
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

/** From how many icons on a further thread saves more time than it takes to be as quick as the first. */
const WORTH = 20

/**
 * Makes every file of a delivery, in the order of the icons, on as many threads as there are; gives what speaks against
 * it: targets that cannot be written are left out, and so are icons that take longer than the limit that was asked for.
 * Throws a sentence where an icon cannot be drawn or none can be written.
 */
export async function makeFiles(
  set: IconSet,
  asked: readonly string[],
  take: (file: DeliveredFile) => Promise<void> | void,
  progress: (done: number, of: number) => void,
  released?: Released | null,
  limit = Infinity,
): Promise<{ readonly problems: Problem[]; readonly leftOut: LeftOut[] }> {
  const able = deliverable(released ? { ...set, released } : set, asked),
    problems: Problem[] = [...able.problems],
    leftOut: LeftOut[] = [],
    { targets } = able
  const [problem] = problems
  if (problem && targets.length === 0) throw new Error(problem.sentence)
  const pieces: Record<string, string[]> = {}
  const threads = new Renderer(threadFile(), { limit }),
    family = JSON.stringify({ ...able.family, icons: set.icons.map(({ masters: _, ...named }) => named) })
  const begin = (icon: IconSet['icons'][number]) => {
    const { icon: other } = rightToLeft(icon, set.icons),
      turned = other === icon ? undefined : rowOfIcon(other)
    const making = threads.run('make', { icons: [{ row: rowOfIcon(icon), drawn: null, turned }], family, targets })
    making.catch(() => undefined)
    return making
  }
  const ahead = Math.min(2 * MAKERS, Math.ceil(set.icons.length / WORTH)),
    begun = set.icons.slice(0, ahead).map(begin)
  try {
    for (const [i, icon] of set.icons.entries()) {
      progress(i, set.icons.length)
      const [made] = await begun.shift()!.catch(async (error: unknown) => {
        if (!isTaskEnded(error)) throw error
        // It is tried again by itself: it may have been the machine.
        await Promise.allSettled(begun)
        return begin(icon).catch((again: unknown) => {
          if (!isTaskEnded(again)) throw again
          leftOut.push({ icon: icon.name, message: again.message })
          return [null]
        })
      })
      const next = set.icons[i + ahead]
      if (next) begun.push(begin(next))
      if (!made) continue
      if ('problem' in made) throw undeliverable(icon.name, made.problem)
      for (const file of made.files) await take(file)
      for (const [path, piece] of Object.entries(made.pieces)) (pieces[path] ??= []).push(piece)
      problems.push(...made.problems)
    }
  } finally {
    await threads.close()
  }
  const out = new Set(leftOut.map(({ icon }) => icon))
  const rest = { ...able.family, icons: able.family.icons.filter(({ name }) => !out.has(name)) }
  for (const file of await madeSet(out.size > 0 ? rest : able.family, targets, pieces)) await take(file)
  progress(set.icons.length, set.icons.length)
  return { problems, leftOut }
}

const undeliverable = (name: string, why: string) => new Error(`“${name}” cannot be delivered. ${why}`)

/** What threads run: built beside the command line. */
function threadFile(): string {
  const beside = fileURLToPath(new URL('../renderer/thread.js', import.meta.url))
  return existsSync(beside) ? beside : THREAD
}
