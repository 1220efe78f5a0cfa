import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** Writes a demo set into a folder by the command line, as some targets; with other choices for them, where they are named. */
export function deliver(set: string, folder: string, targets: string, options: object = {}): void {
  const scratch = mkdtempSync(join(tmpdir(), 'wise-square-set-')),
    file = join(scratch, `${set}.wisesquare.json`)
  const read = JSON.parse(readFileSync(`demo/${set}.wisesquare.json`, 'utf8'))
  const { delivery = {} } = read.set
  read.set.delivery = { ...delivery, options: { ...delivery.options, ...options } }
  writeFileSync(file, JSON.stringify(read))
  execFileSync('bin/wise-square', ['deliver', file, '--to', folder, '--targets', targets, '--quiet'])
  rmSync(scratch, { recursive: true })
}
