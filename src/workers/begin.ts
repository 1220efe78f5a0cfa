/** A worker that evaluates, checks and fits drawings. */
export const drawingWorker = (): Worker => new Worker(new URL('./draw.worker.ts', import.meta.url), { type: 'module' })

/** A worker that makes pixels of stored pictures. */
export const pictureWorker = (): Worker =>
  new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' })

/** A worker that reads files of others. */
export const importWorker = (): Worker => new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' })
