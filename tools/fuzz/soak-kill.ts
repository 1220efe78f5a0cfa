// Kills the server (SIGKILL) during first starts, migrations, saves, imports, deliveries, releases and while a window
// draws, and starts it again; kills restores of a shelf and commands that write a set file: npm run soak:kill -- ROUNDS
// SEED. Nothing acknowledged and nothing drawn may be lost, no data folder may be of no more use, no file is half written,
// and the demo sets come once.
import { spawn } from 'node:child_process'
import {
  closeSync,
  cpSync,
  existsSync,
  mkdirSync,
  openSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
  writeSync,
} from 'node:fs'
import { join, resolve } from 'node:path'
import { type Browser, chromium } from '@playwright/test'
import { unzipSync } from 'fflate'
import { Kysely } from 'kysely'
import { AtomicDialect } from '../../src/server/database/dialect'
import { MIGRATION_NAMES, migrate } from '../../src/server/database/migrations'
import { asidesOf, copiesOf } from '../../src/server/database/places'
import { restore } from '../../src/server/database/restore'
import { SqliteFile } from '../../src/server/database/sqlite'

type Server = {
  base: string
  ready: Promise<boolean>
  ended: boolean
  output: string
  stop: (signal?: string) => Promise<unknown>
}
const { delivered, random, startServer } = (await import(resolve('tools/server.mjs'))) as {
  delivered: (base: string, id: string) => Promise<{ url: string }>
  random: (seed: number) => () => number
  startServer: (options: { port: number; data: string; empty?: boolean }) => Promise<Server>
}

const [rounds = 30, seed = 1] = process.argv.slice(2).map(Number)
const next = random(seed)
const folder = resolve('build/soak')
rmSync(folder, { recursive: true, force: true })
mkdirSync(folder, { recursive: true })
const demo = JSON.parse(readFileSync('demo/quayside.wisesquare.json', 'utf8'))
const wait = (ms: number) => new Promise((done) => setTimeout(done, ms))
const faults: string[] = []
/** Removes a folder; what a killed server left running may still write there for a moment. */
const clear = (path: string) => rmSync(path, { recursive: true, force: true, maxRetries: 20, retryDelay: 100 })
const PORT = 4392

/** A database as each earlier version of the program left it, with one set in it. */
for (const [i, name] of MIGRATION_NAMES.slice(0, -1).entries()) {
  const data = join(folder, `old-${i}`)
  mkdirSync(data)
  const file = new SqliteFile(join(data, 'wise-square.db'))
  file.pragma('journal_mode = WAL')
  const db = new Kysely<unknown>({ dialect: new AtomicDialect(file) })
  await migrate(db, name)
  file
    .prepare('insert into sets (id, name, kind, rules, position, changed_at) values (?, ?, ?, ?, 1, ?)')
    .run(['old', 'Old pier', 'interface', JSON.stringify(demo.set.rules), '2026-01-01T00:00:00.000Z'])
  const [icon] = demo.set.icons
  const hasPlace = file.all("select 1 from pragma_table_info('icons') where name = 'position'").length > 0
  file
    .prepare(
      `insert into icons (set_id, id, name, masters, changed_at${hasPlace ? ', position' : ''}) values (?, ?, ?, ?, ?${hasPlace ? ', 0' : ''})`,
    )
    .run(['old', icon.id, icon.name, JSON.stringify(icon.masters), '2026-01-01T00:00:00.000Z'])
  file.prepare("insert into settings values ('started', '2026-01-01')").run()
  await db.destroy()
}

const json = async (url: string, body?: string) => {
  const response = await fetch(url, {
    method: body === undefined ? 'GET' : 'POST',
    body,
    signal: AbortSignal.timeout(20_000),
  })
  return { status: response.status, body: (await response.json().catch(() => null)) as never }
}

