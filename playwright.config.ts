import { defineConfig } from '@playwright/test'

const PORT = 4398

export default defineConfig({
  testDir: 'e2e',
  testIgnore: 'development/**',
  outputDir: 'test-results',
  workers: 1,
  // Generous, for machines that are busy with other work: a test waits for what it needs, never for a time.
  timeout: 480_000,
  expect: { timeout: 60_000 },
  retries: process.env.CI ? 1 : 0,
  reporter: [['list'], ['json', { outputFile: 'build/e2e-report.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
    permissions: ['clipboard-read', 'clipboard-write'],
    trace: 'off',
  },
  webServer: {
    command: `rm -rf build/e2e-data && bin/start --port ${PORT} --data build/e2e-data`,
    url: `http://127.0.0.1:${PORT}`,
    timeout: 300_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
  },
})
