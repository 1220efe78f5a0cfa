import type { IconSet } from '../core/set/set'
import { importWorker } from './begin'
import { WorkerClient } from './client'
import type { Choice, ChosenFile, Coming, ComingIcon, ImportCalls } from './import.worker'

export type { Choice, ChosenFile, Coming, ComingIcon }

/** Icons that were read into a set, with remarks and failures. */
export type FoundIcons = ReturnType<ImportCalls['into']>

/** How far reading is: files read or drawings understood, of all, and the milliseconds that are left by that. */
export type ReadingProgress = {
  readonly what: 'read' | 'understood'
  readonly done: number
  readonly of: number
  readonly left: number
}

/** How many files are handed over at once. */
const LOT = 60

/** How long reading may go on without saying how far it is, in milliseconds. */
const SILENCE = 180_000

/**
 * Reads files in a worker of its own, which `end` terminates. Every question is answered or rejected with a sentence. After
 * a crash the next question starts a new worker with the same files.
 */
export class Importer {
  private readonly client: WorkerClient<ImportCalls>
  /** Resolves when the worker has all files; null before they are sent. */
  private handed: Promise<void> | null = null
  private isEnded = false

  constructor(
    private readonly files: readonly ChosenFile[],
    private readonly onProgress: (progress: ReadingProgress) => void,
  ) {
    this.client = new WorkerClient(importWorker, SILENCE, () => (this.handed = null))
  }

  /** What the files would become; null where nothing of them can be read. Throws a sentence. */
  async gather(choice: Choice): Promise<Awaited<ReturnType<ImportCalls['gather']>>> {
    await this.hand()
    return this.client.call('gather', choice, this.tell)
  }

  /** The set as a set file. Throws a sentence. */
  async write(choice: Choice): Promise<Blob> {
    await this.hand()
    return this.client.call('write', choice, this.tell)
  }

  /** The files as icons of a set, under its rules; their ids begin with `id`. Throws a sentence. */
  async into(set: IconSet, id: string, choice: Pick<Choice, 'how' | 'otherwise'>): Promise<FoundIcons> {
    await this.hand()
    return this.client.call('into', { set, id, choice }, this.tell)
  }

  end(): void {
    this.isEnded = true
    this.client.end()
  }

  private readonly tell = ({
    what,
    done,
    of,
    ms,
  }: {
    what: 'read' | 'understood'
    done: number
    of: number
    ms: number
  }) => this.onProgress({ what, done, of, left: (ms / done) * (of - done) })

  /** Hands files over a few at a time, so that the page answers meanwhile: each takes a part of a millisecond. */
  private hand(): Promise<void> {
    const handing = async () => {
      const lots: Promise<void>[] = []
      for (let i = 0; i < this.files.length && !this.isEnded; i += LOT) {
        if (i > 0) await new Promise((done) => setTimeout(done))
        lots.push(this.client.call('files', this.files.slice(i, i + LOT)))
      }
      await Promise.all(lots)
    }
    if (!this.handed) {
      this.handed = handing()
      this.handed.catch(() => (this.handed = null))
    }
    return this.handed
  }
}
