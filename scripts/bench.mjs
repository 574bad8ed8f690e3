import { watchKeys } from '../tests/bench/keystrokes.mjs'
import { watchMoves } from '../tests/bench/moves.mjs'
import { stolenTicks } from '../tests/bench/stolen.mjs'
import { CHROMIUM, ensureChromium, ensurePackages, run } from './ensure.mjs'
import { QUIET_FLAGS, serveDemo } from './serve.mjs'

/** Measures speed as ratios and growth: machines differ, and this one is noisy. */
const KEYS = 40
/** The lengths take turns, so that a slow moment of the machine does not fall on one alone. */
const ROUNDS = 3
/** Between one key and the next, in milliseconds: ten letters a second. */
const PAUSE = 90
/** In which a key is painted, and after which nothing of it is left but the staff. */
const PAINTED = 30

/** Sixteen slots: a bar of sixteenths, half a bar of thirty-seconds. */
const SIXTEEN = 'RLLKRLLK RLLKRLRL '

const GRIDS = [
  { grid: '1/16', bar: SIXTEEN, bars: [1, 16] },
  { grid: '1/32', bar: SIXTEEN.repeat(2), bars: [1, 4, 16, 64] },
]

/** Ways to change a line that leave it as long as it was: what goes before a key, and the key. */
const WAYS = [
  {
    what: 'A stroke of the first bar typed over',
    inField: true,
    before: async (page, field) => {
      // Selecting is an act of its own, told by the key that does it: its frame is over before the
      // letter comes.
      await field.evaluate((area) => {
        area.setSelectionRange(3, 4)
        area.dispatchEvent(new KeyboardEvent('keyup', { key: 'Shift', bubbles: true }))
      })
      await page.waitForTimeout(PAUSE)
    },
    key: (i) => (i % 2 === 0 ? 'l' : 'k'),
  },
  {
    what: 'A letter at the end of the line, and its removal',
    inField: true,
    before: async (_page, field, i) => {
      if (i === 0) await field.press('ControlOrMeta+End')
    },
    key: (i) => (i % 2 === 0 ? 'k' : 'Backspace'),
  },
  {
    what: 'A stroke of the first bar typed over on the ruler',
    before: async (page, _field, i) => {
      // A letter steps on to the next slot: back again.
      for (const key of i === 0 ? ['Alt+k', 'Home'] : ['ArrowLeft']) await page.keyboard.press(key)
      await page.waitForTimeout(PAUSE)
    },
    key: (i) => (i % 2 === 0 ? 'l' : 'k'),
  },
]

