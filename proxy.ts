import { type NextRequest, NextResponse } from 'next/server'

/**
 * Names under which this machine is itself. Whatever else leads here is a foreign name for it, and a page of that name
 * is a foreign page.
 */
const OWN = new Set(['127.0.0.1', 'localhost', '[::1]'])

const refuse = (message: string) => NextResponse.json({ code: 'forbidden', message }, { status: 403 })

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
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host') ?? ''
  if (!OWN.has(host.replace(/:\d+$/, ''))) return refuse('This server answers to 127.0.0.1 and localhost only.')
  if (!isReadable(request.nextUrl.pathname))
    return NextResponse.json({ code: 'invalid', message: 'This address cannot be read.' }, { status: 400 })
  if (request.method !== 'GET' && request.method !== 'HEAD') {
    const origin = request.headers.get('origin'),
      site = request.headers.get('sec-fetch-site')
    if (origin !== null && origin !== `http://${host}`) return refuse('Requests from other sites are refused.')
    if (site !== null && site !== 'same-origin' && site !== 'none')
      return refuse('Requests from other sites are refused.')
  }
  const nonce = btoa(crypto.randomUUID())
  const policy = [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'${process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''}`,
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
  response.headers.set('x-content-type-options', 'nosniff')
  response.headers.set('referrer-policy', 'same-origin')
  response.headers.set('x-frame-options', 'DENY')
  response.headers.set('cross-origin-resource-policy', 'same-origin')
  return response
}
