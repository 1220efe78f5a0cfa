import { pictureIn } from '../core/picture/stored'
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Kysely, sql } from 'kysely'
import { afterAll, afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { main } from '../cli/main'
import { STARTERS } from '../core/rules/starters'
import type { IconSet } from '../core/set/set'
import { type Db, openDatabase } from './database/database'
import { AtomicDialect } from './database/dialect'
import { firstStart } from './demo'
import { drawnIcons } from './drawn'
import { faultSentence } from './fault-sentence'
import { MIGRATION_NAMES, migrate } from './database/migrations'
import { SqliteFile } from './database/sqlite'
import { addPicture } from './pictures'
import { boundedMemory } from './renderer/bounded-memory'
import { Renderer, THREAD } from './renderer/renderer'
import { isTaskEnded } from './renderer/task-ended'
import { saveSet } from './save'
import { bytesOfJson, saveOver } from '../testing/stored'
import { importSetFile } from './set-files'
import { rowsOfSet } from './set-rows'
import { addSet, listSets, readSet } from './sets'

const renderer = new Renderer(THREAD)
afterAll(() => renderer.close())

const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const
const box = { kind: 'rectangle' as const, id: 'box', name: 'Box', x: 3, y: 3, w: 18, h: 18, corner: 'outer', style }
const bomb = {
  kind: 'spiral' as const,
  id: 'rope',
  name: 'Rope',
  x: 3,
  y: 3,
  w: 18,
  h: 18,
  turns: 50,
  inner: 0,
  style: { ...style, dash: [1e-18] },
}
const icon = (id: string, objects: object[] = [box]) =>
  ({ id, name: id, masters: [{ base: 24, objects }] }) as IconSet['icons'][number]
const set: IconSet = {
  name: 'Pier',
  kind: 'interface',
  rules: STARTERS[0]!.rules,
  icons: [icon('oar'), icon('rope', [bomb]), icon('ferry')],
}

describe('migrations', () => {
  let folder: string
  beforeEach(() => void (folder = mkdtempSync(join(tmpdir(), 'wise-square-'))))
  afterEach(() => rmSync(folder, { recursive: true }))
  const file = () => new SqliteFile(join(folder, 'wise-square.db'))
  const schema = () => {
    const db = file()
    const all = db.all(
      "select name, sql from sqlite_master where name not like 'sqlite%' and name not like 'kysely%' order by name",
    )
    db.close()
    return JSON.stringify(all)
  }
  const settled = async () => {
    await (await openDatabase(folder)).destroy()
    return schema()
  }

  it('leave nothing behind when they are cut off, wherever that is, and are done by the next start', async () => {
    const whole = await settled()
    for (let statements = 1; ; statements++) {
      rmSync(join(folder, 'wise-square.db'), { force: true })
      const db = file(),
        prepare = db.prepare.bind(db)
      let left = statements
      // The process is as good as dead after so many changes of tables: nothing more reaches the file, not even the end
      // of the transaction.
      db.prepare = ((sql: string) => {
        if (/^(create|alter)/.test(sql) && left-- <= 0) throw new Error('killed')
        return prepare(sql)
      }) as typeof db.prepare
      const cut = await openedWith(db).then(
        () => false,
        () => true,
      )
      db.close()
      expect(await settled()).toBe(whole)
      if (!cut) break
      expect(statements).toBeLessThan(40)
    }
  })

  it('are done again over what a cut-off start of an older version left', async () => {
    const whole = await settled()
    for (const name of MIGRATION_NAMES) {
      rmSync(join(folder, 'wise-square.db'), { force: true })
      const db = file()
      await migrate(new Kysely<unknown>({ dialect: new AtomicDialect(db) }), name)
      // Its tables are there, but not the note that it was done.
      db.prepare('delete from kysely_migration where name = ?').run([name])
      db.close()
      expect(await settled()).toBe(whole)
    }
  })

  /** As `openDatabase` brings a database up to date. */
  async function openedWith(file: SqliteFile): Promise<void> {
    await migrate(new Kysely<unknown>({ dialect: new AtomicDialect(file) }))
  }

  it('and demo sets that are cut off come whole at the next start, once', async () => {
    const db = await openDatabase(folder)
    await sql`create trigger cut before insert on icons when (select count(*) from icons) > 20 begin select raise(fail, 'killed'); end`.execute(
      db,
    )
    await expect(firstStart(db, renderer, false)).rejects.toThrow('killed')
    await sql`drop trigger cut`.execute(db)
    expect(await listSets(db)).toEqual([])
    await firstStart(db, renderer, false)
    await firstStart(db, renderer, false)
    expect((await listSets(db)).map(({ name }) => name)).toEqual(['Quayside', 'Quayside solid', 'Skerry app icons'])
    await db.destroy()
  })
})

describe('icons as they are drawn', () => {
  let db: Db, id: string
  beforeEach(async () => {
    db = await openDatabase(':memory:')
    id = (await addSet(db, rowsOfSet(set))).id
  })
  afterEach(() => db.destroy())
  const save = async (writes: object) => saveSet(db, renderer, id, bytesOfJson(await saveOver(db, id, writes)))

  it('are drawn once for each change of icon or rules, and kept; one that cannot be drawn says why', async () => {
    const run = vi.spyOn(renderer, 'run')
    const drawn = () => run.mock.calls.filter(([task]) => task === 'draw').length
    const first = await drawnIcons(db, renderer, id, 'all')
    expect(first.map(({ name, problem }) => [name, problem])).toEqual([
      ['oar', undefined],
      ['rope', '“Rope” comes to billions of dashes; at most 10,000 are drawn.'],
      ['ferry', undefined],
    ])
    expect(pictureIn(first[0]!.picture!).layers).toHaveLength(1)
    expect([await drawnIcons(db, renderer, id, { first: 2 }), drawn()]).toEqual([first.slice(0, 2), 3])
    await save({ icons: [icon('oar', [{ ...box, x: 4 }])] })
    expect((await drawnIcons(db, renderer, id, 'all'))[0]).not.toEqual(first[0])
    expect(drawn()).toBe(4)
    await save({ rules: { ...set.rules, weights: [{ name: 'main', value: 1 }, ...set.rules.weights.slice(1)] } })
    expect((await drawnIcons(db, renderer, id, { ids: ['ferry'] }))[0]!.picture).not.toBe(first[2]!.picture)
    expect(drawn()).toBe(5)
    run.mockRestore()
  })

  it('are counted by their snags on the shelf, as soon as they are drawn', async () => {
    const snags = async () => (await listSets(db))[0]!.snags
    expect(await snags()).toBeNull()
    await drawnIcons(db, renderer, id, 'all')
    const before = (await snags())!
    await save({ icons: [icon('oar', [{ ...box, style: { fill: 'none', stroke: '#d5401b', weight: 'main' } }])] })
    await drawnIcons(db, renderer, id, 'all')
    expect(await snags()).toBe(before + 1)
  })

  it('are not read by the shelf', async () => {
    const reads = vi.spyOn(SqliteFile.prototype, 'prepare')
    await listSets(db)
    expect(reads.mock.calls.map(([sql]) => sql).join()).not.toMatch(/masters|"rules"\s*(,|from)|picture|others/)
    reads.mockRestore()
  })

  it('are drawn at once for who asks for a few, while a whole family is being drawn', async () => {
    const family = Array.from({ length: 300 }, (_, i) => icon(`oar-${i}`, [{ ...box, x: 2 + (i % 8) }]))
    const many = (await addSet(db, rowsOfSet({ ...set, name: 'Many', icons: family }))).id
    const all = drawnIcons(db, renderer, many, 'all')
    const [last] = await drawnIcons(db, renderer, many, { ids: ['oar-299'] })
    expect(last!.picture).toBeDefined()
    const there = await db.selectFrom('drawn').select('icon_id').where('set_id', '=', many).execute()
    expect(there.length).toBeLessThan(100)
    expect((await all).filter(({ picture }) => picture)).toHaveLength(300)
  })

  it('wait for one another no longer than asked: what is slow is pending', async () => {
    const slow = { run: () => new Promise(() => undefined) } as unknown as Renderer
    const other = (await addSet(db, rowsOfSet({ ...set, name: 'Slow' }))).id
    expect(await drawnIcons(db, slow, other, { first: 1 }, 30)).toEqual([{ id: 'oar', name: 'oar', pending: true }])
  })
})

describe('threads', () => {
  it('that take too long are ended, and the next task has a new one', async () => {
    const file = join(tmpdir(), `wise-square-thread-${process.pid}.mjs`)
    writeFileSync(
      file,
      `import { readlinkSync } from 'node:fs'
       export default ({ input, clock }) => {
         Atomics.store(clock, 0, Number(readlinkSync('/proc/thread-self').split('/').at(-1)))
         if (input === "hang") for (;;);
         if (input === "break") process.exit(1)
         if (input === "wait") Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 900)
         return input
       }`,
    )
    const own = new Renderer(file, { limit: 300 })
    const run = (input: string) => own.run('zip', input as never) as Promise<unknown>
    const [hung, broken] = await Promise.allSettled([run('hang'), run('break')])
    expect([hung.status, broken.status]).toEqual(['rejected', 'rejected'])
    expect(
      [(hung as PromiseRejectedResult).reason, (broken as PromiseRejectedResult).reason].every((error) =>
        isTaskEnded(error),
      ),
    ).toBe(true)
    expect(await run('well')).toBe('well')
    // Waiting is not computing: it is not held against a task.
    expect(await run('wait')).toBe('wait')
    await own.close()
    rmSync(file)
  })

  it('draw foreign pictures without reading files, within their memory, and survive what breaks the rasteriser', async () => {
    const db = await openDatabase(':memory:')
    const secret = join(tmpdir(), `wise-square-secret-${process.pid}.png`)
    writeFileSync(secret, readFileSync('e2e/pictures/porthole.png'))
    const picture = (body: string) =>
      addPicture(
        db,
        renderer,
        Buffer.from(
          `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="24" height="24" viewBox="0 0 24 24">${body}</svg>`,
        ),
      )
    const blank = await picture(''),
      reading = await picture(
        `<image href="${secret}" width="24" height="24"/><image xlink:href="file://${secret}" width="24" height="24"/>`,
      )
    expect(reading).toEqual(blank)
    const refused = {
      ok: false,
      failure: {
        code: 'invalid',
        message: expect.stringMatching(/^(The picture takes too much to be drawn|This SVG file cannot be drawn)\.$/),
      },
    }
    expect(await picture('<g opacity=".5"><path d="M90 0h6v6h-6z"/></g>')).toEqual(refused)
    expect((await picture('<path d="M0 0h6v6z"/>')).ok).toBe(true)
    rmSync(secret)
    await db.destroy()
  }, 60_000)

  it('run a rasteriser whose memory has a bound', async () => {
    // A module with a memory of one page and no bound, that grows it and says how large it was before (−1: it may not).
    const module = Uint8Array.from([
      0, 97, 115, 109, 1, 0, 0, 0, 1, 6, 1, 96, 1, 127, 1, 127, 3, 2, 1, 0, 5, 3, 1, 0, 1, 7, 8, 1, 4, 103, 114, 111,
      119, 0, 0, 10, 8, 1, 6, 0, 32, 0, 64, 0, 11,
    ])
    const grow = async (bytes: Uint8Array, by: number) =>
      ((await WebAssembly.instantiate(bytes as BufferSource)).instance.exports.grow as (by: number) => number)(by)
    expect([
      await grow(module, 10),
      await grow(boundedMemory(module, 4 * 65536), 10),
      await grow(boundedMemory(module, 4 * 65536), 3),
    ]).toEqual([1, -1, 1])
    expect(() => boundedMemory(module.subarray(0, 8), 65536)).toThrow('no memory')
  })
})

describe('what is too much or odd', () => {
  let db: Db, id: string
  beforeEach(async () => {
    db = await openDatabase(':memory:')
    id = (await addSet(db, rowsOfSet(set))).id
  })
  afterEach(() => db.destroy())
  const nested = (depth: number) =>
    Array.from({ length: depth }).reduce<object>(
      (inner, _, i) => ({ kind: 'group', id: `g${i}`, name: 'Group', members: [inner] }),
      box,
    )
  const both = async (icons: unknown) => {
    const text = JSON.stringify({ format: 'wise-square-set', version: 1, set: { ...set, icons } })
    const imported = await importSetFile(db, renderer, Buffer.from(text)),
      saved = await saveSet(
        db,
        renderer,
        id,
        bytesOfJson({ epoch: 'e', id: 'a-save-of-this', bases: {}, writes: { icons } }),
      )
    return [imported, saved].map((result) => (result.ok ? 'taken' : result.failure.message))
  }

  it.each([
    ['A set may have at most 6,000 icons.', Array(3_000_00).fill({})],
    ['The set holds more than 200,000 objects, the most a set may have.', [icon('a', Array(200_001).fill({}))]],
    [
      'The set holds more than 600,000 nodes and points, the most a set may have.',
      [icon('a', [{ kind: 'path', contours: [{ nodes: Array(600_001).fill({ x: 0, y: 0 }) }] }])],
    ],
    ['The set nests objects more than 32 deep, the most a set may have.', [icon('a', [nested(700)])]],
  ])('is refused alike by import and save, before a schema reads it: %s', async (sentence, icons) => {
    expect(await both(icons)).toEqual([sentence, sentence])
  })

  it('is said with its place and its limit', async () => {
    const [imported, saved] = await both([icon('a', [{ ...box, x: 2e6 }])])
    expect(imported).toBe('At set.icons[0].masters[0].objects[0]: x must be at most 1,000,000.')
    expect(saved).toBe('At writes.icons[0].masters[0].objects[0]: x must be at most 1,000,000.')
    expect((await both([icon('a', [{ ...box, turn: 400 }])]))[1]).toBe(
      'At writes.icons[0].masters[0].objects[0]: turn must be at most 360.',
    )
    expect((await both([icon('a', [nested(33)])]))[1]).toBe('Icon “a” nests objects more than 32 deep.')
    expect((await both([{ ...icon('a'), name: 'quay\u202e' }]))[1]).toContain(
      'A name cannot contain characters that are not seen.',
    )
    expect((await readSet(db, id))!.revision).toBe(1)
  })

  it('has its cause said where the disk or the folder is at fault', () => {
    expect(faultSentence(Object.assign(new Error('database or disk is full'), { code: 'SQLITE_FULL' }))).toBe(
      'The disk is full: nothing was changed.',
    )
  })
})

describe('the command line', () => {
  const run = async (...args: string[]) => {
    const error = vi.spyOn(console, 'error').mockImplementation(() => undefined),
      log = vi.spyOn(console, 'log').mockImplementation(() => undefined)
    const status = await main(args),
      said = [...error.mock.calls, ...log.mock.calls].join('\n')
    error.mockRestore()
    log.mockRestore()
    return { status, said }
  }
  const folder = mkdtempSync(join(tmpdir(), 'wise-square-'))
  afterAll(() => rmSync(folder, { recursive: true }))
  const written = (name: string, one: IconSet, before = '') => {
    const file = join(folder, name)
    writeFileSync(file, before + JSON.stringify({ format: 'wise-square-set', version: 1, set: one }))
    return file
  }

  it('delivers all or nothing, and says what two files would be one', async () => {
    const to = join(folder, 'out')
    expect(await run('deliver', written('bomb.json', set), '--to', to)).toEqual({
      status: 1,
      said: '“rope” cannot be delivered. “Rope” comes to billions of dashes; at most 10,000 are drawn.',
    })
    const twins = { ...set, icons: [icon('a'), { ...icon('b'), name: 'a@2x' }] }
    expect(readdirSync(folder)).toEqual(['bomb.json'])
    // The names clash in one target only: there the second is left out.
    const clashed = await run('deliver', written('twins.json', twins), '--to', to)
    expect([clashed.status, readdirSync(to).sort()]).toEqual([1, ['.wise-square-delivery.json', 'png', 'svg']])
    expect(readdirSync(join(to, 'svg'))).toHaveLength(2)
    expect(clashed.said).toMatch(
      /^error: “a(@2x)?” and “a(@2x)?” would both be the file png\/\d+\/a@2x\.png: rename one of them\.\n.* Left out: “a(@2x)?” of png\.$/,
    )
    // With a limit of its own an icon that takes longer is left out and named; all others are delivered.
    const nodes = Array.from({ length: 1500 }, (_, i) => ({ x: (i * 7.31) % 24, y: (i * i * 3.17) % 24 }))
    const knot = {
      kind: 'path',
      id: 'knot',
      name: 'Knot',
      corner: 0,
      contours: [{ closed: true, nodes }],
      style: { fill: 'ink', stroke: 'none', weight: 'main' },
    }
    const slow = written('slow.json', { ...set, icons: [icon('oar'), icon('rope', [knot]), icon('ferry')] })
    const limited = await run('deliver', slow, '--to', to, '--targets', 'png,data', '--clean', '--limit', '2.5')
    expect([limited.status, limited.said]).toEqual([1, expect.any(String)])
    expect(limited.said).toMatch(/error: “rope” cannot be delivered\. .* takes too long .*Left out: “rope”\.$/s)
    const pictures = readdirSync(join(to, 'png', '16'))
    expect(new Set(pictures.map((name) => name.split(/[.@]/)[0]))).toEqual(new Set(['ferry', 'oar']))
    expect(readFileSync(join(to, 'developers', 'icons.json'), 'utf8')).not.toContain('rope')
    expect((await run('deliver', slow, '--to', to, '--limit', 'soon')).said).toBe('“soon” is not a number of seconds.')
    const good = written('good.json', { ...set, icons: [icon('oar')] }, '\uFEFF')
    expect((await run('deliver', good, '--to', to, '--clean')).status).toBe(0)
    expect(readdirSync(to).sort()).toEqual(['.wise-square-delivery.json', 'png', 'svg'])
    expect(readdirSync(join(to, 'svg'))).toEqual(['oar.svg'])
    expect(await run('deliver', good, '--to', '')).toEqual({
      status: 2,
      said: 'Name the folder to write into: --to DIR.',
    })
    expect(await run('constructor')).toEqual({ status: 2, said: 'There is no command “constructor”.' })
  })
})
