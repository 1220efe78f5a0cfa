import { paintable } from './paints'
import { Split } from 'lucide-react'
import { divided, pieceStyle } from '@/core/drawing/edit/divided'
import { paintedAnew, styledWithin } from '@/core/drawing/edit/paint'
import { freshStyle } from '@/core/drawing/edit/fresh'
import { contoursOf } from '@/core/drawing/objects/plain'
import type { DrawingObject } from '@/core/drawing/objects/object'
import type { Command } from '@/ui/commands'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import type { Bench } from '../state/bench'
import { parentOf, title } from './objects'
import { membersOf } from '@/core/drawing/edit/edit'
import { attempt } from './fix'

/** Cuts the selection into pieces that abut, each an object of its own, in a group. */
function divide(bench: Bench): void {
  const { free } = bench
  const pieces = attempt(() => divided(free, bench.scene))
  if (!pieces) return
  if (pieces.length === 0) return say({ text: 'The selection has no closed shape, so there are no pieces.' })
  const counts = new Map<string, number>()
  const members = pieces.map(({ path, of }): DrawingObject => {
    const nth = (counts.get(of.id) ?? 0) + 1
    counts.set(of.id, nth)
    return {
      kind: 'path',
      id: newId(),
      name: `${of.name} ${nth}`,
      corner: 0,
      contours: contoursOf(path),
      style: pieceStyle(of, styledWithin(free)) ?? freshStyle(bench.rules, true),
    }
  })
  const group: DrawingObject = { kind: 'group', id: newId(), name: bench.nameFor('Pieces'), members }
  const into = parentOf(bench, free[0]!.id)
  const at = membersOf(bench.objects, into).findIndex(({ id }) => id === free[0]!.id)
  bench.edit(
    {
      kind: 'all',
      edits: [
        { kind: 'add', objects: [group], into, at },
        { kind: 'remove', ids: free.map(({ id }) => id) },
      ],
    },
    `Divide ${title(free)} into ${pieces.length} pieces`,
  )
  bench.store.setState({ scope: group.id })
  bench.select(members.map(({ id }) => id))
}

/** Paints the selected objects with the swatches of the palette, one after the other. */
function colourInTurn(bench: Bench): void {
  const painted = paintable(bench)
  const swatches = bench.rules.palette.map(({ name }) => name)
  const objects = paintedAnew(painted, ({ style }, i) => ({
    ...style,
    [style.fill === 'none' && style.stroke !== 'none' ? 'stroke' : 'fill']: swatches[i % swatches.length]!,
  }))
  bench.edit({ kind: 'replace', objects }, `Colour ${title(objects)} in turn`)
}

export function divideCommands(bench: Bench): Command[] {
  const free = () => (bench.free.length > 0 ? null : 'Select an object first.')
  return [
    {
      id: 'divide',
      name: 'Divide',
      keys: ['KeyD'],
      inLine: { cluster: 'Combine', picture: Split },
      inMenu: [{ of: 'objects', part: 0 }],
      needs: () =>
        free() ?? (bench.free.length > 1 ? null : 'Select the shape to divide and the lines that divide it.'),
      run: () => divide(bench),
    },
    {
      id: 'colour-in-turn',
      name: 'Colour in turn with the palette',
      needs: () => free() ?? (paintable(bench).length > 1 ? null : 'Select several painted objects first.'),
      run: () => colourInTurn(bench),
    },
  ]
}
