import { zipSync } from 'fflate'

export type DeliveredFile = { readonly path: string; readonly bytes: Uint8Array }

/** Whether a file is compressed already and goes into an archive unchanged. */
export const isPacked = (path: string): boolean => /\.(png|woff2|icns)$/.test(path)

/** The date of every file in an archive, so that the same files always give the same bytes. */
export const ARCHIVED = '1980-01-01T12:00:00'

/** Files as one zip archive. The same files always give the same bytes. */
export function zip(files: Iterable<DeliveredFile>): Uint8Array {
  const entries = Object.fromEntries(
    [...files].map(({ path, bytes }) => [
      path,
      [bytes, { level: isPacked(path) ? 0 : 9, mtime: ARCHIVED }] as [Uint8Array, object],
    ]),
  )
  return zipSync(entries)
}
