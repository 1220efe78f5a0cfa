import type { Path } from '../geometry/path'
import { arrange } from './arrangement'
import type { Arrangement } from './plane'
import type { FillRule } from './boolean'
import { outlineFrom } from './loops'

/**
 * A bounded face of overlapping paths: its outline, and the faces of the patches along its edges (0 is the outside).
 */
export type Patch = { readonly face: number; readonly path: Path; readonly neighbours: ReadonlySet<number> }

/**
 * Overlapping paths as patches. To sweep patches together is to take the outline of their faces (`outlineOf`). An edge
 * of the arrangement with the same face on both sides bounds nothing.
 */
export type Patchwork = { readonly arrangement: Arrangement; readonly patches: readonly Patch[] }

/** All bounded faces of paths laid over each other; open contours only cut. */
export function patchwork(paths: readonly Path[]): Patchwork {
  return patchworkOf(arrange(paths, { open: 'cut' }))
}

function patchworkOf(arrangement: Arrangement): Patchwork {
  const { face, next } = arrangement
  const halves = new Map<number, number[]>()
  for (let half = 0; half < next.length; half++) {
    const own = face[half]!
    if (own === 0 || face[half ^ 1] === own) continue
    const known = halves.get(own)
    if (known) known.push(half)
    else halves.set(own, [half])
  }
  const used = new Uint8Array(next.length)
  const patches = [...halves].map(([own, around]): Patch => ({
    face: own,
    path: outlineFrom(arrangement, (other) => other === own, around, used),
    neighbours: new Set(around.map((half) => face[half ^ 1]!)),
  }))
  return { arrangement, patches: patches.filter(({ path }) => path.length > 0) }
}

/**
 * Removes edges from a patchwork: the patches on both sides of each are merged, and a patch next to the outside opens
 * to it.
 */
export function withoutEdges({ arrangement }: Patchwork, removed: Iterable<number>): Patchwork {
  const { face, windings } = arrangement
  const parent = windings.map((_, i) => i)
  const root = (i: number): number => {
    while (parent[i] !== i) i = parent[i] = parent[parent[i]!]!
    return i
  }
  for (const edge of removed) {
    const a = root(face[2 * edge]!),
      b = root(face[2 * edge + 1]!)
    // The lesser number stays, so that the outside stays face 0.
    parent[Math.max(a, b)] = Math.min(a, b)
  }
  return patchworkOf({ ...arrangement, face: face.map(root) })
}

/**
 * Closed paths cut into pieces that abut exactly, by each other and by open contours: every face that lies in at least
 * one of them.
 */
export function divide(paths: readonly Path[], rule: FillRule = 'nonzero'): Path[] {
  const { arrangement, patches } = patchwork(paths)
  const isIn = (times: number) => (rule === 'nonzero' ? times !== 0 : times % 2 !== 0)
  return patches.filter(({ face }) => arrangement.windings[face]!.some(isIn)).map(({ path }) => path)
}
