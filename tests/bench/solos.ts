import { chromium, type Page } from '@playwright/test'
import { formatSolo } from '~/codecs/solo'
import { DEFAULT_SETTING } from '~/core/playability'
import { draftSolo, judgeSolo, type Solo, shapeOf, stageBars, toSections } from '~/core/solo'
import { toMeter } from '~/core/time'
import { CHROMIUM } from '../../scripts/ensure.mjs'
import { QUIET_FLAGS, serveDemo } from '../../scripts/serve.mjs'
import { lickOf } from '../support/licks'

/**
 * Solos of ever more bars: how long they take to be judged, opened and changed, and whether every stroke
 * of one that plays for minutes is handed over in time. Usage: [minutes of playing].
 */
const MINUTES = Number(process.argv[2] ?? 1)
const BARS = [16, 32, 64, 128]
const EDITS = 30
const FRAME = 1000 / 60

const cell = lickOf('line: RLLRK')
function soloOf(bars: number): Solo {
  const idea = {
    title: `Solo of ${bars}`,
    cell: cell.line,
    grid: cell.frame.grid,
    meter: toMeter(4, 4),
    tempo: 100,
    groove: 'eighths',
    bars: stageBars(bars),
    seed: 3,
  }
  return draftSolo(idea)
}

const median = (all: readonly number[]) =>
  [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0
const most = (all: readonly number[]) =>
  [...all].sort((a, b) => a - b)[Math.floor(all.length * 0.95)] ?? 0
const ms = (value: number) => value.toFixed(1).padStart(8)

console.log('| bars | judged, ms | opened, ms | an edit: median, 95th, ms |')
console.log('| --- | --- | --- | --- |')
const { address, stop } = await serveDemo()
const browser = await chromium.launch({ executablePath: CHROMIUM, args: QUIET_FLAGS })
try {
  for (const bars of BARS) {
    const solo = soloOf(bars)
    const judged = Array.from({ length: 15 }, (_, i) => {
      // Another object each time: nothing is known of it yet but its sections.
      const now = { ...solo, tempo: 100 + i }
      const from = performance.now()
      const sections = toSections(now)
      shapeOf(sections, judgeSolo(now, sections, DEFAULT_SETTING).strokes)
      return performance.now() - from
    })
    const { opened, edits } = await inBrowser(solo)
    console.log(
      `| ${bars} | ${ms(median(judged))} | ${ms(median(opened))} | ${ms(median(edits))} ${ms(most(edits))} |`,
    )
  }
  await playFor(MINUTES)
} finally {
  await browser.close()
  stop()
}

/** A solo that is imported, opened again and again, and changed key by key. */
async function inBrowser(solo: Solo) {
  const page = await openImported(solo)
  const opened: number[] = []
  for (let i = 0; i < 5; i += 1) {
    await page.getByRole('link', { name: 'Solos', exact: true }).click()
    const link = page.getByRole('link', { name: solo.title })
    await link.waitFor()
    opened.push(
      await page.evaluate(async (title) => {
        const anchor = [...document.querySelectorAll('a')].find((one) => one.textContent === title)
        const from = performance.now()
        anchor?.click()
        while (!document.querySelector('[data-bar]'))
          await new Promise((resolve) => requestAnimationFrame(resolve))
        return performance.now() - from
      }, solo.title),
    )
  }
  const tempo = page.getByLabel('Tempo of the solo')
  await tempo.focus()
  const edits: number[] = []
  for (let i = 0; i < EDITS; i += 1) {
    edits.push(
      await page.evaluate(async () => {
        const field = document.activeElement as HTMLElement
        const from = performance.now()
        field.dispatchEvent(
          new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true, cancelable: true }),
        )
        // What the key itself does before the next frame can be painted.
        await new Promise((resolve) => setTimeout(resolve))
        return performance.now() - from
      }),
    )
    await page.waitForTimeout(60)
  }
  await page.context().close()
  return { opened, edits }
}

async function openImported(solo: Solo): Promise<Page> {
  const context = await browser.newContext({ serviceWorkers: 'block' })
  const page = await context.newPage()
  await page.addInitScript('globalThis.__name = (named) => named')
  await page.goto(`${address}/backup`)
  await page.getByLabel('Files to read').setInputFiles({
    name: 'solo.json',
    mimeType: 'application/json',
    buffer: Buffer.from(formatSolo(solo)),
  })
  await page.getByRole('button', { name: 'Import', exact: true }).click()
  await page.getByText(/^Done/).waitFor()
  await page.getByRole('link', { name: 'Solos', exact: true }).click()
  await page.getByRole('link', { name: solo.title }).click()
  await page.locator('[data-bar]').first().waitFor()
  return page
}

/** The longest solo, over and over: sounds that were handed over after their time. */
async function playFor(minutes: number): Promise<void> {
  const page = await openImported(soloOf(128))
  await page.evaluate(() => {
    const starts: number[] = []
    const { start } = AudioBufferSourceNode.prototype
    AudioBufferSourceNode.prototype.start = function (when = 0, ...rest) {
      starts.push(when - this.context.currentTime)
      return start.call(this, when, ...rest)
    }
    Object.assign(window, { starts })
  })
  await page.getByRole('button', { name: 'Loop', exact: true }).click()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await page.waitForTimeout(minutes * 60_000)
  const ahead = await page.evaluate(() => (window as unknown as { starts: number[] }).starts)
  const late = ahead.filter((seconds) => seconds < 0)
  const least = Math.min(...ahead)
  console.log(
    `\n${minutes} min of 128 bars: ${ahead.length} sounds, ${late.length} late; the nearest ${(least * 1000).toFixed(0)} ms ahead of its time. A frame is ${FRAME.toFixed(1)} ms.`,
  )
}
