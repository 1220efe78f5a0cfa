import { z } from 'zod'
import { pathData } from '../core/formats/path-data'
import { PathDataError, readPathData } from '../core/formats/path-reader'
import { schemaSentence } from '../core/formats/plain-words'
import { OutOfTime, timed, within } from '../core/geometry/deadline'
import { ownDeadline } from '../server/renderer/own-time'
import { measure } from '../core/geometry/measure'
import type { Path } from '../core/geometry/path'
import { roundContour } from '../core/outline/corner'
import { offset } from '../core/outline/offset'
import { simplify } from '../core/outline/simplify'
import { strokedArea } from '../core/outline/stroking'
import { combine, type Role } from '../core/planar/boolean'
import { leaks } from '../core/planar/leaks'
import { divide, patchwork } from '../core/planar/patches'

const Id = z.union([z.string(), z.number()])
const Paths = z.array(z.string()).min(1, 'There is no path.').max(10_000)
const FillRule = z.enum(['nonzero', 'evenodd']).default('nonzero')
const Length = z.number().min(-1e6).max(1e6)
const Join = z.enum(['miter', 'round', 'bevel'])
const MiterLimit = z.number().min(1).max(1e6).default(4)
/** How long one request may be computed, in milliseconds of processor time; without it there is no limit but --limit. */
const Limit = z.number().positive().max(3_600_000).optional()
const common = { id: Id, paths: Paths, limit: Limit }

const Request = z.discriminatedUnion('op', [
  z.object({ op: z.enum(['union', 'subtract', 'intersect', 'exclude']), ...common, fillRule: FillRule }),
  z.object({ op: z.literal('divide'), ...common, fillRule: FillRule }),
  z.object({ op: z.literal('patches'), ...common }),
  z.object({
    op: z.literal('offset'),
    ...common,
    distance: Length,
    join: Join.default('round'),
    miterLimit: MiterLimit,
    fillRule: FillRule,
  }),
  z.object({
    op: z.literal('stroke'),
    ...common,
    width: Length.min(0, 'The width must be at least 0.'),
    cap: z.enum(['butt', 'round', 'square']).default('butt'),
    join: Join.default('miter'),
    miterLimit: MiterLimit,
    dash: z.array(Length.min(0, 'A dash must be at least 0.')).max(64).default([]),
    dashOffset: Length.default(0),
    position: z.enum(['center', 'inside', 'outside']).default('center'),
  }),
  z.object({
    op: z.literal('round'),
    ...common,
    radius: Length.min(0, 'The radius must be at least 0.'),
    style: z.enum(['round', 'bevel', 'scoop', 'notch', 'squircle']).default('round'),
  }),
  z.object({ op: z.literal('simplify'), ...common, tolerance: Length.positive('The tolerance must be above 0.') }),
  z.object({ op: z.literal('measure'), ...common }),
])

const ROLES: Record<'union' | 'subtract' | 'intersect' | 'exclude', Role> = {
  union: 'adds',
  subtract: 'cuts',
  intersect: 'overlap',
  exclude: 'flips',
}

/** Digits of the path data that is answered: every bit of a coordinate that an icon has a use for. */
const DIGITS = 9
const written = (path: Path): string => pathData(path, DIGITS)

/** The answer to one request of the path tool, a line of JSON each; a line that is wrong gets an error object. */
export function answerLine(text: string): string {
  let id: unknown = null
  const refuse = (code: string, message: string, at?: number) =>
    JSON.stringify({ id, error: { code, message, ...(at !== undefined && { at }) } })
  try {
    const value: unknown = JSON.parse(text)
    id = (value as { id?: unknown } | null)?.id ?? null
    const request = Request.safeParse(value)
    if (!request.success) return refuse('bad-request', schemaSentence(request.error))
    return JSON.stringify({ id, ...answer(request.data) })
  } catch (error) {
    if (error instanceof SyntaxError) return refuse('bad-json', 'The line is not valid JSON.')
    if (error instanceof PathDataError) return refuse('bad-path', error.message, error.at)
    if (error instanceof OutOfTime) return refuse('out-of-time', error.message)
    return refuse('failed', error instanceof Error ? error.message : String(error))
  }
}

function answer(request: z.infer<typeof Request>): object {
  const compute = () => computed(request, request.paths.map(readPathData))
  return request.limit === undefined ? timed(compute) : within(ownDeadline(request.limit), compute)
}

function computed(request: z.infer<typeof Request>, paths: readonly Path[]): object {
  switch (request.op) {
    case 'divide':
      return { paths: divide(paths, request.fillRule).map(written) }
    case 'patches': {
      const { patches } = patchwork(paths)
      return {
        paths: patches.map(({ path }) => written(path)),
        leaks: leaks(paths, undefined).map(({ at, gap }) => ({ at: [at.x, at.y], gap })),
      }
    }
    case 'offset':
      return { path: written(offset(paths.flat(), request.distance, request, request.fillRule)) }
    case 'stroke':
      return { path: written(strokedArea(paths.flat(), request)) }
    case 'round':
      return { path: written(paths.flat().map((contour) => roundContour(contour, () => request).contour)) }
    case 'simplify':
      return { path: written(simplify(paths.flat(), request.tolerance)) }
    case 'measure': {
      const { area, length, bounds, centroid, segments } = measure(paths.flat())
      return {
        area,
        length,
        bounds: bounds && [bounds.x, bounds.y, bounds.x + bounds.w, bounds.y + bounds.h],
        centroid: centroid && [centroid.x, centroid.y],
        segments,
      }
    }
    default: {
      const role = ROLES[request.op]
      return {
        path: written(
          combine(
            paths.map((path) => ({ path, role })),
            request.fillRule,
          ),
        ),
      }
    }
  }
}

/**
 * Reads requests from standard input and answers each in order; with `time`, says at the end how long the answers took.
 */
export async function pathCommand(
  input: AsyncIterable<string>,
  write: (line: string) => void,
  time: ((line: string) => void) | null,
): Promise<void> {
  let count = 0,
    spent = 0
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
