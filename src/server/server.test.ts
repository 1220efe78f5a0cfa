import { sql } from 'kysely'
import { afterAll, afterEach, beforeEach, describe, expect, it } from 'vitest'
import { sizeOf } from '../core/set/bounds'
import { iconSvg } from '../core/picture/drawn'
import { rasterised } from '../testing/rasterised'
import { type IconSet, LIMITS } from '../core/set/set'
import { type Db, openDatabase } from './database/database'
import { addDemoSets, firstStart } from './demo'
import { Renderer, THREAD } from './renderer/renderer'
import { PATIENT } from '../testing/patience'
import { epochOf } from './database/epoch'
import { changesSince, deletedIcons, saveSet } from './save'
import { rowsOfSet, setOfRows } from './set-rows'
import { sheetOf } from './sheet'
import { boxIcon as icon, pier as set, style } from '../testing/samples'
import { bytesOfJson, saveOver } from '../testing/stored'
import { addSet, deleteSet, duplicateSet, listSets, readSet, renameSet, restoreSet } from './sets'

let db: Db
let id: string
beforeEach(async () => {
  db = await openDatabase(':memory:')
  id = (await addSet(db, rowsOfSet(set))).id
})
afterEach(() => db.destroy())

const renderer = new Renderer(THREAD, PATIENT)
afterAll(() => renderer.close())

const read = async (of: string) => {
  const found = await readSet(db, of)
  return found && { ...found, set: setOfRows(found.rows) }
}
const stored = async () => (await read(id))!
const sent = (request: object) => saveSet(db, renderer, id, bytesOfJson(request))
const save = async (writes: object) => sent(await saveOver(db, id, writes))
const binned = async () => (JSON.parse(await deletedIcons(db, id)) as IconSet).icons
const names = async () => (await listSets(db)).map(({ name }) => name)
const refusal = async (writes: object) => {
  const before = await stored()
  const result = await save(writes)
  expect(await stored()).toEqual(before)
  return result.ok ? null : result.failure
}

describe('the shelf', () => {
  it('gives back a set as it was added', async () => {
    expect((await stored()).set).toEqual(set)
  })

  it('duplicates under a free name, renames, deletes and puts back', async () => {
    const copy = await duplicateSet(db, id)
    expect(await names()).toEqual(['Pier', 'Pier 2'])
    expect((await read(copy.ok ? copy.value : ''))!.set.icons).toEqual(set.icons)
    // What a copy holds counts towards the bounds of a set.
    const counts = await db
      .selectFrom('icons')
      .select(['objects', 'nodes'])
      .where('set_id', '=', copy.ok ? copy.value : '')
      .execute()
    expect(counts).toEqual(set.icons.map((icon) => sizeOf(icon.masters)))
    expect((await renameSet(db, id, '  Mole ')).ok).toBe(true)
    expect(await renameSet(db, id, ' ')).toMatchObject({ ok: false, failure: { message: 'Give the set a name.' } })
    await deleteSet(db, id)
    expect(await readSet(db, id)).toBeNull()
    expect((await listSets(db)).find((entry) => entry.id === id)).toMatchObject({ deleted: true })
    await restoreSet(db, id)
    expect((await stored()).set.name).toBe('Mole')
  })

  it('gets the demo sets on the first start only, or none when it is to be empty', async () => {
    await firstStart(db, renderer, false)
    await firstStart(db, renderer, false)
    expect(await names()).toEqual(['Pier', 'Quayside', 'Quayside solid', 'Skerry app icons'])
    const other = await openDatabase(':memory:')
    await firstStart(other, renderer, true)
    await firstStart(other, renderer, false)
    expect(await listSets(other)).toEqual([])
    await other.destroy()
  })

  it('ships a demo of at least twelve interface icons and one app icon', async () => {
    await addDemoSets(db, renderer)
    const sets = await listSets(db)
    expect(sets.find(({ name }) => name === 'Quayside')).toMatchObject({ icons: 39, grid: 24, side: 24 })
    expect(sets.find(({ name }) => name === 'Skerry app icons')!.icons).toBeGreaterThanOrEqual(1)
  })
})

