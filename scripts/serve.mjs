import { spawn } from 'node:child_process'

/** Serves the built demo on a port of its own; resolves when it answers. */
export async function serveDemo(port) {
  const server = spawn(process.execPath, ['scripts/server.mjs'], {
    stdio: 'ignore',
    env: {
      ...process.env,
      NODE_ENV: 'production',
      PORT: String(port),
      HOST: '127.0.0.1',
      DIME_STACK_DEMO: '1',
    },
  })
  const address = `http://127.0.0.1:${port}`
  await answering(address)
  return { address, stop: () => server.kill() }
}

/** Waits until an address answers, half a minute at most. */
export async function answering(address) {
  for (let tries = 0; tries < 150; tries += 1) {
    const answered = await fetch(address).then(
      (response) => response.ok,
      () => false,
    )
    if (answered) return
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
  throw new Error(`nothing answers at ${address}`)
}

/** Chromium's flags on a machine without a network: it need not try. */
export const QUIET_FLAGS = [
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-quic',
  '--no-first-run',
]
