import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { CHROMIUM, ensureChromium, ensurePackages, run } from './ensure.mjs'
import { QUIET_FLAGS, serveDemo } from './serve.mjs'

/** One current picture of each main view, from the demo data, into docs/screenshots; or of those named. */
const DESK = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844 }
const ONLY = process.argv.slice(2)
const ALL = [
  { name: 'library', open: library },
  { name: 'bench', open: (page) => bench(page, 'Tightrope') },
  { name: 'bench-phone', size: PHONE, touch: true, open: (page) => bench(page, 'Cannon Exit') },
  { name: 'workbench-cells', open: (page) => panel(page, 'Teeterboard', 'Cells') },
  { name: 'workbench-voices', open: contour },
  { name: 'finder', open: finder },
  { name: 'sheet', open: sheet },
  { name: 'import', open: importing },
  { name: 'kit', open: kit },
  { name: 'practice-dark', dark: true, open: practising },
  { name: 'full-screen', open: onFullScreen },
  { name: 'playing-along', open: playingAlong },
  { name: 'listen-back-dark', dark: true, open: listeningBack },
  { name: 'play-in', open: playingIn },
  { name: 'set', open: set },
  { name: 'solo', open: solo },
  { name: 'solo-room', open: soloRoom },
  { name: 'log', open: log },
  { name: 'flow', open: flow },
]

const VIEWS = ONLY.length > 0 ? ALL.filter(({ name }) => ONLY.includes(name)) : ALL

ensurePackages()
ensureChromium()
// Only now: on a fresh machine it has just been installed.
const { chromium } = await import('@playwright/test')
run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] })
const { address, stop } = await serveDemo()
const browser = await chromium.launch({ executablePath: CHROMIUM, args: QUIET_FLAGS })
try {
  for (const { name, size = DESK, dark = false, touch = false, open } of VIEWS) {
    const context = await browser.newContext({
      viewport: size,
      colorScheme: dark ? 'dark' : 'light',
      hasTouch: touch,
      isMobile: touch,
      baseURL: address,
    })
    const page = await context.newPage()
    const shown = (await open(page)) ?? page
    await shown.screenshot({ path: `docs/screenshots/${name}.png` })
    await context.close()
    console.log(name)
  }
} finally {
  await browser.close()
  stop()
}

async function library(page) {
  await page.goto('/')
  await page.getByRole('link', { name: 'Tightrope', exact: true }).waitFor()
}

async function bench(page, title) {
  await library(page)
  await page.getByRole('link', { name: title, exact: true }).click()
  await page.locator('[data-row="0"] svg').first().waitFor()
  await page.waitForTimeout(1200)
}

async function panel(page, title, name) {
  await bench(page, title)
  await page.getByRole('button', { name, exact: true }).click()
  await page.locator('#dock-panel').waitFor()
  await page.waitForTimeout(700)
}

/** Hands that cross, on the kit from above. */
async function kit(page) {
  await library(page)
  await page.getByRole('link', { name: 'Kit', exact: true }).click()
  await page.getByRole('button', { name: 'f1 floor tom' }).click()
  await page.waitForTimeout(300)
}

/** Practised in the bar, a while after it began. */
async function practising(page) {
  await bench(page, 'Tightrope')
  await page.getByRole('link', { name: 'Practise' }).click()
  await page.getByRole('button', { name: 'Steps' }).click()
  await page.getByRole('button', { name: /in the bar/ }).click()
  await page.getByRole('button', { name: 'Close Steps' }).click()
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await page.locator('[data-phase="fill"]').waitFor({ timeout: 30_000 })
  await page.waitForTimeout(1500)
}

/** The same on the full screen, a bar at a time. */
async function onFullScreen(page) {
  await bench(page, 'Knife Wheel')
  await page.getByRole('link', { name: 'Practise' }).click()
  await page.getByRole('button', { name: 'Steps' }).click()
  await page.getByRole('button', { name: /in the bar/ }).click()
  await page.getByRole('button', { name: 'Close Steps' }).click()
  await page.keyboard.press('s')
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await page.locator('[data-phase="fill"]').waitFor({ state: 'attached', timeout: 30_000 })
  await page.waitForTimeout(900)
}

async function log(page) {
  await library(page)
  await page.getByRole('link', { name: 'Log', exact: true }).click()
  await page.getByRole('button', { name: 'Tightrope', exact: true }).click()
  await page.waitForTimeout(500)
}

async function flow(page) {
  await page.goto('/')
  await page.getByRole('link', { name: 'Flow', exact: true }).click()
  await page.getByLabel('Add to the flow').selectOption({ label: 'Tightrope' })
  await page.getByRole('button', { name: 'Music', exact: true }).click()
  await page.getByLabel('Seed').fill('5')
  await page.getByRole('button', { name: 'Mixture', exact: true }).click()
  await page.getByRole('button', { name: 'Start: tap the count' }).click()
  await page.locator('[data-slot][data-now]').waitFor()
  await page.waitForTimeout(2200)
}

/** What is practised before the doors open. */
async function set(page) {
  await library(page)
  await page.getByRole('link', { name: 'Sets', exact: true }).click()
  await page.getByRole('link', { name: 'Before the doors open' }).click()
  await page.getByText('clean at 105').waitFor()
}

/** A solo with a join that wants mending. */
async function solo(page) {
  await library(page)
  await page.getByRole('link', { name: 'Solos', exact: true }).click()
  await page.getByRole('link', { name: 'Before the Second Half' }).click()
  await page.getByRole('button', { name: /^Trouble at the join/ }).click()
  await page.waitForTimeout(600)
}

