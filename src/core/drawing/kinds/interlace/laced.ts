import type { Path } from '../../../geometry/path'
import { offset } from '../../../outline/offset'
import { strokedArea } from '../../../outline/stroking'
import { combine, type Member } from '../../../planar/boolean'
import { inkOfAll } from '../../scene/ink'
import { awayFrom, meant } from '../../model/signature'
import type { Memory, Scene } from '../../scene/scene'
import type { Shape } from '../../scene/shape'
import { visible } from '../members'
import { hasMembers, hasStyle, type Thing } from '../../model/traits'
import { areaCrossings, between, type Crossing, type Pass, type Strand, strandCrossings, strandOf } from './crossings'
import type { Interlace } from './schema'
import { alternating, eachOverNext } from './order'

/** A crossing with its key, and which of its passes lies over. */
export type Laid = Crossing & { readonly key: string; readonly over: 0 | 1 }
type Laced = { readonly crossings: readonly Laid[]; readonly shapes: readonly Shape[] }

const memory: Memory<Laced> = new WeakMap()

export const laced = (object: Interlace, scene: Scene): Laced =>
  scene.remembered(memory, object, () => computed(object, scene))

/** A member: lines with their strokes, or an area. */
type Part = { readonly shapes: readonly Shape[]; readonly strands: readonly Strand[]; readonly area: Path | null }

function partOf(member: Thing, index: number, scene: Scene): Part {
  const shapes = scene.shapes(member)
  const [only, ...more] = shapes
  const isLine = hasStyle(member) && !hasMembers(member) && only?.stroke && !only.fill && more.length === 0
  if (!isLine) return { shapes, strands: [], area: inkOfAll(shapes) }
  const { width } = only.stroke!
  return { shapes, strands: only.path.map((contour) => strandOf(index, contour, width)), area: null }
}

function computed(object: Interlace, scene: Scene): Laced {
  const members = visible(object.members)
  const parts = members.map((member, i) => partOf(member, i, scene))
  const strands = parts.flatMap((part) => part.strands)
  const areas = parts.map(({ area, shapes }) => area ?? inkOfAll(shapes))
  const found = [...strandCrossings(strands)]
  parts.forEach((a, i) =>
    parts.slice(i + 1).forEach((b, k) => {
      if (a.area || b.area) found.push(...areaCrossings(i, areas[i]!, i + 1 + k, areas[i + 1 + k]!))
    }),
  )
  const marked = found.map((crossing, i) => ({
    i,
    key: crossing.passes.map(({ member }) => members[member]!.id).join('~'),
    away: awayFrom(crossing.at),
  }))
  const flipped = new Set(object.flipped?.flatMap((mark) => meant(mark, marked)?.i ?? []))
  const order = object.order === 'turns' ? alternating(found, object.start) : eachOverNext(found, members.length)
  const crossings = found.map((crossing, i): Laid => ({
    ...crossing,
    key: marked[i]!.key,
    over: (flipped.has(i) ? 1 - order[i]! : order[i]!) as 0 | 1,
  }))
  const gap = object.gap === 0 ? 0 : scene.weight(object.gap)
  return {
    crossings,
    shapes: parts.flatMap((part, i) => cutUnder(part, i, crossings, strands, areas, gap)),
  }
}

/** Cuts a member where others pass over it, and beneath them if it is painted above. */
function cutUnder(
  { shapes }: Part,
  index: number,
  crossings: readonly Laid[],
  strands: readonly Strand[],
  areas: readonly Path[],
  gap: number,
): readonly Shape[] {
  const steps: Member[] = []
  const restored: Member[] = []
  for (const crossing of crossings) {
    const over = crossing.passes[crossing.over],
      under = crossing.passes[1 - crossing.over]!
    if (under.member !== index || (gap === 0 && over.member >= index)) continue
    const cut = (by: number) => coverOf(crossing, over, under, by, gap, strands, areas)
    steps.push({ path: cut(gap), role: 'cuts' })
    // A strand that crosses itself lies over as well.
    if (over.member === index) restored.push({ path: cut(0), role: 'adds' })
  }
  if (steps.length === 0) return shapes
  return shapes.flatMap((shape): Shape[] =>
    [
      ...(shape.fill ? [{ ...shape, stroke: null }] : []),
      ...(shape.stroke
        ? [{ ...shape, path: strokedArea(shape.path, shape.stroke), fill: shape.stroke.paint, stroke: null }]
        : []),
    ].flatMap((one) => {
      const path = combine([{ path: one.path, role: 'adds' }, ...steps, ...restored])
      return path.length > 0 ? [{ ...one, path }] : []
    }),
  )
}

/** The cover of the upper strand at a crossing: long enough to cross the lower strand and its gap. */
function coverOf(
  { sin, region }: Crossing,
  over: Pass,
  under: Pass,
  by: number,
  gap: number,
  strands: readonly Strand[],
  areas: readonly Path[],
): Path {
  if (over.strand === null || region) {
    if (by === 0) return region!
    const near = offset(region!, 1.5 * by, { join: 'miter', miterLimit: 4 })
    return combine([
      { path: offset(areas[over.member]!, by, { join: 'round', miterLimit: 4 }), role: 'adds' },
      { path: near, role: 'overlap' },
    ])
  }
  const strand = strands[over.strand]!
  const half = (strands[under.strand!]!.width / 2 + strand.width / 2 + 2 * gap) / sin
  const stretch = between(strand, over.way - half, over.way + half)
  return strokedArea([stretch], { width: strand.width + 2 * by, cap: 'butt', join: 'round', miterLimit: 4 })
}
