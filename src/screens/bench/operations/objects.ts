import { AGAIN, followCopies, noteTransform, trailOf } from './again'
import { PAINT } from '../state/paint-in-hand'
import { slice } from '../state/slice'
import type { Point } from '@/core/geometry/point'
import { IDENTITY, type Transform, translation } from '@/core/geometry/transform'
import { moveObject, transformObject } from '@/core/drawing/objects/transform-object'
import { refusalIn } from '@/core/drawing/evaluate/evaluate'
import { isMirroring } from '@/core/drawing/model/frame'
import { withSignatures } from '@/core/drawing/objects/with-signatures'
import { scaleOwn } from '@/core/drawing/objects/scale-own'
import { membersOf } from '@/core/drawing/edit/edit'
import type { PaintPlace } from '@/core/drawing/edit/paint'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { freshName } from '@/core/drawing/edit/fresh'
import { find, walk, withNewIds } from '@/core/drawing/objects/tree'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import type { Bench } from '../state/bench'

const many = (count: number, one: string): string => (count === 1 ? one : `${count} objects`)
export const title = (objects: readonly DrawingObject[]): string => many(objects.length, objects[0]?.name ?? 'nothing')

/** Whether weights and corners of an object's own scale with it. */
export const SCALING = slice('scaling', { scaleOwn: false })

export function nudge(bench: Bench, by: Point): void {
  const { free } = bench
  bench.edit({ kind: 'replace', objects: free.map((object) => moveObject(object, by)) }, `Move ${title(free)}`)
  noteTransform(bench, translation(by.x, by.y), 'Move')
}

export function remove(bench: Bench): void {
  const { free } = bench
  bench.edit({ kind: 'remove', ids: free.map(({ id }) => id) }, `Delete ${title(free)}`)
  bench.select([])
}

/** Copies with ids of their own, under a map. */
export function copies(objects: readonly DrawingObject[], map: Transform): DrawingObject[] {
  return objects.map((object) => transformObject(withNewIds(object, newId), map))
}

/** An object under a map; weights and corners of its own scale with it where that is switched on. */
const transformed = (bench: Bench, object: DrawingObject, map: Transform, scale: number): DrawingObject => {
  const there = transformObject(object, map)
  const moved = isMirroring(map) && !refusalIn(there, bench.scene) ? withSignatures(there, bench.scene) : there
  return scale !== 1 && bench.read(SCALING).scaleOwn ? scaleOwn(moved, scale) : moved
}

export function previewTransform(bench: Bench, map: Transform, copy: boolean): void {
  const { free } = bench
  bench.preview(
    copy
      ? { kind: 'add', objects: copies(free, map), ...bench.top }
      : { kind: 'replace', objects: free.map((object) => transformObject(object, map)) },
  )
}

/** Turns, scales or flips the selection, or leaves it and adds copies, each one step further than the one before. */
export function transformSelection(
  bench: Bench,
  map: Transform,
  words: string,
  { copies: count, scale }: { copies: number; scale: number },
): void {
  const { free } = bench
  if (free.length === 0) return
  if (count === 0) {
    bench.edit(
      { kind: 'replace', objects: free.map((object) => transformed(bench, object, map, scale)) },
      `${words}: ${title(free)}`,
    )
    noteTransform(bench, map, words, scale)
    return
  }
  const made: DrawingObject[] = []
  let last: DrawingObject[] = free
  for (let i = 0; i < count; i++) {
    last = last.map((object) => transformed(bench, withNewIds(object, newId), map, scale))
    made.push(...last)
  }
  const { pivot } = bench.store.getState()
  addCopies(bench, made, map, `${words}, ${count === 1 ? 'a copy' : `${count} copies`}: ${title(free)}`)
  bench.select(last.map(({ id }) => id))
  bench.store.setState({ pivot })
  followCopies(bench, last, map)
  bench.put(AGAIN, { last: { map, words, scale } })
}

