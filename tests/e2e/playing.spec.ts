import type { Page } from '@playwright/test'
import { eventsBetween, graceLeads, toPerformance } from '~/core/performance'
import { beatTicks, secondsPerTick } from '~/core/time'
import { DEMO_LICKS } from '~/demo/licks'
import { lickOf } from '../support/licks'
import { frame, openLick, sticking } from './bench-page'
import { expect, test } from './watched'

interface Started {
  readonly when: number
  readonly now: number
}

/** Writes down when every sound of the page is to begin, and the clock as it was told. */
async function recordStarts(page: Page): Promise<() => Promise<Started[]>> {
  await page.addInitScript(() => {
    const starts: { when: number; now: number }[] = []
    const start = AudioBufferSourceNode.prototype.start
    AudioBufferSourceNode.prototype.start = function (when = 0, ...rest) {
      starts.push({ when, now: this.context.currentTime })
      return start.call(this, when, ...rest)
    }
    Object.assign(window, { starts })
  })
  return () => page.evaluate(() => (window as unknown as { starts: Started[] }).starts)
}

const textOf = (id: string) => DEMO_LICKS.find((lick) => lick.id === id)?.text ?? ''

/** When everything of a performance begins, in seconds from its start, graces too. */
function expectedTimes(text: string, rounds: number): number[] {
  const lick = lickOf(text)
  const performance = toPerformance(lick, { loop: true, countIn: true })
  const tick = secondsPerTick(lick.frame.tempo, beatTicks(lick.frame.meter))
  const events = eventsBetween(
    performance,
    0,
    performance.countInTicks + rounds * performance.roundTicks,
  )
  return events
    .flatMap((event) => {
      if (event.kind === 'choke') return []
      const at = event.tick * tick
      if (event.kind === 'click') return [at]
      const since = event.since === null ? Number.POSITIVE_INFINITY : event.since * tick * 1000
      return [...graceLeads(event.graces, since).map((lead) => at - lead / 1000), at]
    })
    .sort((a, b) => a - b)
}

test.describe.configure({ timeout: 120_000 })

/** A starved machine's audio clock runs slow; what counts is what it is told, not how soon. */
const PATIENCE = { timeout: 60_000 }

test('a bar is heard at the exact times of the core, none late, while the cursor runs', async ({
  page,
}) => {
  const starts = await recordStarts(page)
  await openLick(page, 'Trapeze Catch')
  await (await frame(page, 'Bars of groove')).selectOption('0')
  await page.getByRole('button', { name: 'Play' }).click()
  const expected = expectedTimes(`${textOf('demo-trapeze-catch')}lead: 0\n`, 1)
  await expect.poll(async () => (await starts()).length, PATIENCE).toBeGreaterThan(expected.length)
  const cursor = page.locator('[data-row="0"] [data-cursor]')
  await expect(cursor).toBeVisible()
  const first = await cursor.boundingBox()
  await expect.poll(async () => (await cursor.boundingBox())?.x).not.toBe(first?.x)
  const heard = await starts()
  await page.keyboard.press('Space')
  const times = heard.map(({ when }) => when).sort((a, b) => a - b)
  const origin = times[0] ?? 0
  for (const [i, time] of expected.entries()) expect((times[i] ?? -1) - origin).toBeCloseTo(time, 6)
  for (const { when, now } of heard) expect(when).toBeGreaterThanOrEqual(now)
  await expect(cursor).toBeHidden()
})

test('tempo and content change while it plays, from the next stroke on, on one unbroken pulse', async ({
  page,
}) => {
  const starts = await recordStarts(page)
  await openLick(page, 'Tightrope')
  await page.getByRole('button', { name: 'Play' }).click()
  await expect.poll(async () => (await starts()).length, PATIENCE).toBeGreaterThan(6)
  await page.getByRole('spinbutton', { name: 'Playing tempo' }).fill('144')
  await sticking(page).fill('RLLRK RLRLK')
  const before = (await starts()).length
  await expect.poll(async () => (await starts()).length, PATIENCE).toBeGreaterThan(before + 20)
  const late = (await starts()).filter(({ when, now }) => when < now)
  expect(late).toEqual([])
  await page.getByRole('button', { name: 'Stop' }).click()
})

test('once means once: it lands, rings, and stops by itself', async ({ page }) => {
  await openLick(page, 'Cannon Exit')
  await page.getByRole('button', { name: 'Loop' }).click()
  await page.getByRole('button', { name: 'Count-in' }).click()
  await (await frame(page, 'Bars of groove')).selectOption('0')
  await page.getByRole('spinbutton', { name: 'Playing tempo' }).fill('300')
  await page.getByRole('button', { name: 'Play' }).click()
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Play' })).toBeVisible(PATIENCE)
})

/** Listens to what the page sends to the loudspeaker. Returns the loudest sample since it was asked. */
async function listen(page: Page): Promise<() => Promise<number>> {
  await page.addInitScript(() => {
    const heard = { peak: 0 }
    const ears = new WeakMap<BaseAudioContext, AnalyserNode>()
    const connect = AudioNode.prototype.connect as (this: AudioNode, ...to: unknown[]) => unknown
    const earOf = (context: BaseAudioContext) => {
      const known = ears.get(context)
      if (known) return known
      const ear = context.createAnalyser()
      const samples = new Float32Array(ear.fftSize)
      // More often than the samples it holds last, so that nothing passes unheard.
      setInterval(() => {
        ear.getFloatTimeDomainData(samples)
        for (const sample of samples) heard.peak = Math.max(heard.peak, Math.abs(sample))
      }, 20)
      ears.set(context, ear)
      return ear
    }
    Object.assign(AudioNode.prototype, {
      connect(this: AudioNode, ...to: unknown[]) {
        if (to[0] instanceof AudioDestinationNode) connect.call(this, earOf(this.context))
        return connect.call(this, ...to)
      },
    })
    const takePeak = () => {
      const { peak } = heard
      heard.peak = 0
      return peak
    }
    Object.assign(window, { takePeak })
  })
  return () => page.evaluate(() => (window as unknown as { takePeak: () => number }).takePeak())
}

test('the click is turned off, is not heard, and the count-in still counts', async ({ page }) => {
  const peak = await listen(page)
  const starts = await recordStarts(page)
  await openLick(page, 'Clown Walk')
  const click = page.getByRole('button', { name: 'Click' })
  // A bar of nothing: all there is to hear is the click.
  await sticking(page).fill('----')
  await (await frame(page, 'Groove')).selectOption('none')
  await (await frame(page, 'Landing')).selectOption('none')
  await page.getByRole('spinbutton', { name: 'Playing tempo' }).fill('240')
  await click.click()
  await expect(click).toHaveAttribute('aria-pressed', 'false')
  await page.getByRole('button', { name: 'Play' }).click()
  await expect.poll(peak, PATIENCE).toBeGreaterThan(0.05)
  await expect.poll(async () => (await starts()).length, PATIENCE).toBeGreaterThan(9)
  await expect.poll(peak, PATIENCE).toBeLessThan(0.001)
  const silent = (await starts()).length
  await expect.poll(async () => (await starts()).length, PATIENCE).toBeGreaterThan(silent + 4)
  expect(await peak()).toBeLessThan(0.001)
  await click.click()
  await expect.poll(peak, PATIENCE).toBeGreaterThan(0.05)
  await click.click()
  await page.reload()
  await expect(click).toHaveAttribute('aria-pressed', 'false')
})
