import { createHash } from 'node:crypto'
import { type FileHandle, mkdtemp, open, readdir, rm, stat } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { DeliveredFile } from '../../core/targets/archive'
import { byPath } from '../../core/targets/plan'

/** A file that was made: how many bytes it has, and the SHA-256 of them. */
type Weighed = { readonly path: string; readonly bytes: number; readonly hash: string }

type SpoolEntry = Weighed & { readonly at: number }

/** The part of a file that a spool needs; a disk may take or give less than it is asked for. */
type SpoolFile = Pick<FileHandle, 'write' | 'read' | 'close'>

const FOLDER = 'wise-square-delivery-'

/** How old what another process may still be about is at least, before it counts as left behind, in milliseconds. */
const OLD = 3_600_000

/** Clears what servers that were killed left in the system's temporary folder. */
export async function clearLeftovers(): Promise<void> {
  for (const name of await readdir(tmpdir()).catch(() => [] as string[])) {
    const path = join(tmpdir(), name)
    if (!name.startsWith(FOLDER)) continue
    const found = await stat(path).catch(() => null)
    if (found && Date.now() - found.mtimeMs > OLD) await rm(path, { recursive: true, force: true })
  }
}

const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

/** The disk took, or gave back, less than it was given, as its own code says. */
const cutShort = (code: 'ENOSPC' | 'EIO', message: string): Error => Object.assign(new Error(message), { code })

/**
 * The files of a delivery, one after the other in one unnamed temporary file, so that they take no memory. The system
 * frees its space when this process ends. Reading checks the bytes.
 */
export class Spool {
  private readonly places = new Map<string, SpoolEntry>()
  private end = 0
  private readers = 0
  private isOver = false

  constructor(private readonly file: SpoolFile) {}

  static async begin(): Promise<Spool> {
    const folder = await mkdtemp(join(tmpdir(), FOLDER))
    try {
      return new Spool(await open(join(folder, 'files'), 'w+'))
    } finally {
      await rm(folder, { recursive: true, force: true })
    }
  }

  /** Takes files in, in one go. Throws where the disk has no room for all of them. */
  async add(files: readonly DeliveredFile[]): Promise<void> {
    if (files.length === 0) return
    const begin = this.end
    const places = files.map(({ path, bytes }): SpoolEntry => {
      const at = this.end
      this.end += bytes.length
      return { path, at, bytes: bytes.length, hash: hashOf(bytes) }
    })
    await this.write(Buffer.concat(files.map(({ bytes }) => bytes)), begin)
    for (const place of places) this.places.set(place.path, place)
  }

  private async write(bytes: Uint8Array, at: number): Promise<void> {
    for (let done = 0; done < bytes.length;) {
      const { bytesWritten } = await this.file.write(bytes, done, bytes.length - done, at + done)
      if (bytesWritten === 0) throw cutShort('ENOSPC', 'The disk took less than it was given.')
      done += bytesWritten
    }
  }

  /** The files made so far, in order of path. */
  get files(): readonly Weighed[] {
    return [...this.places.values()].sort(byPath).map(({ path, bytes, hash }) => ({ path, bytes, hash }))
  }

  /** The bytes of a file; null where none of that path was made. Throws where they are not those that were made. */
  async read(path: string): Promise<Uint8Array | null> {
    const place = this.places.get(path)
    if (!place) return null
    const bytes = new Uint8Array(place.bytes)
    for (let done = 0; done < bytes.length;) {
      const { bytesRead } = await this.file.read(bytes, done, bytes.length - done, place.at + done)
      if (bytesRead === 0) break
      done += bytesRead
    }
    if (hashOf(bytes) !== place.hash) throw cutShort('EIO', `${path} was not kept as it was made.`)
    return bytes
  }

  /** Reads all files once; throws if one is damaged. */
  async check(): Promise<void> {
    for (const path of this.places.keys()) await this.read(path)
  }

  /** Keeps the files until whoever asks for that has read them; `release` ends it. */
  hold(): void {
    this.readers++
  }

  async release(): Promise<void> {
    this.readers--
    if (this.isOver) await this.close()
  }

  /** Gives up the disk's space, once nobody reads any more. */
  async close(): Promise<void> {
    this.isOver = true
    if (this.readers > 0) return
    await this.file.close()
  }
}
