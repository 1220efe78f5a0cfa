import type { Path } from '../../../geometry/path'
import { nearestOnPath } from '../../../geometry/nearest'
import type { Point } from '../../../geometry/point'
import { winding } from '../../../geometry/winding'
import { closeLeak, type Leak, leaks } from '../../../planar/leaks'
import { patchwork, type Patchwork as Patches } from '../../../planar/patches'
import { carrierNames, type Source } from '../../scene/carriers'
import type { Marked } from '../../model/signature'
import type { Memory, Scene } from '../../scene/scene'
import { visible } from '../members'
import type { Patchwork } from './schema'

/** A patch by the lines that it lies along, with its face in the arrangement. */
export type LaidPatch = Marked & { readonly face: number; readonly path: Path }

/** A leak by the end that it is at; without one it cannot be closed by drawing an end on. */
export type LaidLeak = Leak & { readonly key: string | null }

/** The members of a patchwork laid over each other. */
export type Laid = {
  readonly patches: Patches
  readonly list: readonly LaidPatch[]
  readonly names: ReadonlyMap<object, string>
  readonly leaks: readonly LaidLeak[]
}

const memories = new Map<string, Memory<Laid>>()

/** The patches of a patchwork before stretches are cut; memoised by its members. */
export function laidOut(object: Patchwork, scene: Scene): Laid {
  const { take, closed = [], close = 0, members } = object
  const way = JSON.stringify([take, closed, close])
  let memory = memories.get(way)
  if (!memory) memories.set(way, (memory = new WeakMap()))
  return scene.remembered(memory, members, () => lay(object, scene))
}

/** The widest gap at which lines are looked for that nearly meet, in grid units. */
const REACH = 1

function lay({ members, take, closed = [], close = 0 }: Patchwork, scene: Scene): Laid {
  const sources: Source[] = visible(members).map((member) => ({
    id: member.id,
    path: take === 'ink' || member.by === 'ink' ? scene.ink(member) : scene.edge(member),
  }))
  let paths: readonly Path[] = sources.map(({ path }) => path)
  const keyed = (leak: Leak): LaidLeak => ({
    ...leak,
    key: leak.end && `${sources[leak.end.path]!.id}/${leak.end.contour}/${leak.end.last ? 'last' : 'first'}`,
  })
  const found = leaks(paths, Math.max(REACH, close + 1e-6), 'ends').map(keyed)
  const open: LaidLeak[] = []
  for (const leak of found) {
    if (leak.key !== null && (leak.gap <= close || closed.includes(leak.key))) paths = closeLeak(paths, leak)
    else open.push(leak)
  }
  const names = carrierNames(sources.map(({ id }, i) => ({ id, path: paths[i]! })))
  const patches = patchwork(paths)
  const list = keyedPatches(patches, names)
  return { patches, list, names, leaks: open }
}

/** Patches with keys: the lines they lie along, and on which side of each. */
function keyedPatches({ arrangement, patches }: Patches, names: ReadonlyMap<object, string>): LaidPatch[] {
  const { face, edges } = arrangement
  const along = new Map<number, Set<string>>()
  for (let half = 0; half < face.length; half++) {
    const own = face[half]!
    if (own === 0 || face[half ^ 1] === own) continue
    const name = names.get(edges[half >> 1]!.origin.segment) ?? '?'
    let lines = along.get(own)
    if (!lines) along.set(own, (lines = new Set()))
    lines.add(name + (half & 1 ? '-' : '+'))
  }
  return patches.map(({ face: own, path }) => ({
    key: [...(along.get(own) ?? [])].sort().join(' '),
    face: own,
    path,
    away: (p: Point) => (winding(path, p) !== 0 ? 0 : (nearestOnPath(path, p)?.distance ?? Infinity)),
  }))
}
