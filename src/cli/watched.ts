import { stat } from 'node:fs/promises'
import { setTimeout as pause } from 'node:timers/promises'
import { type Answer, wentWrong } from './command'

/** How often a file is looked at, in milliseconds. */
const OFTEN = 300

const stateOf = async (file: string): Promise<string> => {
  const { mtimeMs, size } = await stat(file).catch(() => ({ mtimeMs: 0, size: 0 }))
  return `${mtimeMs} ${size}`
}

/**
 * Runs an action now and after every change of a file, until it is ended. Each answer and each error is reported. A
 * change during a run leads to another run.
 */
export async function watched(
  file: string,
  act: () => Promise<Answer>,
  tell: (answer: Answer) => void,
  end?: AbortSignal,
): Promise<void> {
  while (!end?.aborted) {
    const before = await stateOf(file)
    tell(await act().catch(failed))
    while (!end?.aborted && (await stateOf(file)) === before) await pause(OFTEN)
  }
}

function failed(error: unknown): Answer {
  const message = wentWrong(error)
  return { lines: [message], value: { error: { code: 'failed', message } }, status: 1 }
}
