import type { ResolvedColour, ResolvedGradient, ResolvedPaint } from '../drawing/model/resolved'
import type { Shape, GroupEffect } from '../drawing/scene/shape'
import { inkOf, inkOfAll } from '../drawing/scene/ink'
import { withStrokesOutlined } from '../drawing/scene/stroke-outlines'
import { timed } from '../geometry/deadline'
import type { Path } from '../geometry/path'
import { combine } from '../planar/boolean'
import { oklabDistance } from '../proof/oklab'

export const isGradientPaint = (paint: ResolvedPaint): paint is ResolvedGradient => 'kind' in paint

const channels = (hex: string): number[] => [1, 3, 5].map((i) => Number.parseInt(hex.slice(i, i + 2), 16))
const hexOf = (parts: readonly number[]): string =>
  `#${parts.map((part) => Math.round(part).toString(16).padStart(2, '0')).join('')}`

/** A colour that is the same on every ground. */
export const flat = (light: string): ResolvedColour => ({ name: '', light, dark: light, ink: false, opacity: 1 })

/** The mean of a gradient's stops. */
export function meanColour({ stops }: ResolvedGradient, ground: 'light' | 'dark'): string {
  const all = stops.map(({ color }) => channels(color[ground]))
  return hexOf([0, 1, 2].map((k) => all.reduce((sum, one) => sum + one[k]!, 0) / all.length))
}

/** A paint as one colour. */
const colourOf = (paint: ResolvedPaint): string =>
  isGradientPaint(paint) ? meanColour(paint, 'light') : paint.light.slice(0, 7)

/** From which distance from its ground on something is seen, and from which share of the greatest one it is ink (Oklab). */
const SEEN = 0.08,
  INK = 0.45
/** From which opacity on. */
const OPAQUE = 0.5

/**
 * The visible part of each shape, strokes as outlines, from the lowest up, without the area of masks and shapes above
 * it.
 */
export function visible(shapes: readonly Shape[]): { readonly path: Path; readonly paint: ResolvedPaint }[] {
  return timed(() => {
    const flat = withStrokesOutlined(shapes).filter((shape) => shape.fill && opacityOf(shape) >= OPAQUE)
    const shown: { path: Path; paint: ResolvedPaint }[] = []
    let above: Path = []
    for (const shape of [...flat].reverse()) {
      const own = masked(shape.effect, combineAll(inkOf(shape)))
      const path =
        above.length === 0
          ? own
          : combine([
              { path: own, role: 'adds' },
              { path: above, role: 'cuts' },
            ])
      above =
        above.length === 0
          ? own
          : combine([
              { path: above, role: 'adds' },
              { path: own, role: 'adds' },
            ])
      shown.unshift({ path, paint: shape.fill! })
    }
    return shown
  })
}

const combineAll = (paths: readonly Path[]): Path =>
  paths.length === 1 ? paths[0]! : combine(paths.map((path) => ({ path, role: 'adds' as const })))

function opacityOf({ fill, effect }: Shape): number {
  let opacity = fill?.opacity ?? 0
  for (let one: GroupEffect | null = effect ?? null; one; one = one.outer) opacity *= one.opacity
  return opacity
}

function masked(effect: GroupEffect | undefined, ink: Path): Path {
  let left = ink
  for (let one: GroupEffect | null = effect ?? null; one; one = one.outer)
    if (one.mask)
      left = combine([
        { path: left, role: 'adds' },
        { path: inkOfAll(one.mask), role: 'overlap' },
      ])
  return left
}

/** The visible parts of a figure, and the contrast of each to its plate, as a share of the greatest. */
export function shades(figure: readonly Shape[], plate: string): { readonly path: Path; readonly share: number }[] {
  const parts = visible(figure).map(({ path, paint }) => ({ path, away: oklabDistance(colourOf(paint), plate) }))
  const most = Math.max(SEEN, ...parts.map(({ away }) => away))
  return parts.flatMap(({ path, away }) => (away < SEEN || path.length === 0 ? [] : [{ path, share: away / most }]))
}

