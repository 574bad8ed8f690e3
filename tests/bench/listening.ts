import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type CDPSession, chromium, type Page } from '@playwright/test'
import { formatWav } from '~/codecs/wav'
import { CHROMIUM } from '../../scripts/ensure.mjs'
import { QUIET_FLAGS, serveDemo } from '../../scripts/serve.mjs'
import { RATE, recorded } from '../support/made-sound'

/**
 * Some minutes of playing while a microphone is listened to: the app's own sounds that came too late, what is
 * held in memory minute by minute, and the load of the audio threads. Minutes: the first argument, 10 of
 * themselves.
 */
const MINUTES = Number(process.argv[2] ?? 10)
/** Sixteenths at 80, over and over. */
const GAP = 0.1875
const STROKES = 64
/** Ticks of the kernel's clock a second. */
const KERNEL_TICKS = 100

const folder = mkdtempSync(join(tmpdir(), 'listening-'))
const path = join(folder, 'player.wav')
const line = Array.from({ length: STROKES }, (_, i) => ({
  seconds: 0.1 + i * GAP,
  surface: 'sn' as const,
  velocity: i % 4 === 0 ? 112 : 72,
}))
// It goes round and round without a seam: a minute of it is what four of its lines are.
writeFileSync(
  path,
  formatWav(
    [recorded(line, { noiseDb: -55, echoDb: -14 }, 5).slice(0, STROKES * GAP * RATE)],
    RATE,
  ),
)
const { address, stop } = await serveDemo()
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: [
    ...QUIET_FLAGS,
    '--use-fake-ui-for-media-stream',
    '--use-fake-device-for-media-stream',
    `--use-file-for-fake-audio-capture=${path}`,
  ],
})
try {
  const page = await browser.newPage({
    baseURL: address,
    viewport: { width: 1280, height: 800 },
  })
  await page.addInitScript(watchStarts)
  await practise(page)
  const session = await page.context().newCDPSession(page)
  await session.send('HeapProfiler.enable')
  await page.keyboard.press('Space')
  await page.waitForTimeout(10_000)
  await page.evaluate(() => window.sounds.splice(0))
  const threads = audioThreads()
  console.log(`${MINUTES} min of playing and listening; audio threads: ${threads.size}`)
  let before = { at: Date.now(), ticks: ticksOf(threads) }
  for (let minute = 1; minute <= MINUTES; minute += 1) {
    await page.waitForTimeout(60_000)
    const now = { at: Date.now(), ticks: ticksOf(threads) }
    const load = (now.ticks - before.ticks) / KERNEL_TICKS / ((now.at - before.at) / 1000)
    before = now
    console.log(
      `  minute ${String(minute).padStart(2)}: ${(await heapOf(session)).toFixed(2)} MB held, audio threads ${(load * 100).toFixed(1)} % of a core; ${await roundsOf(page)}`,
    )
  }
  const sounds = await page.evaluate(() => window.sounds)
  const late = sounds.filter((ahead) => ahead < 0)
  console.log(
    `  ${sounds.length} sounds of the app, ${late.length} late; the nearest ${(Math.min(...sounds) * 1000).toFixed(0)} ms ahead of its time`,
  )
} finally {
  await browser.close()
  stop()
  rmSync(folder, { recursive: true })
}

declare global {
  interface Window {
    sounds: number[]
  }
}

/** Writes down how long before its time each sound is handed over. */
function watchStarts(): void {
  window.sounds = []
  const { start } = AudioBufferSourceNode.prototype
  AudioBufferSourceNode.prototype.start = function (
    this: AudioBufferSourceNode,
    when = 0,
    ...rest
  ) {
    if (when > 0) window.sounds.push(when - this.context.currentTime)
    return start.call(this, when, ...rest)
  }
}

/** Four strokes over and over, heard at the microphone. */
async function practise(page: Page): Promise<void> {
  await page.goto('/')
  await page.getByRole('button', { name: 'New lick' }).click()
  await page.getByLabel('Sticking', { exact: true }).fill('>RLRL')
  await page.getByRole('link', { name: 'Practise', exact: true }).click()
  const steps = page.getByRole('list', { name: 'Steps' })
  await steps.getByRole('listitem').last().getByRole('button').first().click()
  await page.getByLabel('Form').selectOption('over and over')
  const along = page.getByRole('region', { name: 'Play along' })
  await along.getByLabel('Hear me play along').check()
  await along.getByLabel('Who plays').selectOption('you: microphone at the kit')
  await along.getByLabel(/^Level of the sound/).waitFor()
}

/** How many rounds the page tells of. */
async function roundsOf(page: Page): Promise<string> {
  const told = await page.getByText(/rounds? heard/).textContent()
  return told?.match(/\d+ rounds? heard[^.]*/)?.[0] ?? 'nothing heard'
}

/** What the page holds once all is thrown away that can be, in megabytes. */
async function heapOf(session: CDPSession): Promise<number> {
  await session.send('HeapProfiler.collectGarbage')
  const { usedSize } = await session.send('Runtime.getHeapUsage')
  return usedSize / 1e6
}

/** The threads that run audio worklets, as the kernel lists them. */
function audioThreads(): Set<string> {
  const found = new Set<string>()
  for (const process of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    for (const thread of list(`/proc/${process}/task`)) {
      const at = `/proc/${process}/task/${thread}`
      if (/^Realtime AudioW|^AudioWorklet/.test(read(`${at}/comm`))) found.add(at)
    }
  }
  return found
}

function ticksOf(threads: ReadonlySet<string>): number {
  return [...threads].reduce((sum, at) => {
    const fields = read(`${at}/stat`)
      .replace(/^.*\) /, '')
      .split(' ')
    return sum + Number(fields[11] ?? 0) + Number(fields[12] ?? 0)
  }, 0)
}

function list(folderPath: string): string[] {
  try {
    return readdirSync(folderPath)
  } catch {
    return []
  }
}
function read(file: string): string {
  try {
    return readFileSync(file, 'utf8')
  } catch {
    return ''
  }
}
