import type { ResolvedShadow } from '../drawing/model/resolved'
import type { Run, Shape } from '../drawing/scene/shape'
import { type Path, transformPath } from '../geometry/path'
import { IDENTITY, type Transform } from '../geometry/transform'
import { strokeBands, strokedArea } from '../outline/stroking'
import type { Stroke } from '../outline/line-style'
import { type Area, filledArea, type Group, type Item, type Paint, type Shadow } from '../raster/items'
import { dimmed, isLoneShape, writtenRuns } from './runs'
import { type Ground, type Layer, type Picture, stated } from './picture'
import { preciseColour, precisePaint, precisePath, preciseStroke, statedOpacity } from './precise'

const known = new WeakMap<Picture, Item[]>()

/** The areas and groups that a picture is painted of, with the numbers that its file states. Strokes become their areas. */
export function rasterItems(picture: Picture): Item[] {
  let items = known.get(picture)
  if (!items) known.set(picture, (items = itemsOfPicture(picture)))
  return items
}

function itemsOfPicture({ layers, ground, clip }: Picture): Item[] {
  const items = layers.flatMap((layer) => itemsOfLayer(layer, ground))
  if (!clip || items.length === 0) return items
  return [{ kind: 'group', items, opacity: 1, mask: [filledArea(precisePath(clip), BLACK)], shadow: null }]
}

const BLACK: Paint = { kind: 'flat', colour: [0, 0, 0, 1] }

/** How shapes are painted: their ground, their map, and the side of the square for masks. */
type Place = { readonly ground: Ground; readonly map: Transform; readonly size: number }

function itemsOfLayer({ shapes, size, map }: Layer, ground: Ground): Item[] {
  const place = { ground, map: map ? (map.map(stated) as unknown as Transform) : IDENTITY, size }
  return writtenRuns(shapes, size).flatMap((run) => itemsOfRun(run, place))
}

function itemsOfRun(run: Run, place: Place): Item[] {
  if (!('runs' in run)) return itemsOfShape(run, place)
  const { effect, runs } = run
  if (isLoneShape(run)) return itemsOfShape(runs[0] as Shape, place, effect.opacity)
  const items = runs.flatMap((one) => itemsOfRun(one, place))
  if (items.length === 0) return items
  return [
    {
      kind: 'group',
      items,
      opacity: statedOpacity(effect.opacity),
      mask: effect.mask && writtenRuns(effect.mask, place.size, true).flatMap((one) => itemsOfRun(one, place)),
      shadow: effect.shadow ? preciseShadow(effect.shadow, place) : null,
    } satisfies Group,
  ]
}

function preciseShadow({ x, y, blur, color }: ResolvedShadow, { ground, map }: Place): Shadow {
  const scale = Math.hypot(map[0], map[1])
  return {
    x: stated(x) * scale,
    y: stated(y) * scale,
    deviation: stated(blur / 2) * scale,
    colour: preciseColour(color, ground),
  }
}

/** The areas of a shape: its fill, and over it its stroke. */
function itemsOfShape(shape: Shape, place: Place, opacity = 1): Item[] {
  const own = opacity < 1 && dimmed(shape, opacity),
    { fill, stroke } = own || shape
  const path = precisePath(shape.path),
    { ground, map } = place
  const there = (one: Path) => (map === IDENTITY ? one : transformPath(one, map))
  const items: Item[] = [
    ...(fill ? [filledArea(there(path), precisePaint(fill, ground, map))] : []),
    ...(stroke ? [strokeArea(path, preciseStroke(stroke), precisePaint(stroke.paint, ground, map), there)] : []),
  ]
  if (opacity === 1 || own || items.length === 0) return items
  return [{ kind: 'group', items, opacity: statedOpacity(opacity), mask: null, shadow: null }]
}

/** The area of a stroke as its bands, or as its outline where those fail. */
function strokeArea(path: Path, stroke: Stroke, paint: Paint, there: (one: Path) => Path): Area {
  const outline = () => there(remembered(path, `outline ${keyOf(stroke)}`, () => strokedArea(path, stroke)))
  return filledArea(there(remembered(path, keyOf(stroke), () => strokeBands(path, stroke))), paint, outline)
}

const keyOf = (stroke: Stroke): string => Object.values(stroke).join()

/** Areas of strokes by their paths: the grounds of a picture differ in colours alone. */
const strokes = new WeakMap<Path, Map<string, Path>>()

function remembered(path: Path, key: string, make: () => Path): Path {
  let areas = strokes.get(path)
  if (!areas) strokes.set(path, (areas = new Map()))
  let made = areas.get(key)
  if (!made) areas.set(key, (made = make()))
  return made
}
