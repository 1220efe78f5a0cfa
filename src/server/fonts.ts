import { failed, type Result } from './result'
import type { Renderer } from './renderer/renderer'
import { isTaskEnded } from './renderer/task-ended'

/** The largest font that is taken, in bytes. */
export const FONT_BYTES = 16 * 2 ** 20

/** A WOFF2 font as TrueType or OpenType, unpacked in a thread. */
export const unpackedFont = (renderer: Renderer, bytes: Uint8Array): Promise<Result<Uint8Array>> =>
  renderer.run('unpackFont', bytes).catch((error: unknown) => {
    if (isTaskEnded(error)) return failed('invalid', 'The font takes too much to be unpacked.')
    throw error
  })
