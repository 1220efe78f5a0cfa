import { copyDaily } from './database/copies'
import { database, dataFolder, type Db } from './database/database'
import { holdFolder } from './database/lock'
import { tellEnding } from './events'
import { clearLeftovers } from './delivery/spool'
import { firstStart } from './demo'
import { faultSentence } from './fault-sentence'
import { purge } from './database/purge'
import { DAY_MS } from './retention'
import { renderer } from './renderer/renderer'
import { refuseStrangeMethods } from './strange-methods'

/** Keeps the lock from being closed with the object that holds it. */
const shared = globalThis as { wiseSquareLock?: unknown }

/** How the server ends when its data folder cannot be used: starting it again would not help. */
const UNUSABLE = 78

/**
 * Opens the database and brings it up to date; ends the server with a sentence where that cannot be done. Without its
 * parent the server ends too.
 */
export async function start(): Promise<void> {
  refuseStrangeMethods()
  followParent()
  endInTime()
  const folder = dataFolder()
  try {
    shared.wiseSquareLock = holdFolder(folder)
    await clearLeftovers()
    await firstStart(await database(), renderer(), process.env.WISE_SQUARE_EMPTY === '1')
    copyDaily(folder)
    purgeDaily(await database())
    process.stdout.write('wise-square: open\n')
  } catch (error) {
    const isOwn = error instanceof Error && !('code' in error)
    process.stderr.write(`Wise Square cannot start. ${isOwn ? error.message : faultSentence(error)}\n`)
    process.exit(UNUSABLE)
  }
}

/** How long a server that is asked to end waits for answers that are under way, in milliseconds. */
const GRACE = 3000

/** Lets go of the windows that listen once this server is asked to end; it is not kept by whoever stays. */
function endInTime(): void {
  for (const signal of ['SIGTERM', 'SIGINT'] as const)
    process.once(signal, () => {
      tellEnding()
      setTimeout(() => process.exit(0), GRACE).unref()
    })
}

/** Purges old data, soon after the start and once a day. */
function purgeDaily(db: Db): void {
  const run = () =>
    purge(db).catch((error: unknown) =>
      process.stderr.write(`What is old could not be cleared. ${faultSentence(error)}\n`),
    )
  // Not in the way of the first page.
  setTimeout(() => void run(), 60_000).unref()
  setInterval(() => void run(), DAY_MS).unref()
}

/** Ends this process when the one that started it is gone, however it went. */
function followParent(): void {
  const parent = Number(process.env.WISE_SQUARE_PARENT)
  if (!parent) return
  setInterval(() => {
    if (process.ppid !== parent) process.exit(0)
  }, 500).unref()
}
