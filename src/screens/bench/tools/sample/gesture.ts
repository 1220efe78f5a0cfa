import { styleOf } from '@/core/drawing/scene/shared-style'
import type { Point } from '@/core/geometry/point'
import { pixelAt } from '@/core/drawing/model/reference'
import { paintAt } from '@/core/drawing/edit/paint'
import { stopsOf } from '@/core/drawing/model/values'
import { shareAt } from '@/core/drawing/model/gradient'
import { evaluateAll } from '@/core/drawing/evaluate/evaluate'
import { isStyled } from '@/core/drawing/objects/object'
import { isGradient } from '@/core/drawing/model/paint'
import { hits } from '@/core/drawing/evaluate/pick'
import { hex, sampled } from '@/core/proof/picture'
import { say } from '@/ui/notice'
import type { Bench } from '../../state/bench'
import { hexOf, paintable, putColour } from '../../operations/paints'
import { pixelsNow, pixelsOf } from '../../operations/pictures'
import { referenceAt } from '../../operations/references'
import type { At, Tool } from '../tool'
import { slice } from '../../state/slice'
import { LOUPE, type Sample } from '../../state/sample'

/** Colours that were sampled, the latest first, and over how many pixels along a side each is the average. */
export const SAMPLE = slice('sample', { sampled: [] as readonly string[], sampleSide: 1 as 1 | 3 | 5 | 11 })

/**
 * Takes the colour under the pointer into the paint or the stop in hand: of a reference its own pixels, whatever lies
 * above; of an object its swatch.
 */
export function sampleTool(bench: Bench): Tool {
  const look = (at: At) => {
    const sample = sampleAt(bench, at.p, at.alt)
    bench.hold({
      drawn: sample ? [{ as: 'loupe', at: at.p, side: bench.read(SAMPLE).sampleSide, ...sample }] : [],
    })
  }
  return {
    cursor: 'crosshair',
    hint: 'Press: the colour goes into the paint or stop in hand · Alt: of the object, not of the picture below',
    hover: look,
    press(at) {
      const reference = at.alt ? null : referenceAt(bench, at.p)
      // The first press on a picture waits for its pixels.
      if (reference && !pixelsNow(reference.picture)) void pixelsOf(reference.picture).then(() => take(bench, at))
      else take(bench, at)
      return null
    },
  }
}

function take(bench: Bench, at: At): void {
  const sample = sampleAt(bench, at.p, at.alt)
  if (!sample) return say({ text: 'There is no reference and no painted object here to take a colour from.' })
  const before = bench.read(SAMPLE).sampled.filter((color) => color !== sample.color)
  bench.put(SAMPLE, { sampled: [sample.color, ...before].slice(0, 12) })
  if (paintable(bench).length > 0) putColour(bench, sample.color)
  else
    say({
      text: `${sample.color} is among the sampled colours. Select objects, and it goes straight into their paint.`,
    })
}

/** What the sampler would take at a place. */
export function sampleAt(bench: Bench, p: Point, ofObject: boolean): Sample | null {
  const reference = ofObject ? null : referenceAt(bench, p)
  if (!reference) return objectSample(bench, p)
  const picture = pixelsNow(reference.picture)
  if (!picture) return null
  const at = pixelAt(reference, p),
    color = sampled(picture, at, bench.read(SAMPLE).sampleSide)
  if (!color) return null
  const reach = (LOUPE - 1) / 2
  const pixels = Array.from({ length: LOUPE * LOUPE }, (_, i) =>
    sampled(
      picture,
      { x: Math.floor(at.x) + (i % LOUPE) - reach, y: Math.floor(at.y) + Math.floor(i / LOUPE) - reach },
      1,
    ),
  )
  return { color, from: reference.name, pixels }
}

/** The paint of the uppermost object there: its swatch by name, of a gradient the colour of the place. */
function objectSample(bench: Bench, p: Point): Sample | null {
  const hit = hits(bench.objects, bench.scene, p, 0).find(
    ({ object }) => isStyled(object) && evaluateAll([object], bench.scene).length > 0,
  )
  if (!hit || !isStyled(hit.object)) return null
  const { name } = hit.object,
    style = styleOf(hit.object, bench.scene)
  const top = style.fills?.length ? paintAt(style, style.fills.length - 1) : undefined
  const paint = top !== undefined && top !== 'none' ? top : style.fill !== 'none' ? style.fill : style.stroke
  if (paint === 'none') return null
  if (!isGradient(paint)) return { color: paint, from: name, pixels: null }
  const stops = stopsOf(paint, bench.rules),
    share = shareAt(paint, p)
  const after = stops.findIndex(({ at }) => at >= share)
  if (after <= 0) return { color: stops[after === 0 ? 0 : stops.length - 1]!.color, from: name, pixels: null }
  const a = stops[after - 1]!,
    b = stops[after]!,
    k = b.at > a.at ? (share - a.at) / (b.at - a.at) : 1
  const [from, to] = [hexOf(bench, a.color), hexOf(bench, b.color)].map((color) =>
    [1, 3, 5].map((i) => Number.parseInt(color.slice(i, i + 2), 16)),
  )
  const [r, g, blue] = from!.map((value, i) => value + (to![i]! - value) * k)
  return { color: hex(r!, g!, blue!), from: name, pixels: null }
}
