import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { unzipSync } from 'fflate'
import { afterAll, afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { main } from '../../cli/main'
import { changesBetween } from '../../core/targets/compare'
import { TARGETS } from '../../core/targets/targets'
import { type Db, openDatabase } from '../database'
import { addDemoSets } from '../demo'
import { Renderer, THREAD } from '../renderer/renderer'
import { bytesOfJson, saveOver } from '../../../tools/stored'
import { saveSet } from '../save'
import { rowsOfSet } from '../set-rows'
import { addSet, listSets } from '../sets'
import { pier as set } from '../../../tools/samples'
import { archiveStream, bytesOf } from './archive-stream'
import { readFamily } from './family'
import { addRelease, deliveredNow, listReleases, releaseArchive, releasedIn } from './releases'
import { runOf } from './runs'

let db: Db
let id: string
beforeEach(async () => {
  db = await openDatabase(':memory:')
  id = (await addSet(db, rowsOfSet(set))).id
})
afterEach(() => db.destroy())

const renderer = new Renderer(THREAD)
afterAll(() => renderer.close())

const save = async (writes: object): Promise<boolean> =>
  (await saveSet(db, renderer, id, bytesOfJson(await saveOver(db, id, writes)))).ok

describe('delivery', () => {
  it('to every target from the server and from the command line is the same, byte for byte', async () => {
    await addDemoSets(db, renderer)
    const entry = (await readFamily(db, (await listSets(db)).find(({ name }) => name === 'Quayside')!.id))!
    const run = runOf(
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
    expect(run.problems).toEqual([])
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

  it('is made once however often it is asked for, called off leaves nothing, and is made anew after that', async () => {
    const entry = (await readFamily(db, id))!
    const run = runOf(db, renderer, entry, ['svg', 'png'])
    expect(runOf(db, renderer, entry, ['svg', 'png'])).toBe(run)
    await run.cancel()
    expect(run.progress.state).toBe('cancelled')
    expect(run.spool).toBeNull()
    const again = runOf(db, renderer, entry, ['svg', 'png'])
    expect(again).not.toBe(run)
    await again.ended
    expect(again.progress.state).toBe('done')
  })

  it('is sent to its end although the set was changed meanwhile', async () => {
    const run = runOf(db, renderer, (await readFamily(db, id))!, ['svg'])
    await run.ended
    const stream = archiveStream(run.spool!)
    await run.forget()
    expect(Object.keys(unzipSync(await bytesOf(stream)))).toHaveLength(set.icons.length)
  })

  it('leaves out, with a word, what was changed after it began, and nothing else', async () => {
    const begun = (await readFamily(db, id))!
    const [changed, ...others] = set.icons
    expect(await save({ icons: [{ ...changed!, tags: ['rowing'] }] })).toBe(true)
    const run = runOf(db, renderer, begun, ['svg'])
    await run.ended
    expect(run.problems).toEqual([{ icon: changed!.name, message: 'It was changed while it was drawn.' }])
    expect(run.spool!.files.map(({ path }) => path)).toEqual(others.map(({ name }) => `svg/${name}.svg`).sort())
    expect(await save({ rules: { ...set.rules, sizes: [24] } })).toBe(true)
    const late = runOf(db, renderer, begun, ['svg', 'data'])
    await late.ended
    expect(late.problems).toHaveLength(set.icons.length)
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
