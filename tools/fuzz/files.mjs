// Sends broken and odd set files and saves to a server of its own: npm run fuzz:files -- COUNT SEED Each must be
// refused with a sentence, or be opened, reviewed and delivered; no answer of 500, none later than 5 s; meanwhile no
// other request slower than 1 s.
import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { root } from '../../bin/prepare.mjs'
import { BOMBS, setFileOf } from './bombs.mjs'
import { random, startServer } from '../server.mjs'

const [count = 500, seed = 1] = process.argv.slice(2).map(Number)
const data = join(root, 'build', 'fuzz-data')
rmSync(data, { recursive: true, force: true })
const server = await startServer({ port: 4393, data, empty: true })
if (!(await server.ready)) throw new Error(server.output)
const { base } = server
const demo = JSON.parse(readFileSync(join(root, 'demo', 'quayside.wisesquare.json'), 'utf8'))
const next = random(seed),
  pick = (list) => list[Math.floor(next() * list.length)]

const ODD = [
  0,
  -1,
  1e-18,
  5e-324,
  1e6,
  1e7,
  1e308,
  -1e308,
  0.5,
  400,
  1000,
  null,
  '',
  'ink',
  'none',
  '\u202e',
  '\ud800',
  [],
  {},
  true,
  [[[[]]]],
  'x'.repeat(5000),
  Array(300).fill(0),
]
/** Every place in a value, as the object or list and the key in it. */
function places(root) {
  const found = [],
    pending = [root]
  while (pending.length > 0 && found.length < 20_000) {
    const value = pending.pop()
    if (typeof value !== 'object' || value === null) continue
    for (const key of Object.keys(value)) {
      found.push([value, key])
      pending.push(value[key])
    }
  }
  return found
}
const MUTATIONS = {
  drop: (all) => {
    const [holder, key] = pick(all)
    if (Array.isArray(holder)) holder.splice(Number(key), 1)
    else delete holder[key]
  },
  odd: (all) => {
    const [holder, key] = pick(all)
    holder[key] = structuredClone(pick(ODD))
  },
  numbers: (all) => {
    for (const [holder, key] of all)
      if (typeof holder[key] === 'number' && next() < 0.08)
        holder[key] = pick(ODD.filter((one) => typeof one === 'number'))
  },
  swap: (all) => {
    const [a, i] = pick(all),
      [b, j] = pick(all)
    const kept = structuredClone(a[i])
    a[i] = structuredClone(b[j])
    b[j] = kept
  },
  double: (all) => {
    const lists = all.filter(([holder]) => Array.isArray(holder))
    if (lists.length) {
      const [list, key] = pick(lists)
      list.push(structuredClone(list[key]))
    }
  },
  extra: (all) => {
    const [holder] = pick(all)
    if (!Array.isArray(holder)) holder[pick(['__proto__', 'constructor', 'colour', 'x'])] = pick(ODD)
  },
  nest: (all) => {
    const objects = all.filter(([holder, key]) => holder[key]?.kind && holder[key].kind !== 'ellipse')
    if (!objects.length) return
    const [holder, key] = pick(objects)
    let inner = holder[key]
    const deep = pick([2, 20, 31, 40, 700])
    for (let i = 0; i < deep; i++) inner = { kind: 'group', id: `g${i}`, name: 'Group', members: [inner] }
    holder[key] = inner
  },
  many: (all) => {
    const lists = all.filter(([holder, key]) => Array.isArray(holder[key]) && holder[key].length > 0)
    if (!lists.length) return
    const [holder, key] = pick(lists)
    holder[key] = Array.from({ length: pick([200, 3000]) }, () => holder[key][0])
  },
}
/** Text changed after it was written: cut, with numbers that JSON does not have, or other bytes. */
const TEXTS = {
  cut: (text) => text.slice(0, Math.floor(next() * text.length)),
  infinite: (text) => text.replace(/: (-?\d+)/, pick([': 1e999', ': NaN', ': -Infinity', ': 0x10', ': 1e-999'])),
  mark: (text) => `\ufeff${text}`,
  bytes: (text) => text.replace(/[a-z]/, () => pick(['\0', '\u2028', '"', '\\', '\ud800'])),
}

const names = demo.set.icons.map(({ name }) => name)
function small() {
  const file = structuredClone(demo),
    chosen = new Set([pick(names), pick(names)])
  file.set.icons = file.set.icons.filter(({ name }) => chosen.has(name))
  file.set.name = `Fuzz ${Math.floor(next() * 1e9)}`
  return file
}
function broken(value) {
  const times = 1 + Math.floor(next() * 3)
  for (let i = 0; i < times; i++) {
    const all = places(value)
    // Once much is enough: what is much of much is refused by its size alone, and keeps this program busy.
    if (all.length >= 20_000) break
    try {
      if (all.length > 0) MUTATIONS[pick(Object.keys(MUTATIONS))](all)
    } catch {
      /* Too deep to be copied here: it is sent as it is. */
    }
  }
  let text
  try {
    text = JSON.stringify(value)
  } catch {
    text = '{}'
  }
  // What is larger is refused by its size alone.
  if (text.length > 8e6) text = text.slice(0, 8e6)
  return next() < 0.15 ? TEXTS[pick(Object.keys(TEXTS))](text) : text
}

