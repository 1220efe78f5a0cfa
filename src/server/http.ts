import { failed, type RequestRefusal, type Result } from './result'
import { faultSentence } from './fault-sentence'

const STATUS: Record<RequestRefusal['code'], number> = {
  invalid: 422,
  'not-found': 404,
  conflict: 409,
  'too-large': 413,
  forbidden: 403,
  unavailable: 503,
}

/** A result as JSON: its value, or its failure with the fitting status. */
export function reply<T>(result: Result<T>): Response {
  return result.ok
    ? Response.json(result.value)
    : Response.json(result.failure, { status: STATUS[result.failure.code] })
}

/** Answers a request; whatever goes wrong on the way is said in a sentence instead of a bare 500. */
export async function answer(compute: () => Promise<Response>): Promise<Response> {
  try {
    return await compute()
  } catch (error) {
    return reply(failed('unavailable', faultSentence(error)))
  }
}

/**
 * How many times the limit is read and thrown away, so that whoever sends too much is told so instead of being cut off.
 */
const PATIENCE = 8

/** The bytes of a request, kept no further than a limit. */
export async function boundedBytes(request: Request, limit: number): Promise<Result<Uint8Array>> {
  let chunks: Uint8Array[] = []
  let size = 0
  const reader = request.body?.getReader()
  for (let chunk = await reader?.read(); chunk && !chunk.done; chunk = await reader!.read()) {
    size += chunk.value.length
    if (size <= limit) chunks.push(chunk.value)
    else chunks = []
    if (size > PATIENCE * limit) {
      await reader!.cancel()
      break
    }
  }
  if (size > limit) return failed('too-large', `The file is larger than ${limit / 2 ** 20} MB, the most that is taken.`)
  return { ok: true, value: Buffer.concat(chunks) }
}

/** What a request asks for in JSON, of so many bytes at most; a sentence where it asks for nothing of the kind. */
export async function wishIn<T>(
  request: Request,
  schema: { safeParse(value: unknown): { success: true; data: T } | { success: false } },
  limit: number,
  sentence: string,
): Promise<Result<T>> {
  const bytes = await boundedBytes(request, limit)
  if (!bytes.ok) return bytes
  const parsed = schema.safeParse(jsonOf(bytes.value))
  return parsed.success ? { ok: true, value: parsed.data } : failed('invalid', sentence)
}

/** What a request's bytes say in JSON; null where they are none. */
export function jsonOf(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes))
  } catch {
    return null
  }
}

/** A file to be kept, under a name that every system takes. */
export function download(body: string | Uint8Array | ReadableStream<Uint8Array>, name: string, type: string): Response {
  const plain = name.replace(/[^\w .()-]/g, '_')
  return new Response(body as BodyInit, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(name.toWellFormed())}`,
      'cache-control': 'no-store',
    },
  })
}
