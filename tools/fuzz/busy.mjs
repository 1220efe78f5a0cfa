// Delivers the demo sets, saves, imports and reads pictures while all cores are busy with other work many times over:
// npm run soak:busy -- LOOPS ICONS [cli|server]. Nothing may be refused because the machine is slow.
import { spawn, spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { resolve } from 'node:path'
import { build } from '../../bin/prepare.mjs'
import { delivered, startServer } from '../server.mjs'

const [loops = 40, count = 1500] = process.argv.slice(2, 4).map(Number)
const only = process.argv[4]
const folder = resolve('build/busy')
rmSync(folder, { recursive: true, force: true })
mkdirSync(folder, { recursive: true })
build()

const busy = Array.from({ length: loops }, () => spawn(process.execPath, ['-e', 'for (;;);'], { stdio: 'ignore' }))
process.on('exit', () => busy.forEach((one) => one.kill('SIGKILL')))
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1))
const faults = []
const begun = performance.now()
const said = (what) => console.log(`${Math.round((performance.now() - begun) / 1000)} s: ${what}`)

for (const set of only === 'server' ? [] : ['skerry-app', 'quayside']) {
  const { status, stderr } = spawnSync(
    'bin/wise-square',
    ['deliver', `demo/${set}.wisesquare.json`, '--to', `${folder}/${set}`, '--targets', 'all', '--quiet'],
    { encoding: 'utf8' },
  )
  if (status !== 0) faults.push(`deliver ${set}: ${stderr}`)
  said(`${set} delivered on the command line: ${status}`)
}

if (only === 'cli') end()
const server = await startServer({ port: 4393, data: `${folder}/data` })
if (!(await server.ready)) faults.push(`the server did not start: ${server.output}`)
const ask = async (path, init) => {
  const response = await fetch(server.base + path, init)
  return { status: response.status, body: await response.json().catch(() => null) }
}
const post = (path, body) => ask(path, { method: 'POST', body })
said('the server is open')

const demo = JSON.parse(readFileSync('demo/quayside.wisesquare.json', 'utf8'))
const icons = Array.from({ length: count }, (_, i) => ({
  ...demo.set.icons[i % demo.set.icons.length],
  id: `many-${i}`,
  name: `many-${i}`,
  rtl: undefined,
}))
const many = await post('/api/sets', JSON.stringify({ ...demo, set: { ...demo.set, name: 'Many', icons } }))
if (many.status !== 200) faults.push(`a file of ${count} icons: ${JSON.stringify(many.body)}`)
said(`${count} icons imported`)
const now = (await ask(`/api/sets/${many.body.id}`)).body
const saved = await post(
  `/api/sets/${many.body.id}/save`,
  JSON.stringify({
    epoch: now.epoch,
    id: 'busy-save-1',
    bases: { icons: now.revisions.icons },
    writes: { icons: now.set.icons.map((icon) => ({ ...icon, tags: ['busy'] })) },
  }),
)
if (saved.status !== 200) faults.push(`saving ${count} icons: ${JSON.stringify(saved.body)}`)
said(`${count} icons saved`)
let refused = 0
for (let i = 0; i < 20; i++) {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="24" height="24"><path d="M${i % 8} 4h9v${1 + i}z"/></svg>`
  const { status, body } = await post('/api/pictures', svg)
  if (status !== 200 && ++refused === 1) faults.push(`a reference of one path: ${JSON.stringify(body)}`)
}
said(`20 references read, ${refused} refused`)
const quayside = await post('/api/sets', JSON.stringify(demo))
const run = await delivered(server.base, quayside.body.id)
if (run.problems?.length > 0) faults.push(`a delivery of the server left out ${JSON.stringify(run.problems)}`)
said('delivered by the server')
await server.stop()
end()

function end() {
  for (const fault of faults) console.log(fault)
  console.log(`${loops} busy loops: ${faults.length} faults`)
  process.exit(faults.length > 0 ? 1 : 0)
}
