import { z } from 'zod'
import type { ResolvedColour, ResolvedPaint, ResolvedShadow, ResolvedStroke } from '../../drawing/model/resolved'
import { type GroupEffect, type Run, runsOf, type Shape } from '../../drawing/scene/shape'
import { Cap, Join } from '../../drawing/model/style'
import { pathData } from '../../formats/path-data'
import { isGradientPaint } from '../tone'

const Opacity = z.number().min(0).max(1).optional().describe('1 where it is left out')
const Point = z.strictObject({ x: z.number(), y: z.number() })

const Colour = z.strictObject({
  name: z.string().optional().describe('its name in the palette'),
  light: z.string().describe('#rrggbb or #rrggbbaa, on light ground'),
  dark: z.string().optional().describe('on dark ground, where that is another'),
  ink: z.literal(true).optional().describe('the colour of the text around it, where the ground is not known'),
  opacity: Opacity,
})
const stops = z.array(z.strictObject({ at: z.number().min(0).max(1), color: Colour }))
const Linear = z.strictObject({ kind: z.literal('linear'), from: Point, to: Point, stops, opacity: Opacity })
const Radial = z.strictObject({
  kind: z.literal('radial'),
  map: z.array(z.number()).length(6).describe('brings the unit circle to where the gradient ends: a, b, c, d, e, f'),
  focus: Point.describe('where it begins, in the unit circle'),
  stops,
  opacity: Opacity,
})
const Paint = z.union([Colour, Linear, Radial])

const Stroke = z.strictObject({
  paint: Paint,
  width: z.number().positive(),
  cap: Cap,
  join: Join,
  miterLimit: z.number(),
  dash: z.array(z.number()).optional(),
  dashOffset: z.number().optional(),
})

const Shadow = z.strictObject({
  x: z.number(),
  y: z.number(),
  blur: z.number().describe('twice the standard deviation'),
  color: Colour,
})

/** A shape, or several under one opacity, mask and shadow; from the lowest up. */
export type Item =
  | {
      readonly d: string
      readonly fill?: z.infer<typeof Paint> | undefined
      readonly stroke?: z.infer<typeof Stroke> | undefined
    }
  | {
      readonly items: readonly Item[]
      readonly opacity?: number | undefined
      readonly mask?: readonly Item[] | undefined
      readonly shadow?: z.infer<typeof Shadow> | undefined
    }

const Item: z.ZodType<Item> = z.lazy(() =>
  z.union([
    z.strictObject({
      d: z.string().describe('path data of SVG, filled by the nonzero rule'),
      fill: Paint.optional(),
      stroke: Stroke.optional(),
    }),
    z.strictObject({
      items: z.array(Item),
      opacity: Opacity,
      mask: z.array(Item).optional().describe('what shows of them, as opaque as this is'),
      shadow: Shadow.optional(),
    }),
  ]),
)

const Drawing = z.strictObject({
  grid: z.number().describe('the side of its square, in units'),
  sizes: z.array(z.number()).describe('the sizes in pixels that are delivered of it'),
  items: z.array(Item).describe('what is painted, from the lowest up'),
})

/** The icons of a set for programs: how they are found, and all that is needed to draw them. */
export const IconsFile = z.strictObject({
  $schema: z.string(),
  version: z.literal(2),
  set: z.string(),
  icons: z.array(
    z.strictObject({
      name: z.string(),
      aliases: z.array(z.string()),
      tags: z.array(z.string()),
      rtl: z
        .union([z.enum(['mirrored', 'kept']), z.strictObject({ icon: z.string() })])
        .optional()
        .describe('what it is where text runs from right to left: its mirror image, the same, or the icon of a name'),
      code: z.string().describe('its code point in the icon font, in hexadecimal'),
      drawings: z.array(Drawing).min(1).describe('on the grid of the set, then on further grids'),
    }),
  ),
})
export type IconsFile = z.infer<typeof IconsFile>

const fine = (value: number): number => Math.round(value * 1e6) / 1e6
const finePoint = ({ x, y }: { readonly x: number; readonly y: number }) => ({ x: fine(x), y: fine(y) })
const opaque = (opacity: number) => (opacity < 1 ? { opacity: fine(opacity) } : {})

const colour = ({ name, light, dark, ink, opacity }: ResolvedColour): z.infer<typeof Colour> => ({
  ...(name && { name }),
  light,
  ...(dark !== light && { dark }),
  ...(ink && { ink }),
  ...opaque(opacity),
})

function paint(one: ResolvedPaint): z.infer<typeof Paint> {
  if (!isGradientPaint(one)) return colour(one)
  const shared = {
    stops: one.stops.map((stop) => ({ at: stop.at, color: colour(stop.color) })),
    ...opaque(one.opacity),
  }
  return one.kind === 'linear'
    ? { kind: 'linear', from: finePoint(one.from), to: finePoint(one.to), ...shared }
    : { kind: 'radial', map: one.map.map(fine), focus: finePoint(one.focus), ...shared }
}

const stroke = ({
  paint: of,
  width,
  cap,
  join,
  miterLimit,
  dash,
  dashOffset,
}: ResolvedStroke): z.infer<typeof Stroke> => ({
  paint: paint(of),
  width: fine(width),
  cap,
  join,
  miterLimit,
  ...(dash && { dash: dash.map(fine) }),
  ...(dashOffset && { dashOffset: fine(dashOffset) }),
})

const shadow = ({ x, y, blur, color }: ResolvedShadow): z.infer<typeof Shadow> => ({ x, y, blur, color: colour(color) })

const group = ({ opacity, mask, shadow: cast }: GroupEffect) => ({
  ...opaque(opacity),
  ...(mask && { mask: described(mask) }),
  ...(cast && { shadow: shadow(cast) }),
})

const item = (run: Run): Item =>
  'runs' in run
    ? { items: run.runs.map(item), ...group(run.effect) }
    : {
        d: pathData(run.path),
        ...(run.fill && { fill: paint(run.fill) }),
        ...(run.stroke && { stroke: stroke(run.stroke) }),
      }

/** Shapes for programs, from the lowest up. */
export const described = (shapes: readonly Shape[]): Item[] => runsOf(shapes).map(item)
