import { execFileSync, spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { SqliteFile } from '../src/server/database/sqlite'
import { expect, test } from './test'

const PORT = 4388

/** Runs `bin/start`. Resolves `served` when it serves or ends, `ended` with its exit status; `said` is its output. */
function started(...args: string[]) {
  const child = spawn('bin/start', args, { stdio: ['ignore', 'pipe', 'pipe'] })
  let said = ''
  const ended = new Promise<number | null>((done) => child.once('exit', (code) => done(code)))
  const served = new Promise<boolean>((done) => {
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (text) => {
        said += String(text)
        if (said.includes('Wise Square is at')) done(true)
      })
    void ended.then(() => done(false))
  })
  return { child, ended, served, said: () => said }
}

test('a shelf is not pulled from under its server, which ends when told whatever it does; a missing one is a question', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'wise-square-start-')),
    data = join(folder, 'data')
  try {
    const first = started('--port', String(PORT), '--data', data, '--empty')
    expect(await first.served, first.said()).toBe(true)
    const copies = join(data, 'copies')
    await expect.poll(() => existsSync(copies) && readdirSync(copies).some((name) => name.endsWith('.db'))).toBe(true)
    const restoring = started('--port', String(PORT + 1), '--data', data, '--restore')
    expect([await restoring.ended, restoring.said()]).toEqual([
      1,
      expect.stringMatching(/Another server uses the data folder .*Nothing was restored\./s),
    ])
    expect((await fetch(`http://127.0.0.1:${PORT}/`)).status).toBe(200)

    // A server that hears nothing any more: its parent ends it.
    const [server] = execFileSync('pgrep', ['-P', String(first.child.pid)], { encoding: 'utf8' }).split('\n')
    process.kill(Number(server), 'SIGSTOP')
    first.child.kill('SIGTERM')
    expect(await first.ended).toBe(0)
    expect(existsSync(`/proc/${server}`)).toBe(false)

    // The copy that was made when it began is what the question is about.
    for (const end of ['', '-wal', '-shm']) rmSync(join(data, `wise-square.db${end}`), { force: true })
    const asked = started('--port', String(PORT), '--data', data)
    expect([await asked.served, asked.said()]).toEqual([
      false,
      expect.stringMatching(/There is no database in .*, but there was one: \d{4}.*--restore.*--fresh/s),
    ])
    const lost = started('--port', String(PORT), '--data', '/proc/1/x')
    expect([await lost.ended, lost.said()]).toEqual([78, expect.stringContaining('/proc/1/x cannot be used')])
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
})

test('a server that ends while it copies its shelf leaves nobody who writes there', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'wise-square-copying-')),
    copies = join(folder, 'copies')
  try {
    const first = started('--port', String(PORT + 2), '--data', folder, '--empty')
    expect(await first.served, first.said()).toBe(true)
    await expect.poll(() => readdirSync(copies).filter((name) => name.endsWith('.db'))).toHaveLength(1)
    first.child.kill('SIGTERM')
    await first.ended
    // Enough to copy that the copying can be seen, and no copy of today.
    rmSync(copies, { recursive: true })
    const file = new SqliteFile(join(folder, 'wise-square.db'))
    file.exec('create table filling (bytes blob)')
    for (let i = 0; i < 60; i++) file.exec('insert into filling values (randomblob(2000000))')
    file.close()

    const second = started('--port', String(PORT + 2), '--data', folder)
    const copying = () => {
      try {
        return execFileSync('pgrep', ['-f', `command.js copy ${folder}`], { encoding: 'utf8' }).trim()
      } catch {
        return ''
      }
    }
    await expect.poll(copying, { intervals: [20] }).not.toBe('')
    const pid = Number(copying())
    // Held where it is, so that it cannot be done first.
    process.kill(pid, 'SIGSTOP')
    second.child.kill('SIGTERM')
    await second.ended
    await expect.poll(copying).toBe('')
    expect(readdirSync(copies).filter((name) => name.endsWith('.db'))).toEqual([])
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
})
