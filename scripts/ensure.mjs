import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'

/** Everything that a fresh machine may lack, put in place before the real work begins. */

const STAMP = 'node_modules/.dime-stack-installed'
export const CHROMIUM = '/usr/bin/chromium'

/** Runs a command in the foreground; throws where it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { stdio: 'inherit', ...options })
  if (done.status !== 0)
    throw new Error(`${command} ${args.join(' ')} ended with ${done.status ?? done.signal}`)
}

/** Installs the packages unless those of this very lock file are there. */
export function ensurePackages() {
  const lock = createHash('sha256').update(readFileSync('package-lock.json')).digest('hex')
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lock) return
  console.log('Installing packages (about a minute, once) …')
  run('npm', ['install', '--no-audit', '--no-fund', '--loglevel=error'])
  mkdirSync('node_modules', { recursive: true })
  writeFileSync(STAMP, lock)
}

/** Installs Debian's Chromium for the browser tests, where it is missing and can be had. */
export function ensureChromium() {
  if (existsSync(CHROMIUM)) return
  console.log('Installing Chromium for the browser tests …')
  run('apt-get', ['update', '-qq'])
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], {
    stdio: ['ignore', 'ignore', 'inherit'],
  })
}
