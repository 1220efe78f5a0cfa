import { element, SVG } from '../../formats/markup'
import { pathData } from '../../formats/path-data'
import { number } from '../../picture/svg-paint'
import type { IconRenderer } from '../icon-renderer'
import { coloursOf, flat } from '../tone'
import { pictureOf } from '../../picture/picture'

/** The side that symbolic icons are drawn on, in pixels. */
export const SYMBOLIC = 16
/** The grey that symbolic icons have where nobody gives them a colour. */
const GREY = '#2e3436'

/** An icon as one filled shape, to be given the colour of text. */
export function symbolic(renderer: IconRenderer): string {
  const side = number(renderer.grid(SYMBOLIC)),
    path = renderer.emblem(SYMBOLIC)
  const own = { xmlns: SVG, width: `${SYMBOLIC}`, height: `${SYMBOLIC}`, viewBox: `0 0 ${side} ${side}` }
  return `${element('svg', own, element('path', { fill: GREY, d: pathData(path) }))}\n`
}

/** In how many colours the figure of an icon is painted, of which its symbolic variant has one. */
export const figureColours = (renderer: IconRenderer): number => coloursOf(renderer.layers(SYMBOLIC).figure).length

/** The symbolic variant beside text, on light and dark ground. */
export const symbolicPreviews = (renderer: IconRenderer) =>
  (['light', 'dark'] as const).map((on) => ({
    word: `symbolic, ${on}`,
    place: 'tool bar' as const,
    on,
    picture: pictureOf(
      [{ id: 'symbolic', path: renderer.emblem(SYMBOLIC), fill: flat(on === 'dark' ? '#ffffff' : GREY), stroke: null }],
      renderer.grid(SYMBOLIC),
      on,
    ),
  }))
