import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '@': new URL('./src', import.meta.url).pathname } },
  test: {
    include: ['src/**/*.test.{ts,tsx}'],
    environment: 'node',
    globalSetup: ['vitest.global.mjs'],
    setupFiles: ['vitest.setup.ts'],
    testTimeout: 180_000,
    maxWorkers: '100%',
  },
})