describe('saving', () => {
  it('writes changed icons, order and rules, and counts a revision for each of them', async () => {
    const changed = { ...icon('buoy'), name: 'can-buoy' }
    expect(await save({ icons: [changed] })).toEqual({ ok: true, value: 2 })
    expect(await save({ icons: [icon('new')], order: ['new', 'ferry', 'oar', 'buoy'] })).toEqual({ ok: true, value: 3 })
    const rules = { ...set.rules, weights: [{ name: 'main', value: 1.5 }] }
    expect(await save({ rules, name: 'Mole' })).toEqual({ ok: true, value: 4 })
    const { set: now, revision, revisions } = await stored()
    expect([revision, now.name, now.rules.weights]).toEqual([4, 'Mole', rules.weights])
    expect(now.icons.map(({ name }) => name)).toEqual(['new', 'ferry', 'oar', 'can-buoy'])
    expect(revisions).toEqual({
      name: 4,
      rules: 4,
      delivery: 1,
      order: 3,
      icons: { oar: 1, buoy: 2, ferry: 1, new: 3 },
    })
  })

  it('keeps deleted icons, and brings them back where they are named again', async () => {
    await save({ order: ['oar', 'ferry'] })
    expect((await stored()).set.icons.map(({ id: name }) => name)).toEqual(['oar', 'ferry'])
    expect(await binned()).toEqual([set.icons[1]])
    await save({ order: ['buoy', 'oar', 'ferry'] })
    expect((await stored()).set.icons.map(({ id: name }) => name)).toEqual(['buoy', 'oar', 'ferry'])
    expect(await binned()).toEqual([])
  })

  it('takes changes of other parts than those that were saved meanwhile, and refuses one of the same part, whole', async () => {
    const [oar, buoy, both] = await Promise.all(
      [[icon('oar', 'sweep')], [icon('buoy', 'can')], [icon('ferry', 'packet'), icon('oar', 'scull')]].map((icons) =>
        saveOver(db, id, { icons }),
      ),
    )
    expect([await sent(oar!), await sent(buoy!)]).toEqual([
      { ok: true, value: 2 },
      { ok: true, value: 3 },
    ])
    const before = await stored()
    expect(await sent(both!)).toMatchObject({ ok: false, failure: { code: 'conflict' } })
    expect(await stored()).toEqual(before)
  })

  it('is done once, however often it is sent, and answered alike', async () => {
    const rename = await saveOver(db, id, { name: 'Mole' })
    expect([await sent(rename), await sent(rename)]).toEqual([
      { ok: true, value: 2 },
      { ok: true, value: 2 },
    ])
    await save({ name: 'Jetty' })
    expect(await sent(rename)).toEqual({ ok: true, value: 2 })
    expect((await stored()).set.name).toBe('Jetty')
  })

  it('is built on the numbers of this shelf, not on those of one that was put back', async () => {
    expect(await sent({ ...(await saveOver(db, id, { name: 'Mole' })), epoch: 'another' })).toMatchObject({
      ok: false,
      failure: { code: 'conflict' },
    })
  })

  it('looks at names as they are after it: two may be swapped, two may not become one', async () => {
    expect(await save({ icons: [icon('oar', 'buoy'), icon('buoy', 'oar')] })).toMatchObject({ ok: true })
    expect(await refusal({ icons: [icon('oar', 'gamma'), icon('ferry', 'gamma')] })).toEqual({
      code: 'invalid',
      message: 'Two icons are named “gamma”.',
      parts: ['icon oar', 'icon ferry'],
    })
    // The name of an icon in the bin is free.
    await save({ order: ['buoy', 'ferry'] })
    expect(await save({ icons: [icon('ferry', 'buoy')] })).toMatchObject({ ok: true })
    expect(await refusal({ order: ['oar', 'buoy', 'ferry'] })).toMatchObject({ message: 'Two icons are named “buoy”.' })
  })

  it('looks at rules however they are written, and counts what the set holds after it', async () => {
    const request = await saveOver(db, id, { rules: { ...set.rules, radii: [] } })
    const spaced = JSON.stringify(request).replace('"rules":', '"rules" :')
    expect(await saveSet(db, renderer, id, Buffer.from(spaced))).toMatchObject({
      ok: false,
      failure: { message: expect.stringContaining('uses the radius “outer”') },
    })
    const many = Array.from({ length: LIMITS.icons - 2 }, (_, i) => icon(`new-${i}`))
    const order = [...set.icons, ...many].map((one) => one.id)
    expect(await refusal({ icons: many, order })).toMatchObject({ message: expect.stringContaining('at most 6,000') })
    expect(await save({ icons: many.slice(1), order: order.filter((one) => one !== 'new-0') })).toMatchObject({
      ok: true,
    })
    expect(await refusal({ icons: [icon('one-more')] })).toMatchObject({
      message: 'A set may have at most 6,000 icons.',
    })
  })

  it('tells whoever asks what changed since, each part once', async () => {
    const since = async (revision: number, epoch?: string) =>
      JSON.parse((await changesSince(db, id, revision, epoch ?? (await epochOf(db))))!)
    await save({ icons: [icon('oar', 'sweep')] })
    await save({ order: ['ferry', 'oar'] })
    expect(await since(1)).toMatchObject({
      revision: 3,
      revisions: { order: 3, icons: { oar: 2 } },
      writes: { order: ['ferry', 'oar'], icons: [icon('oar', 'sweep')] },
    })
    expect((await since(2)).writes).toEqual({ order: ['ferry', 'oar'], icons: [] })
    expect(await since(3)).toMatchObject({ revisions: { icons: {} }, writes: { icons: [] } })
    expect((await since(3, 'another')).writes).toMatchObject({ name: 'Pier', rules: set.rules, icons: { length: 2 } })
  })

  it('stores nothing of a change that the disk has no room for, and says so', async () => {
    await sql`create trigger full before update on sets begin select raise(fail, 'database or disk is full'); end`.execute(
      db,
    )
    const before = await stored()
    await expect(save({ icons: [icon('oar', 'sweep')] })).rejects.toThrow('database or disk is full')
    expect(await stored()).toEqual(before)
  })

  it('refuses what would leave the set wrong, in a sentence, and changes nothing', async () => {
    const bent = structuredClone(icon('oar')) as { masters: { objects: { x: number }[] }[] }
    bent.masters[0]!.objects[0]!.x = Number.NaN
    expect(await refusal({ icons: [bent] })).toMatchObject({ code: 'invalid' })
    expect(await refusal({ icons: [icon('oar', 'a/b')] })).toMatchObject({
      message: expect.stringContaining('A name cannot contain /'),
    })
    expect(await refusal({ icons: [icon('oar', 'BUOY')] })).toMatchObject({ message: 'Two icons are named “BUOY”.' })
    expect(await refusal({ order: ['oar', 'nobody'] })).toMatchObject({
      message: 'The icon nobody is not in this set.',
    })
    expect(await refusal({ rules: { ...set.rules, radii: [] } })).toMatchObject({
      message: expect.stringContaining('uses the radius “outer”'),
    })
    expect(await refusal({ rules: { ...set.rules, sizes: [0] } })).toMatchObject({
      message: expect.stringContaining('A size must be at least 1 pixel.'),
    })
    expect(await refusal({ rules: { ...set.rules, sizes: [100000] } })).toMatchObject({
      message: expect.stringContaining('A size may be at most 2048 pixels.'),
    })
    expect(await refusal({ colour: 'red' })).toMatchObject({ code: 'invalid' })
  })
})