/** The same solo in the room, from a cell that runs over the barline. */
async function soloRoom(page) {
  await library(page)
  await page.goto('/solos/demo-second-half?room')
  await page.getByRole('button', { name: 'From here' }).nth(8).click()
  await page.locator('[data-slot][data-now]').first().waitFor()
  await page.waitForTimeout(900)
}

async function sheet(page) {
  const search = new URLSearchParams({
    licks: 'demo-tightrope,demo-teeterboard,demo-clown-walk',
    title: 'Lantern Circus, act one',
    note: 'Two minutes each. Stop where it gets tense.',
  })
  await library(page)
  await page.goto(`/sheet?${search}`)
  await page.getByRole('img', { name: 'Page 1 of 1' }).waitFor()
}

/** A backup comes back after some licks were changed and one was deleted. */
async function importing(page) {
  await library(page)
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Back up' }).click()
  const file = await (await download).path()
  for (const title of ['Tightrope', 'Cannon Exit']) {
    await bench(page, title)
    await page.getByRole('textbox', { name: 'Sticking' }).fill('RLRLRLRL')
    await page.getByText('Saved', { exact: true }).waitFor()
    await page.goto('/')
  }
  await page.getByRole('button', { name: 'Delete Parade' }).click()
  await page.getByText('“Parade” is in the bin.').waitFor()
  // A drum part of another program beside the backup: its notes alone, one of them unknown.
  const lick = [
    'run',
    '-s',
    'lick',
    '--',
    'midi',
    'tests/fixtures/cases/teeterboard.lick',
    '--bare',
  ]
  const midi = execFileSync('npm', lick)
  for (let at = midi.indexOf(48); at > 60; at = midi.indexOf(48, at + 1)) midi[at] = 81
  const part = { name: 'teeterboard.mid', mimeType: 'audio/midi', buffer: midi }
  const backup = { name: 'backup.zip', mimeType: 'application/zip', buffer: readFileSync(file) }
  await page.getByLabel('Files to import').setInputFiles([backup, part])
  await page.getByRole('table', { name: 'What the files hold' }).waitFor()
}

/** Voices that follow a contour which is drawn over the ruler, the first of them shown there. */
async function contour(page) {
  await panel(page, 'Drum Roll, Please', 'Voices')
  await page.getByLabel('Way over the kit').selectOption('as I draw it')
  const row = await page.locator('[data-row="0"]').boundingBox()
  const at = (share, down) => [row.x + 90 + (row.width - 190) * share, row.y + 20 + 250 * down]
  await page.mouse.move(...at(0, 0))
  await page.mouse.down()
  for (const place of [at(0.5, 1), at(1, 0.1)]) await page.mouse.move(...place, { steps: 12 })
  await page.mouse.up()
  const found = page.getByRole('list', { name: 'Found voices' }).getByRole('button')
  await found.first().waitFor()
  await found.first().hover()
  await page.waitForTimeout(300)
}

/** A question of some conditions, with the best of what obeys it. */
async function finder(page) {
  await page.goto('/find')
  const inPart = async (name, work) => {
    await page.getByRole('button', { name }).click()
    await work()
    await page.keyboard.press('Escape')
  }
  await inPart(/^Space/, () => page.getByLabel('Start', { exact: true }).selectOption('2&'))
  await inPart(/^Forms/, async () => {
    await page.getByLabel('Begun at any of its strokes').check()
    await page.getByLabel('Led by either hand').check()
  })
  await inPart(/^Start and end/, async () => {
    await page.getByLabel('Ends with').fill('L')
    await page.getByLabel('Free for the landing').selectOption('R')
  })
  await inPart(/^Accents/, async () => {
    for (const beat of [3, 4]) await page.getByRole('button', { name: `${beat}: either` }).click()
  })
  await inPart(/^Playing/, () => page.getByLabel('Plays at, on the snare').fill('126'))
  await page.waitForTimeout(500)
  await page.getByRole('option').first().waitFor()
  await page.mouse.move(0, 0)
}

/** A simulated drummer heard as sound, and what is told of him after a few rounds. */
async function playingAlong(page) {
  await heardAsSound(page)
  await page.getByText(/dB are written/).waitFor({ timeout: 120_000 })
}

/** A simulated player begins to play, heard as sound; returns where it is told. */
async function heardAsSound(page) {
  await page.goto('/practice/demo-tightrope')
  await page.getByRole('button', { name: 'Ear', exact: true }).click()
  const along = page.getByRole('region', { name: 'Play along' })
  await along.getByLabel('Hear me play along').check()
  await along.getByLabel('Who plays').selectOption('simulated: ghosts too loud')
  await along.getByLabel('As sound, heard by the app’s ear').check()
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  return along
}

/** The best round beside the last, while it is listened to. */
async function listeningBack(page) {
  const along = await heardAsSound(page)
  await along.getByText(/[4-9] rounds heard/).waitFor({ timeout: 120_000 })
  await along.getByRole('button', { name: 'Listen back' }).click()
  const hear = page.getByLabel('Hear', { exact: true })
  const best = hear.getByRole('option', { name: /^the best/ })
  await hear.selectOption((await best.count()) > 0 ? 'best' : 'row')
  await page
    .getByRole('button', { name: /^Play: / })
    .first()
    .click()
  await page.waitForTimeout(600)
}

/** Every source on one page, some strokes just arrived. */
async function playingIn(page) {
  await page.goto('/play-in')
  await page.getByRole('button', { name: 'Pad 38' }).click()
  for (const key of ['j', 'f', 'f', 'b']) await page.keyboard.press(key)
}