/** Starts on a folder and kills after a while; then starts once more, which has to work. */
async function killedStart(data: string, after: number): Promise<Server> {
  const first = await startServer({ port: PORT, data })
  await Promise.race([wait(after), first.ready.then(() => wait(next() * 60))])
  await first.stop('SIGKILL')
  return begun(data)
}

async function begun(data: string): Promise<Server> {
  const server = await startServer({ port: PORT, data })
  if (!(await server.ready)) throw new Error(`The folder is of no more use: ${server.output.slice(-600)}`)
  return server
}

const shelf = (data: string) => {
  const db = new SqliteFile(join(data, 'wise-square.db'), 'read')
  const names = db
    .all<{ name: string }>('select name from sets where deleted_at is null order by position')
    .map(({ name }) => name)
  db.close()
  return names
}

async function firstStart(round: number): Promise<void> {
  const data = join(folder, `first-${round}`)
  const server = await killedStart(data, 200 + next() * 1200)
  await server.stop()
  const names = shelf(data)
  if (names.join() !== 'Quayside,Quayside solid,Skerry app icons')
    faults.push(`round ${round}: the shelf of a first start has ${names.join()}`)
  clear(data)
}

async function migration(round: number): Promise<void> {
  const old = Math.floor(next() * (MIGRATION_NAMES.length - 1)),
    data = join(folder, `mig-${round}`)
  cpSync(join(folder, `old-${old}`), data, { recursive: true })
  const server = await killedStart(data, 200 + next() * 1000)
  const { status, body } = await json(`${server.base}/api/sets/old`)
  if (status !== 200 || (body as { set: { icons: unknown[] } }).set.icons.length !== 1)
    faults.push(`round ${round}: after a migration from ${MIGRATION_NAMES[old]} the set answers ${status}`)
  await server.stop()
  clear(data)
}

/** Kills a server, spoils its database somewhere, and goes back to the copy that was made when it began. */
async function restoring(round: number): Promise<void> {
  const data = join(folder, `spoiled-${round}`),
    file = join(data, 'wise-square.db')
  const server = await begun(data)
  const copied = () =>
    existsSync(join(data, 'copies')) && readdirSync(join(data, 'copies')).some((one) => one.endsWith('.db'))
  for (let tries = 0; tries < 400 && !copied(); tries++) await wait(50)
  if (!copied()) throw new Error('no copy was made')
  await wait(next() * 300)
  await server.stop('SIGKILL')
  const handle = openSync(file, 'r+')
  writeSync(handle, Buffer.alloc(512, 0xa5), 0, 512, Math.floor(next() * (statSync(file).size - 512)))
  closeSync(handle)
  const spoiled = await startServer({ port: PORT, data })
  // Where nothing of use was hit it opens; else it says so and leaves everything as it is.
  if (!(await spoiled.ready) && !/is damaged .* --restore/s.test(spoiled.output))
    faults.push(`round ${round}: a damaged database says ${spoiled.output.slice(-300)}`)
  await spoiled.stop('SIGKILL')
  restore(data)
  const again = await begun(data)
  await again.stop()
  const names = shelf(data)
  if (names.join() !== 'Quayside,Quayside solid,Skerry app icons')
    faults.push(`round ${round}: the restored shelf has ${names.join()}`)
  restored++
  clear(data)
}
let restored = 0

/** Runs a program and kills it after a while; whether it ended by itself before. */
async function killed(args: readonly string[], after: number): Promise<boolean> {
  const child = spawn(process.execPath, args, { stdio: 'ignore' })
  const ended = new Promise<boolean>((done) => child.once('exit', (code) => done(code === 0)))
  const timer = setTimeout(() => child.kill('SIGKILL'), after)
  const isDone = await ended
  clearTimeout(timer)
  return isDone
}

let restoresKilled = 0

