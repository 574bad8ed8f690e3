import { execFileSync } from 'node:child_process'
import { defineConfig } from '@playwright/test'
import { QUIET_FLAGS } from './scripts/serve.mjs'

// One port for the server and for every worker, each of which reads this file: the first to do so finds a free one.
process.env.DIME_STACK_PORT ??= execFileSync(
  process.execPath,
  [
    '-e',
    "const s=require('net').createServer().listen(0,'127.0.0.1',()=>{console.log(s.address().port);s.close()})",
  ],
  { encoding: 'utf8' },
).trim()
const PORT = process.env.DIME_STACK_PORT

export default defineConfig({
  testDir: 'tests/e2e',
  workers: 2,
  // Test by test: a worker that has done its files early is not idle.
  fullyParallel: true,
  retries: 0,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/results.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    // Pages come from the server, but for the tests of what works without one.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: QUIET_FLAGS,
    },
  },
  webServer: {
    command: 'node scripts/server.mjs',
    url: `http://127.0.0.1:${PORT}/favicon.svg`,
    env: { PORT, HOST: '127.0.0.1', NODE_ENV: 'production', DIME_STACK_DEMO: '1' },
    reuseExistingServer: false,
  },
})
