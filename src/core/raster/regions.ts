import type { Segment } from '../geometry/segment'
import { arrange } from '../planar/arrangement'
import { keepTime, OutOfTime } from '../geometry/deadline'
import type { Path } from '../geometry/path'
import type { Arrangement } from '../planar/plane'
import { type Look, lookOf, NOTHING } from './colours'
import { type Area, areasOf, type Item } from './items'

/** An edge of a picture and the numbers of the looks on either side; `left` is seen with y upwards. */
export type Edge = { readonly segment: Segment; readonly left: number; readonly right: number }

/** A picture as regions of one look each, given by the edges between them. Look 0 is empty: the outside. */
export type Regions = { readonly looks: readonly Look[]; readonly edges: readonly Edge[] }

/**
 * Items without shadows as regions: one arrangement of all their areas, with one look for each face. Abutting and
 * overlapping areas in a pixel are therefore exact. Throws as arrangements do.
 */
export function regionsOf(items: readonly Item[]): Regions {
  const areas = areasOf(items)
  const { edges, face, windings } = laidOver(areas)
  const looks: Look[] = [NOTHING],
    byColour = new Map<string, number>()
  const numberOf = (look: Look): number => {
    if (look.kind === 'flat' && look.colour[3] === 0) return 0
    if (look.kind === 'changing') return looks.push(look) - 1
    const key = look.colour.join()
    let number = byColour.get(key)
    if (number === undefined) byColour.set(key, (number = looks.push(look) - 1))
    return number
  }
  const byCover = new Map<string, number>()
  const order = new Map(areas.map((area, i) => [area, i]))
  const lookIn = windings.map((times) => {
    keepTime()
    const key = areas.map(({ rule }, i) => (isIn(times[i]!, rule) ? 1 : 0)).join('')
    let number = byCover.get(key)
    if (number === undefined)
      byCover.set(key, (number = numberOf(lookOf(items, (area) => isIn(times[order.get(area)!]!, area.rule)))))
    return number
  })
  return {
    looks,
    edges: edges.flatMap(({ segment }, i) => {
      const left = lookIn[face[2 * i]!]!,
        right = lookIn[face[2 * i + 1]!]!
      return left === right ? [] : [{ segment, left, right }]
    }),
  }
}

/** The arrangement of areas; by their outlines where a path that has one winds backwards, or none can be verified. */
function laidOver(areas: readonly Area[]): Arrangement {
  const byOutlines = () => arranged(areas.map(({ path, outline }) => outline?.() ?? path))
  if (!areas.some(({ outline }) => outline)) return byOutlines()
  let arrangement: Arrangement
  try {
    arrangement = arranged(areas.map(({ path }) => path))
  } catch (error) {
    if (error instanceof OutOfTime) throw error
    return byOutlines()
  }
  const isBackwards = arrangement.windings.some((times) => areas.some(({ outline }, i) => outline && times[i]! < 0))
  return isBackwards ? byOutlines() : arrangement
}

/** Arrangements by their first path: a picture in other colours has the same arrangement. */
const known = new WeakMap<Path, { readonly paths: readonly Path[]; readonly arrangement: Arrangement }>()

function arranged(paths: readonly Path[]): Arrangement {
  const before = paths[0] && known.get(paths[0])
  if (before && before.paths.length === paths.length && before.paths.every((path, i) => path === paths[i]))
    return before.arrangement
  const arrangement = arrange(paths)
  if (paths[0]) known.set(paths[0], { paths, arrangement })
  return arrangement
}

const isIn = (times: number, rule: Area['rule']): boolean => (rule === 'nonzero' ? times !== 0 : times % 2 !== 0)
