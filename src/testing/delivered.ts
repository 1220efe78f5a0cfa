import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { main } from '../cli/main'
import { rasterised } from './rasterised'
import { pixelsOf } from './rasterise'
import { readSetFile, writeSetFile } from '../core/formats/set-file'
import type { IconSet } from '../core/set/set'
import type { Decoded } from './decoded'

const read = (name: string): IconSet => readSetFile(readFileSync(`demo/${name}.wisesquare.json`, 'utf8')).set!
const some = (set: IconSet, names: readonly string[]): IconSet => ({
  ...set,
  icons: set.icons.filter(({ name }) => names.includes(name)),
})

/** Runs a program and gives what it says. */
export const program = (name: string, ...args: string[]): string =>
  execFileSync(name, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] })

/**
 * Some icons of the demo delivered into a folder by the command line: interface icons to all targets (`quayside`), to
 * asset catalogues of vectors (`pdf`), and icons of applications to what is made of these (`skerry`), and to desktops under the id of a
 * domain (`centre`).
 */
export class DeliveredSets {
  readonly folder = mkdtempSync(join(tmpdir(), 'wise-square-read-'))
  readonly quayside = some(read('quayside'), ['ferry', 'departure', 'radio', 'knot', 'fog-horn'])
  readonly skerry = ((app) => ({
    ...some(app, ['passenger', 'porthole', 'breaker', 'timetable']),
    rules: { ...app.rules, sizes: [64, 128], densities: [1] },
  }))(read('skerry-app'))

  async make(): Promise<void> {
    const { folder, quayside, skerry } = this
    for (const [name, set, targets, options] of [
      ['quayside', quayside, 'all', {}],
      ['pdf', quayside, 'apple', { apple: { form: 'pdf' } }],
      ['skerry', skerry, 'favicon,apple-app,android,android-app,compose,windows,linux,linux-app', {}],
      ['centre', skerry, 'linux-app', { 'linux-app': { id: 'org.skerry.*' } }],
    ] as const) {
      const file = join(folder, `${name}.wisesquare.json`)
      writeFileSync(file, writeSetFile({ ...set, delivery: { options } }))
      const status = await main(['deliver', file, '--to', join(folder, name), '--targets', targets, '--quiet'])
      if (status !== 0) throw new Error(`${name} was not delivered.`)
    }
  }

  /** The files below a path of a delivery whose names end in a way. */
  files(set: string, path: string, ending: string): string[] {
    return (readdirSync(join(this.folder, set, path), { recursive: true }) as string[])
      .filter((name) => name.endsWith(ending))
      .map((name) => join(this.folder, set, path, name))
  }

  forget(): void {
    rmSync(this.folder, { recursive: true })
  }
}

/** How far two pictures are apart on white: the mean and the greatest difference of a channel, of 255. */
export function apart(a: Decoded, b: Decoded): { mean: number; most: number } {
  if (a.width !== b.width || a.height !== b.height) throw new Error('The pictures differ in size.')
  let sum = 0,
    most = 0
  const seen = ({ data }: Decoded, i: number, k: number) => 255 + ((data[i + k]! - 255) * data[i + 3]!) / 255
  for (let i = 0; i < a.data.length; i += 4)
    for (let k = 0; k < 3; k++) {
      const off = Math.abs(seen(a, i, k) - seen(b, i, k))
      sum += off
      most = Math.max(most, off)
    }
  return { mean: sum / (a.data.length * 0.75), most }
}

/** A document as another rasteriser shows it. */
export function seenByPeer(svg: string, side: number): Decoded {
  const data = pixelsOf(svg, side)
  for (let i = 0; i < data.length; i += 4)
    for (let k = i; k < i + 3; k++) data[k] = Math.round((255 * data[k]!) / Math.max(1, data[i + 3]!))
  return { width: side, height: side, data }
}

/** A document as this program’s proofs show it. */
export function proof(svg: string, side: number): Decoded {
  const { width, height, data } = rasterised(svg, side)
  return { width, height, data: Uint8Array.from(data) }
}
