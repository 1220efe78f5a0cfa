import { runOf } from '@/server/delivery/runs'
import { failed } from '@/server/result'
import { answer, reply } from '@/server/http'

/** How far a delivery is, as server-sent events until it ends. */
export const GET = (
  request: Request,
  { params }: { params: Promise<{ setId: string; runId: string }> },
): Promise<Response> =>
  answer(async () => {
    const { setId, runId } = await params,
      run = runOf(setId, runId)
    if (!run) return reply(failed('not-found', 'This delivery is no longer there.'))
    const text = new TextEncoder()
    const body = new ReadableStream<Uint8Array>({
      start(controller) {
        const send = () => {
          controller.enqueue(text.encode(`data: ${JSON.stringify(run.progress)}\n\n`))
          if (run.progress.state !== 'running') end()
        }
        const stop = run.watch(send)
        const end = () => {
          stop()
          request.signal.removeEventListener('abort', end)
          try {
            controller.close()
          } catch {
            // Whoever listened is gone already.
          }
        }
        request.signal.addEventListener('abort', end)
        send()
      },
    })
    return new Response(body, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } })
  })
