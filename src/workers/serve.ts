/** A message from the page to a worker: a call with an id, or a notice (`id` null) that gets no reply. */
export type Request = { readonly id: number | null; readonly call: string; readonly input: unknown }

/** A message from a worker to the page: the progress of a call, its result, or a sentence that says why there is none. */
export type Reply = { readonly id: number } & (
  { readonly progress: unknown } | { readonly result: unknown } | { readonly problem: string }
)

/** A function that a worker offers. It may say how far it is. */
export type Call = (input: never, tell: never) => unknown
export type Calls = Readonly<Record<string, Call>>

/** A result with buffers that are handed over instead of copied. */
export class Transferred<T> {
  constructor(
    readonly result: T,
    readonly buffers: Transferable[],
  ) {}
}

const plainly = (error: unknown): string => (error instanceof Error ? error.message : String(error))

/**
 * Offers functions to the page that started this worker. Calls run one after the other, in the order of their messages. An
 * exception becomes a reply; `sentence` turns it into words.
 */
export function serve(calls: Calls, sentence: (error: unknown) => string = plainly): void {
  let last: unknown = null
  self.onmessage = ({ data }: MessageEvent<Request>) => {
    // A synchronous function replies at once, unless an earlier call is still running.
    const next = last instanceof Promise ? last.then(() => answer(data)) : answer(data)
    last = next instanceof Promise ? next.finally(() => last === next && (last = null)) : null
  }

  function answer({ id, call, input }: Request): void | Promise<void> {
    const tell = (progress: unknown) => id !== null && postMessage({ id, progress } satisfies Reply)
    try {
      const result = calls[call]!(input as never, tell as never)
      if (result instanceof Promise) return result.then(give, refuse)
      give(result)
    } catch (error) {
      refuse(error)
    }

    function give(result: unknown): void {
      if (id === null) return
      try {
        if (result instanceof Transferred)
          postMessage({ id, result: result.result } satisfies Reply, { transfer: result.buffers })
        else postMessage({ id, result } satisfies Reply)
      } catch (error) {
        refuse(error)
      }
    }

    function refuse(error: unknown): void {
      if (id !== null) postMessage({ id, problem: sentence(error) } satisfies Reply)
    }
  }
}
