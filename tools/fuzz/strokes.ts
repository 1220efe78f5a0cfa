// Strokes real line icons, whole and in pairs, under random maps, widths, caps, joins and dashes, and compares each
// outline with the rasteriser's own stroking: npm run fuzz:strokes -- COUNT SEED. Where they differ, what a stroke is by
// definition decides: if that is what we outlined, it was the rasteriser's stroking of the curves that was at fault (it
// leaves out parts of what lies beyond the centre of a tight turn, and measures dashes loosely).
import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { pathData } from '../../src/core/formats/path-data'
import { readPathData } from '../../src/core/formats/path-reader'
import { type Path, transformPath } from '../../src/core/geometry/path'
import { compose, type Transform } from '../../src/core/geometry/transform'
import type { Stroke } from '../../src/core/outline/line-style'
import { strokedArea } from '../../src/core/outline/stroking'
import { coverage, difference, document } from '../../src/testing/coverage'
import { pathsOf } from '../../src/testing/icon-paths'
import { swept } from '../../src/testing/swept'

/** Pictures of 256 pixels, each from a block of the rasteriser's; more than this share of the ink apart is a fault. */
const SIZE = 256,
  BLOCK = 4,
  MOST = 0.01
const [count = 1000, seed = 1] = process.argv.slice(2).map(Number)
const folder = join(
  dirname(createRequire(join(process.cwd(), 'package.json')).resolve('lucide-static/package.json')),
  'icons',
)
const files = readdirSync(folder)
  .filter((name) => name.endsWith('.svg'))
  .sort()
const read = (name: string): Path => pathsOf(readFileSync(join(folder, name), 'utf8')).flatMap(readPathData)

let state = seed >>> 0
/** The next of numbers from 0 to 1 that are the same for a seed (mulberry32). */
function next(): number {
  state = (state + 0x6d2b79f5) >>> 0
  let t = Math.imul(state ^ (state >>> 15), 1 | state)
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296
}
const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!
const between = (a: number, b: number) => a + next() * (b - a)

/** A map about the middle of the square; as often as not none, or one by whole steps. */
function randomMap(): Transform {
  const about = (map: Transform): Transform => compose([1, 0, 0, 1, 12, 12], compose(map, [1, 0, 0, 1, -12, -12]))
  const kind = next()
  if (kind < 0.3) return [1, 0, 0, 1, 0, 0]
  if (kind < 0.4) return [1, 0, 0, 1, pick([-1, -0.5, 0.5, 1]), pick([-1, 0.5, 1])]
  const turn = between(0, 2 * Math.PI),
    cos = Math.cos(turn),
    sin = Math.sin(turn),
    scale = between(0.5, 1.1)
  const rotation: Transform = [cos * scale, sin * scale, -sin * scale, cos * scale, between(-2, 2), between(-2, 2)]
  return about(kind < 0.75 ? rotation : compose(rotation, [1, 0, between(-0.4, 0.4), between(0.7, 1.2), 0, 0]))
}

type Case = { readonly names: readonly string[]; readonly path: Path; readonly stroke: Stroke }

function randomCase(i: number): Case {
  const names = [files[i % files.length]!, ...(next() < 0.3 ? [pick(files)] : [])]
  const path = names.flatMap((name) => transformPath(read(name), randomMap()))
  const isPlain = next() < 0.5
  return {
    names,
    path,
    stroke: {
      width: isPlain ? 2 : pick([0.5, 0.75, 1, 1.25, 1.5, 2, 2.5, 3, 4]),
      cap: isPlain ? 'round' : pick(['butt', 'round', 'square'] as const),
      join: isPlain ? 'round' : pick(['miter', 'round', 'bevel'] as const),
      miterLimit: 4,
      ...(next() < 0.15 && { dash: pick([[3, 2], [1], [4, 1, 0.5, 1]]), dashOffset: between(-3, 3) }),
    },
  }
}

/**
 * Our outline: all contours together where ends that meet are round; else one by one, because we join ends that meet
 * and the rasteriser does not.
 */
function outlineOf({ path, stroke }: Case): Path {
  if (stroke.cap === 'round' && stroke.join === 'round') return strokedArea(path, stroke)
  return path.flatMap((contour) => strokedArea([contour], stroke))
}

/** What the rasteriser paints of a path that it strokes. */
function stroked(path: Path, stroke: Stroke): Float64Array {
  const dash = stroke.dash
    ? ` stroke-dasharray="${stroke.dash.join(' ')}" stroke-dashoffset="${stroke.dashOffset}"`
    : ''
  return coverage(
    document(
      `<path d="${pathData(path, 6)}" fill="none" stroke="#000" stroke-width="${stroke.width}" stroke-linecap="${stroke.cap}" stroke-linejoin="${stroke.join}"${dash}/>`,
    ),
    SIZE,
    BLOCK,
  )
}

let failed = 0,
  refused = 0,
  excused = 0,
  spent = 0,
  worst = 0
for (let i = 0; i < count; i++) {
  const one = randomCase(i),
    { names, path, stroke } = one
  const said = `case ${i} ${names.join(' + ')} ${JSON.stringify(stroke)}`
  const start = performance.now()
  let outline: Path
  try {
    outline = outlineOf(one)
  } catch (error) {
    refused++
    console.log(`${said}: refused, ${String(error)}`)
    continue
  } finally {
    spent += performance.now() - start
  }
  const painted = coverage(document(`<path d="${pathData(outline, 6)}"/>`), SIZE, BLOCK)
  const off = difference(stroked(path, stroke), painted)
  if (off <= MOST) worst = Math.max(worst, off)
  else {
    const defined = coverage(document(`<path d="${swept(path, stroke)}"/>`), SIZE, BLOCK)
    const again = difference(defined, painted)
    const isOurs = again > MOST
    if (isOurs) failed++
    else excused++
    console.log(
      `${said}: ${(100 * off).toFixed(2)} % of ink, by definition ${(100 * again).toFixed(2)} %${isOurs ? '' : ': the rasteriser’s curves'}`,
    )
  }
}
console.log(
  `${count} cases from seed ${seed}: ${failed} off by more than 1 % of ink, ${excused} where the rasteriser’s stroking of curves is at fault, ${refused} refused, else the worst ${(100 * worst).toFixed(2)} %, outlines in ${Math.round(spent)} ms`,
)
process.exitCode = failed > 0 ? 1 : 0