ensurePackages()
ensureChromium()
if (process.argv[2] === 'timing') {
  // The trainer played for minutes, by the clock: asked for by itself.
  run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] })
  run('node_modules/.bin/tsx', ['tests/bench/timing.ts', process.argv[3] ?? '10'])
  process.exit()
}
if (process.argv[2] === 'solos') {
  // Whole solos, and some minutes of one by the clock: asked for by itself.
  run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] })
  run('node_modules/.bin/tsx', ['tests/bench/solos.ts', process.argv[3] ?? '1'])
  process.exit()
}
if (process.argv[2] === 'attacks') {
  // What is typed, while browsers are killed and pages left: asked for by itself.
  run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] })
  run(process.execPath, ['tests/bench/run-attacks.mjs', ...process.argv.slice(3)])
  process.exit()
}
if (process.argv[2] === 'hands') {
  // Random hands that press anything: asked for by itself.
  run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] })
  run('node_modules/.bin/tsx', ['tests/bench/run-hands.mjs', ...process.argv.slice(3)])
  process.exit()
}
if (process.argv[2] === 'files') {
  // What each file of a lick costs: in the core and codecs alone.
  run('node_modules/.bin/tsx', ['tests/bench/files.ts'])
  process.exit()
}
if (process.argv[2] === 'finder') {
  // How long the finder takes against slots, cells, and trying all.
  run('node_modules/.bin/tsx', ['tests/bench/finder.ts'])
  process.exit(0)
}
if (process.argv[2] === 'sound') {
  // What the kit sounds like, what that costs, and how soon it is heard.
  run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] })
  run('node_modules/.bin/tsx', ['tests/bench/sound.ts'])
  process.exit()
}
if (process.argv[2] === 'hearing') {
  // Strokes found in made material, by condition, and what that costs: in the core alone.
  run('node_modules/.bin/tsx', ['tests/bench/hearing.ts'])
  process.exit()
}
if (process.argv[2] === 'listening') {
  // Minutes of playing while a microphone is listened to, in a browser: asked for by itself.
  run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] })
  run('node_modules/.bin/tsx', ['tests/bench/listening.ts', process.argv[3] ?? '10'])
  process.exit()
}
if (process.argv[2] === 'rows') {
  // What can be seen of a bar beside every panel: asked for by itself.
  run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] })
  run(process.execPath, ['tests/bench/run-rows.mjs'])
  process.exit()
}
if (process.argv[2] === 'scale') {
  // The library and the log with thousands in them: asked for by itself.
  run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] })
  run(process.execPath, ['tests/bench/scale.mjs', ...process.argv.slice(3)])
  process.exit()
}
// Only now: on a fresh machine they have just been installed.
const { chromium } = await import('@playwright/test')
run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] })

const only = process.argv[2]
if (!only) benchCore()
const browser = await chromium.launch({ executablePath: CHROMIUM, args: QUIET_FLAGS })
try {
  if (!only || only === 'keys') await benchKeys()
  if (!only || only === 'drag') await benchDrag()
} finally {
  await browser.close()
}

/** Limit, crossings and paths of growing lines, in the core alone. */
function benchCore() {
  run('node_modules/.bin/tsx', ['tests/bench/core.ts'])
}

/** From a move of the pointer to the paint that shows the dragged piece. */
async function benchDrag() {
  const { address, stop } = await serveDemo()
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 900 } })
    await page.goto(address)
    await page.getByRole('link', { name: 'Kit', exact: true }).click()
    await page.evaluate(() => document.fonts.ready)
    const box = await page.locator('[data-piece="f1"]').boundingBox()
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
    await page.evaluate(watchMoves)
    await page.mouse.move(x, y)
    await page.mouse.down()
    for (let i = 0; i < KEYS * ROUNDS; i += 1) {
      await page.mouse.move(x + 40 * Math.sin(i / 7), y + 30 * Math.cos(i / 9))
      await page.waitForTimeout(20)
    }
    await page.mouse.up()
    const work = await page.evaluate(() => window.takeMoves())
    console.log(`\nA piece of the kit dragged (${work.length} moves):`)
    console.log(
      `  work for a move median ${ms(median(work))}, 95th ${ms(quantile(work, 0.95))} (16 at most)`,
    )
    await page.close()
  } finally {
    stop()
  }
}

/** From key to paint, and the staff redrawn for it, for lines of growing length. */
async function benchKeys() {
  const { address, stop } = await serveDemo()
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.addInitScript(watchKeys)
    await page.goto(address)
    await page.getByRole('link', { name: 'Tightrope', exact: true }).click()
    // By its label alone: looking for roles would keep the page busy between the keys.
    const field = page.locator('textarea[aria-label="Sticking"]')
    await page.getByRole('button', { name: /^Start: / }).click()
    await page.getByLabel('Start', { exact: true }).selectOption('1')
    await page.keyboard.press('Escape')
    for (const lines of GRIDS)
      for (const way of WAYS) {
        await page.getByRole('button', { name: /^Grid: / }).click()
        await page.getByLabel('Grid', { exact: true }).selectOption(lines.grid)
        await page.keyboard.press('Escape')
        console.log(`\n${way.what}, in ${lines.grid} (${ROUNDS} rounds of ${KEYS} keys each):`)
        reportAll(await playRounds(page, field, way, lines))
      }
    await benchBareField(await field.evaluate((area) => getComputedStyle(area).cssText))
    await page.close()
  } finally {
    stop()
  }
}

