import { type DeliveredFile, type DeliveryOptions, fileBytes, plannedFiles } from '../core/formats/delivery'
import { rasterise } from './raster'
import type { StoredSet } from './sets'

/** The options of a delivery from an address: `svg=0` or `png=0` leaves that format out. */
export function optionsFrom(query: URLSearchParams): DeliveryOptions {
  return { svg: query.get('svg') !== '0', png: query.get('png') !== '0' }
}

/** The last delivery, kept while its set and options stay the same: the preview and the download are one computation. */
let last: { key: string; files: Promise<DeliveredFile[]> } | null = null

/** Every file of a delivery. Other requests are let through between icons. */
export function deliveredFiles(stored: StoredSet, options: DeliveryOptions): Promise<DeliveredFile[]> {
  const key = `${stored.id} ${stored.revision} ${options.svg} ${options.png}`
  if (last?.key !== key) last = { key, files: compute(stored, options) }
  return last.files
}

async function compute({ set }: StoredSet, options: DeliveryOptions): Promise<DeliveredFile[]> {
  const files: DeliveredFile[] = []
  for (const file of plannedFiles(set, options)) {
    files.push({ path: file.path, bytes: fileBytes(file, set, rasterise) })
    if (files.length % 20 === 0) await new Promise((resolve) => setImmediate(resolve))
  }
  return files
}
