import { drawingWorker, pictureWorker } from './begin'
import type { Wanted } from './draw.worker'
import { Drawer, type Job, type Source } from './drawer'

/** A picture, its pixels and where an image shows them from; or why there is none. */
export type Picture =
  { readonly image: ImageData; readonly url: string } | { readonly image?: undefined; readonly problem: string }

/**
 * One worker for drawings, which may be slow, and one for stored pictures, which never wait for them. The latter is
 * a third as large, and the only one that the shelf loads.
 */
const drawings = new Drawer(drawingWorker),
  stored = new Drawer(pictureWorker)

/** Asks something of a drawing or a stored picture; returns the way to give it up. */
export const ask = (source: Source, wanted: Wanted, done: Job['done']): (() => void) =>
  ('picture' in source ? stored : drawings).ask({ source, wanted, done })

/**
 * Draws a picture with so many pixels along a side in a worker. `done` is called once, unless the returned function
 * cancels it.
 */
export function drawPicture(source: Source, pixels: number, done: (picture: Picture) => void): () => void {
  return ask(source, pixels, (answer) =>
    done(
      'data' in answer
        ? { image: new ImageData(answer.data, pixels, pixels), url: answer.url }
        : { problem: 'problem' in answer ? answer.problem : '' },
    ),
  )
}

/** The picture of a source as a promise. */
export const pictureOf = (source: Source, pixels: number): Promise<Picture> =>
  new Promise((done) => drawPicture(source, pixels, done))
