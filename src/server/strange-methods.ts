import { type IncomingMessage, Server, type ServerResponse } from 'node:http'

/** The methods that pages and routes may be asked with. */
const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']

const ANSWER = JSON.stringify({ code: 'invalid', message: 'This method is not answered here.' })

/**
 * Answers requests with other methods with 405, before the framework sees them: it answers TRACE with 500. Patches the
 * servers of this process.
 */
export function refuseStrangeMethods(): void {
  const emit = Server.prototype.emit
  Server.prototype.emit = function (this: Server, event: string | symbol, ...rest: unknown[]): boolean {
    const [request, response] = rest as [IncomingMessage, ServerResponse]
    if (event !== 'request' || METHODS.includes(request.method ?? ''))
      return emit.apply(this, [event, ...rest] as never)
    response.writeHead(405, { allow: METHODS.join(', '), 'content-type': 'application/json', connection: 'close' })
    response.end(ANSWER)
    return true
  } as typeof emit
}
