import { Orbit } from 'lucide-react'
import { boxCentre } from '@/core/geometry/box'
import { distance } from '@/core/geometry/point'
import { editable } from '@/core/drawing/edit/editable'
import type { NodeRun } from '@/core/drawing/model/node'
import { type DrawingObject, isStyled } from '@/core/drawing/objects/object'
import type { Command } from '@/ui/commands'
import type { Bench } from '../state/bench'
import { gather } from './gather'

/** How many copies there are at first. */
const AROUND = 6,
  ALONG = 4

/** Repeats the selection around the pivot, else around the centre of the square, or below if that is its own centre. */
function around(bench: Bench): void {
  const objects = bench.free
  const box = bench.extent(objects)!,
    from = boxCentre(box)
  const middle = { x: bench.rules.grid.size / 2, y: bench.rules.grid.size / 2 }
  const at = bench.store.getState().pivot ?? (distance(from, middle) > 0.5 ? middle : { x: from.x, y: box.y + box.h })
  gather(bench, objects, 'Repeat', { kind: 'repeat', from, course: { by: 'turn', at, count: AROUND, angle: 360 } })
}

/** The line among the selected objects that the others can be repeated along: the topmost one. */
function courseIn(bench: Bench): { line: DrawingObject; run: NodeRun } | null {
  const { free } = bench
  if (free.length < 2) return null
  for (const line of free.toReversed()) {
    const runs =
      isStyled(line) && (line.kind === 'line' || line.kind === 'path') ? editable(line, bench.scene)?.contours : null
    if (runs?.length === 1) return { line, run: runs[0]! }
  }
  return null
}

/** Copies along the topmost selected line; it becomes their course. Without one, in a row to the right. */
function along(bench: Bench): void {
  const course = courseIn(bench)
  const objects = bench.free.filter((object) => object !== course?.line)
  const box = bench.extent(objects)!,
    from = boxCentre(box)
  const run: NodeRun = course?.run ?? {
    closed: false,
    nodes: [from, { x: from.x + (ALONG - 1) * (box.w + bench.rules.grid.step * 2), y: from.y }],
  }
  gather(
    bench,
    objects,
    'Repeat',
    { kind: 'repeat', from, course: { by: 'path', run: run as never, count: ALONG } },
    course ? [course.line] : [],
  )
}

/** Copies in rows and columns, a step apart. */
function lattice(bench: Bench): void {
  const box = bench.extent(bench.free)!,
    gap = 2 * bench.rules.grid.step
  gather(bench, bench.free, 'Repeat', {
    kind: 'repeat',
    from: boxCentre(box),
    course: {
      by: 'lattice',
      columns: 3,
      rows: 2,
      across: { x: box.w + gap, y: 0 },
      down: { x: 0, y: box.h + gap },
    },
  })
}

/** Live copies, around a centre, along a line, in a lattice. */
export function repeatCommands(bench: Bench): Command[] {
  const free = () => (bench.free.length > 0 ? null : 'Select the objects to repeat first.')
  return [
    {
      id: 'repeat-around',
      name: 'Repeat',
      keys: ['KeyG'],
      inLine: { cluster: 'Combine', picture: Orbit },
      inMenu: [{ of: 'objects', part: 0, list: 'Turn into' }],
      needs: free,
      run: () => around(bench),
    },
    {
      id: 'repeat-along',
      name: 'Repeat along the topmost selected line',
      keys: ['Shift+KeyG'],
      inMenu: [{ of: 'objects', part: 0, list: 'Turn into' }],
      needs: free,
      run: () => along(bench),
    },
    {
      id: 'repeat-lattice',
      name: 'Repeat in a lattice',
      keys: ['Alt+KeyG'],
      inMenu: [{ of: 'objects', part: 0, list: 'Turn into' }],
      needs: free,
      run: () => lattice(bench),
    },
  ]
}
