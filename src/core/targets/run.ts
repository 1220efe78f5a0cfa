/** An icon that is left out of a delivery because it cannot be drawn, and why. */
export type LeftOut = { readonly icon: string; readonly message: string }

/** How far a delivery is. */
export type Progress = {
  readonly state: 'running' | 'done' | 'failed' | 'cancelled'
  /** Icons that are made, and how many there are. */
  readonly done: number
  readonly of: number
  /** How many seconds it will still take; null while nobody can tell. */
  readonly left: number | null
  readonly message?: string
}

/** A release without its content; `madeAt` in ISO 8601, `bytes` is the size of its archive. */
export type ReleaseEntry = {
  readonly number: number
  readonly note: string
  readonly madeAt: string
  readonly icons: number
  readonly files: number
  readonly bytes: number
  /** Whether the set file that is kept with it has the reference pictures; they may be too much for one file. */
  readonly hasPictures: boolean
}
