import { stat } from 'node:fs/promises'
import { setTimeout as pause } from 'node:timers/promises'

/** How often a file is looked at, in milliseconds. */
const OFTEN = 300

const stateOf = async (file: string): Promise<string> => {
  const { mtimeMs, size } = await stat(file).catch(() => ({ mtimeMs: 0, size: 0 }))
  return `${mtimeMs} ${size}`
}

/** Does something now and again whenever a file has changed, until the process ends; what goes wrong is said. */
export async function watched(file: string, act: () => Promise<readonly string[]>): Promise<never> {
  for (;;) {
    const before = await stateOf(file)
    const lines = await act().catch((error: unknown) => [error instanceof Error ? error.message : String(error)])
    process.stdout.write(`${lines.join('\n')}\n`)
    while ((await stateOf(file)) === before) await pause(OFTEN)
  }
}
