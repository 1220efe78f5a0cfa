import { z } from 'zod'
import { Fill, Opacity, Paint, ValueName } from './paint'

export const Cap = z.enum(['butt', 'round', 'square'])
export const Join = z.enum(['miter', 'round', 'bevel'])

/** A stroke weight in grid units, or the name of one in the rules. */
export const Weight = z.union([ValueName, z.number().positive().max(1000)])

/** A corner radius in grid units, 0 for a sharp corner, or the name of one in the rules. */
export const Radius = z.union([ValueName, z.number().min(0).max(10000)])

/** Form of a finished corner. */
export const CornerStyle = z.enum(['round', 'bevel', 'scoop', 'notch', 'squircle'])

/** Form of a line end: a filled arrow, an open one, a bar, a dot. */
export const Head = z.enum(['arrow', 'open', 'bar', 'dot'])

/** Side of closed contours on which a stroke is, if not on centre. */
const StrokeSide = z.enum(['inside', 'outside'])

/** Lengths drawn and left out by turns, in grid units. */
const Dash = z
  .array(z.number().min(0).max(1000))
  .min(1)
  .max(12)
  .refine((lengths) => lengths.some((length) => length > 0), 'A dash needs a length above 0.')

/**
 * Style of an object. A missing cap, join or miter limit follows the rules. `fills` are painted over the fill, in
 * order.
 */
export const Style = z.strictObject({
  fill: Paint,
  fillOpacity: Opacity.optional(),
  fills: z.array(Fill).min(1).max(16).optional(),
  stroke: Paint,
  strokeOpacity: Opacity.optional(),
  weight: Weight,
  cap: Cap.optional(),
  join: Join.optional(),
  miterLimit: z.number().min(1).max(100).optional(),
  side: StrokeSide.optional(),
  dash: Dash.optional(),
  dashOffset: z.number().min(-1000).max(1000).optional(),
  startHead: Head.optional(),
  endHead: Head.optional(),
  /** The stroke lies under the fills. */
  strokeFirst: z.literal(true).optional(),
})

/** The finish of the rules that has this name, which several objects share. */
export const SharedStyle = z.strictObject({ finish: ValueName })

/** How an object is painted: in a style of its own, or in one that it shares. */
export const Finish = z.union([Style, SharedStyle])

export type Cap = z.infer<typeof Cap>
export type Join = z.infer<typeof Join>
export type Weight = z.infer<typeof Weight>
export type Radius = z.infer<typeof Radius>
export type CornerStyle = z.infer<typeof CornerStyle>
export type Head = z.infer<typeof Head>
type StrokeSide = z.infer<typeof StrokeSide>
export type Style = z.infer<typeof Style>
export type SharedStyle = z.infer<typeof SharedStyle>
export type Finish = z.infer<typeof Finish>

export const isShared = (finish: Finish): finish is SharedStyle => 'finish' in finish

/** Every paint of a style, in the order in which they lie. */
export const paintsOf = ({ fill, fills = [], stroke }: Style): Paint[] => [
  fill,
  ...fills.map(({ paint }) => paint),
  stroke,
]

/** A style with each of its paints replaced; the same style when none changes. */
export function withPaints(style: Style, change: (paint: Paint) => Paint): Style {
  const paints = paintsOf(style),
    next = paints.map(change)
  if (next.every((paint, i) => paint === paints[i])) return style
  return {
    ...style,
    fill: next[0]!,
    stroke: next.at(-1)!,
    ...(style.fills && { fills: style.fills.map((fill, i) => ({ ...fill, paint: next[i + 1]! })) }),
  }
}
