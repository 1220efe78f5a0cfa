import { drawingProblem } from '../core/picture/drawing-problem'
import { Transferred } from './serve'

/** Why a drawing has no answer, as a sentence. */
export const drawingSentence = (error: unknown): string =>
  error instanceof Error ? drawingProblem(error) : `It cannot be drawn: ${String(error)}`

/** An answer whose pixels, where it has any, are handed over instead of copied. */
export const transferred = <T extends object>(answer: T): T | Transferred<T> =>
  'data' in answer && answer.data instanceof Uint8ClampedArray ? new Transferred(answer, [answer.data.buffer]) : answer
