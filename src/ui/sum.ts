/**
 * Value of a typed sum: numbers with + - * / and brackets; a comma is a decimal point if there is no other. A sum that
 * begins with an operator applies to `current`: "+0.5", "*2", "/3"; but "-4" alone is a number. Null if it is invalid.
 */
export function sum(text: string, current: number | null): number | null {
  const clean = text.replace(/\s+/g, '').replace(/,/g, '.').replace(/[×x]/g, '*').replace(/÷/g, '/').replace(/−/g, '-')
  if (clean === '') return null
  const relative = current !== null && /^[+*/]/.test(clean)
  const reader = new SumReader(relative ? `(${current})${clean}` : clean)
  const value = reader.sum()
  return value !== null && reader.ended && Number.isFinite(value) ? value : null
}

class SumReader {
  private at = 0
  constructor(private readonly text: string) {}

  get ended(): boolean {
    return this.at === this.text.length
  }

  sum(): number | null {
    let value = this.product()
    while (value !== null && /[+-]/.test(this.next)) {
      const sign = this.take()
      const term = this.product()
      value = term === null ? null : sign === '+' ? value + term : value - term
    }
    return value
  }

  private product(): number | null {
    let value = this.factor()
    while (value !== null && /[*/]/.test(this.next)) {
      const sign = this.take()
      const factor = this.factor()
      value = factor === null ? null : sign === '*' ? value * factor : value / factor
    }
    return value
  }

  private factor(): number | null {
    if (this.next === '-' || this.next === '+') {
      const sign = this.take()
      const value = this.factor()
      return value === null ? null : sign === '-' ? -value : value
    }
    if (this.next === '(') {
      this.take()
      const value = this.sum()
      return this.take() === ')' ? value : null
    }
    const number = /^(\d+\.?\d*|\.\d+)/.exec(this.text.slice(this.at))?.[0]
    if (number === undefined) return null
    this.at += number.length
    return Number(number)
  }

  private get next(): string {
    return this.text[this.at] ?? ''
  }

  private take(): string {
    return this.text[this.at++] ?? ''
  }
}

/** A number for people: at most three digits after the point, none that are zero. */
export function figure(value: number): string {
  return String(Number(value.toFixed(3)) + 0).replace('-', '−')
}
