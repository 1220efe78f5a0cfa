import type { Contour, Path } from '../geometry/path'
import type { Point } from '../geometry/point'
import { type Cubic, line, type Segment } from '../geometry/segment'
import { FINE, writtenRadii } from './arc-radii'
import { rounded, shortNumber } from './number'
import { ARC, type Axis, type Smooth, waysOf, X, XY, XYXYXY, Y } from './curve-ways'
import { isFlat, isStraight } from './simpler'

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
 * Shorter path data: quadratic and smooth curves by their commands. Filled contours are closed implicitly; a stroke
 * with round caps and joins looks closed at its start.
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

type Written = { readonly name: string; readonly text: string; readonly pointed: boolean }

class PathWriter {
  text = ''
  private letter = ''
  private x = 0
  private y = 0
  /** Whether the last number written has a point, so that another fraction may follow it without a separator. */
  private pointed = false

  private smooth: Smooth | null = null
  /** Where the contour began that is closed without being told so; null where there is none. */
  private begun: Point | null = null

  constructor(
    private readonly digits: number,
    private readonly compact: Painted | null = null,
  ) {}

  contour({ segments, closed }: Contour): void {
    if (segments.length === 0) return
    const { from } = segments[0]!
    const startX = rounded(from.x, this.digits),
      startY = rounded(from.y, this.digits)
    this.move(from)
    const last = segments.length - 1
    segments.forEach((segment, i) => {
      if (this.compact && segments.length > 1 && this.isNothing(segment)) return
      // Closing draws the last straight side by itself.
      if (!(closed && i === last && segment.kind === 'line')) this.segment(segment)
    })
    this.smooth = null
    // An arc of a whole turn is closed by whoever fills it as anything else is.
    const isBack = this.compact === 'stroked round' && segments[last]!.kind !== 'line'
    if (!closed) return
    this.begun = { x: startX, y: startY }
    if (this.compact !== 'filled' && !isBack) this.close(this.begun)
  }

  private close({ x, y }: Point): void {
    this.text += 'z'
    this.letter = 'z'
    this.x = x
    this.y = y
    this.begun = null
  }

  /** Moves to where a contour begins; from where the one before it began, where that is nearer. */
  private move({ x, y }: Point): void {
    const { begun } = this
    this.begun = null
    if (begun) {
      const step = () => this.shortest('M', [x, y], XY, this.digits).text.length
      const here = { text: this.text, letter: this.letter, x: this.x, y: this.y },
        plain = step()
      this.close(begun)
      if (step() + 'z'.length >= plain) Object.assign(this, here)
    }
    this.command('M', [x, y], XY)
  }

  /** Whether a segment is a point at this precision. */
  private isNothing(segment: Segment): boolean {
    if (segment.kind === 'arc' && segment.large) return false
    const at = segment.kind === 'cubic' ? [segment.c1, segment.c2, segment.to] : [segment.to]
    return at.every(({ x, y }) => rounded(x, this.digits) === this.x && rounded(y, this.digits) === this.y)
  }

  /** A cubic by its shortest command. */
  private curve(segment: Cubic): void {
    const { digits, smooth: before } = this
    if (isStraight(segment, 0.5 / 10 ** digits)) {
      this.smooth = null
      return this.segment(line(segment.from, segment.to))
    }
    const ways = waysOf(segment, before, digits, this.compact !== 'stroked')
    const lengths = ways.map(({ letter, numbers, axes }) => this.shortest(letter, numbers, axes, digits).text.length)
    const { letter, numbers, axes, next } = ways[lengths.lastIndexOf(Math.min(...lengths))]!
    this.command(letter, numbers, axes)
    this.smooth = next
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
        if (this.compact && isFlat(segment, (this.compact === 'stroked' ? 0.5 : 1) / 10 ** this.digits))
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
    // From nowhere a relative move is the same, and the step after it goes without its letter.
    const isFirstStep =
      this.compact !== null && letter === 'L' && /^M[^a-zA-Z]*$/.test(this.text) && this.letter === 'M'
    const { name, text, pointed } = this.shortest(letter, numbers, axes, radiusDigits, isFirstStep)
    if (isFirstStep && name === 'l') this.text = `m${this.text.slice(1)}`
    this.text += text
    this.letter = name
    this.pointed = pointed
    for (let i = Math.max(0, numbers.length - 2); i < numbers.length; i++) {
      if (axes[i] === 0) this.x = rounded(numbers[i]!, this.digits)
      if (axes[i] === 1) this.y = rounded(numbers[i]!, this.digits)
    }
  }

  /** A command, absolute or relative, whichever is shorter. */
  private shortest(
    letter: string,
    numbers: readonly number[],
    axes: readonly Axis[],
    radiusDigits: number,
    isFirstStep = false,
  ): Written {
    const absolute = this.written(letter, numbers, axes, false, radiusDigits)
    if (this.text === '') return absolute
    if (isFirstStep) this.letter = 'm'
    const relative = this.written(letter.toLowerCase(), numbers, axes, true, radiusDigits)
    return relative.text.length - absolute.text.length < (this.compact ? 1 : 0) ? relative : absolute
  }

  private written(
    name: string,
    numbers: readonly number[],
    axes: readonly Axis[],
    relative: boolean,
    radiusDigits: number,
  ): Written {
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
