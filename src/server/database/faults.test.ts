import { cpSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { pier } from '../../testing/samples'
import { rowsOfSet } from '../set-rows'
import { addSet, listSets } from '../sets'
import { writeCopy } from './copies'
import { openDatabase } from './database'
import { disk, type Disk } from './disk'
import { asidesOf, copiesOf, databaseIn, JOURNAL } from './places'
import { restore } from './restore'
import { whyUnsound } from './sound'

/** How a step of the disk goes wrong: it fails and all others work, it fails for want of room as all others that write, or the process dies. */
const FAULTS = ['fails', 'full', 'dies'] as const
type Fault = (typeof FAULTS)[number]

const NEEDS_ROOM = new Set<keyof Disk>(['copy', 'makeFolder', 'vacuum', 'settle', 'sync'])

/** A disk whose step number `at` goes wrong, and how many steps were asked of it. */
function faulty(fault: Fault, at: number): { on: Disk; readonly steps: number } {
  const state = { steps: 0 }
  const on = Object.fromEntries(
    Object.entries(disk).map(([name, act]) => [
      name,
      function (this: Disk, ...args: never[]) {
        const step = state.steps++
        const isWrong =
          fault === 'fails' ? step === at : step >= at && (fault === 'dies' || NEEDS_ROOM.has(name as keyof Disk))
        if (isWrong) throw Object.assign(new Error(`step ${step}`), { code: fault === 'full' ? 'ENOSPC' : 'EIO' })
        return (act as (...all: never[]) => unknown).apply(disk, args)
      },
    ]),
  ) as unknown as Disk
  return {
    on,
    get steps() {
      return state.steps
    },
  }
}

let root: string, folder: string
beforeEach(async () => {
  root = mkdtempSync(join(tmpdir(), 'wise-square-faults-'))
  folder = join(root, 'data')
})
afterEach(() => rmSync(root, { recursive: true, force: true }))

const namesIn = async (data: string) => {
  const db = await openDatabase(data)
  const all = (await listSets(db)).map(({ name }) => name)
  await db.destroy()
  return all.join()
}

/** A shelf with “Pier”, its copy, and “Mole” in a journal that a killed server left. */
async function killedShelf(): Promise<void> {
  const db = await openDatabase(folder)
  await addSet(db, rowsOfSet({ ...pier, name: 'Pier' }))
  disk.makeFolder(join(folder, 'copies'))
  writeCopy(databaseIn(folder), join(folder, 'copies', '2026-11-29.db'))
  await addSet(db, rowsOfSet({ ...pier, name: 'Mole' }))
  cpSync(folder, `${folder} killed`, { recursive: true })
  await db.destroy()
  rmSync(folder, { recursive: true })
  cpSync(`${folder} killed`, folder, { recursive: true })
  expect(existsSync(databaseIn(folder) + JOURNAL)).toBe(true)
}

describe('whatever step of the disk goes wrong', () => {
  it.each(FAULTS)(
    '(%s), a restore leaves the shelf as it was, or as the copy, or asks and has it aside',
    async (fault) => {
      await killedShelf()
      const seen = new Set<string>()
      for (let at = 0; ; at++) {
        const data = join(root, `restored ${at}`)
        cpSync(folder, data, { recursive: true })
        const wrong = faulty(fault, at)
        const failed = (() => {
          try {
            restore(data, undefined, wrong.on)
            return false
          } catch {
            return true
          }
        })()
        const opened = await namesIn(data).catch((error: Error) => error.message)
        if (opened.startsWith('There is no database')) {
          seen.add('asks')
          // A living process undoes its steps; only a dead one leaves a folder without a database.
          expect(fault).not.toBe('fails')
          const [aside] = asidesOf(data)
          restore(data, aside)
          expect(await namesIn(data)).toBe('Pier,Mole')
        } else {
          expect(['Pier,Mole', 'Pier']).toContain(opened)
          seen.add(opened)
          if (!failed && fault !== 'full') expect(opened).toBe('Pier')
        }
        // Where the copy took the place of the shelf, that is kept whole.
        if (opened === 'Pier') {
          const [aside] = asidesOf(data)
          restore(data, aside)
          expect(await namesIn(data)).toBe('Pier,Mole')
        }
        if (failed && fault === 'fails') expect(readdirSync(data).filter((name) => name.endsWith('.part'))).toEqual([])
        if (at >= wrong.steps) break
      }
      expect(seen.has('Pier')).toBe(true)
      expect(seen.has('Pier,Mole')).toBe(true)
      expect(seen.has('asks')).toBe(fault === 'dies')
    },
  )

  it.each(FAULTS)('(%s), a copy is whole or not there, and the one before it stays', async (fault) => {
    await killedShelf()
    const copy = join(folder, 'copies', '2026-11-29.db'),
      before = readFileSync(copy)
    for (let at = 0; ; at++) {
      const wrong = faulty(fault, at)
      let failed = false
      try {
        writeCopy(databaseIn(folder), copy, wrong.on)
      } catch {
        failed = true
      }
      expect(whyUnsound(copy)).toBeNull()
      expect(copiesOf(folder)).toEqual(['2026-11-29.db'])
      if (fault !== 'dies') expect(readdirSync(join(folder, 'copies'))).toEqual(['2026-11-29.db'])
      if (!failed) break
      // The last step makes a name last that is there already.
      if (at < 3) expect(readFileSync(copy).equals(before)).toBe(true)
    }
  })
})
