import { arcCentre } from '../geometry/arc'
import type { Contour, Path } from '../geometry/path'
import { type Arc, line, type Segment } from '../geometry/segment'
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

/**
 * The same in fewer characters: curves that are quadratic, or go on smoothly, by shorter commands. What is only filled is
 * closed by whoever fills it; a stroke with round ends and joins looks closed where it comes back to where it began.
 */
export function compactPathData(path: Path, painted: Painted, digits = PRECISION): string {
  const writer = new PathWriter(digits, painted)
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

/** How a path is painted, as far as it matters to how it is closed. */
export type Painted = 'filled' | 'stroked round' | 'stroked'

class PathWriter {
  text = ''
  private letter = ''
  private x = 0
  private y = 0
  /** Whether the last number written has a point, so that another fraction may follow it without a separator. */
  private pointed = false

  /** The control point that the next smooth curve begins with, by the curve before it; null where there is none. */
  private smooth: { readonly letter: 'C' | 'Q'; readonly x: number; readonly y: number } | null = null

  constructor(
    private readonly digits: number,
    private readonly compact: Painted | null = null,
  ) {}

  contour({ segments, closed }: Contour): void {
    if (segments.length === 0) return
    const { from } = segments[0]!
    const startX = rounded(from.x, this.digits),
      startY = rounded(from.y, this.digits)
    this.command('M', [from.x, from.y], XY)
    const last = segments.length - 1
    segments.forEach((segment, i) => {
      if (this.compact && segments.length > 1 && this.isNothing(segment)) return
      // Closing draws the last straight side by itself.
      if (!(closed && i === last && segment.kind === 'line')) this.segment(segment)
    })
    this.smooth = null
    // An arc of a whole turn is closed by whoever fills it as anything else is.
    const isBack = this.compact === 'stroked round' && segments[last]!.kind !== 'line'
    if (!closed || this.compact === 'filled' || isBack) return
    this.text += 'z'
    this.letter = 'z'
    this.x = startX
    this.y = startY
  }

  /** Whether a segment comes to a place alone at this precision. */
  private isNothing(segment: Segment): boolean {
    if (segment.kind === 'arc' && segment.large) return false
    const at = segment.kind === 'cubic' ? [segment.c1, segment.c2, segment.to] : [segment.to]
    return at.every(({ x, y }) => rounded(x, this.digits) === this.x && rounded(y, this.digits) === this.y)
  }

  /** A cubic by its shortest command. */
  private curve(segment: Extract<Segment, { kind: 'cubic' }>): void {
    const { from, c1, c2, to } = segment,
      { digits } = this,
      before = this.smooth
    if (isStraight(segment, 0.5 / 10 ** digits)) {
      this.smooth = null
      return this.segment(line(from, to))
    }
    const same = (x: number, y: number, letter: 'C' | 'Q') =>
      before?.letter === letter && rounded(x, digits) === before.x && rounded(y, digits) === before.y
    const q1 = { x: from.x + 1.5 * (c1.x - from.x), y: from.y + 1.5 * (c1.y - from.y) },
      q2 = { x: to.x + 1.5 * (c2.x - to.x), y: to.y + 1.5 * (c2.y - to.y) }
    const after = (letter: 'C' | 'Q', control: { x: number; y: number }) => {
      this.smooth = {
        letter,
        x: rounded(2 * rounded(to.x, digits) - rounded(control.x, digits), digits),
        y: rounded(2 * rounded(to.y, digits) - rounded(control.y, digits), digits),
      }
    }
    // As a quadratic it is off by less than a tenth of how far the two ends want its control point apart.
    if (Math.hypot(q1.x - q2.x, q1.y - q2.y) <= 5 / 10 ** digits) {
      const q = { x: (q1.x + q2.x) / 2, y: (q1.y + q2.y) / 2 }
      if (same(q.x, q.y, 'Q')) this.command('T', [to.x, to.y], XY)
      else this.command('Q', [q.x, q.y, to.x, to.y], XYXY)
      return after('Q', same(q.x, q.y, 'Q') ? before! : q)
    }
    if (same(c1.x, c1.y, 'C')) this.command('S', [c2.x, c2.y, to.x, to.y], XYXY)
    else this.command('C', [c1.x, c1.y, c2.x, c2.y, to.x, to.y], XYXYXY)
    after('C', c2)
  }

  private segment(segment: Segment): void {
    const { x, y } = segment.to
    if (segment.kind !== 'cubic') this.smooth = null
    switch (segment.kind) {
      case 'line':
        if (rounded(y, this.digits) === this.y) this.command('H', [x], X)
        else if (rounded(x, this.digits) === this.x) this.command('V', [y], Y)
        else this.command('L', [x, y], XY)
        return
      case 'cubic':
        if (this.compact) return this.curve(segment)
        this.command('C', [segment.c1.x, segment.c1.y, segment.c2.x, segment.c2.y, x, y], XYXYXY)
        return
      case 'arc': {
        if (this.compact && isFlat(segment, 0.5 / 10 ** this.digits))
          return this.segment(line(segment.from, segment.to))
        const turn = segment.rx === segment.ry ? 0 : (segment.turn * 180) / Math.PI
        const [rx, ry] = writtenRadii(
          segment,
          this.x,
          this.y,
          rounded(x, this.digits),
          rounded(y, this.digits),
          this.digits,
          this.compact ? 4 : 1,
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
    // From nowhere a relative move is the same, and the step after it goes without its letter.
    const isFirstStep = this.compact && letter === 'L' && /^M[^a-zA-Z]*$/.test(this.text) && this.letter === 'M'
    if (isFirstStep) this.letter = 'm'
    const relative = this.text === '' ? absolute : this.written(letter.toLowerCase(), numbers, axes, true, radiusDigits)
    const isRelative = relative.text.length - absolute.text.length < (this.compact ? 1 : 0)
    const { name, text, pointed } = isRelative ? relative : absolute
    if (isFirstStep && isRelative) this.text = `m${this.text.slice(1)}`
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

/** Whether an arc bulges no further from the line between its ends than a distance. */
function isFlat(arc: Arc, within: number): boolean {
  const { rx, ry, extent } = arcCentre(arc)
  return Math.max(rx, ry) * (1 - Math.cos(Math.min(Math.PI, extent / 2))) <= within
}

/** Whether a cubic is a straight line between its ends, within a distance. */
function isStraight({ from, c1, c2, to }: Extract<Segment, { kind: 'cubic' }>, within: number): boolean {
  const dx = to.x - from.x,
    dy = to.y - from.y,
    length = Math.hypot(dx, dy)
  return (
    length > 0 &&
    [c1, c2].every(({ x, y }) => {
      const along = ((x - from.x) * dx + (y - from.y) * dy) / length,
        off = ((x - from.x) * dy - (y - from.y) * dx) / length
      return Math.abs(off) <= within && along >= 0 && along <= length
    })
  )
}

/** Which numbers of a command are x (0) or y (1) coordinates and so may be relative. */
type Axis = 0 | 1 | null
const X: readonly Axis[] = [0],
  Y: readonly Axis[] = [1],
  XY: readonly Axis[] = [0, 1],
  XYXY: readonly Axis[] = [0, 1, 0, 1],
  XYXYXY: readonly Axis[] = [0, 1, 0, 1, 0, 1]
const ARC: readonly Axis[] = [null, null, null, null, null, 0, 1]

/** Digits of the radii of arcs that those of the coordinates would move. */
const FINE = 9

/**
 * The radii to write for an arc whose ends are rounded: as they are where the arc then bulges as far as it should,
 * within half of the last digit; else such that it does. Near half a turn a chord that is rounded shorter would move
 * the middle of the arc by the root of what is missing; radii too small for the chord are grown to it by every reader
 * (SVG 2, B.2.5), which makes exactly half a turn. `slack` is how many times as far off it may bulge.
 */
function writtenRadii(
  arc: Arc,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  digits: number,
  slack: number,
): [number, number] {
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
  const near = (k: number) => Math.abs(off(k)) * Math.max(rx, ry) <= (0.5 * slack) / 10 ** digits
  const plain = rounded(rx, digits)
  if (near(plain / rx) || !(bulge > 0)) return [plain, rounded(ry, digits)]
  if (near(half)) {
    const down = 10 ** digits,
      k = Math.floor(half * rx * down - 1e-6) / down / rx
    return rx === ry ? [k * rx, k * rx] : [rounded(k * rx, digits), rounded(k * ry, digits)]
  }
  const k = (half * half + bulge * bulge) / (2 * bulge)
  // As few digits as keep it there.
  for (let d = digits + 1; d < FINE; d++)
    if (near(rounded(k * rx, d) / rx)) return [rounded(k * rx, d), rounded(k * ry, d)]
  return [k * rx, k * ry]
}
