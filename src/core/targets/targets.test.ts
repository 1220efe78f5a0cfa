import { readFileSync } from 'node:fs'
import { unzipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { drawnIcon } from '../formats/drawn'
import { readSetFile } from '../formats/set-file'
import { IconName } from '../set/names'
import { fileBytes, planProblems, plannedFiles, zip } from './delivery'
import { TARGETS } from './targets'

const set = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
const few = { ...set, icons: set.icons.slice(0, 3), rules: { ...set.rules, sizes: [16], densities: [1, 2] } }
const all = new Set(TARGETS.map(({ id }) => id))
/** A picture of one grey, in place of the rasteriser. */
const grey = (_: string, pixels: number) => ({
  width: pixels,
  height: pixels,
  data: new Uint8Array(4 * pixels * pixels).fill(128),
})

describe.each(TARGETS)('the target $id', ({ id, name, note, files }) => {
  it('has a name and a sentence, and files of its own for every icon, the same whenever it is asked', () => {
    expect(name).not.toBe('')
    expect(note).toMatch(/\.$/)
    for (const icon of few.icons) {
      const planned = files(icon, few.rules)
      expect(planned.length).toBeGreaterThan(0)
      expect(files(icon, few.rules).map(({ path }) => path)).toEqual(planned.map(({ path }) => path))
      for (const { path, icon: of } of planned) {
        expect(of).toBe(icon)
        // Good names on every system, and no way out of the folder.
        for (const part of path.split('/')) expect(IconName.safeParse(part).success).toBe(true)
        expect(path).toContain(icon.name)
      }
    }
  })

  it('is delivered alone when it alone is chosen', () => {
    const alone = plannedFiles(few, new Set([id])).map(({ path }) => path)
    expect(alone).toEqual(few.icons.flatMap((icon) => files(icon, few.rules).map(({ path }) => path)).sort())
  })
})

describe('a delivery', () => {
  it('has no two files in one place, whatever is chosen, and says so where names would make it so', () => {
    const planned = plannedFiles(set, all)
    expect(new Set(planned.map(({ path }) => path.toLowerCase())).size).toBe(planned.length)
    expect(planProblems(planned)).toEqual([])
    const [ferry, ...others] = few.icons
    const clash = plannedFiles({ ...few, icons: [ferry!, { ...others[0]!, name: ferry!.name.toUpperCase() }] }, all)
    expect(planProblems(clash).length).toBeGreaterThan(0)
    expect(planProblems(clash)[0]).toContain('rename one of them')
  })

  it('of nothing chosen, or of what is no target, has no files', () => {
    expect(plannedFiles(set, new Set())).toEqual([])
    expect(plannedFiles(set, new Set(['nothing']))).toEqual([])
  })

  it('packed is what was planned, the same bytes each time', () => {
    const make = () =>
      zip(
        plannedFiles(few, all).map((file) => ({
          path: file.path,
          bytes: fileBytes(file, drawnIcon(file.icon, few.rules), few.rules, grey),
        })),
      )
    const packed = make()
    expect(Object.keys(unzipSync(packed))).toEqual(plannedFiles(few, all).map(({ path }) => path))
    expect(Buffer.from(make()).equals(Buffer.from(packed))).toBe(true)
  })
})
