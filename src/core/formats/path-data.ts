import type { Contour, Path } from '../geometry/path'
import type { Segment } from '../geometry/segment'
import { rounded, shortNumber } from './number'

/** Digits after the point that keep every coordinate within 0.0005. */
export const PRECISION = 3

/**
 * A path as SVG path data (SVG 2 §9.3) in its shortest form: of absolute and relative, the shorter for each command; repeated
 * letters and needless separators left out, but for the ones after the flags of an arc, which not every reader can do without. Relative steps start from the rounded place, so that errors do not add up.
 */
export function pathData(path: Path, digits = PRECISION): string {
  const writer = new PathWriter(digits)
  for (const contour of path) writer.contour(contour)
  return writer.text
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
    const { from } = segments[0]!
    const startX = rounded(from.x, this.digits), startY = rounded(from.y, this.digits)
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
        const round = segment.rx === segment.ry
        const turn = round ? 0 : (segment.turn * 180) / Math.PI
        this.command('A', [segment.rx, segment.ry, turn, segment.large ? 1 : 0, segment.sweep ? 1 : 0, x, y], ARC)
      }
    }
  }

  /** Writes one command, absolute or relative, whichever is shorter. */
  private command(letter: string, numbers: readonly number[], axes: readonly Axis[]): void {
    const absolute = this.written(letter, numbers, axes, false)
    const relative = this.text === '' ? absolute : this.written(letter.toLowerCase(), numbers, axes, true)
    const { name, text, pointed } = absolute.text.length <= relative.text.length ? absolute : relative
    this.text += text
    this.letter = name
    this.pointed = pointed
    for (let i = Math.max(0, numbers.length - 2); i < numbers.length; i++) {
      if (axes[i] === 0) this.x = rounded(numbers[i]!, this.digits)
      if (axes[i] === 1) this.y = rounded(numbers[i]!, this.digits)
    }
  }

  private written(name: string, numbers: readonly number[], axes: readonly Axis[], relative: boolean): { name: string; text: string; pointed: boolean } {
    const implied = name === this.letter || (name === 'L' && this.letter === 'M') || (name === 'l' && this.letter === 'm')
    let text = implied ? '' : name, pointed = this.pointed
    for (let i = 0; i < numbers.length; i++) {
      const axis = axes[i]!
      const value = relative && axis !== null ? rounded(numbers[i]!, this.digits) - (axis === 0 ? this.x : this.y) : numbers[i]!
      const number = shortNumber(value, this.digits)
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
const X: readonly Axis[] = [0], Y: readonly Axis[] = [1], XY: readonly Axis[] = [0, 1], XYXYXY: readonly Axis[] = [0, 1, 0, 1, 0, 1]
const ARC: readonly Axis[] = [null, null, null, null, null, 0, 1]
