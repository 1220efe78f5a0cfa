import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'e2e',
  testIgnore: 'development/**',
  outputDir: 'test-results',
  globalSetup: './e2e/build.ts',
  // Each with a server and a folder of its own (e2e/test.ts).
  workers: 2,
  fullyParallel: true,
  // Generous, for machines that are busy with other work: a test waits for what it needs, never for a time.
  timeout: 480_000,
  expect: { timeout: 60_000 },
  retries: process.env.CI ? 1 : 0,
  reporter: [['list'], ['json', { outputFile: 'build/e2e-report.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // As browsers with windows draw text: at the places that fonts say, not at whole pixels.
        '--font-render-hinting=none',
      ],
    },
    permissions: ['clipboard-read', 'clipboard-write'],
    trace: 'off',
  },
})
