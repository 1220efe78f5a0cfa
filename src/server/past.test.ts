import fc from 'fast-check'
import { afterAll, describe, expect, it } from 'vitest'
import type { IconSet } from '../core/set/set'
import { boxIcon, pier } from '../testing/samples'
import { bytesOfJson, saveOver } from '../testing/stored'
import { type Db, openDatabase } from './database/database'
import { nameState, pastSet, pastStates } from './past'
import { purge } from './database/purge'
import { Renderer, THREAD } from './renderer/renderer'
import { PATIENT } from '../testing/patience'
import { saveSet } from './save'
import { rowsOfSet, setOfRows } from './set-rows'
import { addSet, readSet, renameSet } from './sets'
import { runs } from '../testing/runs'

const renderer = new Renderer(THREAD, PATIENT)
afterAll(() => renderer.close())

const DAY = 86_400_000
const NAMES = ['oar', 'buoy', 'ferry', 'quay']

type Step =
  | { kind: 'draw'; icon: string; x: number }
  | { kind: 'order'; icons: string[] }
  | { kind: 'rules'; cap: 'round' | 'butt' }
  | { kind: 'rename'; name: string }
  | { kind: 'night' }
  | { kind: 'name'; name: string }
  | { kind: 'purge' }

const step: fc.Arbitrary<Step> = fc.oneof(
  fc.record({ kind: fc.constant('draw' as const), icon: fc.constantFrom(...NAMES), x: fc.integer({ min: 0, max: 5 }) }),
  fc.record({ kind: fc.constant('order' as const), icons: fc.shuffledSubarray(NAMES) }),
  fc.record({ kind: fc.constant('rules' as const), cap: fc.constantFrom('round' as const, 'butt' as const) }),
  fc.record({ kind: fc.constant('rename' as const), name: fc.constantFrom('Pier', 'Mole', 'Slip') }),
  fc.constant({ kind: 'night' as const }),
  fc.record({ kind: fc.constant('name' as const), name: fc.constantFrom('first', 'shown') }),
  fc.constant({ kind: 'purge' as const }),
)

/** A set through which days go by, and what should be kept of it. */
class Days {
  readonly kept = new Map<number, { set: IconSet; name: string | null }>()
  private isNewDay = false
  private constructor(
    readonly db: Db,
    readonly id: string,
  ) {}

  static async begun(): Promise<Days> {
    const db = await openDatabase(':memory:')
    const icons = [...pier.icons, boxIcon('quay')]
    return new Days(db, (await addSet(db, rowsOfSet({ ...pier, icons }))).id)
  }

  async now() {
    const { rows, revision } = (await readSet(this.db, this.id))!
    return { set: setOfRows(rows), revision }
  }

  private async save(writes: object) {
    const saved = await saveSet(this.db, renderer, this.id, bytesOfJson(await saveOver(this.db, this.id, writes)))
    expect(saved.ok ? null : saved.failure).toBeNull()
  }

  async go(step: Step) {
    const { set, revision } = await this.now()
    if (this.isNewDay && ['draw', 'order', 'rules', 'rename'].includes(step.kind)) {
      this.kept.set(revision, { set, name: this.kept.get(revision)?.name ?? null })
      this.isNewDay = false
    }
    const there = new Map(set.icons.map((icon) => [icon.id, icon]))
    switch (step.kind) {
      case 'draw': {
        const [master] = boxIcon(step.icon).masters
        const drawn = {
          ...boxIcon(step.icon),
          masters: [{ ...master, objects: [{ ...master!.objects[0], x: step.x }] }],
        }
        // One that lies in the bin is taken out of it.
        const order = there.has(step.icon) ? {} : { order: [...there.keys(), step.icon] }
        return this.save({ icons: [drawn], ...order })
      }
      case 'order': {
        const back = step.icons.flatMap((icon) => (there.has(icon) ? [] : [boxIcon(icon)]))
        return this.save({ order: step.icons, ...(back.length > 0 && { icons: back }) })
      }
      case 'rules':
        return this.save({ rules: { ...set.rules, cap: step.cap } })
      case 'rename':
        return void (await renameSet(this.db, this.id, step.name))
      case 'night':
        this.isNewDay = true
        return void (await this.db.updateTable('sets').set({ changed_at: '2026-03-01T18:00:00.000Z' }).execute())
      case 'name':
        this.kept.set(revision, { set, name: step.name })
        return void (await nameState(this.db, this.id, null, step.name))
      case 'purge': {
        // A month and a half later: the bin is emptied, days are let go of, names are not.
        await purge(this.db, Date.now() + 45 * DAY)
        for (const [at, { name }] of this.kept) if (name === null) this.kept.delete(at)
      }
    }
  }
}

describe('the past of a set', () => {
  it('is each day’s last state and every named one, exactly as they were, and nothing else', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 4, maxLength: 16 }), async (steps) => {
        const days = await Days.begun()
        for (const one of steps) await days.go(one)
        const states = (await pastStates(days.db, days.id))!
        expect(new Map(states.map(({ revision, name }) => [revision, name]))).toEqual(
          new Map([...days.kept].map(([at, { name }]) => [at, name])),
        )
        for (const [at, { set }] of days.kept) expect(JSON.parse((await pastSet(days.db, days.id, at))!)).toEqual(set)
        if (states.length === 0) {
          await purge(days.db)
          expect(await days.db.selectFrom('past').selectAll().execute()).toEqual([])
        }
        await days.db.destroy()
      }),
      runs(40),
    )
  })

  it('lasts for thirty days from when it became the past, however long the set rested before', async () => {
    const days = await Days.begun()
    const rested = new Date(Date.now() - 40 * DAY).toISOString()
    await days.db.updateTable('sets').set({ changed_at: rested }).execute()
    const { set, revision } = await days.now()
    await days.go({ kind: 'draw', icon: 'buoy', x: 1 })
    await purge(days.db)
    await purge(days.db, Date.now() + 29 * DAY)
    expect(await pastStates(days.db, days.id)).toMatchObject([{ revision, at: rested }])
    expect(JSON.parse((await pastSet(days.db, days.id, revision))!)).toEqual(set)
    // One that lost its name has thirty days again.
    await nameState(days.db, days.id, revision, 'shown')
    await purge(days.db, Date.now() + 60 * DAY)
    await nameState(days.db, days.id, revision, null)
    await purge(days.db, Date.now() + 29 * DAY)
    expect(await pastStates(days.db, days.id)).toHaveLength(1)
    await purge(days.db, Date.now() + 31 * DAY)
    expect(await pastStates(days.db, days.id)).toEqual([])
    await days.db.destroy()
  })

  it('keeps what changed, not the whole', async () => {
    const days = await Days.begun()
    await days.go({ kind: 'night' })
    await days.go({ kind: 'draw', icon: 'buoy', x: 1 })
    await days.go({ kind: 'draw', icon: 'buoy', x: 2 })
    expect(await days.db.selectFrom('past').select('part').execute()).toEqual([{ part: 'icon buoy' }])
    await days.db.destroy()
  })

  it('says what is wrong with a name, and that a state is no longer kept', async () => {
    const days = await Days.begun()
    const message = async (revision: number | null, name: string) => {
      const named = await nameState(days.db, days.id, revision, name)
      return named.ok ? null : named.failure.message
    }
    expect(await message(null, '  ')).toBe('Give the state a name.')
    expect(await message(7, 'shown')).toBe('This state is no longer kept.')
    expect(await pastSet(days.db, days.id, 7)).toBeNull()
    await days.db.destroy()
  })
})
