import { flat, isGradientPaint, meanColour } from './tone'
import type { Shape } from '../drawing/scene/shape'
import { inkOfAll } from '../drawing/scene/ink'
import type { Ground, Layer, Picture } from '../picture/picture'
import type { Attributes, Element } from '../formats/markup'
import { type Box, boxCentre } from '../geometry/box'
import { timed } from '../geometry/deadline'
import { flattened } from '../geometry/flat'
import { ellipse, type Path, pathBounds, polyline } from '../geometry/path'
import type { Point } from '../geometry/point'
import { platePath } from '../drawing/model/plates'
import type { IconRenderer } from './icon-renderer'

/** A document as the attributes of its root, its view box and its content. */
export type Opened = {
  readonly root: Readonly<Attributes>
  readonly viewBox: string
  readonly inside: readonly Element[]
}

/** Splits a document into its parts. */
export function opened({ own, inside }: Element): Opened {
  const { xmlns: _, width: __, height: ___, viewBox = '', ...root } = own
  return { root, viewBox, inside }
}

/** Shapes scaled about a place. */
type Part = { readonly shapes: readonly Shape[]; readonly scale?: number; readonly about?: Point }

/** A picture of a box with parts over each other, clipped by an outline where one is given. */
function composed(view: Box, parts: readonly Part[], ground: Ground, clip?: Path): Picture {
  const size = Math.max(view.x + view.w, view.y + view.h)
  const layers = parts.map(({ shapes, scale = 1, about = { x: 0, y: 0 } }): Layer => ({
    shapes,
    size,
    ...(scale !== 1 && { map: [scale, 0, 0, scale, about.x * (1 - scale), about.y * (1 - scale)] }),
  }))
  return { box: view, layers, ground, clip }
}

/** The shape of a mask that a platform cuts icons by. */
export type Cut = 'circle' | 'squircle' | 'rounded'

const cutPath = (cut: Cut, { x, y, w, h }: Box): Path => {
  const centre = { x: x + w / 2, y: y + h / 2 }
  return cut === 'circle'
    ? [ellipse(centre, w / 2, h / 2)]
    : platePath({ name: 'cut', shape: cut === 'squircle' ? 'squircle' : 'rounded', w, h }, centre)
}

/** What an application's icon is put together by. */
export type Composition = {
  /** How much of the picture the plate's box, or the square of an icon without one, takes across. */
  readonly share: number
  /**
   * Whether the plate's paint extends to the edges, the plate is unchanged, it is dropped, or the fallback colour fills
   * all.
   */
  readonly plate: 'full' | 'own' | 'none' | 'colour'
  /** The colour without a plate; null is transparent. */
  readonly fallback: string | null
  /** The circle that the figure is brought into, as a share of the picture's side across; 1 or more leaves it. */
  readonly safe?: number
  readonly ground: Ground
  readonly cut?: Cut | undefined
  /** What becomes of the figure's shapes. */
  readonly figure?: ((figure: readonly Shape[], plate: readonly Shape[]) => readonly Shape[]) | undefined
}

/** The box that an application's icon is about: its plate's, as a square; the whole square where it has none. */
export function appBox(renderer: IconRenderer, size: number): Box {
  const grid = renderer.grid(size)
  const bounds = pathBounds(renderer.layers(size).plate.flatMap(({ path }) => path))
  if (!bounds) return { x: 0, y: 0, w: grid, h: grid }
  const side = Math.max(bounds.w, bounds.h),
    { x, y } = boxCentre(bounds)
  return { x: x - side / 2, y: y - side / 2, w: side, h: side }
}

/** A box about the same middle, larger by a factor. */
export const grown = ({ x, y, w, h }: Box, by: number): Box => ({
  x: x - (w * (by - 1)) / 2,
  y: y - (h * (by - 1)) / 2,
  w: w * by,
  h: h * by,
})

/** How far the ink of shapes reaches from a place. */
export const reachOf = (shapes: readonly Shape[], from: Point): number =>
  timed(() =>
    flattened(inkOfAll(shapes), 0.05).reduce(
      (far, { segments }) =>
        segments.reduce((most, { to }) => Math.max(most, Math.hypot(to.x - from.x, to.y - from.y)), far),
      0,
    ),
  )