/** Repeats the last action on the selection. */
export function repeatTransform(bench: Bench, copy: boolean): void {
  const { last } = bench.read(AGAIN)
  if (last) transformSelection(bench, last.map, last.words, { copies: copy ? 1 : 0, scale: last.scale })
}

/** Lays copies over the selection; when the last copy was moved, the copies are moved likewise. */
export function duplicate(bench: Bench): void {
  const { selected } = bench
  const map = trailOf(bench, selected) ?? IDENTITY
  addCopies(bench, copies(selected, map), map, `Duplicate ${title(selected)}`)
  if (map.every((value, i) => value === IDENTITY[i]))
    say({ text: 'Duplicated in place. Move the copy, and Ctrl D repeats what you did.' })
}

/** Adds copies just above their originals' level and follows them, so that a further duplicate repeats the map. */
export function addCopies(bench: Bench, copied: readonly DrawingObject[], map: Transform, label: string): void {
  const made = numbered(bench, copied)
  const into = parentOf(bench, bench.selected[0]?.id)
  bench.edit({ kind: 'add', objects: made, into, at: membersOf(bench.objects, into).length }, label)
  bench.select(made.map(({ id }) => id))
  followCopies(bench, made, map)
}

/** Copies under names of their own: the word of the original with the next number. */
function numbered(bench: Bench, copied: readonly DrawingObject[]): DrawingObject[] {
  const taken = [...walk(bench.objects)].map(({ object }) => object)
  return copied.map((object) => {
    const one = { ...object, name: freshName(object.name.replace(/ \d+$/, '').slice(0, 74), taken) }
    taken.push(one)
    return one
  })
}

export function parentOf(bench: Bench, id: string | undefined): string | null {
  const parents = id === undefined ? undefined : find(bench.objects, id)?.parents
  return parents?.at(-1)?.id ?? null
}

/** Moves the selection within its container: to the end, or by one. */
export function order(bench: Bench, where: 'front' | 'forward' | 'backward' | 'back'): void {
  const { free } = bench
  const into = parentOf(bench, free[0]?.id)
  const siblings = membersOf(bench.objects, into)
  const places = free.map(({ id }) => siblings.findIndex((sibling) => sibling.id === id)).filter((i) => i >= 0)
  const lowest = Math.min(...places),
    highest = Math.max(...places)
  const at = {
    front: siblings.length,
    forward: Math.min(siblings.length, highest + 2),
    backward: Math.max(0, lowest - 1),
    back: 0,
  }[where]
  const words = { front: 'to the front', forward: 'forward', backward: 'backward', back: 'to the back' }[where]
  bench.edit({ kind: 'arrange', ids: free.map(({ id }) => id), into, at }, `Bring ${title(free)} ${words}`)
}

export function group(bench: Bench): void {
  const { free } = bench
  const id = newId()
  bench.edit(
    {
      kind: 'gather',
      ids: free.map((object) => object.id),
      container: { kind: 'group', id, name: bench.nameFor('Group') },
    },
    `Group ${title(free)}`,
  )
  bench.select([id])
}

/** Goes to where all of the finish is, with a paint in hand; of an object that is not selected yet, it is. */
export function showFinish(bench: Bench, id: string | null, place: PaintPlace): void {
  if (id !== null) bench.select([id])
  bench.store.setState({ panel: 'colours' })
  bench.put(PAINT, { place, stop: null })
}

export function setFlag(bench: Bench, objects: readonly DrawingObject[], flag: 'hidden' | 'locked', on: boolean): void {
  const verb = { hidden: on ? 'Hide' : 'Show', locked: on ? 'Lock' : 'Unlock' }[flag]
  const next = objects.map((object) => {
    const copy = { ...object }
    if (on) copy[flag] = true
    else delete copy[flag]
    return copy
  })
  bench.edit({ kind: 'replace', objects: next }, `${verb} ${title(objects)}`)
}
