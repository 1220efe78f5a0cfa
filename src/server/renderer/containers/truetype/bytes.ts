/** A table being written: numbers are big-endian, as OpenType has them. */
export class Bytes {
  private readonly bytes: number[] = []

  get length(): number {
    return this.bytes.length
  }

  /** Unsigned or signed numbers of one, two and four bytes. */
  u8(...values: readonly number[]): this {
    for (const value of values) this.bytes.push(value & 0xff)
    return this
  }
  u16(...values: readonly number[]): this {
    for (const value of values) this.u8(value >> 8, value)
    return this
  }
  u32(...values: readonly number[]): this {
    for (const value of values) this.u8(value >>> 24, value >>> 16, value >>> 8, value)
    return this
  }

  /** A tag of four letters. */
  tag(letters: string): this {
    return this.u8(...[0, 1, 2, 3].map((i) => letters.charCodeAt(i)))
  }

  /** The bytes of another table. */
  add(other: Bytes): this {
    for (const byte of other.bytes) this.bytes.push(byte)
    return this
  }

  padded(to: number): this {
    while (this.bytes.length % to !== 0) this.bytes.push(0)
    return this
  }

  done(): Uint8Array {
    return Uint8Array.from(this.bytes)
  }
}