/** By how much a figure is made smaller to lie within a circle about the middle of a box. */
export function safeScale(figure: readonly Shape[], view: Box, safe: number): number {
  const reach = reachOf(figure, boxCentre(view))
  return reach > (safe * view.w) / 2 ? (safe * view.w) / 2 / reach : 1
}

const square = ({ x, y, w, h }: Box) =>
  polyline(
    [
      { x, y },
      { x: x + w, y },
      { x: x + w, y: y + h },
      { x, y: y + h },
    ],
    true,
  )

/** What covers a whole picture: the plate's paint, or a colour where there is no plate. */
export function fullPlate(plate: readonly Shape[], view: Box, fallback: string | null): Shape[] {
  const fill = plate.find((shape) => shape.fill)?.fill ?? (fallback ? flat(fallback) : null)
  return fill ? [{ id: 'ground', path: [square(view)], fill, stroke: null }] : []
}

/** How near to the side of its plate something lies that belongs to the edge, as a share of that side. */
const EDGE = 0.01

/**
 * Whether something of a figure lies at the edge of its plate, as a sea does: that is drawn for the edge, and made
 * smaller it would come off it.
 */
export function isAtEdge(renderer: IconRenderer, size: number): boolean {
  const { plate, figure } = renderer.layers(size)
  if (plate.length === 0) return false
  const { x, y, w, h } = grown(appBox(renderer, size), 1 - 2 * EDGE)
  return uncast(figure, renderer, size).some(({ path }) => {
    const box = pathBounds(path)
    return box !== null && (box.x < x || box.y < y || box.x + box.w > x + w || box.y + box.h > y + h)
  })
}

/** The shapes of a figure without cast shadows, which reach the edge in any case. */
export function uncast(figure: readonly Shape[], renderer: IconRenderer, size: number): readonly Shape[] {
  const left = figure.filter(({ id }) => !renderer.castIds(size).has(id))
  return left.length > 0 ? left : figure
}

/** The picture of an application's icon. */
export function composedIcon(renderer: IconRenderer, size: number, composition: Composition): Picture {
  const view = grown(appBox(renderer, size), 1 / composition.share)
  // Without its own plate a cast goes on to the picture's edge: cut by a plate that is not there, it would show its corner.
  const { plate, figure: own } = renderer.layers(size, composition.plate !== 'own')
  const figure = composition.figure ? composition.figure(own, plate) : own
  const under = {
    full: () => fullPlate(plate, view, composition.fallback),
    own: () => (plate.length > 0 ? plate : fullPlate(plate, view, composition.fallback)),
    colour: () => fullPlate([], view, composition.fallback),
    none: () => [],
  }[composition.plate]()
  const scale =
    composition.safe === undefined || isAtEdge(renderer, size)
      ? 1
      : safeScale(uncast(figure, renderer, size), view, composition.safe)
  return composed(
    view,
    [{ shapes: under }, { shapes: figure, scale, about: boxCentre(view) }],
    composition.ground,
    composition.cut && cutPath(composition.cut, view),
  )
}

/** The colour of a plate as one: of a gradient the mean of its stops. */
export function plateColour(plate: readonly Shape[], ground: 'light' | 'dark', fallback: string): string {
  const fill = plate.find((shape) => shape.fill)?.fill
  if (!fill) return fallback
  return isGradientPaint(fill) ? meanColour(fill, ground) : fill[ground].slice(0, 7)
}

/** The same in the middle of a picture that is wider than high by a factor. */
export function composedWide(renderer: IconRenderer, size: number, composition: Composition, wider: number): Picture {
  const view = grown(appBox(renderer, size), 1 / composition.share)
  const { plate, figure } = renderer.layers(size)
  const wide = { x: view.x - (view.w * (wider - 1)) / 2, y: view.y, w: view.w * wider, h: view.h }
  return composed(wide, [{ shapes: composition.plate === 'none' ? [] : plate }, { shapes: figure }], composition.ground)
}