describe('pictures', () => {
  it('a sheet as PDF has every icon at every size on as many pages as it takes, the same bytes each time', async () => {
    await addDemoSets(db, renderer)
    const stored = (await readSet(db, (await listSets(db)).find(({ name }) => name === 'Quayside')!.id))!
    const query = new URLSearchParams({ sizes: '16,48', ground: 'dark' })
    const sheet = await sheetOf(db, renderer, stored, query)
    if (!sheet.ok) throw new Error(sheet.failure.message)
    const [first, second] = await Promise.all([
      renderer.run('sheetPdf', sheet.value),
      renderer.run('sheetPdf', sheet.value),
    ])
    expect(Buffer.from(first).equals(Buffer.from(second))).toBe(true)
    const text = Buffer.from(first).toString('latin1')
    expect(text.startsWith('%PDF-')).toBe(true)
    expect(text.match(/\/Type \/Page\b/g)!.length).toBeGreaterThan(0)
    expect(sheet.value.icons.map(({ sizes }) => sizes.length)).toEqual(stored.rows.icons.map(() => 2))
    expect(await sheetOf(db, renderer, stored, new URLSearchParams({ sizes: '0' }))).toMatchObject({ ok: false })
  })

  it('PNG holds the pixels of the proof, and they are right: a rectangle of weight 2 has full and empty pixels only', async () => {
    const pixels = rasterised(
      iconSvg(
        {
          ...icon('square'),
          masters: [
            {
              base: 24,
              objects: [{ ...icon('x').masters[0]!.objects[0]!, corner: 0, style: { ...style, join: 'miter' } }],
            },
          ],
        },
        set.rules,
        'light',
      ),
      24,
    )
    const alpha = [...pixels.data].filter((_, i) => i % 4 === 3)
    expect(alpha.filter((a) => a === 255)).toHaveLength(20 * 20 - 16 * 16)
    expect(alpha.filter((a) => a === 0)).toHaveLength(24 * 24 - 20 * 20 + 16 * 16)
  })
})
