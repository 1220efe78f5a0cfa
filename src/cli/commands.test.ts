import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { decode } from 'fast-png'
import { describe, expect, it, vi } from 'vitest'
import { readSetFile, writeSetFile } from '../core/formats/set-file'
import type { IconSet } from '../core/set/set'
import { pier as set } from '../testing/samples'
import { main } from './main'

describe('the command line', () => {
  const run = async (...args: string[]) => {
    const error = vi.spyOn(console, 'error').mockImplementation(() => undefined)
    const log = vi.spyOn(console, 'log').mockImplementation(() => undefined)
    const status = await main(args)
    const said = [...error.mock.calls, ...log.mock.calls].join('\n')
    error.mockRestore()
    log.mockRestore()
    return { status, said }
  }

  it('says in a sentence what is wrong, with 2 for wrong use and 1 for what cannot be done', async () => {
    expect(await run('deliver', 'demo/quayside.wisesquare.json')).toEqual({
      status: 2,
      said: 'Name the folder to write into: --to DIR.',
    })
    expect(await run('deliver', 'none.json', '--to', 'x')).toEqual({ status: 1, said: 'There is no file none.json.' })
    expect(await run('paint')).toEqual({ status: 2, said: 'There is no command “paint”.' })
    expect(await run('deliver', 'package.json', '--to', 'x', '--json')).toEqual({
      status: 1,
      said: '{"error":{"code":"failed","message":"package.json: This is not a Wise Square set file."}}',
    })
    expect(
      (await run('proof', 'demo/quayside.wisesquare.json', '--icon', 'ferry', '--size', '0', '--out', '/tmp/x.png'))
        .said,
    ).toBe('A size must be at least 1 pixel.')
  })

  it('draws a proof', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'wise-square-'))
    const out = join(folder, 'ferry.png')
    expect(
      (await run('proof', 'demo/quayside.wisesquare.json', '--icon', 'ferry', '--size', '32', '--out', out)).status,
    ).toBe(0)
    expect(decode(readFileSync(out))).toMatchObject({ width: 32, height: 32 })
    rmSync(folder, { recursive: true })
  })

  it('mends a set: what was forgotten outside goes, the rest stays to the byte; a build may fail on warnings', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'wise-square-'))
    const [broken, out] = ['broken', 'mended'].map((name) => join(folder, `${name}.json`)) as [string, string]
    const file = JSON.parse(readFileSync('demo/quayside.wisesquare.json', 'utf8')) as {
      set: { icons: { masters: { objects: object[] }[] }[] }
    }
    const style = { fill: 'none', stroke: 'ink', weight: 'main' }
    file.set.icons[1]!.masters[0]!.objects.push({
      ...{ kind: 'line', id: 'far', name: 'Far', from: { x: 70, y: 40 }, to: { x: 90, y: 60 }, style },
    })
    writeFileSync(broken, JSON.stringify(file))
    expect((await run('check', broken)).status).toBe(0)
    expect((await run('check', broken, '--fail-on', 'warning')).status).toBe(1)
    expect((await run('mend', broken, '--out', out, '--only', 'own-weight')).said).toContain('nothing was mended')
    expect((await run('mend', broken, '--out', out)).said).toContain('one snag was mended')
    expect(readFileSync(out, 'utf8')).toBe(readFileSync('demo/quayside.wisesquare.json', 'utf8'))
    expect((await run('mend', broken, '--out', out, '--only', 'nonsense')).status).toBe(2)
    rmSync(folder, { recursive: true })
  })

  it('checks a set: nothing is left in the demo but what is accepted there; 1 where there is an error', async () => {
    const { status, said } = await run('check', 'demo/quayside.wisesquare.json')
    expect(status).toBe(0)
    // What fitting let go in a small master for the picture’s sake is noted, and which sizes have none; nothing else.
    const lines = said.split('\n')
    expect(lines.pop()).toMatch(/^\d+ snags in the 39 icons of “Quayside”\.$/)
    expect(lines.pop()).toMatch(/^note {4}rules: Most straight edges lie between pixels at 20 px /)
    for (const line of lines) expect(line).toMatch(/^note {4}\S+ \(16 master\): “.*” has \d+ edges between the pixels/)
    const text = readFileSync('demo/quayside.wisesquare.json', 'utf8')
    const folder = mkdtempSync(join(tmpdir(), 'wise-square-'))
    const file = join(folder, 'strict.json')
    const strict = JSON.parse(text) as {
      set: { rules: { checks?: object }; icons: { masters: { accepted?: unknown }[] }[] }
    }
    for (const { masters } of strict.set.icons) for (const master of masters) delete master.accepted
    strict.set.rules.checks = { 'own-radius': 'error' }
    writeFileSync(file, JSON.stringify(strict))
    const checked = await run('check', file, '--json')
    expect(checked.status).toBe(1)
    const answer = JSON.parse(checked.said) as { errors: number; snags: { icon: string; check: string }[] }
    expect(answer.errors).toBe(1)
    expect(answer.snags).toContainEqual(
      expect.objectContaining({ icon: 'bollard', check: 'own-radius', severity: 'error' }),
    )
    rmSync(folder, { recursive: true })
  })

  it('releases a set again and again in a folder, and says what changed between two files', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'wise-square-')),
      file = join(folder, 'pier.wisesquare.json'),
      to = join(folder, 'releases')
    const write = (next: IconSet) => writeFileSync(file, writeSetFile(next))
    write(set)
    expect((await run('release', file, '--to', to, '--note', 'The first.', '--targets', 'svg,font')).status).toBe(0)
    const kept = readSetFile(readFileSync(file, 'utf8')).set!
    expect(Object.values(kept.delivery!.codes!)).toEqual([0xe001, 0xe002, 0xe003])
    const [oar, ...others] = kept.icons
    write({ ...kept, icons: [...others, { ...oar!, id: 'new', name: 'rudder' }] })
    const second = await run('release', file, '--to', to, '--targets', 'svg,font', '--json')
    expect(JSON.parse(second.said)).toMatchObject({
      number: 2,
      changes: { added: ['rudder'], removed: ['oar'], changed: [], files: { removed: ['svg/oar.svg'] } },
    })
    expect(readSetFile(readFileSync(file, 'utf8')).set!.delivery!.codes).toMatchObject({
      [oar!.id]: 0xe001,
      new: 0xe004,
    })
    const log = readFileSync(join(to, 'changelog.md'), 'utf8')
    expect(log.indexOf('## Release 2')).toBeLessThan(log.indexOf('## Release 1'))
    expect(log).toContain('The first.')
    const [before, after] = [1, 2].map((n) => join(to, `${n}.wisesquare.json`)) as [string, string]
    const differing = await run('diff', before, after, '--out', join(folder, 'page.html'))
    expect(differing).toMatchObject({ status: 1, said: 'new: rudder\ngone: oar' })
    expect(readFileSync(join(folder, 'page.html'), 'utf8')).toContain('<figcaption>rudder</figcaption>')
    expect(await run('diff', before, before)).toMatchObject({ status: 0, said: 'Nothing changed.' })
    expect((await run('diff', before)).status).toBe(2)
    expect((await run('release', file)).status).toBe(2)
    rmSync(folder, { recursive: true })
  })

  it('lists the targets as docs/ does', async () => {
    expect((await run('targets')).said.trimEnd()).toBe(readFileSync('docs/targets.md', 'utf8').trimEnd())
  })

  it('prints the JSON Schema that docs/ holds', async () => {
    expect((await run('schema')).said).toBe(readFileSync('docs/set-file.schema.json', 'utf8').trimEnd())
  })
})
