import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { tsconfigPaths: true },
  test: {
    include: ['app/**/*.test.ts', 'tests/unit/**/*.test.ts'],
    environment: 'node',
    testTimeout: 30_000,
    // By itself it leaves a core free: of two, that is half of the time.
    maxWorkers: 2,
  },
})
