import { chromium, type Page, type Route } from '@playwright/test'
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
 * thread kept busy 200 ms of every second, and for a third of the time hidden as a tab in the background
 * is. A browser without windows hides none: the page is told so, and the pulse of its worker is let
 * through once a second, as the strictest browsers do. Every onset as it was scheduled is held against
 * the core's exact time.
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
const { address, stop } = await serveDemo()
const browser = await chromium.launch({ executablePath: CHROMIUM, args: QUIET_FLAGS })
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.route('**/ticker.worker*.js', holdBack)
  // What compiles this file names functions by a helper that a page does not have.
  await page.addInitScript('globalThis.__name = (named) => named')
  await page.addInitScript(canHide)
  await page.addInitScript(recordStarts)
  await openPractice(page)
  await page.keyboard.press('Space')
  await page.waitForFunction(() => 'starts' in window && (window.starts as unknown[]).length > 0)
  // A change during the count-in holds at once: the first is made after it.
  await page.locator('[data-phase="groove"]').waitFor()
  await page.evaluate(saveBusy, BUSY_MS)
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
  Object.assign(window, { starts })
}

/** Runs in the page: it can be told that it is hidden, and its worker with it. */
function canHide() {
  const channel = new BroadcastChannel('held-back')
  let since: number | null = null
  const told = { hiddenSeconds: 0 }
  Object.defineProperty(document, 'hidden', { get: () => since !== null })
  Object.assign(window, told, {
    setHidden: (hidden: boolean) => {
      if (!hidden && since !== null) {
        Object.assign(window, { hiddenSeconds: (globalThis.performance.now() - since) / 1000 })
      }
      since = hidden ? globalThis.performance.now() : null
      channel.postMessage(hidden)
      document.dispatchEvent(new Event('visibilitychange'))
    },
  })
}

/** The worker's pulse as it is built, let through once a second while the page is hidden. */
async function holdBack(route: Route): Promise<void> {
  const response = await route.fetch()
  const before = `
    const every = self.setInterval.bind(self)
    let held = false
    new BroadcastChannel('held-back').onmessage = ({ data }) => { held = data }
    self.setInterval = (pulse, ms) => {
      let last = 0
      return every(() => {
        if (held && performance.now() - last < 1000) return
        last = performance.now()
        pulse()
      }, ms)
    };`
  await route.fulfill({ response, body: before + (await response.text()) })
}

/** Runs in the page: nothing else is done for so many milliseconds of every second. */
function saveBusy(milliseconds: number) {
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
  let hidden = false
  const hide = (next: boolean) => {
    hidden = next
    return page.evaluate(
      (now) => (window as unknown as { setHidden: (hidden: boolean) => void }).setHidden(now),
      next,
    )
  }
  for (let i = 0; share() < 1; i += 1) {
    await page.keyboard.press(i % 2 === 0 ? 'ArrowRight' : 'ArrowLeft')
    const middle = share() > 1 / 3 && share() < 2 / 3
    if (middle !== hidden) await hide(middle)
    await new Promise((resolve) => setTimeout(resolve, round + 150))
  }
}

/** Holds what was scheduled against the core: each round at the rung that its own beats tell. */
function report(starts: readonly Started[], rate: number, hidden: number): void {
  const kept = starts.filter(({ cancelled }) => !cancelled).sort((a, b) => a.when - b.when)
  const origin = Math.min(...kept.map(({ when }) => when))
  const { plan, changes, rounds, until } = planOf(kept.map(({ when }) => when - origin))
  const exact = exactTimes(plan, until)
  const heard = kept.map(({ when }) => when - origin).filter((time) => time < until)
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
    `  ${hidden.toFixed(0)} seconds hidden, a pulse a second; ${starts.length - kept.length} taken back and given anew`,
  )
  console.log(`  worst ${ms(worst)} from the core's exact time (one block is ${ms(block)})`)
  console.log(`  late ${late.length}, missed ${missed}, doubled or foreign ${extra}`)
  console.log(
    `  handed over ahead: least ${ms(margins[0] ?? 0)}, median ${ms(margins[Math.floor(margins.length / 2)] ?? 0)}`,
  )
  if (late.length + missed + extra > 0) process.exitCode = 1
}

/** The tempo of every whole round, told by which rung puts its last click where one was heard. */
function planOf(times: readonly number[]) {
  const tempos = RUNGS.map((rung) => secondsPerTick(rung, beat))
  const { countInTicks, roundTicks, barTicks } = performance
  const found: number[] = []
  let at = countInTicks * (tempos[0] as number)
  let until = at
  for (;;) {
    // The last beat of a round, before anything of the next one.
    const fits = tempos.map((tempo) => nearest(times, at + (roundTicks - beat) * tempo))
    const best = fits.indexOf(Math.min(...fits))
    at += roundTicks * (tempos[best] as number)
    if (at > (times.at(-1) ?? 0)) break
    found.push(best)
    // A grace of the round after it may lie before the barline.
    until = at - 0.1
  }
  const perRound = roundTicks / barTicks
  const plan: TempoPlan = (bar) => tempos[found[Math.floor(bar / perRound)] ?? 0] as number
  const changes = found.filter((rung, i) => i > 0 && rung !== found[i - 1]).length
  return { plan, changes, rounds: found.length, until }
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
