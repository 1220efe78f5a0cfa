import { z } from 'zod'
import { SetFile } from '../core/formats/set-file'
import { type Answer, UsageError } from './command'

/** The JSON Schema of the set file, as docs/set-file.schema.json has it. */
export async function schemaCommand(files: readonly string[]): Promise<Answer> {
  if (files.length > 0) throw new UsageError('schema takes no file.')
  const value = z.toJSONSchema(SetFile, { io: 'input' })
  return { lines: [JSON.stringify(value, null, 2)], value }
}
