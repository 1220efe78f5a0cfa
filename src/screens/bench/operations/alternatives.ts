import { withNewIds } from '@/core/drawing/objects/tree'
import { alternativesOf, titleOf } from '@/core/set/set'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import { commit } from '../../session/session'
import type { Bench } from '../state/bench'

/** Keeps the present drawing as an alternative under the first free name, and goes on with a copy. */
export function keepAlternative(bench: Bench): void {
  const { here, master } = bench
  if (!here || !master) return
  const others = alternativesOf(master),
    title = titleOf(master)
  if (others.length >= 20) return say({ text: 'An icon may have at most 20 alternatives. Remove one first.' })
  const taken = new Set([title, ...others.map(({ name }) => name)])
  let n = others.length + 2
  while (taken.has(`version ${n}`)) n++
  const kept = { name: title, objects: [...bench.objects] }
  const copy = bench.objects.map((object) => withNewIds(object, newId))
  commit(
    bench.session,
    { kind: 'alternatives', ...here, title: `version ${n}`, objects: copy, alternatives: [...others, kept] },
    `Keep ${title} as an alternative`,
  )
  bench.select([])
}

/** Draws on an alternative; the drawing that was there takes its place beside it. */
export function drawOn(bench: Bench, name: string): void {
  const { here, master } = bench
  const others = master && alternativesOf(master),
    chosen = others?.find((one) => one.name === name)
  if (!here || !others || !chosen) return
  const kept = { name: titleOf(master), objects: [...bench.objects] }
  bench.select([])
  commit(
    bench.session,
    {
      kind: 'alternatives',
      ...here,
      title: chosen.name,
      objects: chosen.objects,
      alternatives: others.map((one) => (one === chosen ? kept : one)),
    },
    `Draw on ${name}`,
  )
}

export function removeAlternative(bench: Bench, name: string): void {
  const { here, master } = bench
  if (!here || !master) return
  commit(
    bench.session,
    {
      kind: 'alternatives',
      ...here,
      title: titleOf(master),
      objects: bench.objects,
      alternatives: alternativesOf(master).filter((one) => one.name !== name),
    },
    `Remove ${name}`,
  )
}

/** Names the drawing or one of its alternatives; a sentence when the name will not do. */
export function nameAlternative(bench: Bench, was: string, name: string): string | null {
  const { here, master } = bench
  if (!here || !master || name === was) return null
  const others = alternativesOf(master),
    title = titleOf(master)
  if (name === '' || name.length > 40) return 'A name has 1 to 40 characters.'
  if ([title, ...others.map((one) => one.name)].includes(name))
    return `There is already an alternative named “${name}”.`
  const next = others.map((one) => (one.name === was ? { ...one, name } : one))
  commit(
    bench.session,
    {
      kind: 'alternatives',
      ...here,
      title: title === was ? name : title,
      objects: bench.objects,
      alternatives: next,
    },
    `Name ${was} ${name}`,
  )
  return null
}
