import { slice } from '../state/slice'
import { type Box, boxAbout } from '@/core/geometry/box'
import { aligned, type Side, spaced } from '@/core/drawing/edit/arrange'
import { moveObject } from '@/core/drawing/objects/transform-object'
import { opticalOffset } from '@/core/proof/optical-centre'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { figure } from '@/ui/sum'
import { say } from '@/ui/notice'
import type { Bench } from '../state/bench'

/**
 * Reference of an alignment: the selection's box, the square, the live area, a keyline by name, or a selected object by
 * id.
 */
export type AlignTo = 'selection' | 'square' | 'live area' | `keyline ${string}` | `object ${string}`

/** Reference of alignments, and gap of distributions; null keeps the outermost objects. */
export const ARRANGE = slice('arrange', { alignTo: 'selection' as AlignTo, gap: null as number | null })

/** The box that is lined up to, and whether the selection goes there as one. */
export function alignBox(bench: Bench, to: AlignTo): { box: Box; asOne: boolean } | null {
  const { rules } = bench,
    { size } = rules.grid,
    middle = { x: size / 2, y: size / 2 }
  if (to === 'square') return { box: boxAbout(middle, size, size), asOne: true }
  if (to === 'live area') return { box: boxAbout(middle, rules.liveArea, rules.liveArea), asOne: true }
  if (to.startsWith('keyline ')) {
    const keyline = rules.keylines.find(({ name }) => `keyline ${name}` === to)
    return keyline ? { box: boxAbout(middle, keyline.w, keyline.h), asOne: true } : null
  }
  const object = bench.selected.find(({ id }) => `object ${id}` === to)
  const box = bench.extent(object ? [object] : bench.free)
  return box && { box, asOne: false }
}

const title = (objects: readonly DrawingObject[]): string =>
  objects.length === 1 ? objects[0]!.name : `${objects.length} objects`

export function align(bench: Bench, side: Side): void {
  const { alignTo } = bench.read(ARRANGE)
  const found = alignBox(bench, alignTo) ?? alignBox(bench, 'selection')
  const objects = bench.free.filter(({ id }) => `object ${id}` !== alignTo)
  if (!found || objects.length === 0) return
  if (objects.length === 1 && alignTo === 'selection')
    return say({
      text: 'One object alone has nothing to be aligned to. Choose the square, the live area or a keyline.',
    })
  bench.edit(
    { kind: 'replace', objects: aligned(objects, bench.scene, side, found.box, found.asOne) },
    `Align ${title(objects)}: ${side}`,
  )
}

export function space(bench: Bench, axis: 'x' | 'y'): void {
  const { gap } = bench.read(ARRANGE),
    objects = bench.free
  if (objects.length < (gap === null ? 3 : 2))
    return say({
      text:
        gap === null
          ? 'Select three objects or more, or type the gap that two should have.'
          : 'Select two objects or more.',
    })
  bench.edit(
    { kind: 'replace', objects: spaced(objects, bench.scene, axis, gap) },
    `Space ${title(objects)} ${axis === 'x' ? 'across' : 'down'}`,
  )
}

/** Brings the optical middle of the selection to the middle of the square. */
export function centreOptically(bench: Bench, by: 'ink' | 'circle'): void {
  const objects = bench.free,
    off = opticalOffset(objects, bench.rules)?.[by]
  if (!off) return say({ text: 'Nothing is painted in the selection, so it has no optical middle.' })
  const shift = { x: -off.x, y: -off.y }
  bench.edit(
    { kind: 'replace', objects: objects.map((object) => moveObject(object, shift)) },
    `Centre ${title(objects)} by ${by === 'ink' ? 'its ink' : 'the circle around it'}`,
  )
  say({ text: `Moved by ${figure(Number(shift.x.toFixed(3)))}, ${figure(Number(shift.y.toFixed(3)))}.` })
}
