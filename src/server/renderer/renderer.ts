import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import pLimit from 'p-limit'
import { Piscina } from 'piscina'
import { TaskEnded } from './task-ended'
import type { Tasks } from './tasks'
import { newThreadClock, watchThread } from './thread-clock'

/**
 * What threads do for one purpose: how many at once, and how long one task may compute before its thread is ended, in
 * milliseconds of the thread's own time. That is for what hangs: drawings have bounds of their own.
 */
type Purpose = { readonly atOnce: number; readonly limit: number }

/** How many threads make files at once. */
export const MAKERS = Math.max(2, availableParallelism() - 1)

const PURPOSES = {
  /** Drawing icons within the usual time. */
  draw: { atOnce: 2, limit: 20_000 },
  /** Drawing slow icons, apart from all others. */
  slow: { atOnce: 1, limit: 90_000 },
  /** Making the files of icons, all of one at once; as many threads as there are cores, but for one that answers. */
  make: { atOnce: MAKERS, limit: 60_000 },
  /** Looking at pictures that come from elsewhere. */
  picture: { atOnce: 1, limit: 6000 },
  /** Checking saves. */
  save: { atOnce: 1, limit: 60_000 },
  /** Reading and writing documents. */
  read: { atOnce: 1, limit: 120_000 },
  /** Evaluating and drawing all icons of a set on one sheet. */
  sheet: { atOnce: 1, limit: 600_000 },
  /** Work on a whole set: its common files. */
  whole: { atOnce: 1, limit: 120_000 },
} satisfies Record<string, Purpose>

/** As many threads as it takes that no purpose ever waits for another. */
const MOST = Object.values(PURPOSES).reduce((sum, { atOnce }) => sum + atOnce, 0)

/** What each task is for. */
const PLACES: Record<keyof Tasks, keyof typeof PURPOSES> = {
  draw: 'draw',
  drawSlowly: 'slow',
  make: 'make',
  crispness: 'whole',
  join: 'whole',
  readPicture: 'picture',
  unpackFont: 'picture',
  sheetPdf: 'sheet',
  documents: 'whole',
  picturesOf: 'whole',
  zip: 'whole',
  readFile: 'read',
  writeFile: 'read',
  checkSave: 'save',
}

/**
 * Memory limits of a thread in megabytes: all values, and young ones. A small young space frees garbage early. The
 * rasteriser has its own limit.
 */
const MEMORY = 768,
  YOUNG = 12

/**
 * Runs tasks in threads, so that no request waits for geometry or pixels. A thread that takes too long, too much
 * memory, or breaks, is ended and started anew; its task fails with `TaskEnded`, and nothing else does.
 */
export class Renderer {
  private started: Piscina | null = null
  private readonly turns = new Map<keyof typeof PURPOSES, ReturnType<typeof pLimit>>()

  /** `limit` goes before the times that purposes have, in milliseconds; Infinity is none. */
  constructor(
    private readonly file: string,
    private readonly options: { readonly limit?: number } = {},
  ) {}

  async run<K extends keyof Tasks>(task: K, input: Parameters<Tasks[K]>[0]): Promise<Awaited<ReturnType<Tasks[K]>>> {
    const purpose = PLACES[task],
      limit = this.options.limit ?? PURPOSES[purpose].limit
    return this.turn(purpose)(async () => {
      const clock = newThreadClock(),
        ending = new AbortController()
      const stop = limit === Infinity ? () => undefined : watchThread(clock, limit, () => ending.abort())
      try {
        return await this.threads.run({ task, input, clock }, { signal: ending.signal })
      } catch (error) {
        throw endedBy(error) ?? error
      } finally {
        stop()
      }
    })
  }

  async close(): Promise<void> {
    await this.started?.destroy()
  }

  private turn(purpose: keyof typeof PURPOSES): ReturnType<typeof pLimit> {
    let turn = this.turns.get(purpose)
    if (!turn) this.turns.set(purpose, (turn = pLimit(PURPOSES[purpose].atOnce)))
    return turn
  }

  /** Threads for whatever comes: the one that is idle takes the next task, with all that it has loaded. */
  private get threads(): Piscina {
    if (!this.started) {
      this.started = new Piscina({
        filename: this.file,
        minThreads: 0,
        maxThreads: MOST,
        idleTimeout: 30_000,
        resourceLimits: { maxOldGenerationSizeMb: MEMORY, maxYoungGenerationSizeMb: YOUNG },
        workerHistogram: false,
      })
      // A broken thread is said to its task; there is nobody else to say it to.
      this.started.on('error', () => undefined)
    }
    return this.started
  }
}

function endedBy(error: unknown): TaskEnded | null {
  const { name, code, message } = error as { name?: string; code?: string; message?: string }
  if (name === 'AbortError' || name === 'TimeoutError') return new TaskEnded('It takes too long to compute.')
  if (code === 'ERR_WORKER_OUT_OF_MEMORY') return new TaskEnded('It takes too much memory to compute.')
  return /worker exited|terminat/i.test(message ?? '')
    ? new TaskEnded('It cannot be drawn: the rasteriser gave up.')
    : null
}

/** The file that threads run: built beside the command line, all in one. */
export const THREAD = join(/* turbopackIgnore: true */ process.cwd(), 'build', 'renderer', 'thread.js')

const shared = globalThis as { wiseSquareRenderer?: Renderer }

/** The server's one renderer. */
export function renderer(): Renderer {
  shared.wiseSquareRenderer ??= new Renderer(THREAD)
  return shared.wiseSquareRenderer
}
