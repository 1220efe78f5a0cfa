import type { DrawingObject } from '../../../drawing/objects/object'
import { pathBounds, segmentCount, transformPath } from '../../../geometry/path'
import type { Point } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { apply, compose, type Transform, translation } from '../../../geometry/transform'
import { isSameOutline } from '../../../outline/same-outline'
import type { Plain } from '../plain'
import { isLike, type Piece, pieceOf } from './piece'

/** A piece that comes again in several icons: where it is held, and which object of which icon is an image of it. */
export type ComingPart = {
  readonly name: string
  readonly at: Point
  readonly object: DrawingObject
  readonly uses: readonly { readonly icon: number; readonly object: DrawingObject; readonly map: Transform }[]
}

/** The fewest segments of a path that is worth a part, the fewest icons that have it, and the most parts of a set. */
const WORTH = 5,
  ICONS = 3,
  MOST = 40

/** The quarter turns, plain and flipped. */
const WAYS: readonly Transform[] = [
  [1, 0, 0, 1],
  [0, 1, -1, 0],
  [-1, 0, 0, -1],
  [0, -1, 1, 0],
  [-1, 0, 0, 1],
  [0, 1, 1, 0],
  [1, 0, 0, -1],
  [0, -1, -1, 0],
].map(([a, b, c, d]) => [a!, b!, c!, d!, 0, 0] as const)

/**
 * The pieces that come again in several icons, moved, turned by quarters or flipped, those of most icons first. Each image
 * is compared with the piece, within a distance.
 */
export function partsIn(icons: readonly Plain[], within: number): ComingPart[] {
  const pieces = icons.flatMap(({ objects }, icon) =>
    objects.flatMap((object) => {
      // What has numbers of its own is as quickly drawn again.
      const piece = object.kind === 'path' ? pieceOf(object) : null
      return piece && segmentCount(piece.edge) >= WORTH ? [{ icon, piece }] : []
    }),
  )
  type Found = { readonly first: Piece; readonly uses: { icon: number; object: DrawingObject; map: Transform }[] }
  const found = new Map<string, Found[]>()
  for (const { icon, piece } of pieces) {
    const key = `${piece.finish} ${segmentCount(piece.edge)}`
    let alike = found.get(key)
    if (!alike) found.set(key, (alike = []))
    const use = (one: Found) => {
      const map = isLike(one.first, piece, within) ? imageOf(one.first, piece, within) : null
      if (map) one.uses.push({ icon, object: piece.object, map })
      return map !== null
    }
    if (!alike.some(use)) alike.push({ first: piece, uses: [{ icon, object: piece.object, map: WAYS[0]! }] })
  }
  const iconsOf = ({ uses }: Found) => new Set(uses.map(({ icon }) => icon)).size
  const taken = new Set<string>()
  return [...found.values()]
    .flat()
    .filter((one) => iconsOf(one) >= ICONS)
    .sort((a, b) => iconsOf(b) - iconsOf(a))
    .slice(0, MOST)
    .map(({ first, uses }) => ({
      name: nameFor(
        uses.map(({ icon }) => icons[icon]!.name),
        taken,
      ),
      at: { x: tidy(first.box.x), y: tidy(first.box.y) },
      object: first.object,
      uses,
    }))
}

/** How a piece becomes another: moved, and turned or flipped before that; null where it does not. */
function imageOf(piece: Piece, other: Piece, within: number): Transform | null {
  for (const way of WAYS) {
    const turned = transformPath(piece.edge, way),
      box = pathBounds(turned)!
    if (Math.abs(box.w - other.box.w) > 2 * within || Math.abs(box.h - other.box.h) > 2 * within) continue
    const move = translation(tidy(other.box.x - box.x), tidy(other.box.y - box.y))
    if (isSameOutline(transformPath(turned, move), other.edge, within)) return compose(move, way)
  }
  return null
}

/** A name for what icons share: the word that most of their names have, else a plain one; each once. */
function nameFor(names: readonly string[], taken: Set<string>): string {
  const counts = new Map<string, number>()
  for (const name of names)
    for (const word of new Set(name.toLowerCase().split(/[^\p{L}\p{N}]+/u)))
      if (/^\p{L}{2,}/u.test(word)) counts.set(word, (counts.get(word) ?? 0) + 1)
  const [word, count] = [...counts].reduce((best, one) => (one[1] > best[1] ? one : best), ['', 0])
  const stem = count >= names.length / 2 ? word.slice(0, 30) : 'piece'
  let name = stem
  for (let i = 2; taken.has(name); i++) name = `${stem}-${i}`
  taken.add(name)
  return name
}

/** Replaces copies of parts in drawings by placements. */
export function withPlacements(icons: readonly Plain[], parts: readonly ComingPart[]): Plain[] {
  const placements = new Map<DrawingObject, DrawingObject>()
  for (const { name, at, uses } of parts)
    for (const { object, map } of uses) {
      const there = apply(map, at),
        linear = map.slice(0, 4)
      placements.set(object, {
        kind: 'placement',
        id: object.id,
        name,
        part: name,
        at: { x: tidy(there.x), y: tidy(there.y) },
        ...(linear.some((value, i) => value !== WAYS[0]![i]) && { map: linear }),
      } as unknown as DrawingObject)
    }
  return icons.map((icon) => ({ ...icon, objects: icon.objects.map((object) => placements.get(object) ?? object) }))
}
