import { chromium, type Page } from '@playwright/test'
import { findVoicedLick, formatVoicing } from '~/codecs/voicing'
import { frameTicks } from '~/core/line'
import {
  eventsBetween,
  graceLeads,
  plannedSeconds,
  type TempoPlan,
  toPerformance,
} from '~/core/performance'
import { inForm } from '~/core/practice'
import { secondsPerTick } from '~/core/time'
import { DEMO_LICKS } from '~/demo/licks'
import { CHROMIUM } from '../../scripts/ensure.mjs'
import { QUIET_FLAGS, serveDemo } from '../../scripts/serve.mjs'

/**
 * Minutes of the trainer in Chromium: a step in its bar, its tempo changed every round, the main
 * thread kept busy 200 ms of every second, and for a third of the time another tab in front. Every
 * onset as it was scheduled is held against the core's exact time.
 */
const MINUTES = Number(process.argv[2] ?? 10)
const TITLE = 'Clown Walk'
const ID = 'demo-clown-walk'
const RUNGS = [160, 182]
/** One render quantum of Web Audio. */
const BLOCK_FRAMES = 128
const BUSY_MS = 200

interface Started {
  readonly when: number
  readonly now: number
  readonly cancelled: boolean
}

const lick = demoLick()
const { beat } = frameTicks(lick.frame)
const performance = toPerformance(lick, { loop: true, countIn: true })
const { address, stop } = await serveDemo(4176)
const browser = await chromium.launch({ executablePath: CHROMIUM, args: QUIET_FLAGS })
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.addInitScript(recordStarts)
  await openPractice(page)
  await page.keyboard.press('Space')
  await page.waitForFunction(() => 'starts' in window && (window.starts as unknown[]).length > 0)
  await page.evaluate(keepBusy, BUSY_MS)
  await play(page)
  const { starts, rate, hidden } = await page.evaluate(() => ({
    starts: (window as unknown as { starts: Started[] }).starts,
    rate: (window as unknown as { rate: number }).rate,
    hidden: (window as unknown as { hiddenSeconds: number }).hiddenSeconds,
  }))
  report(starts, rate, hidden)
} finally {
  await browser.close()
  stop()
}

function demoLick() {
  const found = DEMO_LICKS.find(({ id }) => id === ID)
  const voicing = formatVoicing({ rules: found?.rules ?? [], pins: [] })
  const voiced = findVoicedLick({ text: found?.text ?? '', voicing })
  if (!voiced) throw new Error(`${ID} cannot be read`)
  return inForm(voiced, { kind: 'bars', groove: 1, fill: 1 })
}

/** Runs in the page: writes down every sound as it is handed over, and which are taken back. */
function recordStarts() {
  const starts: { when: number; now: number; cancelled: boolean }[] = []
  const known = new WeakMap<AudioBufferSourceNode, { cancelled: boolean }>()
  const { start, stop: halt } = AudioBufferSourceNode.prototype
  AudioBufferSourceNode.prototype.start = function (when = 0, ...rest) {
    const entry = { when, now: this.context.currentTime, cancelled: false }
    Object.assign(window, { rate: this.context.sampleRate })
    known.set(this, entry)
    starts.push(entry)
    return start.call(this, when, ...rest)
  }
  AudioBufferSourceNode.prototype.stop = function (when) {
    const entry = known.get(this)
    if (when === undefined && entry) entry.cancelled = true
    return halt.call(this, when)
  }
  Object.assign(window, { starts, hiddenSeconds: 0 })
  setInterval(() => {
    if (document.hidden) (window as unknown as { hiddenSeconds: number }).hiddenSeconds += 1
  }, 1000)
}

/** Runs in the page: nothing else is done for so many milliseconds of every second. */
function keepBusy(milliseconds: number) {
  setInterval(() => {
    const until = globalThis.performance.now() + milliseconds
    while (globalThis.performance.now() < until);
  }, 1000)
}

async function openPractice(page: Page): Promise<void> {
  await page.goto(address)
  await page.getByRole('link', { name: TITLE, exact: true }).click()
  await page.getByRole('link', { name: 'Practise' }).click()
  await page.getByRole('list', { name: 'Steps' }).getByRole('button').last().click()
}

/** Up a rung and down again, about once a round. */
async function play(page: Page): Promise<void> {
  const begun = Date.now()
  const share = () => (Date.now() - begun) / (MINUTES * 60_000)
  const round = performance.roundTicks * secondsPerTick(RUNGS[0] ?? 160, beat) * 1000
  let other: Page | undefined
  for (let i = 0; share() < 1; i += 1) {
    await page.keyboard.press(i % 2 === 0 ? 'ArrowRight' : 'ArrowLeft')
    if (!other && share() > 1 / 3) {
      other = await browser.newPage()
      await other.goto('about:blank')
      await other.bringToFront()
    }
    if (other && share() > 2 / 3) await page.bringToFront()
    await new Promise((resolve) => setTimeout(resolve, round + 150))
  }
}