/** Kills a restore. Afterwards the shelf is the old one or the copy, or the next start asks and the old one is aside. */
async function killedRestore(round: number): Promise<void> {
  const data = join(folder, `restore-${round}`)
  const server = await begun(data)
  for (let tries = 0; tries < 400 && copiesOf(data).length === 0; tries++) await wait(50)
  const added = await json(`${server.base}/api/sets`, JSON.stringify({ ...demo, set: { ...demo.set, name: 'Later' } }))
  await server.stop('SIGKILL')
  const DEMO = 'Quayside,Quayside solid,Skerry app icons'
  const isDone = await killed(['build/database/command.js', 'restore', data], 60 + next() * 240)
  if (!isDone) restoresKilled++
  const again = await startServer({ port: PORT, data })
  if (await again.ready) {
    await again.stop()
    const names = shelf(data).join()
    if (names !== (isDone ? DEMO : names === DEMO ? DEMO : `${DEMO},Later`) || added.status !== 200)
      faults.push(`round ${round}: after a restore that was ${isDone ? 'done' : 'killed'} the shelf has ${names}`)
  } else {
    if (isDone || !/but there was one: .*aside/.test(again.output))
      faults.push(`round ${round}: after a killed restore the server says ${again.output.slice(-300)}`)
    const [aside] = asidesOf(data)
    restore(data, aside)
    const names = shelf(data).join()
    if (names !== `${DEMO},Later`) faults.push(`round ${round}: what a killed restore put aside has ${names}`)
  }
  clear(data)
}

let commandsKilled = 0

/** Kills a command that replaces a set file. Afterwards the file is the old one or the new one, whole. */
async function killedCommand(round: number): Promise<void> {
  const file = join(folder, `command-${round}.json`),
    rules = join(folder, 'grid-20.json')
  if (!existsSync(rules)) {
    const { masters: _, ...plain } = demo.set.rules
    const text = {
      format: 'wise-square-rules',
      version: 1,
      rules: { ...plain, grid: { ...plain.grid, size: 20 }, liveArea: 18 },
    }
    writeFileSync(rules, JSON.stringify(text))
  }
  const few = { ...demo, set: { ...demo.set, icons: demo.set.icons.slice(0, 3) } }
  writeFileSync(file, JSON.stringify(few))
  const before = readFileSync(file, 'utf8')
  const [command, ...more] = next() < 0.5 ? ['mend'] : ['restyle', '--rules', rules, '--drawings', 'scaled']
  if (!(await killed(['bin/wise-square', command!, file, ...more, '--out', file], 100 + next() * 900))) commandsKilled++
  const after = readFileSync(file, 'utf8')
  try {
    if (after !== before && JSON.parse(after).set.icons.length !== 3) throw new Error('icons are missing')
  } catch (error) {
    faults.push(`round ${round}: ${command} left ${String(error)}`)
  }
  for (const name of readdirSync(folder)) if (name.startsWith(`command-${round}`)) rmSync(join(folder, name))
}

const browsers: Browser[] = []
let drawn = 0

