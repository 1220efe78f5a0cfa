import pLimit from 'p-limit'
import type { Rules } from '../../core/rules/rules'
import { type Fault, type Family } from '../../core/targets/target'
import type { Db } from '../database'
import { drawnIcons } from '../drawn'
import { faultSentence } from '../http'
import { type Renderer, TaskEnded } from '../renderer/renderer'
import type { StoredSet } from '../sets'
import { Spool } from './spool'

/** An icon that is left out because it cannot be drawn, and why. */
export type LeftOut = { readonly icon: string; readonly message: string }

/** How far a run is. */
export type Progress = {
  readonly state: 'running' | 'done' | 'failed' | 'cancelled'
  /** Icons that are made, and how many there are. */
  readonly done: number
  readonly of: number
  /** How many seconds it will still take; null while nobody can tell. */
  readonly left: number | null
  readonly message?: string
}

/** A set as plans see it, from its rows. */
export const familyOf = ({ rows }: Pick<StoredSet, 'rows'>): Family => ({
  name: rows.name,
  kind: rows.kind as Family['kind'],
  rules: JSON.parse(rows.rules) as Rules,
  ...(rows.delivery !== null && { delivery: JSON.parse(rows.delivery) }),
  icons: rows.icons.map(({ id, name, labels }) => ({ id, name, ...(labels !== null && JSON.parse(labels)) })),
})

/** How many icons are being made at once, beyond what threads work on: what is not made yet takes no memory. */
const AT_ONCE = 4

/** One delivery being made: it goes on whether anyone looks or not, until it is done or called off. */
export class Run {
  readonly problems: LeftOut[] = []
  readonly faults: Fault[] = []
  readonly ended: Promise<void>
  spool: Spool | null = null
  private state: Progress['state'] = 'running'
  private message: string | undefined
  private done = 0
  private readonly begun = performance.now()
  private readonly watchers = new Set<(progress: Progress) => void>()

  constructor(
    readonly id: string,
    readonly stored: StoredSet,
    readonly targets: readonly string[],
    db: Db,
    renderer: Renderer,
  ) {
    this.ended = this.make(db, renderer).then(
      () => this.end(this.state === 'cancelled' ? 'cancelled' : 'done'),
      (error: unknown) => {
        this.message = faultSentence(error)
        this.end('failed')
      },
    )
  }

  get progress(): Progress {
    const { state, done, message } = this,
      of = this.stored.rows.icons.length
    const seconds = (performance.now() - this.begun) / 1000
    const left = state !== 'running' ? 0 : done < 3 || seconds < 0.5 ? null : Math.ceil((seconds / done) * (of - done))
    return { state, done, of, left, ...(message !== undefined && { message }) }
  }

  /** Calls off what is not made yet. What was made is given up. */
  async cancel(): Promise<void> {
    if (this.state === 'running') this.state = 'cancelled'
    await this.ended
    await this.forget()
  }

  /** Tells of every step, from now on; returns the way to stop. */
  watch(tell: (progress: Progress) => void): () => void {
    this.watchers.add(tell)
    return () => this.watchers.delete(tell)
  }

  async forget(): Promise<void> {
    const { spool } = this
    this.spool = null
    await spool?.close()
  }

  private async make(db: Db, renderer: Renderer): Promise<void> {
    const spool = (this.spool = await Spool.begin())
    const family = familyOf(this.stored),
      { targets } = this,
      { icons } = this.stored.rows
    const pieces = new Map<string, string[]>()
    const turn = pLimit(AT_ONCE)
    await Promise.all(
      icons.map((row, i) =>
        turn(async () => {
          if (this.state !== 'running') return
          const [drawn] = await drawnIcons(db, renderer, this.stored.id, { ids: [row.id] })
          try {
            if (!drawn?.svg) throw new TaskEnded(drawn?.problem ?? 'It was changed while it was drawn.')
            const { id: _, name: __, ...documents } = drawn
            const made = await renderer.run('make', { row, drawn: documents, family, targets })
            for (const file of made.files) await spool.add(file)
            for (const [path, piece] of Object.entries(made.pieces)) {
              let list = pieces.get(path)
              if (!list) pieces.set(path, (list = []))
              list[i] = piece
            }
            this.faults.push(...made.faults)
          } catch (error) {
            if (!(error instanceof TaskEnded)) throw error
            this.problems.push({ icon: row.name, message: error.message })
          }
          this.done++
          this.tell()
        }),
      ),
    )
    if (this.state !== 'running') return
    const left = new Set(this.problems.map(({ icon }) => icon))
    const whole = { ...family, icons: family.icons.filter(({ name }) => !left.has(name)) }
    const kept = Object.fromEntries([...pieces].map(([path, list]) => [path, list.filter((one) => one !== undefined)]))
    for (const file of await renderer.run('join', { family: whole, targets, pieces: kept })) await spool.add(file)
  }

  private end(state: Progress['state']): void {
    this.state = state
    const order = new Map(this.stored.rows.icons.map(({ id }, i) => [id, i]))
    this.faults.sort((a, b) => (order.get(a.icon ?? '') ?? 0) - (order.get(b.icon ?? '') ?? 0))
    this.tell()
  }

  private tell(): void {
    const { progress } = this
    for (const watcher of this.watchers) watcher(progress)
  }
}
