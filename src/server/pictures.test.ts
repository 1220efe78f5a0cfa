import { readFileSync } from 'node:fs'
import { afterAll, afterEach, beforeEach, describe, expect, it } from 'vitest'
import { readSetFile, writeSetFile } from '../core/formats/set-file'
import { iconSvg } from '../core/picture/drawn'
import { masterFor, referencesOf } from '../core/set/set'
import { type Db, openDatabase } from './database/database'
import { addDemoSets } from './demo'
import { addPicture, PICTURE_BYTES, readPicture } from './pictures'
import { Renderer, THREAD } from './renderer/renderer'
import { PATIENT } from '../testing/patience'
import { keepPictures, picturesOf } from './set-files'
import { setOfRows } from './set-rows'
import { listSets, readSet } from './sets'
import { decoded } from '../testing/decoded'
import { hostileSvg } from '../testing/hostile-svg'
import { random } from '../testing/shapes'
import { purge } from './database/purge'

let db: Db
beforeEach(async () => {
  db = await openDatabase(':memory:')
})
afterEach(() => db.destroy())

const renderer = new Renderer(THREAD, PATIENT)
afterAll(() => renderer.close())

const porthole = readFileSync('e2e/pictures/porthole.png')
const message = async (bytes: Uint8Array) => {
  const added = await addPicture(db, renderer, bytes)
  return added.ok ? null : added.failure.message
}

describe('pictures to draw by', () => {
  it('are kept as they came, once, under an id made of their bytes', async () => {
    const first = await addPicture(db, renderer, porthole)
    // One that comes again counts as new: it is not cleared before a drawing refers to it.
    await db.updateTable('pictures').set({ added_at: '2026-01-01' }).execute()
    const again = await addPicture(db, renderer, porthole)
    expect((await purge(db)).pictures).toBe(0)
    if (!first.ok || !again.ok) throw new Error('The picture could not be added.')
    expect(first.value).toMatchObject({ kind: 'image/png', w: 480, h: 480 })
    expect(again.value.id).toBe(first.value.id)
    expect(Buffer.from((await readPicture(db, first.value.id))!.bytes).equals(porthole)).toBe(true)
    expect(await db.selectFrom('pictures').select('id').execute()).toHaveLength(1)
  })

  it('that come with a set file and cannot be read are counted, and refused with their true reason', async () => {
    const hostile = hostileSvg(random(5))[0]!
    const pictures = { good: porthole.toString('base64'), bad: Buffer.from('none').toString('base64') }
    expect(await keepPictures(db, renderer, pictures)).toBe(1)
    expect(await message(Buffer.from(hostile.text))).toMatch(hostile.says)
  })

  it('that are drawings become pixels: no script, no text of them is kept', async () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 20 10" onload="alert(1)"><script>alert(2)</script><rect width="10" height="10" fill="#1f5f7a"/></svg>'
    const added = await addPicture(db, renderer, Buffer.from(svg))
    if (!added.ok) throw new Error(added.failure.message)
    expect(added.value).toMatchObject({ kind: 'image/png', w: 2048, h: 1024 })
    const { data } = decoded((await readPicture(db, added.value.id))!.bytes)
    expect([...data.slice(0, 4)]).toEqual([0x1f, 0x5f, 0x7a, 255])
    expect(data[4 * 2047 + 3]).toBe(0)
  })

  it('are refused in a sentence where they are no pictures, too large or too many pixels', async () => {
    expect(await message(Buffer.from('not a picture'))).toBe(
      'This is no picture that can be read: PNG, JPEG, WebP or SVG.',
    )
    expect(await message(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><rect'))).toMatch(
      /SVG|picture/,
    )
    expect(await message(Buffer.alloc(PICTURE_BYTES + 1))).toBe(
      'The picture is larger than 25 MB, the most that is taken.',
    )
    const wide = Buffer.from(porthole)
    wide.writeUInt32BE(9000, 16)
    expect(await message(wide)).toBe('The picture is 9000 × 480 pixels; at most 8000 along a side are taken.')
    expect(await db.selectFrom('pictures').select('id').execute()).toEqual([])
  })

  it('go into the set file and out of it again, and never into a delivery', async () => {
    await addDemoSets(db, renderer)
    const { rows } = (await readSet(db, (await listSets(db)).find(({ name }) => name === 'Skerry app icons')!.id))!
    const set = setOfRows(rows)
    const icon = set.icons.find((one) => referencesOf(masterFor(one)).length > 0)!
    const pictures = await picturesOf(db, rows)
    if (!pictures.ok) throw new Error(pictures.failure.message)
    expect(Object.keys(pictures.value)).toEqual([referencesOf(masterFor(icon))[0]!.picture])
    const read = readSetFile(writeSetFile(set, pictures.value))
    await db.deleteFrom('pictures').execute()
    await keepPictures(db, renderer, read.pictures!)
    expect(await picturesOf(db, rows)).toEqual(pictures)
    expect(iconSvg(icon, set.rules, 'current')).not.toMatch(/image|base64|href="(?!#)/)
  })
})
