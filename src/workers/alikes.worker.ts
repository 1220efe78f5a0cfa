import { type Alike, LookAlikes } from '../core/proof/look-alikes'
import { serve } from './serve'

/** Pictures of a family by the numbers of their covers, in their order; covers come along the first time. */
type AskedAlikes = {
  readonly least: number
  readonly family: readonly { readonly id: string; readonly cover: number | null }[]
  readonly covers: readonly (readonly [number, Float32Array])[]
}

/**
 * The pairs that are at least so much alike, by their ids, the most alike first: the first of all, and beyond these only
 * those that tell an icon which is most like it.
 */
type AnsweredAlikes = readonly Alike<string>[]

/** How many pairs are told in any case. */
const FIRST = 100

let covers = new Map<number, Float32Array>()
const known = new Map<number, LookAlikes<{ id: string; balance: { cover: Float32Array } | null }>>()

function alikes({ least, family, covers: sent }: AskedAlikes): AnsweredAlikes {
  const there = new Map([...covers, ...sent])
  covers = new Map(family.flatMap(({ cover }) => (cover === null ? [] : [[cover, there.get(cover)!] as const])))
  let all = known.get(least)
  if (!all) known.set(least, (all = new LookAlikes(least)))
  const pairs = all
    .pairs(
      family.map((one) => ({ id: one.id, balance: one.cover === null ? null : { cover: covers.get(one.cover)! } })),
    )
    .map(({ a, b, likeness }) => ({ a: a.id, b: b.id, likeness }))
  const told = new Set<string>()
  return pairs.filter(({ a, b }, i) => {
    const isNew = !told.has(a) || !told.has(b)
    told.add(a).add(b)
    return i < FIRST || isNew
  })
}

const calls = { alikes }
export type AlikesCalls = typeof calls

serve(calls)
