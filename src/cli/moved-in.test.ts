import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { MovedIn } from './moved-in'

let parent: string, folder: string
beforeEach(() => {
  parent = mkdtempSync(join(tmpdir(), 'wise-square-moved-'))
  folder = join(parent, 'out')
})
afterEach(() => rmSync(parent, { recursive: true, force: true }))

/** Everything in a folder by its path, what is in files included. */
const all = (at = folder): Record<string, string> =>
  !existsSync(at)
    ? {}
    : Object.fromEntries(
        readdirSync(at, { recursive: true, withFileTypes: true }).map((one) => {
          const file = join(one.parentPath, one.name)
          return [file.slice(at.length + 1), one.isDirectory() ? '/' : readFileSync(file, 'utf8')]
        }),
      )
const plain = () => Object.keys(all()).filter((path) => !path.startsWith('.') && all()[path] !== '/')

async function deliver(files: Readonly<Record<string, string>>, clean = false) {
  const moving = await MovedIn.begin(folder)
  try {
    for (const [path, text] of Object.entries(files)) await moving.add(path, Buffer.from(text))
    return await moving.moveIn(clean)
  } finally {
    await moving.clear()
  }
}

describe('a delivery into a folder', () => {
  it('comes whole, leaves what is not of it, and nothing beside', async () => {
    mkdirSync(folder)
    writeFileSync(join(folder, 'notes.txt'), 'mine')
    await deliver({ 'svg/a.svg': 'A', 'svg/b.svg': 'B' })
    expect(plain().sort()).toEqual(['notes.txt', 'svg/a.svg', 'svg/b.svg'])
    expect(readdirSync(parent)).toEqual(['out'])
  })

  it('names what an earlier one wrote and it does not, and removes that only where it is told to', async () => {
    await deliver({ 'svg/a.svg': 'A', 'svg/b.svg': 'B', 'png/a.png': 'P' })
    writeFileSync(join(folder, 'svg', 'mine.svg'), 'mine')
    expect(await deliver({ 'svg/a.svg': 'A2' })).toEqual({ stale: ['png/a.png', 'svg/b.svg'] })
    expect(plain()).toContain('svg/b.svg')
    expect(await deliver({ 'svg/a.svg': 'A3' }, true)).toEqual({ stale: ['png/a.png', 'svg/b.svg'] })
    expect(plain().sort()).toEqual(['svg/a.svg', 'svg/mine.svg'])
    expect(existsSync(join(folder, 'png'))).toBe(false)
    expect(await deliver({ 'svg/a.svg': 'A3' }, true)).toEqual({ stale: [] })
  })

  it('writes only what differs, and says what that is', async () => {
    await deliver({ 'svg/a.svg': 'A', 'svg/b.svg': 'B' })
    const old = new Date(2001, 1, 1)
    for (const name of ['a', 'b']) utimesSync(join(folder, 'svg', `${name}.svg`), old, old)
    const moving = await MovedIn.begin(folder)
    for (const [path, text] of [
      ['svg/b.svg', 'B2'],
      ['svg/a.svg', 'A'],
      ['svg/c.svg', 'C'],
    ] as const)
      await moving.add(path, Buffer.from(text))
    expect(await moving.changes()).toEqual({ added: ['svg/c.svg'], changed: ['svg/b.svg'], stale: [] })
    await moving.moveIn(false)
    await moving.clear()
    const times = ['a', 'b'].map((name) => statSync(join(folder, 'svg', `${name}.svg`)).mtimeMs)
    expect(times.map((time) => time === old.getTime())).toEqual([true, false])
    expect(readFileSync(join(folder, 'svg/b.svg'), 'utf8')).toBe('B2')
    expect(await deliver({ 'svg/a.svg': 'A' })).toEqual({ stale: ['svg/b.svg', 'svg/c.svg'] })
  })

  it('leaves the folder as it was where something is in the way, wherever that is', async () => {
    await deliver({ 'svg/a.svg': 'A', 'svg/c.svg': 'C' })
    mkdirSync(join(folder, 'svg', 'b.svg'))
    let before = all()
    await expect(deliver({ 'svg/a.svg': 'A2', 'svg/b.svg': 'B', 'x/y.svg': 'Y' })).rejects.toThrow(
      'is a folder, and a file of that name is to be written. Nothing was changed.',
    )
    expect(all()).toEqual(before)
    writeFileSync(join(folder, 'x'), 'a file')
    before = all()
    await expect(deliver({ 'svg/a.svg': 'A2', 'x/y.svg': 'Y' })).rejects.toThrow(
      'is a file, and a folder of that name is to be written.',
    )
    expect(all()).toEqual(before)
    // Half way through: what was moved in already goes out again, what was there comes back.
    const moving = await MovedIn.begin(folder)
    for (const path of ['svg/a.svg', 'new/d.svg', 'svg/c.svg']) await moving.add(path, Buffer.from('new'))
    const beside = readdirSync(parent).find((name) => name.startsWith('.out.delivery-'))!
    rmSync(join(parent, beside, 'new', 'svg', 'c.svg'))
    await expect(moving.moveIn(false)).rejects.toThrow()
    await moving.clear()
    expect(all()).toEqual(before)
    expect(readdirSync(parent)).toEqual(['out'])
  })

  it('clears what a killed one left beside the folder, and nothing of one that is under way', async () => {
    const killed = join(parent, '.out.delivery-4194305'),
      other = join(parent, `.out.delivery-${process.ppid}`)
    for (const one of [killed, other]) mkdirSync(join(one, 'new'), { recursive: true })
    await deliver({ 'a.svg': 'A' })
    expect([existsSync(killed), existsSync(other)]).toEqual([false, true])
  })
})
