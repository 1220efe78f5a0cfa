import type { DrawingObject } from '../core/drawing/model/object'
import { type Back, strokeBack } from '../core/formats/import/strokes-back'
import type { Sought } from '../core/formats/import/strokes-of-set'
import { unbroken } from '../core/formats/import/unbroken'
import { boundDrawing } from './bound-drawing'

/** What strokes paint each of some objects; null where none do. */
export type Understood = readonly (Back | null)[]

boundDrawing()

self.onmessage = ({ data: { objects, within, centred } }: MessageEvent<Sought>) => {
  const back = (object: DrawingObject) => unbroken(() => strokeBack(object, within, centred), null)
  postMessage(objects.map(back) satisfies Understood)
}
