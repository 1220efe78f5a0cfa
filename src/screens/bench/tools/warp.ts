import { Grid3x3 } from 'lucide-react'
import { handlesOf, spaceOf, warping } from '@/core/drawing/kinds/warp/space'
import type { OfKind } from '@/core/drawing/objects/object'
import type { Path } from '@/core/geometry/path'
import { apply } from '@/core/geometry/transform'
import type { Bench } from '../state/bench'
import { gather } from '../operations/gather'
import type { Drawable } from '../state/drawable'
import { pullAt } from './pulls'
import type { Tool, ToolDefinition } from './tool'
import { pickAt } from './under'
import { WarpSettings } from './warp-settings'

/** Pulls corners, or the handles of a lattice. */
function warpTool(bench: Bench): Tool {
  return {
    cursor: 'default',
    hint: 'Pull a corner or a handle · Shift: the mirrored one too · the form is chosen in the line above',
    shows: { grips: true, hovered: true },
    marks() {
      const object = bench.one('warp')
      return object ? lattice(object) : []
    },
    press(at) {
      const pull = bench.one('warp') && pullAt(bench, at)
      if (pull) return pull
      const other = pickAt(bench, at)
      bench.select(other ? [other.id] : [])
      return null
    },
  }
}

/** The warped grid lines, or those between the handles of a lattice. */
function lattice(object: OfKind<'warp'>): Drawable[] {
  const { form } = object
  if (form.by === 'lattice') {
    const at = handlesOf(form).map((share) => apply(spaceOf(object), share))
    const rows = [0, 1, 2, 3].flatMap((i) => [
      [0, 1, 2, 3].map((k) => at[4 * i + k]!),
      [0, 1, 2, 3].map((k) => at[4 * k + i]!),
    ])
    return rows.map((points): Drawable => ({ as: 'line', points, dashed: true }))
  }
  const map = warping(object)
  if (!map) return []
  const line = (from: { x: number; y: number }, to: { x: number; y: number }): Path[number] => {
    const points = Array.from({ length: 25 }, (_, i) =>
      map(apply(spaceOf(object), { x: from.x + ((to.x - from.x) * i) / 24, y: from.y + ((to.y - from.y) * i) / 24 })),
    )
    return {
      closed: false,
      segments: points.slice(1).map((p, i) => ({ kind: 'line' as const, from: points[i]!, to: p })),
    }
  }
  const lines = [0, 1 / 3, 2 / 3, 1].flatMap((t) => [
    line({ x: 0, y: t }, { x: 1, y: t }),
    line({ x: t, y: 0 }, { x: t, y: 1 }),
  ])
  return [{ as: 'path', path: lines, dashed: true }]
}

/** Opens the selected warp, or makes one from the selection, by its four corners at first. */
function begin(bench: Bench): void {
  if (bench.one('warp')) return
  const { x, y, w, h } = bench.extent(bench.free)!
  gather(bench, bench.free, 'Warp', {
    kind: 'warp',
    space: [w || 1, 0, 0, h || 1, x, y],
    form: {
      by: 'corners',
      corners: [
        { x: 0, y: 0 },
        { x: 1, y: 0 },
        { x: 1, y: 1 },
        { x: 0, y: 1 },
      ],
    },
  })
}

export const warp: ToolDefinition = {
  id: 'warp',
  name: 'Warp',
  cluster: 'Shape',
  key: 'KeyY',
  picture: Grid3x3,
  isSeldom: true,
  make: warpTool,
  needs: (bench) => (bench.free.length > 0 ? null : 'Select the objects to warp first.'),
  begin,
  Settings: WarpSettings,
}
