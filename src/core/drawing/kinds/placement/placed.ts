import type { Point } from '../../../geometry/point'
import { applyTidy, tidy } from '../../../geometry/tidy'
import { compose, type Transform, translation } from '../../../geometry/transform'
import { type Paint, isGradient } from '../../model/paint'
import type { Memory, Scene } from '../../scene/scene'
import { type Style, withPaints } from '../../model/style'
import { hasMembers, hasStyle, type Thing } from '../../model/traits'

export type Placing = {
  readonly id: string
  readonly part: string
  readonly at: Point
  readonly map?: readonly number[] | undefined
  readonly weights?: 'scaled' | undefined
  readonly colours?: readonly { readonly from: string; readonly to: string }[] | undefined
}

export const linearOf = (map: readonly number[] | undefined): Transform => {
  const [a = 1, b = 0, c = 0, d = 1] = map ?? []
  return [a, b, c, d, 0, 0]
}

/** Where a placement takes its part, seen from the place of insertion. */
export const mapOf = ({ at, map }: Pick<Placing, 'at' | 'map'>): Transform =>
  compose(translation(at.x, at.y), linearOf(map))

/** A placement's place and linear map under a map. */
export function movedPlacing<P extends Pick<Placing, 'at' | 'map'>>(placing: P, map: Transform): P {
  const next = compose([map[0], map[1], map[2], map[3], 0, 0], linearOf(placing.map)).slice(0, 4)
  return withLinear({ ...placing, at: applyTidy(map, placing.at) }, next)
}

/** The same placing at another size, as a share of the part's size. */
export function sizedPlacing<P extends Pick<Placing, 'map'>>(placing: P, size: number): P {
  const by = size / sizeOf(placing)
  return withLinear(
    placing,
    linearOf(placing.map)
      .slice(0, 4)
      .map((value) => value * by),
  )
}

/** The same with another linear map, which is left out where it does nothing. */
export function withLinear<P extends Pick<Placing, 'map'>>(placing: P, map: readonly number[]): P {
  const { map: _, ...rest } = placing
  const next = map.map(tidy)
  return (next.every((value, i) => value === [1, 0, 0, 1][i]) ? rest : { ...rest, map: next }) as unknown as P
}

/** How large a placement is, as a share of its part's own size. */
export function sizeOf({ map }: Pick<Placing, 'map'>): number {
  const [a, b, c, d] = linearOf(map)
  return Math.sqrt(Math.abs(a * d - b * c))
}

const memory: Memory<readonly Thing[]> = new WeakMap()

/** The objects of a part where a placement has them, in its colours. Throws when the set lacks it. */
export const placed = (object: Placing, scene: Scene): readonly Thing[] =>
  scene.remembered(memory, object, () => {
    const { at, objects } = scene.part(object.part)
    const map = compose(mapOf(object), translation(-at.x, -at.y))
    const size = sizeOf(object)
    return objects.map((one) => {
      const sized = object.weights ? withWeights(one, size, scene) : size === 1 ? one : scene.scaled(one, size)
      return recoloured(scene.moved(sized, map), object.colours, scene)
    })
  })

/** An object all of whose weights scale, those from the rules as well. */
function withWeights<T extends Thing>(object: T, by: number, scene: Scene): T {
  return styled(scene.scaled(object, by), scene, (style) =>
    typeof style.weight === 'string' ? { ...style, weight: scene.weight(style.weight) * by } : style,
  )
}

/** An object, and all in it, with each finish replaced; shared ones become its own. */
function styled<T extends Thing>(object: T, scene: Scene, change: (style: Style) => Style): T {
  const own = hasStyle(object)
    ? { ...object, style: change(scene.style(object.style, () => scene.box(object))) }
    : object
  return hasMembers(own) ? { ...own, members: own.members.map((member) => styled(member, scene, change)) } : own
}

/** An object in other colours, those of gradients too. */
function recoloured<T extends Thing>(object: T, colours: Placing['colours'], scene: Scene): T {
  if (!colours) return object
  const to = new Map(colours.map((one) => [one.from, one.to]))
  const next = (color: string) => to.get(color) ?? color
  const repaint = (paint: Paint): Paint => {
    if (!isGradient(paint)) return next(paint)
    if (typeof paint.stops === 'string') return paint
    return { ...paint, stops: paint.stops.map((stop) => ({ ...stop, color: next(stop.color) })) }
  }
  return styled(object, scene, (style) => withPaints(style, repaint))
}
