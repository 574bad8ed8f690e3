import { defineConfig } from 'vitest/config'

/** What keeps nothing between two tests: its files share their modules, which is a third of their time. */
const PURE = 'app/{audio,codecs,core,drawing,words}/**/*.test.ts'

export default defineConfig({
  resolve: { tsconfigPaths: true },
  test: {
    environment: 'node',
    // A guard against what hangs: no test is judged by the clock.
    testTimeout: 180_000,
    setupFiles: 'tests/support/draws.ts',
    // By itself it leaves a core free: of two, that is half of the time.
    maxWorkers: 2,
    projects: [
      { extends: true, test: { name: 'pure', include: [PURE], isolate: false } },
      {
        extends: true,
        test: {
          name: 'with a store',
          include: ['app/**/*.test.ts', 'tests/unit/**/*.test.ts'],
          exclude: [PURE],
        },
      },
    ],
  },
})
