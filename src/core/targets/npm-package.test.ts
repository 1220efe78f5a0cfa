import { execFileSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { checkPackage, createPackageFromTarballData } from '@arethetypeswrong/core'
import { publint } from 'publint'
import ts from 'typescript'
import { afterAll, describe, expect, it } from 'vitest'
import { readSetFile } from '../formats/set-file'
import { IconRenderer } from './icon-renderer'
import { plannedFiles } from './plan'

const { set } = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8'))
// One whose gradients have ids among them.
const icons = set!.icons.slice(0, 12)
const folder = resolve('build', `packages-${process.pid}`)
const npm = (at: string, ...args: string[]) =>
  execFileSync('npm', [...args, '--offline', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: at,
    encoding: 'utf8',
  })
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** Writes a target's files; gives the folder of its package. */
function written(id: string, options: Record<string, string>): string {
  const of = { ...set!, icons, delivery: { options: { [id]: options } } }
  const renderers = icons.map((icon) => new IconRenderer(icon, set!.rules, null))
  const byId = new Map(renderers.map((one) => [one.icon.id, one]))
  for (const { path, icon, made } of plannedFiles(of, [id])) {
    const file = join(folder, path)
    mkdirSync(dirname(file), { recursive: true })
    if (made.as === 'fixed') writeFileSync(file, made.text)
    else if (made.as === 'text') writeFileSync(file, made.text(byId.get(icon!.id)!))
    else if (made.as === 'joined') writeFileSync(file, made.join(renderers.map((one) => made.piece(one))))
  }
  return join(folder, 'developers', id)
}

describe.each([
  ['react', 'Ferry'],
  ['vue', 'Ferry'],
  ['functions', 'ferryIcon'],
  ['element', 'icons'],
])('the package of the target %s', (id, exported) => {
  it('is found in order by those who look at packages, is installed from its folder, and imported', async () => {
    const name = `@skerry/quayside-${id}`
    const at = written(id, { package: name, version: '1.4.0' })
    const { messages } = await publint({ pkgDir: at, level: 'warning', pack: false })
    expect(messages).toEqual([])

    const [{ filename }] = JSON.parse(npm(at, 'pack', '--json', '--pack-destination', folder)) as [{ filename: string }]
    const packed = createPackageFromTarballData(
      readFileSync(join(folder, filename.replace(/^@/, '').replace('/', '-'))),
    )
    const checked = await checkPackage(packed)
    // It is of modules alone, which neither old resolution nor `require` of old finds.
    const problems = checked.types
      ? checked.problems.filter(
          (one) => !('resolutionKind' in one && ['node10', 'node16-cjs'].includes(one.resolutionKind)),
        )
      : ['no types']
    expect(problems).toEqual([])

    const user = join(folder, `user-${id}`)
    mkdirSync(user, { recursive: true })
    writeFileSync(join(user, 'package.json'), '{ "name": "user", "private": true, "type": "module" }')
    npm(user, 'install', '--legacy-peer-deps', at)
    writeFileSync(join(user, 'use.js'), `import { ${exported} } from '${name}'\nconsole.log(typeof ${exported})\n`)
    expect(execFileSync(process.execPath, ['use.js'], { cwd: user, encoding: 'utf8' })).toMatch(
      /^(?:object|function)\n$/,
    )

    writeFileSync(join(user, 'use.ts'), `import { ${exported} } from '${name}'\nexport const used = ${exported}\n`)
    for (const resolution of [ts.ModuleResolutionKind.NodeNext, ts.ModuleResolutionKind.Bundler]) {
      const program = ts.createProgram([join(user, 'use.ts')], {
        strict: true,
        noEmit: true,
        skipLibCheck: false,
        types: [],
        lib: ['lib.es2022.d.ts', 'lib.dom.d.ts'],
        target: ts.ScriptTarget.ES2022,
        module: resolution === ts.ModuleResolutionKind.Bundler ? ts.ModuleKind.ESNext : ts.ModuleKind.NodeNext,
        moduleResolution: resolution,
      })
      const own = ts.getPreEmitDiagnostics(program).filter(({ file }) => !file || file.fileName.includes(folder))
      expect(own.map(({ messageText }) => ts.flattenDiagnosticMessageText(messageText, ' '))).toEqual([])
    }
  }, 60_000)
})
