/** A thing under a number; the thing itself only the first time it is sent. */
export type Numbered<T> = { readonly number: number; readonly thing?: T }

/**
 * Numbers for things that are never changed in place, so that a worker gets each of them once however often it is sent:
 * of a drawing in hand, only the objects that changed. `forget` is told the numbers of things that nobody holds any
 * more.
 */
export class Numbers {
  private readonly known = new WeakMap<object, number>()
  private readonly lost: FinalizationRegistry<number>
  private next = 1

  constructor(forget: (number: number) => void) {
    this.lost = new FinalizationRegistry(forget)
  }

  of<T extends object>(thing: T, sent: T = thing): Numbered<T> {
    const number = this.known.get(thing)
    if (number !== undefined) return { number }
    const own = this.next++
    this.known.set(thing, own)
    this.lost.register(thing, own)
    return { number: own, thing: sent }
  }
}

/** The other end: things by their numbers. */
export class Things {
  private readonly things = new Map<number, object>()

  take<T extends object>({ number, thing }: Numbered<T>, as: (thing: T) => object = (one) => one): object {
    if (thing) this.things.set(number, as(thing))
    const known = this.things.get(number)
    if (!known) throw new Error(`Nothing was sent under the number ${number}.`)
    return known
  }

  forget(numbers: readonly number[]): void {
    for (const number of numbers) this.things.delete(number)
  }
}
