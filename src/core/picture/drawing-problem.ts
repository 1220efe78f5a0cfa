import { Refusal } from '../findings/refusal'
import { OutOfTime } from '../geometry/deadline'

/** The failure of a drawing as a sentence. Rethrows other errors. */
export function drawingProblem(error: unknown): string {
  if (error instanceof Refusal || error instanceof OutOfTime) return error.message
  if (error instanceof RangeError) return 'The drawing is too large to be computed.'
  if (error instanceof Error) return `The drawing cannot be computed: ${error.message}`
  throw error
}
