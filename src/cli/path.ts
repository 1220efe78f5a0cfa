import { z } from 'zod'
import { pathData } from '../core/formats/path-data'
import { PathDataError, readPathData } from '../core/formats/path-reader'
import { schemaSentence } from '../core/formats/set-file'
import { measure } from '../core/geometry/measure'
import { combine, type Role } from '../core/planar/boolean'

const Id = z.union([z.string(), z.number()])
const Paths = z.array(z.string()).min(1, 'There is no path.').max(10_000)
const FillRule = z.enum(['nonzero', 'evenodd']).default('nonzero')

const Request = z.discriminatedUnion('op', [
  z.object({ id: Id, op: z.enum(['union', 'subtract', 'intersect', 'exclude']), paths: Paths, fillRule: FillRule }),
  z.object({ id: Id, op: z.literal('measure'), paths: Paths }),
])

const ROLES: Record<'union' | 'subtract' | 'intersect' | 'exclude', Role> = { union: 'adds', subtract: 'cuts', intersect: 'overlap', exclude: 'flips' }

/** Digits of the path data that is answered: every bit of a coordinate that an icon has a use for. */
const DIGITS = 9

/** The answer to one request of the path tool, a line of JSON each; a line that is wrong gets an error object. */
export function answerLine(text: string): string {
  let id: unknown = null
  const refuse = (code: string, message: string, at?: number) => JSON.stringify({ id, error: { code, message, ...(at !== undefined && { at }) } })
  try {
    const value: unknown = JSON.parse(text)
    id = (value as { id?: unknown } | null)?.id ?? null
    const request = Request.safeParse(value)
    if (!request.success) return refuse('bad-request', schemaSentence(request.error))
    return JSON.stringify({ id, ...answer(request.data) })
  } catch (error) {
    if (error instanceof SyntaxError) return refuse('bad-json', 'The line is not valid JSON.')
    if (error instanceof PathDataError) return refuse('bad-path', error.message, error.at)
    return refuse('failed', error instanceof Error ? error.message : String(error))
  }
}

function answer(request: z.infer<typeof Request>): object {
  const paths = request.paths.map(readPathData)
  if (request.op === 'measure') {
    const { area, length, bounds, centroid, segments } = measure(paths.flat())
    return {
      area,
      length,
      bounds: bounds && [bounds.x, bounds.y, bounds.x + bounds.w, bounds.y + bounds.h],
      centroid: centroid && [centroid.x, centroid.y],
      segments,
    }
  }
  const role = ROLES[request.op]
  return { path: pathData(combine(paths.map((path) => ({ path, role })), request.fillRule), DIGITS) }
}

/** Reads requests from standard input and answers each in order; with `time`, says at the end how long the answers took. */
export async function pathCommand(input: AsyncIterable<string>, write: (line: string) => void, time: ((line: string) => void) | null): Promise<void> {
  let count = 0, spent = 0
  for await (const text of input) {
    if (text.trim() === '') continue
    const start = performance.now()
    const line = answerLine(text)
    spent += performance.now() - start
    count++
    write(line)
  }
  time?.(JSON.stringify({ count, ms: Math.round(spent * 1000) / 1000 }))
}