/** A window draws while its server is killed, twice, and is there again: all that was drawn is saved in the end. */
async function drawing(round: number): Promise<void> {
  const data = join(folder, `drawn-${round}`)
  let server = await begun(data)
  const file = { ...demo, set: { ...demo.set, name: 'Drawn', icons: demo.set.icons.slice(0, 2) } }
  const { id: set } = (await json(`${server.base}/api/sets`, JSON.stringify(file))).body as { id: string }
  const icons = async () => {
    const { body } = await json(`${server.base}/api/sets/${set}`)
    return (body as { set: typeof demo.set }).set.icons
  }
  if (browsers.length === 0)
    browsers.push(
      await chromium.launch({
        executablePath: '/usr/bin/chromium-headless-shell',
        args: ['--no-sandbox', '--disable-gpu'],
      }),
    )
  const context = await browsers[0]!.newContext({ viewport: { width: 1280, height: 800 } }),
    page = await context.newPage()
  const [icon] = await icons(),
    had = icon.masters[0].objects.length
  let count = 0
  await page.goto(`${server.base}/sets/${set}/draw/${icon.name}`)
  await page.getByTestId('artwork').waitFor()
  const [left, top, scale] = await page.getByTestId('artwork').evaluate((element) => {
    const { e, f, a } = (element as SVGGraphicsElement).getScreenCTM()!
    return [e, f, a] as const
  })
  const rectangle = async () => {
    const [x, y] = [1 + next() * 12, 1 + next() * 12]
    await page.keyboard.press('1')
    await page.mouse.move(left + x * scale, top + y * scale)
    await page.mouse.down()
    await page.mouse.move(left + (x + 4) * scale, top + (y + 6) * scale, { steps: 3 })
    await page.mouse.up()
    count++
  }
  for (let kills = 0; kills < 2; kills++) {
    await rectangle()
    await wait(next() * 900)
    await server.stop('SIGKILL')
    await rectangle()
    if (next() < 0.3) {
      // The window may be gone before the server is back.
      server = await begun(data)
      await page.reload()
      await page.getByTestId('artwork').waitFor()
    } else server = await begun(data)
    await rectangle()
  }
  await page.getByText(/^Saved/).waitFor({ timeout: 60_000 })
  const now = (await icons()).find((one: { id: string }) => one.id === icon.id)
  if (now.masters[0].objects.length !== had + count)
    faults.push(`round ${round}: ${count} shapes were drawn, ${now.masters[0].objects.length - had} are there`)
  drawn += count
  await context.close()
  await server.stop()
  clear(data)
}

const working = join(folder, 'working')
let id = '',
  revision = 0,
  saves = 0,
  imports = 0,
  releases = 0
/** What was acknowledged: the number last saved into each icon, and the ids of imported sets. */
const acknowledged = new Map<string, number>(),
  imported: string[] = []

