import { fixed, loosened } from '@/core/drawing/edit/loose'
import { type DrawingObject, isContainer } from '@/core/drawing/objects/object'
import { kindOf } from '@/core/drawing/objects/object'
import { Refusal } from '@/core/findings/refusal'
import { OutOfTime, timed } from '@/core/geometry/deadline'
import type { Command } from '@/ui/commands'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import type { Bench } from '../state/bench'
import { title } from './objects'

/** Whether an object falls apart into others. */
const isLoosable = (object: DrawingObject): boolean =>
  isContainer(object) || kindOf(object).geometry.loose !== undefined

/** Releases containers; their content looks the same. */
export function loosen(bench: Bench): void {
  const containers = bench.free.filter(isLoosable)
  const left: string[] = []
  for (const object of containers) {
    const objects = attempt(() => loosened(object, bench.scene, newId))
    if (!objects) continue
    bench.edit({ kind: 'loosen', id: object.id, objects }, `Release ${object.name}`)
    left.push(...objects.map(({ id }) => id))
  }
  bench.select(left)
}

/** Turns the selection into plain paths: the exact result of each object, circles as arcs. */
export function fixToPath(bench: Bench): void {
  const { free } = bench
  const next = attempt(() => free.map((object) => fixed(object, bench.scene, newId) ?? object))
  if (!next) return
  if (next.every((object, i) => object === free[i])) say({ text: 'These are plain paths already.' })
  else bench.edit({ kind: 'replace', objects: next }, `Fix ${title(free)} to paths`)
}

/** The result of a function; null with a notice if it throws. */
export function attempt<T>(make: () => T): T | null {
  try {
    return timed(make)
  } catch (error) {
    if (!(error instanceof Refusal || error instanceof OutOfTime)) throw error
    say({ text: error.message })
    return null
  }
}

export function fixCommands(bench: Bench): Command[] {
  const free = () => (bench.free.length > 0 ? null : 'Select an object first.')
  return [
    {
      id: 'loosen',
      name: 'Release: take a group, an assembly or another container apart',
      keys: ['$mod+Shift+KeyG'],
      inMenu: [{ of: 'objects', part: 0 }],
      needs: () =>
        free() ?? (bench.free.some(isLoosable) ? null : 'Select a group, an assembly or another container first.'),
      run: () => loosen(bench),
    },
    {
      id: 'fix',
      name: 'Fix to a path',
      keys: ['$mod+Shift+KeyF'],
      inMenu: [{ of: 'objects', part: 0 }],
      needs: free,
      run: () => fixToPath(bench),
    },
  ]
}
