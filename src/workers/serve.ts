/**
 * What goes from a page to a worker: a call with a number, that is answered under it, or a notice (no number) that is not.
 */
export type Request = { readonly id: number | null; readonly call: string; readonly input: unknown }

/** What comes back for a call: how far it is, then what it gives or why it gives nothing, as a sentence. */
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
 * Offers functions to the page that began this worker, one call after the other in the order in which they come. Whatever
 * one throws is an answer as well, in the words of `sentence`.
 */
export function serve(calls: Calls, sentence: (error: unknown) => string = plainly): void {
  let last: unknown = null
  self.onmessage = ({ data }: MessageEvent<Request>) => {
    // What computes at once is answered at once, unless something before it is not done yet.
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
