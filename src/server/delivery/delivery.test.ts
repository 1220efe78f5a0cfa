import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { strFromU8, unzipSync } from 'fflate'
import { afterAll, afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { main } from '../../cli/main'
import { changesBetween } from '../../core/targets/compare'
import { TARGETS } from '../../core/targets/targets'
import { type Db, openDatabase } from '../database/database'
import { addDemoSets } from '../demo'
import { Renderer, THREAD } from '../renderer/renderer'
import { PATIENT } from '../../testing/patience'
import { bytesOfJson, saveOver } from '../../testing/stored'
import { faultSentence } from '../fault-sentence'
import { saveSet } from '../save'
import { Spool } from './spool'
import { rowsOfSet } from '../set-rows'
import { addSet, listSets } from '../sets'
import { pier as set } from '../../testing/samples'
import { archiveStream, bytesOf } from './archive-stream'
import { readStoredSet } from './stored-set'
import { addRelease, deliveredNow, listReleases, releaseArchive, releasedIn } from './releases'
import { giveUpRun, holdRun, runOf } from './runs'

let db: Db
let id: string
beforeEach(async () => {
  db = await openDatabase(':memory:')
  id = (await addSet(db, rowsOfSet(set))).id
})
afterEach(() => db.destroy())

const renderer = new Renderer(THREAD, PATIENT)
afterAll(() => renderer.close())

const save = async (writes: object): Promise<boolean> =>
  (await saveSet(db, renderer, id, bytesOfJson(await saveOver(db, id, writes)))).ok

describe('delivery', () => {
  it('to every target from the server and from the command line is the same, byte for byte', async () => {
    await addDemoSets(db, renderer)
    const entry = (await readStoredSet(db, (await listSets(db)).find(({ name }) => name === 'Quayside')!.id))!
    const run = holdRun(
      db,
      renderer,
      entry,
      TARGETS.map((target) => target.id),
    )
    const steps: number[] = []
    run.watch(({ done }) => steps.push(done))
    await run.ended
    expect(run.progress).toMatchObject({ state: 'done', done: entry.family.icons.length })
    expect(steps.toSorted((a, b) => a - b)).toEqual(steps)
    expect(run.leftOut).toEqual([])
    // 20 px has no master in the demo, and says so; 16 and 24 have.
    expect(run.soft.map(({ size }) => size)).toContain(20)
    expect(run.soft.map(({ size }) => size)).not.toContain(16)
    const served = unzipSync(await bytesOf(archiveStream(run.spool!)))
    const folder = mkdtempSync(join(tmpdir(), 'wise-square-'))
    const log = vi.spyOn(console, 'log').mockImplementation(() => undefined)
    expect(await main(['deliver', 'demo/quayside.wisesquare.json', '--to', folder, '--targets', 'all', '--json'])).toBe(
      0,
    )
    for (const [path, bytes] of Object.entries(served))
      expect(readFileSync(join(folder, path)).equals(Buffer.from(bytes)), path).toBe(true)
    expect(Object.keys(served)).toEqual(run.spool!.files.map(({ path }) => path))
    expect(readdirSync(join(folder, 'svg', '16'))).toHaveLength(entry.family.icons.length)
    log.mockRestore()
    rmSync(folder, { recursive: true })
  })

  it('is made once however often it is asked for, and called off when the last one gives it up', async () => {
    const entry = (await readStoredSet(db, id))!
    const run = holdRun(db, renderer, entry, ['svg', 'png'])
    expect(holdRun(db, renderer, entry, ['svg', 'png'])).toBe(run)
    // Who asks for something else ends nothing.
    const other = holdRun(db, renderer, entry, ['svg'])
    await giveUpRun(id, run.id)
    expect(run.progress.state).toBe('running')
    await giveUpRun(id, run.id)
    expect([run.progress.state, run.spool, runOf('another set', run.id)]).toEqual(['cancelled', null, null])
    const again = holdRun(db, renderer, entry, ['svg', 'png'])
    expect(again).not.toBe(run)
    await Promise.all([again.ended, other.ended])
    expect([again.progress.state, other.progress.state]).toEqual(['done', 'done'])
    expect(runOf(id, other.id)).toBe(other)
  })

  it('fails with a sentence where the disk takes or gives back less than it was given', async () => {
    const files = [1, 2, 3].map((n) => ({ path: `${n}.svg`, bytes: new Uint8Array(1000).fill(n) }))
    const disk = (room: number, spoils = false) => {
      const kept = new Uint8Array(room)
      return new Spool({
        write: async (bytes: Uint8Array, from: number, length: number, at: number) => {
          // A disk that is nearly full takes a part, then nothing.
          const bytesWritten = Math.min(700, length, Math.max(0, room - at))
          kept.set(bytes.subarray(from, from + bytesWritten), at)
          return { bytesWritten, buffer: bytes }
        },
        read: async (bytes: Uint8Array, to: number, length: number, at: number) => {
          const bytesRead = Math.min(300, length, room - at)
          bytes.set(kept.subarray(at, at + bytesRead), to)
          if (spoils && at > 1500) bytes.fill(0, to)
          return { bytesRead, buffer: bytes }
        },
        close: async () => undefined,
      } as never)
    }
    const well = disk(5000)
    await well.add(files)
    await well.check()
    expect(Object.values(unzipSync(await bytesOf(archiveStream(well)))).map((bytes) => bytes[999])).toEqual([1, 2, 3])
    await expect(disk(2500).add(files).catch(faultSentence)).resolves.toBe('The disk is full: nothing was changed.')
    const bad = disk(5000, true)
    await bad.add(files)
    await expect(bad.check()).rejects.toThrow('2.svg was not kept as it was made.')
    await expect(bytesOf(archiveStream(bad))).rejects.toThrow('2.svg was not kept as it was made.')
  })

  it('writes no file outside of its folder, and leaves out only the targets that a name or a choice speaks against', async () => {
    const entry = (await readStoredSet(db, id))!
    const delivery = { options: { svg: { pattern: '../../x/*' }, linux: { colour: 'red' } } }
    const run = holdRun(db, renderer, { ...entry, family: { ...entry.family, name: '../..', delivery } }, [
      'svg',
      'png',
      'sprite',
      'linux',
    ])
    await run.ended
    for (const { path } of run.spool!.files) expect(path.split('/')).not.toContain('..')
    expect(run.targets).toContain('png')
    for (const target of ['svg', 'linux'] as const) {
      expect(run.targets).not.toContain(target)
      expect(run.problems.map(({ target: left }) => left)).toContain(target)
    }
    const refused = await addRelease(db, renderer, id, ['svg'], 'fine')
    expect(refused.ok).toBe(true)
  })

  it('is sent to its end although the set was changed meanwhile', async () => {
    const run = holdRun(db, renderer, (await readStoredSet(db, id))!, ['svg'])
    await run.ended
    const stream = archiveStream(run.spool!)
    await run.forget()
    expect(Object.keys(unzipSync(await bytesOf(stream)))).toHaveLength(set.icons.length)
  })

  it('leaves out, with a word, what was changed after it began, and nothing else', async () => {
    const begun = (await readStoredSet(db, id))!
    const [changed, ...others] = set.icons
    expect(await save({ icons: [{ ...changed!, tags: ['rowing'] }] })).toBe(true)
    const run = holdRun(db, renderer, begun, ['svg'])
    await run.ended
    expect(run.leftOut).toEqual([{ icon: changed!.name, message: 'It was changed while it was drawn.' }])
    expect(run.spool!.files.map(({ path }) => path)).toEqual(others.map(({ name }) => `svg/${name}.svg`).sort())
    expect(await save({ rules: { ...set.rules, sizes: [24] } })).toBe(true)
    const late = holdRun(db, renderer, begun, ['svg', 'data'])
    await late.ended
    expect(late.leftOut).toHaveLength(set.icons.length)
  })

  it('has the other drawing of an icon for right to left in its module; where that one was changed it is left out', async () => {
    const [oar, buoy, ferry] = set.icons,
      box = buoy!.masters[0]!.objects[0]!,
      smaller = { ...buoy!, masters: [{ base: 24, objects: [{ ...box, w: 7 } as typeof box] }] }
    expect(await save({ icons: [{ ...oar!, rtl: { icon: buoy!.id } }, smaller] })).toBe(true)
    const begun = (await readStoredSet(db, id))!
    const run = holdRun(db, renderer, begun, ['functions'])
    await run.ended
    const files = unzipSync(await bytesOf(archiveStream(run.spool!)))
    const textOf = (path: string) => strFromU8(files[`developers/functions/${path}`]!)
    const drawingOf = (text: string) => /d=\\?"(.*?)\\?"/.exec(text)![1]!
    const module = textOf('oarIcon.ts')
    expect(module).toContain(drawingOf(textOf('buoyIcon.ts')))
    expect(module).toContain(drawingOf(textOf('ferryIcon.ts')))
    expect(textOf('direction.css')).toContain('[data-side="rtl"]')

    expect(await save({ icons: [{ ...smaller, tags: ['mark'] }] })).toBe(true)
    const late = holdRun(db, renderer, begun, ['functions', 'svg'])
    await late.ended
    expect(late.leftOut.map(({ icon }) => icon).sort()).toEqual([oar!.name, buoy!.name].sort())
    expect(late.spool!.files.map(({ path }) => path)).toContain(`svg/${ferry!.name}.svg`)
  })

  it('kept as a release is had again byte for byte, and later ones are compared with it', async () => {
    const first = await addRelease(db, renderer, id, ['svg', 'data'], 'The first.')
    if (!first.ok) throw new Error(first.failure.message)
    expect(first.value).toMatchObject({ number: 1, note: 'The first.' })
    const archive = (await releaseArchive(db, id, 1))!
    const icon = set.icons[0]!
    expect(await save({ icons: [{ ...icon, name: 'renamed' }] })).toBe(true)
    expect((await releaseArchive(db, id, 1))!.equals(archive)).toBe(true)
    const now = await deliveredNow(db, renderer, id, ['svg', 'data'])
    if (!now.ok) throw new Error(now.failure.message)
    const changes = changesBetween((await releasedIn(db, id, 1))!, now.value)
    expect(changes.renamed.map((one) => [one.before.name, one.after.name])).toEqual([[icon.name, 'renamed']])
    expect(changes.files.removed).toEqual([`svg/${icon.name}.svg`])
    expect(changes.files.changed).toEqual(['developers/icons.json'])
    const second = await addRelease(db, renderer, id, ['svg', 'data'], '')
    expect(second.ok && second.value.number).toBe(2)
    expect((await listReleases(db, id)).map(({ number }) => number)).toEqual([2, 1])
    expect(await addRelease(db, renderer, id, [], '')).toMatchObject({ ok: false })
    expect(await addRelease(db, renderer, 'nobody', ['svg'], '')).toMatchObject({ ok: false })
  })
})
