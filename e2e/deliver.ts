import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

type Family = { icons: { id: string; name: string; rtl?: unknown }[]; delivery?: { options?: object } }

/** Writes a demo set into a folder by the command line, as some targets; changed before, where that is wanted. */
export function deliver(name: string, folder: string, targets: string, change?: (set: Family) => void): void {
  const scratch = mkdtempSync(join(tmpdir(), 'wise-square-set-')),
    file = join(scratch, `${name}.wisesquare.json`)
  const read = JSON.parse(readFileSync(`demo/${name}.wisesquare.json`, 'utf8')) as { set: Family }
  change?.(read.set)
  writeFileSync(file, JSON.stringify(read))
  execFileSync('bin/wise-square', ['deliver', file, '--to', folder, '--targets', targets, '--quiet'])
  rmSync(scratch, { recursive: true })
}
