import type { Problem } from '../findings/problem'
import { choiceProblem } from './options'
import { callProblemsIn, pathProblemsIn } from './delivery-problems'
import { named, plannedFilesIn, type PlannedFile } from './plan'
import { atOnce, type Steps } from './steps'
import type { Family, Named } from './target'

/** What a delivery of a set writes, and what keeps some targets from being delivered. */
export type Deliverable<I extends Named> = {
  /** The set, with the icons that some targets are delivered without. */
  readonly family: Family<I>
  readonly targets: readonly string[]
  readonly files: readonly PlannedFile<I>[]
  /** Each names the target that is left out for it, or that an icon is left out of. */
  readonly problems: readonly Problem[]
}

/**
 * The deliverable part of some targets: those with valid choices, and with unique paths inside their folder that every
 * system accepts. If the name of one icon is at fault, only that icon is left out. Used by the screen, the server and
 * the command line.
 */
export const deliverable = <I extends Named>(family: Family<I>, targets: Iterable<string>): Deliverable<I> =>
  atOnce(deliverableIn(family, targets))

/** The same in steps: of a large set it is some tens of thousands of files. */
export function* deliverableIn<I extends Named>(family: Family<I>, targets: Iterable<string>): Steps<Deliverable<I>> {
  const choices = named(targets).flatMap(choiceProblems(family))
  const wrong = new Set(choices.map(({ target }) => target))
  const asked = [...targets].filter((id) => !wrong.has(id))
  const planned = yield* plannedFilesIn(family, asked)
  const paths = [...(yield* pathProblemsIn(planned, family.delivery)), ...(yield* callProblemsIn(family, asked))]
  const without: Record<string, string[]> = {}
  for (const { target, icon } of paths)
    if (icon === undefined || everyIconIn(family, paths, target)) wrong.add(target)
    else if (!without[target]?.includes(icon)) (without[target] ??= []).push(icon)
  const left = Object.keys(without).length > 0 ? { ...family, without } : family
  const files = left === family ? planned : yield* plannedFilesIn(left, asked)
  return {
    family: left,
    targets: asked.filter((id) => !wrong.has(id)),
    files: wrong.size === 0 ? files : files.filter(({ target }) => !wrong.has(target)),
    problems: [...choices, ...paths],
  }
}

/** Whether something speaks against every icon at a target: then it is the target that is left out. */
const everyIconIn = (
  { icons }: Pick<Family, 'icons'>,
  problems: readonly { readonly target: string; readonly icon?: string }[],
  target: string,
): boolean => icons.every(({ id }) => problems.some((one) => one.target === target && one.icon === id))

/** Invalid choices of a target. */
const choiceProblems =
  ({ delivery }: Pick<Family, 'delivery'>) =>
  ({ id, platform, name, choices }: ReturnType<typeof named>[number]): (Problem & { readonly target: string })[] =>
    Object.entries(delivery?.options?.[id] ?? {}).flatMap(([key, value]) => {
      const choice = choices[key]
      const why = choice ? choiceProblem(choice, value) : `There is no choice called “${key}” to choose.`
      if (why === null) return []
      const mend = choice && { mend: { word: 'use the default', target: id, options: { [key]: choice.usual } } }
      return [{ sentence: `${platform}, ${name}: ${why}`, isError: true, target: id, ...mend }]
    })
