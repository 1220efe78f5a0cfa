import { defineConfig } from '@playwright/test'
import built from './playwright.config'

const PORT = 4396

/** One walk through the development build, which says on the console what the built one keeps to itself. */
export default defineConfig({
  ...built,
  testDir: 'e2e/development',
  testIgnore: [],
  outputDir: 'test-results/development',
  reporter: [['list'], ['json', { outputFile: 'build/development-report.json' }]],
  globalSetup: undefined,
  workers: 1,
  use: { ...built.use, baseURL: `http://127.0.0.1:${PORT}` },
  webServer: {
    command: `rm -rf build/development-data && WISE_SQUARE_DATA=build/development-data npx next dev -H 127.0.0.1 -p ${PORT}`,
    url: `http://127.0.0.1:${PORT}`,
    timeout: 300_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
  },
})