/** The same keys in a text field by itself, of the same style: what the browser takes for its own editing. */
async function benchBareField(style) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.setContent('<textarea spellcheck="false" autocorrect="off"></textarea>')
  await page.evaluate(watchKeys)
  const field = page.locator('textarea')
  await field.evaluate((area, css) => {
    area.style.cssText = css
  }, style)
  for (const way of WAYS.filter(({ inField }) => inField)) {
    const lines = GRIDS.at(-1)
    console.log(`\nIn a bare text field: ${way.what}, as in ${lines.grid}:`)
    reportAll(await playRounds(page, field, way, lines))
  }
  await page.close()
}

/** The keys of one way, for lines of each length: those of all rounds. */
async function playRounds(page, field, way, { bar, bars }) {
  const taken = new Map(bars.map((count) => [count, []]))
  for (let round = 0; round < ROUNDS; round += 1)
    for (const count of bars) {
      // One slot short, so that a key more changes nothing but its own bar.
      await field.fill(bar.repeat(count).trim().slice(0, -1))
      await page.waitForTimeout(1500)
      for (let i = 0; i < 8; i += 1) await press(page, field, way, i)
      await page.evaluate(() => window.takeKeys())
      const stolen = []
      for (let i = 0; i < KEYS; i += 1) stolen.push(await press(page, field, way, i))
      await page.waitForTimeout(500)
      const keys = await page.evaluate(() => window.takeKeys())
      taken.get(count).push(...keys.map((key, i) => ({ ...key, stolen: stolen[i] > 0 })))
    }
  return taken
}

/** Prints what was measured for each length, and how it grows. */
function reportAll(taken) {
  const medians = new Map()
  for (const [count, keys] of taken) medians.set(count, report(count, keys))
  const most = [...medians].at(-1)
  for (const [count, work] of medians)
    if (count !== most[0])
      console.log(
        `  from ${count} to ${most[0]} bars: ${(most[1] / work).toFixed(2)} times, ${(most[1] - work).toFixed(2)} ms more`,
      )
}

/** One key; returns how much of the machine's time was taken away from it until it was painted. */
async function press(page, field, way, i) {
  await way.before(page, field, i)
  const before = stolenTicks()
  await page.keyboard.press(way.key(i))
  await page.waitForTimeout(PAINTED)
  const stolen = stolenTicks() - before
  await page.waitForTimeout(PAUSE - PAINTED)
  return stolen
}

/**
 * Prints the medians and 95th percentiles of all rounds, and gives the median work. Keys in whose time
 * others took the machine away are left out of them, and are counted.
 */
function report(bars, all) {
  const own = all.filter(({ stolen }) => !stolen)
  const of = (keys, name, share) =>
    quantile(
      keys.map((one) => one[name]),
      share,
    )
  const both = (name) => `median ${ms(of(own, name, 0.5))}, 95th ${ms(of(own, name, 0.95))}`
  const units = all.map((one) => one.units)
  console.log(
    `  ${String(bars).padStart(2)} bars: work for a key ${both('work')} (16 at most); key to paint ${both('painted')}; ` +
      `${all.length - own.length} of ${all.length} keys disturbed from outside (95th of all ${ms(of(all, 'work', 0.95))}); ` +
      `staff units redrawn median ${median(units)}, most ${Math.max(...units)}; staff laid out in ${ms(of(own, 'staff', 0.5))}`,
  )
  return of(own, 'work', 0.5)
}

function quantile(values, share) {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? Number.NaN
}

function median(values) {
  return quantile(values, 0.5)
}

function ms(value) {
  return `${value.toFixed(1)} ms`
}
