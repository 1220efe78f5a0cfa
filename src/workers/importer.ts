import type { IconSet } from '../core/set/set'
import { importWorker } from './begin'
import type { AnsweredImport, AskedImport, Choice, ChosenFile, Coming, ComingIcon } from './import.worker'

export type { Choice, ChosenFile, Coming, ComingIcon }

/** Icons that were read into a set, and what is to be told of them. */
export type FoundIcons = Omit<Extract<AnsweredImport, { kind: 'icons' }>, 'kind'>

/** How far reading is: files read or drawings understood, of all, and the milliseconds that are left by that. */
export type ReadingProgress = {
  readonly what: 'read' | 'understood'
  readonly done: number
  readonly of: number
  readonly left: number
}

/** How many files are handed over at once. */
const LOT = 60

/** Reads files in a worker of its own, which ends with it: giving up leaves nothing. */
export class Importer {
  private readonly worker = importWorker()
  /** Who waits for an answer of each kind. Answers come in the order of the questions. */
  private readonly onComing: ((coming: Coming | null, failed: Coming['failed']) => void)[] = []
  private readonly onIcons: ((found: FoundIcons) => void)[] = []
  private readonly onFile: ((file: Blob) => void)[] = []
  /** The files are with the worker: what is asked of them comes after. */
  private readonly handed: Promise<void>
  private isEnded = false

  constructor(
    files: readonly ChosenFile[],
    onProgress: (progress: ReadingProgress) => void,
    onFault: (why: string) => void,
  ) {
    this.worker.onmessage = ({ data }: MessageEvent<AnsweredImport>) => {
      switch (data.kind) {
        case 'progress':
          return onProgress({
            what: data.what,
            done: data.done,
            of: data.of,
            left: (data.ms / data.done) * (data.of - data.done),
          })
        case 'coming':
          return this.onComing.shift()?.(data.coming, data.failed)
        case 'file':
          return this.onFile.shift()?.(data.file)
        case 'icons':
          return this.onIcons.shift()?.(data)
      }
    }
    this.worker.onerror = (event) => {
      event.preventDefault()
      onFault(event.message || 'Reading ended without an answer.')
    }
    this.handed = this.hand(files)
  }

  /** What the files would become; null where nothing of them can be read. */
  gather(choice: Choice): Promise<{ coming: Coming | null; failed: Coming['failed'] }> {
    return new Promise((done) => {
      this.onComing.push((coming, failed) => done({ coming, failed }))
      void this.ask({ kind: 'gather', choice })
    })
  }

  /** The set as a set file. */
  write(choice: Choice): Promise<Blob> {
    return new Promise((done) => {
      this.onFile.push(done)
      void this.ask({ kind: 'write', choice })
    })
  }

  /** The files as icons of a set, under its rules; their ids begin with `id`. */
  into(set: IconSet, id: string, choice: Pick<Choice, 'how' | 'otherwise'>): Promise<FoundIcons> {
    return new Promise((done) => {
      this.onIcons.push(done)
      void this.ask({ kind: 'into', set, id, choice })
    })
  }

  end(): void {
    this.isEnded = true
    this.worker.terminate()
  }

  /** Hands files over a few at a time, so that the page answers meanwhile: each takes a part of a millisecond. */
  private async hand(files: readonly ChosenFile[]): Promise<void> {
    for (let i = 0; i < files.length && !this.isEnded; i += LOT) {
      if (i > 0) await new Promise((done) => setTimeout(done))
      this.worker.postMessage({ kind: 'read', files: files.slice(i, i + LOT) } satisfies AskedImport)
    }
  }

  private async ask(asked: AskedImport): Promise<void> {
    await this.handed
    this.worker.postMessage(asked)
  }
}
