import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import { ARCHIVED, isPacked } from '../../core/targets/archive'
import type { Spool } from './spool'

/**
 * Streams a delivery as a zip archive. The same files give the same bytes. Holds one file in memory at a time. The
 * spool stays open until the stream ends or is cancelled.
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
  let isHeld = true
  const letGo = async () => {
    if (isHeld) {
      isHeld = false
      await spool.release()
    }
  }
  const filled = async (controller: ReadableStreamDefaultController<Uint8Array>) => {
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
      if (!bytes) throw new Error(`${path} is no longer there.`)
      entry.push(bytes, true)
    }
    for (const chunk of ready) controller.enqueue(chunk)
    ready = []
    if (!isEnded) return
    controller.close()
    await letGo()
  }
  return new ReadableStream({
    // A reader gets the error; the spool is released in any case.
    pull: (controller) =>
      filled(controller).catch(async (error: unknown) => {
        await letGo()
        throw error
      }),
    cancel: letGo,
  })
}

/** A stream's bytes as one. */
export const bytesOf = async (stream: ReadableStream<Uint8Array>): Promise<Uint8Array> =>
  new Uint8Array(await new Response(stream as ReadableStream<Uint8Array<ArrayBuffer>>).arrayBuffer())
