import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import { ARCHIVED, isPacked } from '../../core/targets/archive'
import type { Spool } from './spool'

/**
 * What was made as a zip archive, file by file as it is read: the same files always give the same bytes. Nothing of it
 * is held but the file that is being written. Until it is read or given up, what was made stays.
 */
export function archiveStream(spool: Spool): ReadableStream<Uint8Array> {
  const paths = spool.files.map(({ path }) => path)
  let next = 0,
    isEnded = false
  let ready: Uint8Array[] = []
  const archive = new Zip((error, chunk, final) => {
    if (error) throw error
    ready.push(chunk)
    if (final) isEnded = true
  })
  spool.hold()
  return new ReadableStream({
    async pull(controller) {
      while (ready.length === 0 && !isEnded) {
        const path = paths[next++]
        if (path === undefined) {
          archive.end()
          break
        }
        const bytes = await spool.read(path)
        const entry = isPacked(path) ? new ZipPassThrough(path) : new ZipDeflate(path, { level: 9 })
        entry.mtime = ARCHIVED
        archive.add(entry)
        entry.push(bytes ?? new Uint8Array(), true)
      }
      for (const chunk of ready) controller.enqueue(chunk)
      ready = []
      if (!isEnded) return
      controller.close()
      await spool.release()
    },
    cancel: () => spool.release(),
  })
}

/** A stream's bytes as one. */
export const bytesOf = async (stream: ReadableStream<Uint8Array>): Promise<Uint8Array> =>
  new Uint8Array(await new Response(stream as ReadableStream<Uint8Array<ArrayBuffer>>).arrayBuffer())
