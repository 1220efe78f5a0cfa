import { createHash } from 'node:crypto'
import { type FileHandle, mkdtemp, open, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { DeliveredFile } from '../../core/targets/archive'
import { byPath } from '../../core/targets/plan'

/** A file that was made: how many bytes it has, and the SHA-256 of them. */
export type Weighed = { readonly path: string; readonly bytes: number; readonly hash: string }

type Place = Weighed & { readonly at: number }

/**
 * Files of a delivery one after the other in one file on the disk, so that they take no memory however many they are. It
 * has no name there: its space is given back whatever becomes of this program.
 */
export class Spool {
  private readonly places = new Map<string, Place>()
  private end = 0
  private readers = 0
  private isOver = false

  private constructor(private readonly file: FileHandle) {}

  static async begin(): Promise<Spool> {
    const folder = await mkdtemp(join(tmpdir(), 'wise-square-delivery-'))
    try {
      return new Spool(await open(join(folder, 'files'), 'w+'))
    } finally {
      await rm(folder, { recursive: true, force: true })
    }
  }

  /** Takes files in, in one go. */
  async add(files: readonly DeliveredFile[]): Promise<void> {
    if (files.length === 0) return
    const begin = this.end
    for (const { path, bytes } of files) {
      const hash = createHash('sha256').update(bytes).digest('hex')
      this.places.set(path, { path, at: this.end, bytes: bytes.length, hash })
      this.end += bytes.length
    }
    await this.file.writev(
      files.map(({ bytes }) => bytes),
      begin,
    )
  }

  /** What was made so far, in order of path. */
  get files(): readonly Weighed[] {
    return [...this.places.values()].sort(byPath).map(({ path, bytes, hash }) => ({ path, bytes, hash }))
  }

  /** The bytes of a file; null where none of that path was made. */
  async read(path: string): Promise<Uint8Array | null> {
    const place = this.places.get(path)
    if (!place) return null
    const bytes = new Uint8Array(place.bytes)
    await this.file.read(bytes, 0, place.bytes, place.at)
    return bytes
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
