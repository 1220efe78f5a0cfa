import type { DrawingObject } from '../core/drawing/objects/object'
import { type Back, strokeBack } from '../core/formats/import/strokes-back'
import type { Sought } from '../core/formats/import/strokes-of-set'
import { unbroken } from '../core/formats/import/unbroken'
import { boundDrawing } from './bound-drawing'
import { serve } from './serve'

/** What strokes paint each of some objects; null where none do. */
type Understood = readonly (Back | null)[]

boundDrawing()

const calls = {
  understand({ objects, within, centred }: Sought): Understood {
    const back = (object: DrawingObject) => unbroken(() => strokeBack(object, within, centred), null)
    return objects.map(back)
  },
}
export type UnderstandingCalls = typeof calls

serve(calls)
