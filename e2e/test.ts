import { spawn } from 'node:child_process'
import { rmSync } from 'node:fs'
import { test as base } from '@playwright/test'

export { type CDPSession, expect, type Locator, type Page } from '@playwright/test'

const PORT = 4398

/** Tests by the built product: each worker has a server of its own, with the demo sets in a folder of its own. */
export const test = base.extend<object, { server: string }>({
  server: [
    async ({}, provide, { parallelIndex }) => {
      const port = PORT + parallelIndex,
        data = `build/e2e-data-${parallelIndex}`
      rmSync(data, { recursive: true, force: true })
      const server = spawn('bin/start', ['--port', String(port), '--data', data], {
        stdio: ['ignore', 'pipe', 'inherit'],
      })
      const ended = new Promise<void>((resolve) => server.once('exit', () => resolve()))
      try {
        await new Promise<void>((resolve, reject) => {
          server.stdout.on('data', (text) => String(text).includes('Wise Square is at') && resolve())
          void ended.then(() => reject(new Error(`The server on port ${port} ended before it was ready.`)))
        })
        await provide(`http://127.0.0.1:${port}`)
      } finally {
        server.kill('SIGTERM')
        await ended
      }
    },
    { scope: 'worker', timeout: 300_000 },
  ],
  baseURL: ({ server }, provide) => provide(server),
})
