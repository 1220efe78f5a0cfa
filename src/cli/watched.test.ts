import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, expect, it, vi } from 'vitest'
import { writeSetFile } from '../core/formats/set-file'
import { pier } from '../testing/samples'
import { deliverCommand } from './deliver'

const folder = mkdtempSync(join(tmpdir(), 'wise-square-watch-'))
afterEach(() => rmSync(folder, { recursive: true }))

it('delivers again whenever the set file changes, and goes on after a file that cannot be read', async () => {
  const file = join(folder, 'pier.wisesquare.json'),
    to = join(folder, 'out'),
    end = new AbortController()
  const said: string[] = []
  const log = vi.spyOn(console, 'log').mockImplementation((line: string) => void said.push(line))
  const write = (text: string) => writeFileSync(file, text)
  const answers = (count: number) => vi.waitFor(() => expect(said.length).toBeGreaterThanOrEqual(count), 60_000)
  const [first, ...rest] = pier.icons

  const watching = deliverCommand([file], { to, targets: 'svg', watch: true }, end.signal)
  await answers(1)
  expect(said[0]).toBe(`There is no file ${file}.`)
  expect(existsSync(to)).toBe(false)

  write(writeSetFile(pier))
  await answers(2)
  expect(said[1]).toMatch(/ files of “Pier” written to .*: \d+ new\.$/)
  const before = readdirSync(to, { recursive: true }).length

  write(writeSetFile(pier).slice(0, -40))
  await answers(3)
  expect(said[2]).toContain('pier.wisesquare.json: ')
  expect(readdirSync(to, { recursive: true })).toHaveLength(before)

  write(writeSetFile({ ...pier, icons: [{ ...first!, name: 'mole' }, ...rest] }))
  await answers(4)
  expect(said[3]).toContain(`No longer delivered; --clean removes them:`)
  const svg = (readdirSync(to, { recursive: true }) as string[]).filter((path) => path.endsWith('mole.svg'))
  expect(svg.length).toBeGreaterThan(0)
  expect(readFileSync(join(to, svg[0]!), 'utf8')).toContain('<svg')

  end.abort()
  await watching
  log.mockRestore()
  expect(readdirSync(folder).sort()).toEqual(['out', 'pier.wisesquare.json'])
})
