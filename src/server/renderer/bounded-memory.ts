const PAGE = 65536,
  MEMORY_SECTION = 5

/**
 * A WebAssembly module that may not take more memory than so many bytes: the limits of its memory (WebAssembly core
 * specification §5.5.8) with that maximum. Growing beyond fails inside the module instead of taking the machine's
 * memory. Throws when the module has no memory of its own.
 */
export function boundedMemory(module: Uint8Array, bytes: number): Uint8Array {
  for (let at = 8; at < module.length;) {
    const id = module[at]!
    const [size, start] = readUnsigned(module, at + 1)
    if (id === MEMORY_SECTION) {
      const [, flags] = readUnsigned(module, start)
      const [minimum] = readUnsigned(module, flags + 1)
      const content = [1, 1, ...unsigned(minimum), ...unsigned(Math.floor(bytes / PAGE))]
      return Uint8Array.from([
        ...module.subarray(0, at),
        MEMORY_SECTION,
        ...unsigned(content.length),
        ...content,
        ...module.subarray(start + size),
      ])
    }
    at = start + size
  }
  throw new Error('The module has no memory.')
}

/** An unsigned number in LEB128 at a place, and the place after it. */
function readUnsigned(bytes: Uint8Array, at: number): [value: number, after: number] {
  let value = 0
  for (let shift = 0; ; shift += 7) {
    const byte = bytes[at++]!
    value += (byte & 127) * 2 ** shift
    if (byte < 128) return [value, at]
  }
}

function unsigned(value: number): number[] {
  return value < 128 ? [value] : [(value % 128) + 128, ...unsigned(Math.floor(value / 128))]
}
