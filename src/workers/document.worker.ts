import { rasterised } from '../core/formats/rasterised'
import type { Answer, Asked } from './draw.worker'
import { boundDrawing } from './bound-drawing'
import { painted } from './painted'
import { drawingSentence, transferred } from './replies'
import { serve, type Transferred } from './serve'

// Documents are drawn already: this worker makes pixels of them, and loads no more than that takes.

boundDrawing()

serve(
  {
    answer({ drawing, wanted }: Asked): Answer | Transferred<Answer> {
      if (!('svg' in drawing) || typeof wanted !== 'number') throw new Error('A document can only become a picture.')
      return transferred(painted(rasterised(drawing.svg, wanted)))
    },
  },
  drawingSentence,
)
