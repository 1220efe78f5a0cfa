import { boxCentre } from '@/core/geometry/box'
import { halfOf } from '@/core/drawing/kinds/mirror/images'
import { nodesOf } from '@/core/drawing/model/nodes'
import { outline } from '@/core/drawing/evaluate/evaluate'
import { type DrawingObject, isStyled, type OfKind } from '@/core/drawing/objects/object'
import type { Command } from '@/ui/commands'
import { say } from '@/ui/notice'
import { newId } from '@/ui/new-id'
import type { Bench } from '../state/bench'

/** Puts the selection into a live mirror about the centre of the square. */
function gather(bench: Bench, kind: Pick<OfKind<'mirror'>, 'folds' | 'flip'>, label: string): void {
  const id = newId(),
    middle = bench.rules.grid.size / 2
  const container = {
    kind: 'mirror' as const,
    id,
    name: bench.nameFor('Mirror'),
    at: { x: middle, y: middle },
    angle: 90,
    ...kind,
  }
  bench.edit({ kind: 'gather', ids: bench.free.map((object) => object.id), container }, label)
  bench.select([id])
}

/**
 * Exchanges an object for a live mirror of its better half: the one with more nodes, the left where they have alike.
 */
function makeSymmetric(bench: Bench): void {
  const [object] = bench.free
  if (!object || !isStyled(object)) return
  const path = outline(object, bench.scene),
    at = boxCentre(bench.extent([object])!)
  const halves = ([1, -1] as const).map((side) => halfOf(path, at, 90, side))
  const count = (half: (typeof halves)[number]) => half.reduce((sum, { segments }) => sum + segments.length, 0)
  const better = count(halves[1]!) > count(halves[0]!) ? halves[1]! : halves[0]!
  if (better.length === 0) return void say({ text: `“${object.name}” has no half to mirror.` })
  const half: DrawingObject = {
    kind: 'path',
    id: newId(),
    name: `${object.name} half`,
    corner: 0,
    contours: better.map((contour) => nodesOf(contour)),
    style: object.style,
  }
  const { id, name, role } = object
  bench.edit(
    {
      kind: 'replace',
      objects: [
        { kind: 'mirror', id, name, ...(role && { role }), at, angle: 90, folds: 1, flip: true, members: [half] },
      ],
    },
    `Make ${name} symmetric`,
  )
  bench.select([id])
}

/** Commands that make drawings symmetric. */
export function symmetryCommands(bench: Bench): Command[] {
  const free = () => (bench.free.length > 0 ? null : 'Select an object first.')
  const one = () => (bench.free.length === 1 && isStyled(bench.free[0]!) ? null : 'Select one path or shape first.')
  return [
    {
      id: 'mirror-live',
      inMenu: [{ of: 'objects', part: 1, list: 'Flip and mirror' }],
      name: 'Live mirror at the centre line',
      keys: ['Shift+KeyT'],
      needs: free,
      run: () => gather(bench, { folds: 1, flip: true }, 'Mirror live'),
    },
    {
      id: 'folds-live',
      name: 'Live copies around the centre',
      needs: free,
      run: () => gather(bench, { folds: 6, flip: false }, 'Copies around the centre'),
    },
    {
      id: 'make-symmetric',
      inMenu: [{ of: 'objects', part: 1, list: 'Flip and mirror' }],
      name: 'Make symmetric: the better half, mirrored live',
      needs: one,
      run: () => makeSymmetric(bench),
    },
  ]
}
