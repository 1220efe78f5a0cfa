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

  constructor(private readonly digits: number) {}

  contour({ segments, closed }: Contour): void {
    const { from } = segments[0]!
    const startX = rounded(from.x, this.digits), startY = rounded(from.y, this.digits)
    this.command('M', [from.x, from.y], [0, 1])
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
        if (rounded(y, this.digits) === this.y) this.command('H', [x], [0])
        else if (rounded(x, this.digits) === this.x) this.command('V', [y], [1])
        else this.command('L', [x, y], [0, 1])
        return
      case 'cubic':
        this.command('C', [segment.c1.x, segment.c1.y, segment.c2.x, segment.c2.y, x, y], [0, 1, 0, 1, 0, 1])
        return
      case 'arc': {
        const round = segment.rx === segment.ry
        const turn = round ? 0 : (segment.turn * 180) / Math.PI
        this.command('A', [segment.rx, segment.ry, turn, segment.large ? 1 : 0, segment.sweep ? 1 : 0, x, y], [null, null, null, null, null, 0, 1])
      }
    }
  }

  /** Writes one command; `axes` says which numbers are x (0) or y (1) coordinates and so may be relative. */
  private command(letter: string, numbers: readonly number[], axes: readonly (0 | 1 | null)[]): void {
    const write = (relative: boolean) => {
      const name = relative ? letter.toLowerCase() : letter
      const values = numbers.map((n, i) => {
        const axis = axes[i]!
        const value = rounded(n, this.digits)
        return shortNumber(axis !== null && relative ? value - (axis === 0 ? this.x : this.y) : value, this.digits)
      })
      const implied = name === this.letter || (name === 'L' && this.letter === 'M') || (name === 'l' && this.letter === 'm')
      return { name, text: (implied ? joint(this.text, values[0]!) : name) + joined(values) }
    }
    const absolute = write(false), relative = write(true)
    const { name, text } = this.text === '' || absolute.text.length <= relative.text.length ? absolute : relative
    this.text += text
    this.letter = name
    numbers.forEach((n, i) => {
      if (i < numbers.length - 2) return
      if (axes[i] === 0) this.x = rounded(n, this.digits)
      if (axes[i] === 1) this.y = rounded(n, this.digits)
    })
  }
}

/** The separator a number needs after what stands before it: none before a minus, nor before a point that ends another fraction. */
function joint(before: string, next: string): string {
  if (next.startsWith('-')) return ''
  const token = /[^\s,a-zA-Z-]*$/.exec(before)![0]
  return next.startsWith('.') && token.includes('.') ? '' : ' '
}

function joined(values: readonly string[]): string {
  return values.reduce((text, value, i) => (i === 0 ? value : text + joint(text, value) + value), '')
}
