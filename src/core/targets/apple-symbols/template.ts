import { element, SVG } from '../../formats/markup'
import { pathData } from '../../formats/path-data'
import { number } from '../../picture/svg-paint'
import { type Path, pathBounds, transformPath } from '../../geometry/path'

/** The side of a template’s canvas, its version, and where the line of the small scale stands on it, baseline and capitals. */
const CANVAS = { w: 3300, h: 2200 },
  VERSION = 'Template v.3.0',
  BASELINES = { S: 696, M: 1126, L: 1556 },
  CAPITALS = 70.459

/** The middle of the regular column, across. */
const COLUMN = 1450
/** The side of an icon’s square beside capitals of that height: a glyph of the platform is about as tall as its square’s live area. */
const SIDE = 100
/** Room on both sides of the ink, and above and below the lines that margins are, in units of the template. */
const MARGIN = 5,
  BEYOND = 24.432

/** Where a path on a square lies in the symbol: from the margin to the right, its middle on that of the capitals. */
function placed(path: Path, grid: number): { readonly path: Path; readonly advance: number } {
  const scale = SIDE / grid,
    box = pathBounds(path) ?? { x: 0, y: 0, w: grid, h: grid }
  const x = MARGIN - box.x * scale,
    y = -CAPITALS / 2 - (grid / 2) * scale
  return { path: transformPath(path, [scale, 0, 0, scale, x, y]), advance: box.w * scale + 2 * MARGIN }
}

const line = (id: string, [x1, y1]: readonly [number, number], [x2, y2]: readonly [number, number]): string =>
  element('line', {
    id,
    style: 'fill:none;stroke:#27AAE1;stroke-width:0.5',
    x1: number(x1),
    x2: number(x2),
    y1: number(y1),
    y2: number(y2),
  })

/** A shape as the one variant of a symbol template, regular and small, with its margins; all else is made of that. */
export function symbolTemplate(shape: Path, grid: number): string {
  const { path, advance } = placed(shape, grid)
  const left = COLUMN - advance / 2,
    top = BASELINES.S - CAPITALS - BEYOND,
    bottom = BASELINES.S + BEYOND
  const guides = Object.entries(BASELINES).flatMap(([scale, y]) => [
    line(`Baseline-${scale}`, [263, y], [3036, y]),
    line(`Capline-${scale}`, [263, y - CAPITALS], [3036, y - CAPITALS]),
  ])
  const margins = [
    line('left-margin-Regular-S', [left, top], [left, bottom]),
    line('right-margin-Regular-S', [left + advance, top], [left + advance, bottom]),
  ]
  const symbol = element(
    'g',
    { id: 'Regular-S', transform: `matrix(1 0 0 1 ${number(left)} ${number(BASELINES.S)})` },
    element('path', { d: pathData(path) }),
  )
  const version = `<text id="template-version" style="stroke:none;fill:black;font-family:sans-serif;font-size:13" transform="matrix(1 0 0 1 3036 1933)">${VERSION}</text>`
  return `${element(
    'svg',
    {
      xmlns: SVG,
      version: '1.1',
      width: String(CANVAS.w),
      height: String(CANVAS.h),
      viewBox: `0 0 ${CANVAS.w} ${CANVAS.h}`,
    },
    `\n${element('g', { id: 'Notes' }, version)}\n${element('g', { id: 'Guides' }, [...guides, ...margins].join(''))}\n${element('g', { id: 'Symbols' }, symbol)}\n`,
  )}\n`
}
