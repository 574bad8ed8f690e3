import { spawn } from 'node:child_process'
import { ensurePackages, run } from './ensure.mjs'
import { answering } from './serve.mjs'

/** One command from a fresh checkout to the demo in a browser: install, build, serve, say where. */
const port = process.env.PORT ?? '3000'
const host = process.env.HOST ?? '127.0.0.1'

ensurePackages()
console.log('Building …')
run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] })

const server = spawn(process.execPath, ['scripts/server.mjs'], {
  stdio: ['ignore', 'ignore', 'inherit'],
  env: { ...process.env, NODE_ENV: 'production', PORT: port, HOST: host, DIME_STACK_DEMO: '1' },
})
server.on('exit', (code) => process.exit(code ?? 1))
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))

const address = `http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}/`
await answering(address)
console.log(
  `\nDime Stack is open at ${address}\nThe demo licks come in at the first visit. Ctrl+C ends it.`,
)
