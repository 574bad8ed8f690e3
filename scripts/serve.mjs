import { spawn } from 'node:child_process'
import { createServer } from 'node:net'

/** A port that nothing stands on. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.on('error', reject)
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address()
      probe.close(() => resolve(port))
    })
  })
}

/** Serves the built demo on a free port; resolves when it answers. */
export async function serveDemo() {
  const port = await freePort()
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

/**
 * What a browser under test need not do: ask the network, or keep pages of its own ready for an address
 * bar that nobody sees (a fifth of what a first visit costs). The last flag of this name is the one that
 * counts, so that the list has what the driver of the browser turns off as well.
 */
const NOT_NEEDED = [
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
  'AimEnabled',
  'AvoidCorsURLLoaderRestartOnRedirect',
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'HttpsFirstBalancedModeAutoEnable',
  'HttpsUpgrades',
  'LensOverlay',
  'MediaRouter',
  'NetworkTimeServiceQuerying',
  'OptimizationHints',
  'PaintHolding',
  'PreconnectToSearch',
  'ThirdPartyStoragePartitioning',
]

/** Chromium's flags on a machine without a network: it need not try. */
export const QUIET_FLAGS = [
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-quic',
  // Without a screen there is none to speed up.
  '--disable-gpu',
  '--no-first-run',
  `--disable-features=${NOT_NEEDED.join()}`,
]
