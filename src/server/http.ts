import { failed, type Failure, type Result } from './failure'

const STATUS: Record<Failure['code'], number> = { invalid: 422, 'not-found': 404, conflict: 409, 'too-large': 413, forbidden: 403, unavailable: 503 }

/** A result as JSON: its value, or its failure with the fitting status. */
export function reply<T>(result: Result<T>): Response {
  return result.ok ? Response.json(result.value) : Response.json(result.failure, { status: STATUS[result.failure.code] })
}

/** A failure when a request that changes something comes from another site's page; null when it may go on. */
export function refuseForeign(request: Request): Response | null {
  const origin = request.headers.get('origin')
  if (origin === null || new URL(origin).host === request.headers.get('host')) return null
  return reply(failed('forbidden', 'Requests from other sites are refused.'))
}

/** The bytes of a request, read no further than a limit. */
export async function boundedBytes(request: Request, limit: number): Promise<Result<Uint8Array>> {
  const tooLarge = failed('too-large', `The file is larger than ${limit / 2 ** 20} MB, the most that is taken.`)
  if (Number(request.headers.get('content-length') ?? 0) > limit) return tooLarge
  const chunks: Uint8Array[] = []
  let size = 0
  const reader = request.body?.getReader()
  for (let chunk = await reader?.read(); chunk && !chunk.done; chunk = await reader!.read()) {
    size += chunk.value.length
    if (size > limit) {
      await reader!.cancel()
      return tooLarge
    }
    chunks.push(chunk.value)
  }
  return { ok: true, value: Buffer.concat(chunks) }
}

/** The text of a request, read no further than a limit in bytes. */
export async function boundedText(request: Request, limit: number): Promise<Result<string>> {
  const bytes = await boundedBytes(request, limit)
  return bytes.ok ? { ok: true, value: Buffer.from(bytes.value).toString('utf8') } : bytes
}

/** A file to be kept, under a name that every system takes. */
export function download(body: string | Uint8Array, name: string, type: string): Response {
  const plain = name.replace(/[^\w .()-]/g, '_')
  return new Response(body as BodyInit, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(name)}`,
      'cache-control': 'no-store',
    },
  })
}
