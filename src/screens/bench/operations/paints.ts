import { PAINT } from '../state/paint-in-hand'
import { extentOf } from '@/core/drawing/evaluate/extent'
import {
  type PaintPlace,
  paintAt,
  recoloured,
  paintedAnew,
  type Painted,
  paintedWithin,
  withPaintAt,
} from '@/core/drawing/edit/paint'
import { freshGradient } from '@/core/drawing/model/gradient'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { type Gradient, isGradient, type Paint, type Stop } from '@/core/drawing/model/paint'
import type { Style } from '@/core/drawing/model/style'
import { colourOf, INK, stopsOf } from '@/core/drawing/model/values'
import { contrast } from '@/core/proof/contrast'
import type { Rules } from '@/core/rules/rules'
import { outermost } from '@/core/drawing/objects/tree'
import { say } from '@/ui/notice'
import { commit } from '../../session/session'
import type { Bench } from '../state/bench'
import { PATCHWORK } from './patchwork'

/** The selected paints that can be changed; of a patchwork the shape in hand, or all. */
export function paintable(bench: Bench): Painted[] {
  const painted = paintedWithin(bench.free, bench.scene),
    open = bench.one('patchwork'),
    inHand = open ? open.swept.findIndex(({ id }) => id === bench.read(PATCHWORK).shape) : -1
  return inHand < 0 ? painted : painted.filter(({ of, shape }) => of.id !== open!.id || shape === inHand)
}

function title(painted: readonly Painted[]): string {
  const objects = new Set(painted.map(({ of }) => of.id))
  return objects.size === 1 ? painted[0]!.name : `${objects.size} objects`
}

/** Changes the style of every painted object of the selection. */
export function changeStyles(bench: Bench, change: (style: Style, one: Painted) => Style, what: string): void {
  const painted = paintable(bench)
  if (painted.length === 0) return say({ text: 'Select a painted object first.' })
  bench.edit(
    { kind: 'replace', objects: paintedAnew(painted, (one) => change(one.style, one)) },
    `Set ${what} of ${title(painted)}`,
  )
}

const WORDS = (place: PaintPlace): string => (typeof place === 'number' ? 'an upper fill' : `the ${place}`)

export function setPaint(bench: Bench, place: PaintPlace, change: { paint?: Paint; opacity?: number }): void {
  changeStyles(bench, (style) => withPaintAt(style, place, change), WORDS(place))
}

/** Gives every object a gradient over its own box, from its former paint. */
export function makeGradient(bench: Bench, place: PaintPlace, kind: Gradient['kind']): void {
  changeStyles(
    bench,
    (style, { of }) => {
      const paint = paintAt(style, place)
      const box = extentOf([of], bench.scene)!
      const stops = paint !== undefined && isGradient(paint) ? paint.stops : firstStops(paint, bench.rules)
      return withPaintAt(style, place, { paint: { ...freshGradient(kind, box, []), stops } })
    },
    WORDS(place),
  )
}

/** From the colour that was there to the palette colour that differs most from it; both opaque. */
function firstStops(paint: Paint | undefined, rules: Rules): Stop[] {
  const color = typeof paint === 'string' && paint !== 'none' ? paint : INK
  const from = colourOf(color, rules).light.slice(0, 7)
  const others = rules.palette.filter(({ name }) => name !== color)
  const to = others.reduce<{ name: string; by: number } | null>((best, { name, color: other }) => {
    const by = contrast(other.slice(0, 7), from)
    return best && best.by >= by ? best : { name, by }
  }, null)
  return [
    { at: 0, color },
    { at: 1, color: to?.name ?? '#ffffff' },
  ]
}

/** The gradient of the one selected object, if any; with the preview of a drag. */
export function gradientInHand(
  bench: Bench,
  asShown = false,
): { painted: Painted; place: PaintPlace; gradient: Gradient } | null {
  const { panel, selection } = bench.store.getState(),
    { place } = bench.read(PAINT)
  const [painted, ...more] = asShown
    ? paintedWithin(outermost(bench.shownObjects, selection), bench.scene)
    : paintable(bench)
  if (!painted || more.length > 0 || panel !== 'colours') return null
  const paint = paintAt(painted.style, place)
  return paint !== undefined && isGradient(paint) ? { painted, place, gradient: paint } : null
}

/** The objects with another gradient at a place. */
export const withGradient = (painted: Painted, place: PaintPlace, gradient: Gradient): DrawingObject[] =>
  paintedAnew([painted], ({ style }) => withPaintAt(style, place, { paint: gradient }))

/** Stops changed into the object's own, whether they were its own or came by a name. */
export function setStops(
  bench: Bench,
  place: PaintPlace,
  change: (stops: readonly Stop[]) => Stop[],
  what: string,
): void {
  changeStyles(
    bench,
    (style) => {
      const paint = paintAt(style, place)
      return paint !== undefined && isGradient(paint)
        ? withPaintAt(style, place, { paint: { ...paint, stops: change(stopsOf(paint, bench.rules)) } })
        : style
    },
    what,
  )
}

/** Puts a colour where colours go: into the gradient stop in hand, or the paint in hand. */
export function putColour(bench: Bench, color: string): void {
  const { place, stop } = bench.read(PAINT)
  const [first] = paintable(bench)
  const paint = first && paintAt(first.style, place)
  if (stop !== null && paint !== undefined && isGradient(paint))
    setStops(bench, place, (stops) => stops.map((one, i) => (i === stop ? { ...one, color } : one)), 'a stop')
  else setPaint(bench, place, { paint: color })
}

export function recolour(bench: Bench, to: ReadonlyMap<string, string>): void {
  const painted = paintable(bench)
  bench.edit(
    { kind: 'replace', objects: paintedAnew(painted, ({ style }) => recoloured(style, to)) },
    `Recolour ${title(painted)}`,
  )
}

/** The hexadecimal digits of a colour on light ground, without its opacity. */
export const hexOf = (bench: Bench, color: string): string => colourOf(color, bench.rules).light.slice(0, 7)

/** How many swatches, and how many gradients, a palette may have. */
const MOST = 64

/**
 * Adds a colour to the palette of the rules under the first free name, which it gives; of a full palette the colour
 * itself.
 */
export function addSwatch(bench: Bench, color: string): string {
  const rules = bench.setRules
  if (rules.palette.length >= MOST) {
    say({ text: `The palette has ${MOST} swatches, the most it may have.` })
    return color
  }
  let n = 1
  while (rules.palette.some(({ name }) => name === `colour-${n}`)) n++
  const name = `colour-${n}`
  commit(
    bench.session,
    {
      kind: 'rules',
      rules: { ...rules, palette: [...rules.palette, { name, color: color.slice(0, 7) }] },
      renames: [],
    },
    `Add ${name} to the palette`,
  )
  return name
}

/** Adds stops to the palette as a gradient with a name; the objects refer to it from then on. */
export function nameGradient(bench: Bench, place: PaintPlace): void {
  const rules = bench.setRules
  const found = gradientInHand(bench)
  if (!found || typeof found.gradient.stops === 'string') return
  const all = rules.gradients ?? []
  if (all.length >= MOST) return say({ text: `The palette has ${MOST} gradients, the most it may have.` })
  let n = 1
  while (all.some(({ name }) => name === `gradient-${n}`)) n++
  const name = `gradient-${n}`
  commit(
    bench.session,
    { kind: 'rules', rules: { ...rules, gradients: [...all, { name, stops: found.gradient.stops }] }, renames: [] },
    `Add ${name} to the palette`,
  )
  setPaint(bench, place, { paint: { ...found.gradient, stops: name } })
}
