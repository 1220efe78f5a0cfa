import { boxUnion } from '../../../geometry/box'
import type { Path } from '../../../geometry/path'
import { isMirroring } from '../../model/frame'
import { offset } from '../../../outline/offset'
import { offsetOpen } from '../../../outline/offset-open'
import type { Memory, Scene } from '../../scene/scene'
import type { Shape } from '../../scene/shape'
import { visible } from '../members'
import { together, united } from '../together'
import { hasStyle } from '../../model/traits'
import type { Inset } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Inset> = {
  edge(object, scene) {
    const { inner, area, outer } = rings(object, scene)
    const all = [...outer.toReversed(), ...(object.source ? [] : [area]), ...inner]
    return together([all[0]!, ...all.slice(1).map((path) => path.filter(({ closed }) => !closed))])
  },
  operand: (object, scene) => scene.edge(object).filter(({ closed }) => closed),
  shapes(object, scene) {
    const { inner, outer } = rings(object, scene)
    const drawn = (paths: readonly Path[]): Shape[] => paths.flatMap((path) => scene.painted(object, path))
    return [
      ...drawn(outer.toReversed()),
      ...(object.source ? [] : object.members.flatMap((member) => scene.shapes(member))),
      ...drawn(inner),
    ]
  },
  // Its size is that of its members.
  frame: ({ members }, scene) => boxUnion(members.map((member) => scene.box(member)))!,
  isSmaller: () => true,
  transform: ({ flipped, ...object }, map) =>
    isMirroring(map) !== (flipped === true) ? { ...object, flipped: true } : object,
  lost: null,
}

/** The rings inside and around the members, from the nearest on, and the members' own area. */
const rings = (object: Inset, scene: Scene): Rings => scene.remembered(memory, object, () => computed(object, scene))

type Rings = { readonly inner: readonly Path[]; readonly area: Path; readonly outer: readonly Path[] }

const memory: Memory<Rings> = new WeakMap()

function computed(object: Inset, scene: Scene): Rings {
  const { members, side, steps, join = scene.join } = object
  const lines: Path[number][] = [],
    areas: Path[] = []
  for (const member of visible(members)) {
    const isLine = hasStyle(member) && !('members' in member) && member.by !== 'ink'
    const edge = isLine ? scene.edge(member) : []
    const open = edge.filter(({ closed }) => !closed)
    lines.push(...open)
    areas.push(open.length > 0 ? edge.filter(({ closed }) => closed) : scene.solid(member))
  }
  const area = united(areas)
  const joined = { join, miterLimit: scene.miterLimit }
  const at = (away: number): Path => [
    ...offset(area, away, joined),
    ...offsetOpen(lines, object.flipped ? -away : away, joined),
  ]
  const distance = scene.weight(object.distance)
  const away = Array.from({ length: steps }, (_, i) => distance * (i + 1))
  return {
    inner: side === 'outside' ? [] : away.map((one) => at(-one)),
    area,
    outer: side === 'inside' ? [] : away.map(at),
  }
}
