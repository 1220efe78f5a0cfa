/** Says whether the time for a computation is over. The core has no clock: who asks for something brings one. */
export type Deadline = () => boolean

/** A computation that was given up because its time was over. */
export class OutOfTime extends Error {
  constructor() {
    super('This takes too long: the drawing has too many segments that meet.')
  }
}

/** Throws `OutOfTime` when the time is over. */
export function keepTime(deadline: Deadline | undefined): void {
  if (deadline?.()) throw new OutOfTime()
}
