import { cancelRunOf, lastRunOf } from '@/server/delivery/runs'
import { failed } from '@/server/failure'
import { answer, reply } from '@/server/http'

type Asked = { params: Promise<{ setId: string }> }

/** How far the delivery of a set is that was begun last, as server-sent events until it ends. */
export const GET = (request: Request, { params }: Asked): Promise<Response> =>
  answer(async () => {
    const run = lastRunOf((await params).setId)
    if (!run) return reply(failed('not-found', 'Nothing is being delivered.'))
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

/** Calls off the delivery that is under way. */
export const DELETE = (_: Request, { params }: Asked): Promise<Response> =>
  answer(async () => Response.json({ cancelled: await cancelRunOf((await params).setId) }))
