import { OutOfTime, timeoutEra } from '../geometry/deadline'

/**
 * Why something cannot be computed: the cost, the time or the reach of an object, a failure of the kernel, or a file that
 * cannot be read. The message is a sentence for a person.
 */
export class Refusal extends Error {
  /** The era of the refusal: a timeout is remembered within its era only. */
  readonly era = timeoutEra()

  constructor(
    readonly code: 'too-much' | 'too-slow' | 'too-far' | 'failed' | 'unreadable',
    message: string,
    options?: ErrorOptions,
  ) {
    super(message, options)
  }
}

/** Converts an error into a refusal that names the object; a refusal is returned unchanged. */
export function refusalOf(object: { readonly name: string }, error: unknown): Refusal {
  if (error instanceof Refusal) return error
  const name = `“${object.name}”`
  if (error instanceof OutOfTime)
    return new Refusal('too-slow', `${name} takes too long to compute: too many of its segments meet.`)
  // A stack overflow means that objects are nested or repeated too deeply.
  if (error instanceof RangeError)
    return new Refusal('too-much', `${name} is too large to be computed.`, { cause: error })
  return new Refusal(
    'failed',
    `${name} cannot be computed: ${error instanceof Error ? error.message : String(error)}`,
    { cause: error },
  )
}