async function work(round: number): Promise<void> {
  const server = await begun(working)
  if (id === '') {
    const file = structuredClone(demo)
    file.set.icons = file.set.icons.slice(0, 6)
    const added = (await json(`${server.base}/api/sets`, JSON.stringify(file))).body as { id: string }
    id = added.id
    revision = 1
  }
  const now = (await json(`${server.base}/api/sets/${id}`)).body as {
    epoch: string
    revision: number
    revisions: { icons: Record<string, number> }
    set: typeof demo.set
  }
  let iconRevisions = now.revisions.icons
  if (now.revision < revision)
    faults.push(`round ${round}: revision ${now.revision} after ${revision} was acknowledged`)
  revision = now.revision
  for (const [name, value] of acknowledged) {
    const icon = now.set.icons.find((one: { id: string }) => one.id === name)
    // A change that was sent but not answered may be there or not; an acknowledged one must be.
    if (!icon || (icon.masters[0].guides?.[0]?.at.x ?? 0) < value)
      faults.push(`round ${round}: the save of ${value} in ${name} is lost`)
  }
  const { body: list } = await json(`${server.base}/api/sets/${id}/releases`)
  const kept = (list as { releases: { number: number }[] }).releases
  if (kept.length < releases) faults.push(`round ${round}: ${kept.length} releases are there of ${releases}`)
  for (const { number } of kept.slice(0, 2)) {
    const archive = await fetch(`${server.base}/api/sets/${id}/releases/${number}`)
    try {
      unzipSync(new Uint8Array(await archive.arrayBuffer()))
    } catch {
      faults.push(`round ${round}: release ${number} is no archive`)
    }
  }
  releases = kept.length
  for (const one of imported.splice(0))
    if ((await json(`${server.base}/api/sets/${one}`)).status !== 200)
      faults.push(`round ${round}: an imported set is lost`)

  let going = true
  const guard = async (act: () => Promise<void>) => {
    while (going) await act().catch(() => wait(5))
  }
  // A release is refused while the set changes, and queues behind deliveries: some rounds only release, and are longer.
  const isQuiet = next() < 0.4
  const savers = guard(async () => {
    if (isQuiet) return void (await wait(50))
    const icon = structuredClone(now.set.icons[Math.floor(next() * now.set.icons.length)]),
      value = ++saves
    icon.masters[0].guides = [{ id: 'soak', at: { x: value / 1000, y: 0 }, angle: 90 }]
    const { status, body } = await json(
      `${server.base}/api/sets/${id}/save`,
      JSON.stringify({
        epoch: now.epoch,
        id: `soak-save-${value}`,
        bases: { icons: { [icon.id]: iconRevisions[icon.id] ?? null } },
        writes: { icons: [icon] },
      }),
    )
    if (status === 200) {
      revision = (body as { revision: number }).revision
      iconRevisions[icon.id] = revision
      acknowledged.set(icon.id, value / 1000)
    } else if (status !== 409) faults.push(`round ${round}: a save was answered ${status} ${JSON.stringify(body)}`)
    else iconRevisions = ((await json(`${server.base}/api/sets/${id}`)).body as typeof now).revisions.icons
  })
  const importers = guard(async () => {
    if (isQuiet) return void (await wait(50))
    const { status, body } = await json(
      `${server.base}/api/sets`,
      JSON.stringify({ ...demo, set: { ...demo.set, icons: demo.set.icons.slice(0, 2) } }),
    )
    if (status === 200) {
      imports++
      imported.push((body as { id: string }).id)
    }
    await wait(60)
  })
  const deliverers = guard(async () => {
    if (isQuiet) return void (await wait(50))
    const { url } = await delivered(server.base, id)
    await (await fetch(`${url}/zip`, { signal: AbortSignal.timeout(20_000) })).arrayBuffer()
  })
  const releasers = guard(async () => {
    const { status } = await json(
      `${server.base}/api/sets/${id}/releases`,
      JSON.stringify({ note: `round ${round}`, targets: ['svg'] }),
    )
    if (status === 200) releases++
    await wait(200)
  })
  await wait(400 + next() * (isQuiet ? 6000 : 2600))
  await server.stop('SIGKILL')
  going = false
  await Promise.all([savers, importers, deliverers, releasers])
}

const start = performance.now()
let done = 0
for (let round = 0; round < rounds; round++) {
  if (round > 0 && round % 25 === 0)
    console.log(`${round} rounds: ${faults.length} faults ${faults.slice(-3).join('; ')}`)
  const kind = next()
  try {
    await (kind < 0.2
      ? firstStart(round)
      : kind < 0.4
        ? migration(round)
        : kind < 0.46
          ? restoring(round)
          : kind < 0.54
            ? killedRestore(round)
            : kind < 0.62
              ? killedCommand(round)
              : kind < 0.72
                ? drawing(round)
                : work(round))
    done++
  } catch (error) {
    faults.push(`round ${round}: ${error instanceof Error ? error.message : String(error)}`)
    if (faults.length > 20) break
  }
}
for (const one of browsers) await one.close()
const last = await begun(working)
if ((await fetch(last.base)).status !== 200) faults.push('the shelf does not open at the end')
await last.stop()
const db = new SqliteFile(join(working, 'wise-square.db'), 'read')
const integrity = db.pragma('integrity_check')
if (integrity !== 'ok') faults.push(`the database says ${integrity}`)
for (const fault of faults.slice(0, 20)) console.log(fault)
console.log(
  `${done} of ${rounds} rounds from seed ${seed} in ${Math.round((performance.now() - start) / 1000)} s: ${saves} saves, ${imports} imports acknowledged, ${drawn} shapes drawn, ${releases} releases, ${restored} shelves restored, ${restoresKilled} restores and ${commandsKilled} commands killed, ${faults.length} faults`,
)
process.exit(faults.length > 0 ? 1 : 0)
