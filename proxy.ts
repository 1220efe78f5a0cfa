import { type NextRequest, NextResponse } from 'next/server'
import { GUARDS } from './guards.mjs'

/**
 * Names under which this machine is itself. Whatever else leads here is a foreign name for it, and a page of that name
 * is a foreign page.
 */
const OWN = new Set(['127.0.0.1', 'localhost', '[::1]'])

const refuse = (message: string) => guarded(NextResponse.json({ code: 'forbidden', message }, { status: 403 }))

const invalid = (message: string, status: 400 | 405) =>
  guarded(NextResponse.json({ code: 'invalid', message }, { status }))

/**
 * Whether a text calls an action as the pages of this program do: by a list of plain strings. In one a dollar sign is
 * doubled at the beginning; a single one stands for something else.
 */
function isCall(text: string): boolean {
  try {
    const list: unknown = JSON.parse(text)
    return Array.isArray(list) && list.every((one) => typeof one === 'string' && !/^\$(?!\$)/.test(one))
  } catch {
    return false
  }
}

/** The refusal of a request to a page that is neither GET nor HEAD; null if it calls a server action. */
async function wrongCall(request: NextRequest): Promise<NextResponse | null> {
  if (request.method !== 'POST' || !request.headers.has('next-action'))
    return invalid('This address can only be read.', 405)
  const type = request.headers.get('content-type') ?? ''
  const isPlain = type.startsWith('text/plain') && isCall(await request.clone().text())
  return isPlain ? null : invalid('This call cannot be read.', 400)
}

/** An answer with what every one says of what may be done with it. */
function guarded(response: NextResponse): NextResponse {
  for (const { key, value } of GUARDS) response.headers.set(key, value)
  return response
}

function isReadable(path: string): boolean {
  try {
    decodeURIComponent(path)
    return true
  } catch {
    return false
  }
}

/**
 * Before every request: it must be meant for this machine, and what changes something must come from a page of its own.
 * Answers say what pages may do.
 */
export async function proxy(request: NextRequest): Promise<NextResponse> {
  const host = request.headers.get('host') ?? ''
  if (!OWN.has(host.replace(/:\d+$/, ''))) return refuse('This server answers to 127.0.0.1 and localhost only.')
  if (!isReadable(request.nextUrl.pathname))
    return guarded(NextResponse.json({ code: 'invalid', message: 'This address cannot be read.' }, { status: 400 }))
  const site = request.headers.get('sec-fetch-site')
  const isApi = request.nextUrl.pathname.startsWith('/api/')
  // What a page of another site or port asks for starts no work here, be it only to look.
  if ((site === 'cross-site' || site === 'same-site') && isApi) return refuse('Requests from other sites are refused.')
  if (request.method !== 'GET' && request.method !== 'HEAD') {
    const origin = request.headers.get('origin')
    if (origin !== null && origin !== `http://${host}`) return refuse('Requests from other sites are refused.')
    if (site !== null && site !== 'same-origin' && site !== 'none')
      return refuse('Requests from other sites are refused.')
    const wrong = isApi ? null : await wrongCall(request)
    if (wrong) return wrong
  }
  const nonce = btoa(crypto.randomUUID())
  const policy = [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''}`,
    "worker-src 'self' blob:",
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "form-action 'self'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
  ].join('; ')
  const headers = new Headers(request.headers)
  headers.set('x-nonce', nonce)
  headers.set('content-security-policy', policy)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('content-security-policy', policy)
  return guarded(response)
}
