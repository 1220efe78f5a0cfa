import { defineConfig } from 'vitest/config'

/** Mocks the list of kinds, which needs modules of its own. */
const MADE_UP = 'src/core/targets/made-up-kinds.test.ts'

export default defineConfig({
  resolve: { alias: { '@': new URL('./src', import.meta.url).pathname } },
  test: {
    environment: 'node',
    globalSetup: ['vitest.global.mjs'],
    setupFiles: ['vitest.setup.ts'],
    testTimeout: 180_000,
    maxWorkers: '100%',
    projects: [
      {
        extends: true,
        // Core has no state but caches, which never change a result: its files share their modules and caches.
        test: { name: 'core', include: ['src/core/**/*.test.ts'], exclude: [MADE_UP], isolate: false },
      },
      {
        extends: true,
        test: {
          name: 'around',
          include: ['src/**/*.test.{ts,tsx}'],
          exclude: ['src/core/**/!(made-up-kinds).test.ts'],
        },
      },
    ],
  },
})