/**
 * A figure as one shape of one colour: the parts that contrast with its plate. A part inside another that hardly
 * differs from the plate, such as windows of a hull, becomes a hole.
 */
export function silhouette(figure: readonly Shape[], plate: string): Path {
  const parts = shades(figure, plate).filter(({ share }) => share >= INK)
  return timed(() => combine(parts.map(({ path }) => ({ path, role: 'adds' as const }))))
}

/** Least opacity of visible parts. */
const FAINT = 0.3

/** A figure in one colour, fainter where it stands out less: what tints it keeps its parts apart. */
export const shaded = (figure: readonly Shape[], plate: string, colour: string): Shape[] =>
  shades(figure, plate).map(({ path, share }) => {
    const shape = inked(path, colour)
    return {
      ...shape,
      fill: { ...(shape.fill as ResolvedColour), opacity: Math.max(FAINT, Math.round(share * 20) / 20) },
    }
  })

/** An icon as one shape: its silhouette, or the plate with the figure cut out. */
export function emblem({
  plate,
  figure,
}: {
  readonly plate: readonly Shape[]
  readonly figure: readonly Shape[]
}): Path {
  if (plate.length === 0) return silhouette(figure, '#ffffff')
  const fill = plate.find((shape) => shape.fill)?.fill
  const cut = silhouette(figure, fill ? colourOf(fill) : '#ffffff')
  return timed(() =>
    combine([
      { path: inkOfAll(plate), role: 'adds' },
      { path: cut, role: 'cuts' },
    ]),
  )
}

/** A path as a shape of one colour. */
export const inked = (path: Path, light: string): Shape => ({
  id: 'figure',
  path,
  fill: { name: '', light, dark: light, ink: false, opacity: 1 },
  stroke: null,
})

/** Shapes in greys, lighter the more they differ from their plate: to be tinted by whoever shows them on a dark ground. */
export function greyed(figure: readonly Shape[], plate: string): Shape[] {
  const off = (hex: string) => oklabDistance(hex.slice(0, 7), plate)
  const all = figure.flatMap(({ fill, stroke }) =>
    [fill, stroke?.paint].flatMap((paint) => (paint ? coloursIn(paint) : [])),
  )
  const most = Math.max(SEEN, ...all.map(({ light }) => off(light)))
  const grey = (color: ResolvedColour): ResolvedColour => {
    const level = (off(color.light) / most) * 255
    const hex = hexOf([level, level, level]) + color.light.slice(7)
    return { ...color, light: hex, dark: hex, ink: false }
  }
  const paint = (one: ResolvedPaint): ResolvedPaint =>
    isGradientPaint(one)
      ? { ...one, stops: one.stops.map((stop) => ({ ...stop, color: grey(stop.color) })) }
      : grey(one)
  const effect = (one: GroupEffect): GroupEffect => ({
    ...one,
    ...(one.shadow && { shadow: { ...one.shadow, color: grey(one.shadow.color) } }),
    outer: one.outer && effect(one.outer),
  })
  // Shapes of one group keep one effect between them.
  const effects = new Map<GroupEffect, GroupEffect>()
  const shared = (one: GroupEffect): GroupEffect => {
    let next = effects.get(one)
    if (!next) effects.set(one, (next = effect(one)))
    return next
  }
  return figure.map((shape) => ({
    ...shape,
    ...(shape.effect && { effect: shared(shape.effect) }),
    fill: shape.fill && paint(shape.fill),
    stroke: shape.stroke && { ...shape.stroke, paint: paint(shape.stroke.paint) },
  }))
}

const coloursIn = (paint: ResolvedPaint): ResolvedColour[] =>
  isGradientPaint(paint) ? paint.stops.map(({ color }) => color) : [paint]

/** Every colour that shapes are painted in on a ground, by its six digits. */
export const coloursOf = (shapes: readonly Shape[], ground: 'light' | 'dark' = 'light'): string[] => [
  ...new Set(
    shapes.flatMap(({ fill, stroke }) =>
      [fill, stroke?.paint].flatMap((paint) => (paint ? coloursIn(paint).map((one) => one[ground].slice(0, 7)) : [])),
    ),
  ),
]