/** Holds what was scheduled against the core: each round at the rung that its own beats tell. */
function report(starts: readonly Started[], rate: number, hidden: number): void {
  const kept = starts.filter(({ cancelled }) => !cancelled).sort((a, b) => a.when - b.when)
  const origin = Math.min(...kept.map(({ when }) => when))
  const end = (kept.at(-1)?.when ?? 0) - 2
  const { plan, changes, rounds } = planOf(kept.map(({ when }) => when - origin))
  const exact = exactTimes(plan, end - origin)
  const heard = kept.filter(({ when }) => when < end).map(({ when }) => when - origin)
  const block = BLOCK_FRAMES / rate
  let worst = 0
  let missed = 0
  let extra = 0
  let [i, j] = [0, 0]
  while (i < exact.length && j < heard.length) {
    const off = (heard[j] as number) - (exact[i] as number)
    if (Math.abs(off) <= block) {
      worst = Math.max(worst, Math.abs(off))
      i += 1
      j += 1
    } else if (off > 0) {
      missed += 1
      i += 1
    } else {
      extra += 1
      j += 1
    }
  }
  const late = kept.filter(({ when, now }) => when < now)
  const margins = kept.map(({ when, now }) => when - now).sort((a, b) => a - b)
  const ms = (seconds: number) => `${(seconds * 1000).toFixed(4)} ms`
  console.log(`The trainer for ${MINUTES} minutes, ${BUSY_MS} ms of every second busy:`)
  console.log(
    `  ${heard.length} onsets, ${exact.length} by the core; ${rounds} rounds, ${changes} changes of tempo`,
  )
  console.log(
    `  ${hidden} seconds behind another tab; ${starts.length - kept.length} taken back and given anew`,
  )
  console.log(`  worst ${ms(worst)} from the core's exact time (one block is ${ms(block)})`)
  console.log(`  late ${late.length}, missed ${missed}, doubled or foreign ${extra}`)
  console.log(
    `  handed over ahead: least ${ms(margins[0] ?? 0)}, median ${ms(margins[Math.floor(margins.length / 2)] ?? 0)}`,
  )
  if (late.length + missed + extra > 0) process.exitCode = 1
}

/** The tempo of every round, told by which rung puts its last click where one was heard. */
function planOf(times: readonly number[]): { plan: TempoPlan; changes: number; rounds: number } {
  const tempos = RUNGS.map((rung) => secondsPerTick(rung, beat))
  const { countInTicks, roundTicks, barTicks } = performance
  const found: number[] = []
  let at = countInTicks * (tempos[0] as number)
  for (;;) {
    // The last beat of a round, before anything of the next one.
    const fits = tempos.map((tempo) => nearest(times, at + (roundTicks - beat) * tempo))
    const best = fits.indexOf(Math.min(...fits))
    at += roundTicks * (tempos[best] as number)
    if (at > (times.at(-1) ?? 0)) break
    found.push(best)
  }
  const perRound = roundTicks / barTicks
  const plan: TempoPlan = (bar) => tempos[found[Math.floor(bar / perRound)] ?? 0] as number
  const changes = found.filter((rung, i) => i > 0 && rung !== found[i - 1]).length
  return { plan, changes, rounds: found.length }
}

function nearest(times: readonly number[], at: number): number {
  let [low, high] = [0, times.length - 1]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((times[middle] as number) < at) low = middle + 1
    else high = middle
  }
  const around = [times[low - 1], times[low]].filter((time) => time !== undefined)
  return Math.min(...around.map((time) => Math.abs(time - at)))
}

/** When everything begins by the core, graces too, in seconds from the first click. */
function exactTimes(plan: TempoPlan, until: number): number[] {
  const slowest = plan(0)
  const last = Math.ceil((until + 5) / Math.min(...RUNGS.map((rung) => secondsPerTick(rung, beat))))
  const times = eventsBetween(performance, 0, last).flatMap((event) => {
    if (event.kind === 'choke') return []
    const at = plannedSeconds(performance, plan, event.tick)
    if (event.kind === 'click') return [at]
    const bar = Math.max(
      0,
      Math.floor((event.tick - performance.countInTicks) / performance.barTicks),
    )
    const perTick = plan(bar) || slowest
    const since = event.since === null ? Number.POSITIVE_INFINITY : event.since * perTick * 1000
    return [...graceLeads(event.graces, since).map((lead) => at - lead / 1000), at]
  })
  return times.filter((time) => time < until).sort((a, b) => a - b)
}