const faults = []
let refused = 0,
  taken = 0,
  slowest = 0
/** The same once more where the connection had idled so long (this program was busy) that the server had closed it. */
const patiently = (url, options) =>
  fetch(url, options).catch((error) => {
    if (server.ended || !/other side closed|ECONNRESET/.test(String(error.cause))) throw error
    return fetch(url, options)
  })

async function ask(path, body) {
  const start = performance.now()
  const response = await patiently(base + path, {
    method: body === undefined ? 'GET' : 'POST',
    body,
    signal: AbortSignal.timeout(60_000),
  }).catch((error) => {
    faults.push(`no answer from ${path}: ${error.cause ?? error} for ${body?.length} characters`)
    return new Response('{}', { status: 599 })
  })
  const text = await response.text().catch((error) => {
    faults.push(`no end of the answer from ${path}: ${error} for ${body?.slice(0, 300)}`)
    return ''
  })
  const took = performance.now() - start
  slowest = Math.max(slowest, took)
  if (response.status >= 500)
    faults.push(`${response.status} from ${path}: ${text.slice(0, 200)} for ${body?.slice(0, 300)}`)
  if (took > 5000) faults.push(`${Math.round(took)} ms for ${path} with ${body?.slice(0, 300)}`)
  return {
    status: response.status,
    text,
    json: () => {
      try {
        return JSON.parse(text)
      } catch {
        return null
      }
    },
  }
}
function judge(answer, what) {
  const message = answer.json()?.message
  if (answer.status === 200) return (taken++, true)
  refused++
  if (
    typeof message !== 'string' ||
    !/^[A-Z“].*[.]$/su.test(message) ||
    /invalid input|zod|undefined|\[object/i.test(message)
  )
    faults.push(`no sentence from ${what}: ${answer.text.slice(0, 300)}`)
  return false
}

// Other requests come from a thread of their own: this one is busy making and reading files.
const watcher = new Worker(new URL('../bench/ping.mjs', import.meta.url), { workerData: base })
const watched = new Promise((resolve) => watcher.once('message', resolve))

/** Whatever was taken can be opened, reviewed, delivered and kept as a file. */
async function used(id) {
  for (const path of ['', '/drawn?first=50', '/delivery/plan', '/file']) {
    const answer = await ask(`/api/sets/${id}${path}`)
    if (answer.status !== 200 && answer.status !== 202)
      faults.push(`${answer.status} from ${path} of a set that was taken: ${answer.text.slice(0, 200)}`)
  }
}

const bombs = await ask('/api/sets', setFileOf(demo.set.rules, 'Bombs', BOMBS))
if (judge(bombs, 'the bombs')) await used(bombs.json().id)
const target = (await ask('/api/sets', JSON.stringify(small()))).json().id

async function one(i) {
  if (i % 2 === 0) {
    const answer = await ask('/api/sets', broken(small()))
    if (judge(answer, 'an import')) await used(answer.json().id)
    return
  }
  const { revision, set } = (await ask(`/api/sets/${target}`)).json() ?? {}
  if (!set?.icons) return
  const icon = structuredClone(pick(set.icons))
  const request = {
    base: revision,
    writes: {
      icons: [icon],
      ...(next() < 0.2 && { rules: structuredClone(set.rules) }),
      ...(next() < 0.2 && { order: set.icons.map(({ id }) => id) }),
    },
  }
  const answer = await ask(`/api/sets/${target}/save`, broken(request))
  if (judge(answer, 'a save')) await ask(`/api/sets/${target}/drawn?first=50`)
}
const start = performance.now()
for (let i = 0; i < count && !server.ended && faults.length < 40; i += 2) await Promise.all([one(i), one(i + 1)])
const shelf = await ask('/')
if (shelf.status !== 200) faults.push(`${shelf.status} from the shelf at the end`)
watcher.postMessage('enough')
const { count: others, slowest: slowestOther } = await watched
if (slowestOther > 1000) faults.push(`another request took ${Math.round(slowestOther)} ms meanwhile`)
if (server.ended) faults.push(`the server ended: ${server.output.slice(-400)}`)
await server.stop()
for (const fault of faults.slice(0, 40)) console.log(fault.replace(/[\ud800-\udfff]/g, '?'))
console.log(
  `${count} from seed ${seed} in ${Math.round((performance.now() - start) / 1000)} s: ${refused} refused with a sentence, ${taken} taken and used, ${faults.length} faults; the slowest answer took ${Math.round(slowest)} ms, the slowest of ${others} other requests meanwhile ${Math.round(slowestOther)} ms`,
)
process.exit(faults.length > 0 ? 1 : 0)
