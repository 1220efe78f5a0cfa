import { listen, onEnding } from '@/server/events'

/** How often a line goes out that says nothing, so that a lost connection is noticed, in milliseconds. */
const BEAT = 25_000

/** What changes on the shelf and in sets, as server-sent events, until whoever listens goes. */
export function GET(request: Request): Response {
  const text = new TextEncoder()
  let end = () => undefined as void
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (line: string) => {
        try {
          controller.enqueue(text.encode(line))
        } catch {
          end()
        }
      }
      const stop = listen((told) => send(`data: ${JSON.stringify(told)}\n\n`)),
        stay = onEnding(() => end())
      const beat = setInterval(() => send(': \n\n'), BEAT)
      end = () => {
        stop()
        stay()
        clearInterval(beat)
        request.signal.removeEventListener('abort', end)
        try {
          controller.close()
        } catch {
          // Whoever listened is gone already.
        }
      }
      request.signal.addEventListener('abort', end)
      send(': \n\n')
    },
    cancel: () => end(),
  })
  return new Response(body, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform' },
  })
}
