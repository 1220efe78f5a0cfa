import { spawnSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { replaceFile, type Steps, steps } from '../server/replace-file'
import { faultSentence } from '../server/fault-sentence'

let folder: string
beforeEach(() => void (folder = mkdtempSync(join(tmpdir(), 'wise-square-kept-'))))
afterEach(() => rmSync(folder, { recursive: true }))

describe('a file that is there', () => {
  it('stays byte for byte where any step of replacing it fails, and nothing is left beside it', async () => {
    const file = join(folder, 'quay.wisesquare.json')
    for (const name of Object.keys(steps) as (keyof Steps)[]) {
      writeFileSync(file, 'before')
      const failing = {
        ...steps,
        [name]: async (path: string, content: string) => {
          // A full disk stores only the first bytes.
          if (name === 'write') writeFileSync(path, content.slice(0, 2))
          throw Object.assign(new Error('no room'), { code: 'ENOSPC', path })
        },
      }
      const said = await replaceFile(file, 'after', failing).then(() => '', faultSentence)
      expect(said).toBe('The disk is full: nothing was changed.')
      // The last step makes a name last that is there already.
      expect(readFileSync(file, 'utf8')).toBe(name === 'syncFolder' ? 'after' : 'before')
      expect(readdirSync(folder)).toEqual(['quay.wisesquare.json'])
    }
  })

  it('is written through links, and what is no plain file is written to as it is', async () => {
    const file = join(folder, 'real.json'),
      link = join(folder, 'link.json')
    writeFileSync(file, 'before', { mode: 0o640 })
    symlinkSync(file, link)
    await replaceFile(link, 'after')
    expect(readFileSync(file, 'utf8')).toBe('after')
    expect(readdirSync(folder).sort()).toEqual(['link.json', 'real.json'])
    await replaceFile('/dev/null', 'away')
    await expect(replaceFile(join(folder, 'none', 'x.json'), 'x').catch(faultSentence)).resolves.toBe(
      `There is no ${join(folder, 'none', 'x.json')}.`,
    )
  })

  it('is what it was after every command that ran out of room, and the command says so or is gone', () => {
    const set = resolve('demo/quayside.wisesquare.json')
    const old = join(folder, 'old.json'),
      picture = join(folder, 'svg')
    mkdirSync(picture)
    writeFileSync(join(picture, 'oar.svg'), '<svg viewBox="0 0 24 24"><path d="M4 4h9v9z"/></svg>')
    spawnSync('bin/wise-square', ['rules', set, '--out', join(folder, 'rules.json')])
    const commands = [
      ['mend', set],
      ['restyle', set, '--rules', join(folder, 'rules.json'), '--drawings', 'kept'],
      ['import', picture, '--into', set],
      ['diff', set, resolve('demo/quayside-solid.wisesquare.json')],
      ['schema'],
      ['rules', set],
      ['targets'],
    ]
    for (const [command, ...args] of commands) {
      writeFileSync(old, 'what was there before')
      // No file may become larger than a kilobyte: as good as a full disk.
      const { status, stderr } = spawnSync(
        'bash',
        ['-c', 'ulimit -f 1; exec bin/wise-square "$@"', 'bash', command!, ...args, '--out', old],
        { encoding: 'utf8' },
      )
      expect([command, status === 0, readFileSync(old, 'utf8')]).toEqual([command, false, 'what was there before'])
      if (status === 1) expect([command, stderr]).toEqual([command, expect.stringMatching(/\.\n$/)])
    }
  }, 120_000)
})
