import type { Contour, Path } from '../geometry/path'
import { distance, type Point } from '../geometry/point'
import { line, type Segment } from '../geometry/segment'
import { SAME_POINT } from '../geometry/tolerance'

/** Thrown for invalid path data, with the position of the error. */
export class PathDataError extends Error {
  constructor(
    message: string,
    readonly at: number,
  ) {
    super(message)
  }
}

/** How many numbers each command takes. */
const COUNTS: Record<string, number> = { M: 2, L: 2, H: 1, V: 1, C: 6, S: 4, Q: 4, T: 2, A: 7, Z: 0 }

const TENS = Array.from({ length: 16 }, (_, i) => 10 ** i)
const NUMBER = /[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?/y

/**
 * Reads SVG path data (SVG 2 §9.3), every command of it; quadratics become cubics, arcs without radius lines. Throws
 * `PathDataError` with a sentence and the place of the fault.
 */
export function readPathData(text: string): Path {
  const reader = new Reader(text)
  while (!reader.done) reader.command()
  return reader.path()
}

class Reader {
  private at = 0
  private letter = ''
  private here: Point = { x: 0, y: 0 }
  private start: Point = { x: 0, y: 0 }
  /** The control point that a smooth command goes on from, and for which kind of curve. */
  private control: { readonly p: Point; readonly of: 'C' | 'Q' } | null = null
  private segments: Segment[] = []
  private hasStood = false
  private readonly contours: Contour[] = []

  constructor(private readonly text: string) {
    this.passSpace()
  }

  get done(): boolean {
    return this.at >= this.text.length
  }

  path(): Path {
    this.finish(false)
    return this.contours
  }

  command(): void {
    const next = this.text[this.at]!
    if ((next >= 'a' && next <= 'z') || (next >= 'A' && next <= 'Z')) {
      if (!(next.toUpperCase() in COUNTS)) this.fail(`“${next}” is no path command`)
      if (this.letter === '' && next.toUpperCase() !== 'M') this.fail('Path data begins with M')
      this.letter = next
      this.at++
      this.passSpace()
    } else if (this.letter === '' || this.letter === 'z' || this.letter === 'Z') this.fail('A command is missing')
    else if (this.letter === 'm') this.letter = 'l'
    else if (this.letter === 'M') this.letter = 'L'
    const upper = this.letter.toUpperCase()
    const numbers = this.numbers(upper)
    this.draw(upper, numbers, this.letter !== upper)
  }

  private numbers(command: string): number[] {
    const count = COUNTS[command]!,
      numbers: number[] = []
    for (let i = 0; i < count; i++) numbers.push(command === 'A' && (i === 3 || i === 4) ? this.flag() : this.number())
    return numbers
  }

  private draw(command: string, n: readonly number[], relative: boolean): void {
    const { x, y } = relative ? this.here : { x: 0, y: 0 }
    const p = (i: number): Point => ({ x: n[i]! + x, y: n[i + 1]! + y })
    const from = this.here
    const smooth = (of: 'C' | 'Q'): Point =>
      this.control?.of === of ? { x: 2 * from.x - this.control.p.x, y: 2 * from.y - this.control.p.y } : from
    switch (command) {
      case 'M':
        this.finish(false)
        this.here = this.start = p(0)
        this.control = null
        return
      case 'Z':
        this.finish(true)
        this.here = this.start
        this.control = null
        return
      case 'L':
        return this.add(line(from, p(0)))
      case 'H':
        return this.add(line(from, { x: n[0]! + x, y: from.y }))
      case 'V':
        return this.add(line(from, { x: from.x, y: n[0]! + y }))
      case 'C':
        return this.curve(p(0), p(2), p(4))
      case 'S':
        return this.curve(smooth('C'), p(0), p(2))
      case 'Q':
        return this.quadratic(p(0), p(2))
      case 'T':
        return this.quadratic(smooth('Q'), p(0))
      case 'A': {
        const rx = Math.abs(n[0]!),
          ry = Math.abs(n[1]!)
        if (rx === 0 || ry === 0) return this.add(line(from, p(5)))
        return this.add({
          kind: 'arc',
          from,
          to: p(5),
          rx,
          ry,
          turn: (n[2]! * Math.PI) / 180,
          large: n[3] === 1,
          sweep: n[4] === 1,
        })
      }
    }
  }

  private curve(c1: Point, c2: Point, to: Point): void {
    this.add({ kind: 'cubic', from: this.here, c1, c2, to })
    this.control = { p: c2, of: 'C' }
  }

  private quadratic(c: Point, to: Point): void {
    const from = this.here
    const raise = (end: Point): Point => ({ x: end.x + ((c.x - end.x) * 2) / 3, y: end.y + ((c.y - end.y) * 2) / 3 })
    this.add({ kind: 'cubic', from, c1: raise(from), c2: raise(to), to })
    this.control = { p: c, of: 'Q' }
  }

  private add(segment: Segment): void {
    this.here = segment.to
    this.control = null
    const still = segment.from.x === segment.to.x && segment.from.y === segment.to.y
    // An arc or a line that goes nowhere is no part of a way; a cubic may be a loop.
    if (!still || segment.kind === 'cubic') this.segments.push(segment)
    else this.hasStood = true
  }

  private finish(closed: boolean): void {
    const last = this.segments[this.segments.length - 1]
    if (last) {
      // The gap that sums of relative steps leave between end and start is no side of its own.
      if (closed && distance(last.to, this.start) <= SAME_POINT)
        this.segments[this.segments.length - 1] = { ...last, to: this.start }
      else if (closed) this.segments.push(line(last.to, this.start))
      this.contours.push({ segments: this.segments, closed })
    } else if (closed || this.hasStood) {
      // A subpath of length zero: a dot when stroked with round or square caps (SVG 2 §13.5.3).
      this.contours.push({ segments: [line(this.start, this.start)], closed: false })
    }
    this.segments = []
    this.hasStood = false
  }

  private number(): number {
    const short = this.decimal()
    if (short !== null) return short
    NUMBER.lastIndex = this.at
    const found = NUMBER.exec(this.text)
    if (!found) this.fail(this.done ? 'The path data is cut off' : 'A number is missing')
    const value = Number(found![0])
    if (!Number.isFinite(value) || Math.abs(value) > 1e12) this.fail('A number is too large')
    this.at = NUMBER.lastIndex
    this.passSpace()
    return value
  }

  /**
   * A number of at most fifteen digits without an exponent, read digit by digit: an integer over a power of ten, both
   * exact, so that their quotient is the nearest double. Null, with nothing passed, where it is anything else.
   */
  private decimal(): number | null {
    const { text } = this
    let at = this.at,
      code = text.charCodeAt(at)
    const negative = code === 45
    if (negative || code === 43) code = text.charCodeAt(++at)
    let value = 0,
      digits = 0,
      over = -1
    for (; ; code = text.charCodeAt(++at)) {
      if (code >= 48 && code <= 57) {
        value = value * 10 + code - 48
        digits++
        if (over >= 0) over++
      } else if (code === 46 && over < 0) over = 0
      else break
    }
    // A letter e, or no digit at all, is for the whole grammar.
    if (digits === 0 || digits > 15 || code === 101 || code === 69) return null
    this.at = at
    this.passSpace()
    if (over > 0) value /= TENS[over]!
    return negative ? -value : value
  }

  /** A flag of an arc: one digit, which what follows need not be kept apart from. */
  private flag(): number {
    const flag = this.text[this.at]
    if (flag !== '0' && flag !== '1') this.fail(this.done ? 'The path data is cut off' : 'A flag, 0 or 1, is missing')
    this.at++
    this.passSpace()
    return flag === '1' ? 1 : 0
  }

  private passSpace(): void {
    for (; ; this.at++) {
      const code = this.text.charCodeAt(this.at)
      // Space, tab, line feed, form feed, carriage return, comma (SVG 2 §9.3.9).
      if (code !== 32 && code !== 44 && code !== 10 && code !== 13 && code !== 9 && code !== 12) return
    }
  }

  private fail(message: string): never {
    throw new PathDataError(`${message}, at character ${this.at + 1}.`, this.at)
  }
}
