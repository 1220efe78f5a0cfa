import { drawingProblem } from '../core/formats/drawing-problem'
import type { Answered, Asked } from './draw.worker'
import { boundDrawing } from './bound-drawing'
import { painted } from './painted'

// Documents are drawn already: this worker makes pixels of them, and loads no more than that takes.

boundDrawing()

self.onmessage = ({ data: asked }: MessageEvent<Asked>) => {
  if ('forget' in asked) return
  const answer = answered(asked)
  postMessage(answer, { transfer: 'data' in answer ? [answer.data.buffer] : [] })
}

function answered({ id, drawing, wanted }: Exclude<Asked, { forget: unknown }>): Answered {
  try {
    if (!('svg' in drawing) || typeof wanted !== 'number') throw new Error('A document can only become a picture.')
    return { id, ...painted(drawing.svg, wanted) }
  } catch (error) {
    return { id, problem: error instanceof Error ? drawingProblem(error) : `It cannot be drawn: ${String(error)}` }
  }
}
