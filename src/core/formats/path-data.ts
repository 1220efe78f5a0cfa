import { arcCentre } from '../geometry/arc'
import type { Contour, Path } from '../geometry/path'
import type { Arc, Segment } from '../geometry/segment'
import { rounded, shortNumber } from './number'

/** Digits after the point that keep every coordinate within 0.0005. */
export const PRECISION = 3

/**
 * A path as SVG path data (SVG 2 §9.3) in its shortest form: of absolute and relative, the shorter for each command;
 * repeated letters and needless separators left out, but for the ones after the flags of an arc, which not every reader
 * can do without. Relative steps start from the rounded place, so that errors do not add up.
 */
export function pathData(path: Path, digits = PRECISION): string {
  const writer = new PathWriter(digits)
  for (const contour of path) writer.contour(contour)
  return writer.text
}

const texts = new Map<number, WeakMap<Path, string>>()

/** The path data of a path, remembered for it. */
export function rememberedPathData(path: Path, digits = PRECISION): string {
  let known = texts.get(digits)
  if (!known) texts.set(digits, (known = new WeakMap()))
  let text = known.get(path)
  if (text === undefined) known.set(path, (text = pathData(path, digits)))
  return text
}

class PathWriter {
  text = ''
  private letter = ''
  private x = 0
  private y = 0
  /** Whether the last number written has a point, so that another fraction may follow it without a separator. */
  private pointed = false

  constructor(private readonly digits: number) {}

  contour({ segments, closed }: Contour): void {
    if (segments.length === 0) return
    const { from } = segments[0]!
    const startX = rounded(from.x, this.digits),
      startY = rounded(from.y, this.digits)
    this.command('M', [from.x, from.y], XY)
    const last = segments.length - 1
    segments.forEach((segment, i) => {
      // Closing draws the last straight side by itself.
      if (!(closed && i === last && segment.kind === 'line')) this.segment(segment)
    })
    if (!closed) return
    this.text += 'z'
    this.letter = 'z'
    this.x = startX
    this.y = startY
  }

  private segment(segment: Segment): void {
    const { x, y } = segment.to
    switch (segment.kind) {
      case 'line':
        if (rounded(y, this.digits) === this.y) this.command('H', [x], X)
        else if (rounded(x, this.digits) === this.x) this.command('V', [y], Y)
        else this.command('L', [x, y], XY)
        return
      case 'cubic':
        this.command('C', [segment.c1.x, segment.c1.y, segment.c2.x, segment.c2.y, x, y], XYXYXY)
        return
      case 'arc': {
        const turn = segment.rx === segment.ry ? 0 : (segment.turn * 180) / Math.PI
        const [rx, ry] = writtenRadii(
          segment,
          this.x,
          this.y,
          rounded(x, this.digits),
          rounded(y, this.digits),
          this.digits,
        )
        this.command(
          'A',
          [rx, ry, turn, segment.large ? 1 : 0, segment.sweep ? 1 : 0, x, y],
          ARC,
          rx === rounded(rx, this.digits) ? this.digits : FINE,
        )
      }
    }
  }

  /** Writes one command, absolute or relative, whichever is shorter. */
  private command(letter: string, numbers: readonly number[], axes: readonly Axis[], radiusDigits = this.digits): void {
    const absolute = this.written(letter, numbers, axes, false, radiusDigits)
    const relative = this.text === '' ? absolute : this.written(letter.toLowerCase(), numbers, axes, true, radiusDigits)
    const { name, text, pointed } = absolute.text.length <= relative.text.length ? absolute : relative
    this.text += text
    this.letter = name
    this.pointed = pointed
    for (let i = Math.max(0, numbers.length - 2); i < numbers.length; i++) {
      if (axes[i] === 0) this.x = rounded(numbers[i]!, this.digits)
      if (axes[i] === 1) this.y = rounded(numbers[i]!, this.digits)
    }
  }

  private written(
    name: string,
    numbers: readonly number[],
    axes: readonly Axis[],
    relative: boolean,
    radiusDigits: number,
  ): { name: string; text: string; pointed: boolean } {
    const implied =
      name === this.letter || (name === 'L' && this.letter === 'M') || (name === 'l' && this.letter === 'm')
    let text = implied ? '' : name,
      pointed = this.pointed
    for (let i = 0; i < numbers.length; i++) {
      const axis = axes[i]!
      const value =
        relative && axis !== null ? rounded(numbers[i]!, this.digits) - (axis === 0 ? this.x : this.y) : numbers[i]!
      const number = shortNumber(value, axis === null && i < 2 ? radiusDigits : this.digits)
      // No separator is needed after a letter, before a minus, nor before a point that ends another fraction.
      const bare = (i === 0 && !implied) || number.startsWith('-') || (number.startsWith('.') && pointed)
      text += bare ? number : ` ${number}`
      pointed = number.includes('.')
    }
    return { name, text, pointed }
  }
}

/** Which numbers of a command are x (0) or y (1) coordinates and so may be relative. */
type Axis = 0 | 1 | null
const X: readonly Axis[] = [0],
  Y: readonly Axis[] = [1],
  XY: readonly Axis[] = [0, 1],
  XYXYXY: readonly Axis[] = [0, 1, 0, 1, 0, 1]
const ARC: readonly Axis[] = [null, null, null, null, null, 0, 1]

/** Digits of the radii of arcs that those of the coordinates would move. */
const FINE = 9

/**
 * The radii to write for an arc whose ends are rounded: as they are where the arc then bulges as far as it should,
 * within half of the last digit; else such that it does. Near half a turn a chord that is rounded shorter would move
 * the middle of the arc by the root of what is missing; radii too small for the chord are grown to it by every reader
 * (SVG 2, B.2.5), which makes exactly half a turn.
 */
function writtenRadii(arc: Arc, x0: number, y0: number, x1: number, y1: number, digits: number): [number, number] {
  const { rx, ry, extent } = arcCentre(arc)
  const cos = Math.cos(arc.turn),
    sin = Math.sin(arc.turn)
  const dx = (x1 - x0) / 2,
    dy = (y1 - y0) / 2
  // In the axes in which the ellipse is the unit circle: half the chord, and how far the arc bulges from it.
  const half = Math.hypot((cos * dx + sin * dy) / rx, (cos * dy - sin * dx) / ry),
    bulge = 1 - Math.cos(extent / 2)
  const off = (k: number) =>
    (k <= half ? half : bulge > 1 ? k + Math.sqrt(k * k - half * half) : k - Math.sqrt(k * k - half * half)) - bulge
  const near = (k: number) => Math.abs(off(k)) * Math.max(rx, ry) <= 0.5 / 10 ** digits
  const plain = rounded(rx, digits)
  if (near(plain / rx) || !(bulge > 0)) return [plain, rounded(ry, digits)]
  if (near(half)) {
    const down = 10 ** digits,
      k = Math.floor(half * rx * down - 1e-6) / down / rx
    return rx === ry ? [k * rx, k * rx] : [rounded(k * rx, digits), rounded(k * ry, digits)]
  }
  const k = (half * half + bulge * bulge) / (2 * bulge)
  return [k * rx, k * ry]
}
