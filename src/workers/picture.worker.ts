import { picturePixels } from '../core/picture/pixels'
import { pictureIn } from '../core/picture/stored'
import type { Answer, Asked } from './draw.worker'
import { boundDrawing } from './bound-drawing'
import { painted } from './painted'
import { drawingSentence, transferred } from './replies'
import { serve, type Transferred } from './serve'

// Stored pictures are evaluated already: this worker makes pixels of them, and loads no more than that takes.

boundDrawing()

serve(
  {
    answer({ drawing, wanted }: Asked): Answer | Transferred<Answer> {
      if (!('picture' in drawing) || typeof wanted !== 'number')
        throw new Error('A stored picture can only become pixels.')
      const { picture, ground } = drawing
      return transferred(painted(picturePixels({ ...pictureIn(picture), ground }, wanted)))
    },
  },
  drawingSentence,
)
