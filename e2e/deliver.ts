import { execFileSync } from 'node:child_process'

/** Writes a demo set into a folder by the command line, as some targets. */
export function deliver(set: string, folder: string, targets: string): void {
  execFileSync('bin/wise-square', [
    'deliver',
    `demo/${set}.wisesquare.json`,
    '--to',
    folder,
    '--targets',
    targets,
    '--quiet',
  ])
}
