// A server of its own for tools that load, break or measure it: on 127.0.0.1 only, ended by its id.
import { spawn } from 'node:child_process'
import { buildDatabaseCommand, buildRenderer, root, serverArguments, serverEnvironment, tool } from '../bin/prepare.mjs'

/** Starts the built product on a folder; resolves once it answers, or with `ready: false` when it ended before. */
export async function startServer({ port, data, empty = false }) {
  buildRenderer()
  buildDatabaseCommand()
  const child = spawn(process.execPath, [tool('next'), ...serverArguments(port)], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: serverEnvironment({ data, empty }),
  })
  let output = '',
    ended = false
  const exited = new Promise((resolve) =>
    child.on('exit', (code, signal) => {
      ended = true
      resolve(signal ?? code)
    }),
  )
  const opened = new Promise((resolve) => {
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (text) => {
        output += text
        if (output.includes('wise-square: open') && output.includes('Ready')) resolve()
      })
  })
  const base = `http://127.0.0.1:${port}`
  return {
    base,
    child,
    exited,
    ready: Promise.race([opened.then(() => true), exited.then(() => false)]),
    get output() {
      return output
    },
    get ended() {
      return ended
    },
    stop: async (signal = 'SIGTERM') => {
      if (!ended) child.kill(signal)
      return exited
    },
  }
}

/** Numbers from 0 to 1 that are the same for a seed (mulberry32). */
export function random(seed) {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) >>> 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** Has every file of a set's delivery made; gives what is said of it then, and where it is. */
export async function delivered(base, id, wish = {}) {
  const deliveries = `${base}/api/sets/${id}/delivery`
  const { run } = await (await fetch(deliveries, { method: 'POST', body: JSON.stringify(wish) })).json()
  for (;;) {
    const response = await fetch(`${deliveries}/${run}`)
    const body = await response.json()
    if (response.status !== 202) return { ...body, url: `${deliveries}/${run}` }
  }
}
