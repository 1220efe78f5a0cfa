import { database } from './database'
import { firstStart } from './demo'
import { faultSentence } from './fault-sentence'
import { renderer } from './renderer/renderer'

/** How the server ends when its data folder cannot be used: starting it again would not help. */
const UNUSABLE = 78

/**
 * Opens the database and brings it up to date; ends the server with a sentence where that cannot be done. Without its
 * parent the server ends too.
 */
export async function start(): Promise<void> {
  followParent()
  try {
    await firstStart(await database(), renderer(), process.env.WISE_SQUARE_EMPTY === '1')
    process.stdout.write('wise-square: open\n')
  } catch (error) {
    process.stderr.write(`Wise Square cannot start. ${faultSentence(error)}\n`)
    process.exit(UNUSABLE)
  }
}

/** Ends this process when the one that started it is gone, however it went. */
function followParent(): void {
  const parent = Number(process.env.WISE_SQUARE_PARENT)
  if (!parent) return
  setInterval(() => {
    if (process.ppid !== parent) process.exit(0)
  }, 500).unref()
}
