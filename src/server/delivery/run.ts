import type { Problem } from '../../core/findings/problem'
import pLimit from 'p-limit'
import { rightToLeft } from '../../core/set/direction'
import { sampleOf, type SoftSize, softSizes } from '../../core/proof/soft-sizes'
import type { LeftOut, Progress } from '../../core/targets/run'
import { deliverable } from '../../core/targets/deliverable'
import type { Db } from '../database/database'
import { drawnIcons } from '../drawn'
import { faultSentence } from '../fault-sentence'
import type { Renderer } from '../renderer/renderer'
import { isTaskEnded } from '../renderer/task-ended'
import type { Tasks } from '../renderer/tasks'
import { type StoredSet, unchangedIcons } from './stored-set'
import { Spool } from './spool'

/** Greatest number of icons in a lot for a thread, and of lots under way: pending icons take no memory. */
const BATCH = 10,
  AT_ONCE = 4

/** With few icons each is a lot of its own, for finer progress. */
const lotOf = (icons: number): number => Math.max(1, Math.min(BATCH, Math.floor(icons / 20)))

type Ready = Parameters<Tasks['make']>[0]['icons']
type Made = Awaited<ReturnType<Tasks['make']>>

/** One delivery being made: it goes on whether anyone looks or not, until it is done or called off. */
export class Run {
  readonly leftOut: LeftOut[] = []
  readonly problems: Problem[] = []
  /** Sizes at which most edges of its icons lie between pixels. */
  soft: readonly SoftSize[] = []
  readonly ended: Promise<void>
  spool: Spool | null = null
  private state: Progress['state'] = 'running'
  private message: string | undefined
  private done = 0
  private readonly begun = performance.now()
  private readonly watchers = new Set<(progress: Progress) => void>()

  /** The targets that are made: those asked for, but for such as nothing can be written for. */
  readonly targets: readonly string[]
  private readonly family: StoredSet['family']

  constructor(
    readonly id: string,
    readonly stored: StoredSet,
    asked: readonly string[],
    db: Db,
    renderer: Renderer,
  ) {
    const { targets, problems, family } = deliverable(stored.family, asked)
    this.targets = targets
    this.family = family
    this.problems.push(...problems)
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
      of = this.stored.family.icons.length
    const seconds = (performance.now() - this.begun) / 1000
    const left = state !== 'running' ? 0 : done < 3 || seconds < 0.5 ? null : Math.ceil((seconds / done) * (of - done))
    return { state, done, of, left, ...(message !== undefined && { message }) }
  }

  /** Cancels the run and removes its files. */
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
    const { targets, stored, family } = this,
      { icons } = family,
      places = new Map(icons.map(({ id }, i) => [id, i]))
    const text = JSON.stringify(family)
    const pieces = new Map<string, string[]>()
    const turn = pLimit(AT_ONCE)
    const lot = lotOf(icons.length)
    const batches = Array.from({ length: Math.ceil(icons.length / lot) }, (_, k) => k * lot)
    await Promise.all([
      this.findSoft(db, renderer),
      ...batches.map((from) =>
        turn(async () => {
          if (this.state !== 'running') return
          const own = icons.slice(from, from + lot),
            ids = own.map(({ id }) => id),
            turned = new Map(own.map((icon) => [icon.id, rightToLeft(icon, icons).icon.id]))
          const drawn = new Map((await drawnIcons(db, renderer, stored.id, { ids })).map((one) => [one.id, one]))
          // Read after the drawings: an unchanged row was unchanged before too.
          const rows = new Map(
            (await unchangedIcons(db, stored, [...new Set([...ids, ...turned.values()])])).map((row) => [row.id, row]),
          )
          const ready = own.flatMap(({ id, name }) => {
            const one = drawn.get(id),
              row = rows.get(id)
            const other = rows.get(turned.get(id)!)
            if (row && other && one?.picture) {
              const drawn = { picture: one.picture, ...(one.others && { others: one.others }) }
              return [{ row, drawn, ...(other !== row && { turned: other }) }]
            }
            this.leftOut.push({ icon: name, message: one?.problem ?? 'It was changed while it was drawn.' })
            return []
          })
          const made = await this.madeBy(renderer, ready, text)
          for (const [i, one] of made.entries()) {
            const { row } = ready[i]!
            if ('problem' in one) {
              this.leftOut.push({ icon: row.name, message: one.problem })
              continue
            }
            await spool.add(one.files)
            for (const [path, piece] of Object.entries(one.pieces)) {
              let list = pieces.get(path)
              if (!list) pieces.set(path, (list = []))
              list[places.get(row.id)!] = piece
            }
            this.problems.push(...one.problems)
          }
          this.done += own.length
          this.tell()
        }),
      ),
    ])
    if (this.state !== 'running') return
    const left = new Set(this.leftOut.map(({ icon }) => icon))
    const whole = { ...family, icons: family.icons.filter(({ name }) => !left.has(name)) }
    const kept = Object.fromEntries([...pieces].map(([path, list]) => [path, list.filter((one) => one !== undefined)]))
    await spool.add(await renderer.run('join', { family: JSON.stringify(whole), targets, pieces: kept }))
    await spool.check()
  }

  /** Looks at some icons for sizes that come out soft; where that takes too long, none is said to. */
  private async findSoft(db: Db, renderer: Renderer): Promise<void> {
    const { icons, rules } = this.family
    const ids = sampleOf(icons).map(({ id }) => id)
    const rows = await unchangedIcons(db, this.stored, ids)
    try {
      this.soft = softSizes(await renderer.run('crispness', { icons: rows, rules: JSON.stringify(rules) }), rules)
    } catch (error) {
      if (!isTaskEnded(error)) throw error
    }
  }

  /** What icons are delivered as; where that takes too much, one by one, so that only what takes it is left out. */
  private async madeBy(renderer: Renderer, icons: Ready, family: string): Promise<Made> {
    const { targets } = this
    try {
      return await renderer.run('make', { icons, family, targets })
    } catch (error) {
      if (!isTaskEnded(error)) throw error
      if (icons.length === 1) return [{ problem: error.message }]
      const made: Made = []
      for (const icon of icons) made.push(...(await this.madeBy(renderer, [icon], family)))
      return made
    }
  }

  private end(state: Progress['state']): void {
    this.state = state
    const order = new Map(this.stored.family.icons.map(({ id }, i) => [id, i]))
    this.problems.sort((a, b) => (order.get(a.icon ?? '') ?? 0) - (order.get(b.icon ?? '') ?? 0))
    this.tell()
  }

  private tell(): void {
    const { progress } = this
    for (const watcher of this.watchers) {
      try {
        watcher(progress)
      } catch {
        // Whoever watches badly watches no longer; the delivery goes on.
        this.watchers.delete(watcher)
      }
    }
  }
}
