import { AGAIN } from '../operations/again'
import { boxCentre } from '@/core/geometry/box'
import { rotation, type Transform } from '@/core/geometry/transform'
import type { Command } from '@/ui/commands'
import type { Bench } from '../state/bench'
import { repeatTransform, transformSelection } from '../operations/objects'

/** Flips and turns of the selection about its centre. */
export function transformCommands(bench: Bench): Command[] {
  const free = () => (bench.free.length > 0 ? null : 'Select an object first.')
  const flip = (x: number, y: number, words: string) => () => {
    const { x: cx, y: cy } = boxCentre(bench.extent(bench.free)!)
    const map: Transform = [x, 0, 0, y, cx * (1 - x), cy * (1 - y)]
    transformSelection(bench, map, `Flip ${words}`, { copies: 0, scale: 1 })
  }
  const turn = (degrees: number) => () => {
    const map = rotation(degrees, boxCentre(bench.extent(bench.free)!))
    transformSelection(bench, map, `Turn by ${degrees}°`, { copies: 0, scale: 1 })
  }
  const done = () => free() ?? (bench.read(AGAIN).last ? null : 'Move, turn, scale or flip something first.')
  return [
    {
      id: 'repeat',
      name: 'Repeat the last transformation',
      keys: ['Shift+KeyR'],
      needs: done,
      run: () => repeatTransform(bench, false),
    },
    {
      id: 'repeat-copy',
      name: 'Repeat the last transformation on a copy',
      keys: ['Shift+KeyD'],
      needs: done,
      run: () => repeatTransform(bench, true),
    },
    {
      id: 'flip-x',
      inMenu: [{ of: 'objects', part: 1, list: 'Flip and mirror' }],
      name: 'Flip left to right',
      keys: ['$mod+Shift+KeyX'],
      needs: free,
      run: flip(-1, 1, 'left to right'),
    },
    {
      id: 'flip-y',
      inMenu: [{ of: 'objects', part: 1, list: 'Flip and mirror' }],
      name: 'Flip top to bottom',
      keys: ['$mod+Shift+KeyY'],
      needs: free,
      run: flip(1, -1, 'top to bottom'),
    },
    { id: 'turn-right', name: 'Turn by 90° clockwise', keys: ['$mod+Period'], needs: free, run: turn(90) },
    { id: 'turn-left', name: 'Turn by 90° anticlockwise', keys: ['$mod+Comma'], needs: free, run: turn(-90) },
  ]
}
