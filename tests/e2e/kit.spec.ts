import type { Page } from '@playwright/test'
import { strToU8, zipSync } from 'fflate'
import { formatWav } from '~/codecs/wav'
import {
  expectAccessible,
  fits,
  frame,
  kept,
  openPanel as open,
  openLick,
  sticking,
} from './bench-page'
import { expect, test } from './watched'

const panel = (page: Page) => page.locator('#dock-panel')
const rules = (page: Page) => page.getByRole('list', { name: 'Voicing rules, later ones win' })

test('a rule voices the sticking, a changed sticking again, and is undone and saved', async ({
  page,
}) => {
  await openLick(page, 'Tightrope')
  await sticking(page).fill('RLRL RLRL')
  await open(page, 'Voices')
  await page.getByLabel('Surfaces of the path').fill('t1 f1')
  await page.getByLabel('How long on each').selectOption('1')
  await expect(panel(page)).toContainText('4 strokes would move')
  await page.getByRole('button', { name: /^Parallel/ }).focus()
  await expect(panel(page)).toContainText(/strokes would move; up to/)
  await page.getByLabel('Surfaces of the path').fill('t1 f1 f1')
  await page.getByLabel('Surfaces of the path').fill('t1 f1')
  await page.getByRole('button', { name: 'Add rule' }).click()
  await expect(rules(page)).toContainText('Right hand: tom 1, floor tom, a stroke each, and back')
  const ruler = page.locator('[data-row="0"] svg').first()
  await expect(ruler).toHaveAttribute(
    'aria-label',
    /right hand, on tom 1.*right hand, on floor tom/,
  )
  await sticking(page).fill('LRLR')
  await expect(ruler).toHaveAttribute('aria-label', /left hand.*right hand, on tom 1.*left hand/)
  await expect(sticking(page)).toHaveValue('LRLR')

  await page.getByRole('checkbox', { name: /Right hand: tom 1/ }).uncheck()
  await expect(ruler).not.toHaveAttribute('aria-label', /tom 1/)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(ruler).toHaveAttribute('aria-label', /tom 1/)
  await kept(page)
  await page.reload()
  await expect(rules(page)).toContainText('Right hand: tom 1')
})

test('strokes are struck on the plan by mouse and by number, one after the other', async ({
  page,
}) => {
  await openLick(page, 'Tightrope')
  await sticking(page).fill('RLRL')
  await open(page, 'Voices')
  await sticking(page).press('Home')
  await page.getByRole('button', { name: 'Strike floor tom' }).click()
  await expect(rules(page)).toContainText('Struck by hand: slot 1 on the floor tom')
  await page.getByRole('button', { name: 'Strike snare' }).focus()
  await page.keyboard.press('3')
  await page.keyboard.press('6')
  await expect(rules(page)).toContainText('slot 2 on tom 1; slot 3 on the ride')
  await expect(sticking(page)).toHaveValue('RLRL')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(rules(page)).not.toContainText('ride')
  await page.getByRole('button', { name: 'Clear all struck voices' }).click()
  await expect(panel(page)).toContainText('No rules yet')
})

test('limits name the next in the way, and a click raises them', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await sticking(page).fill('RLKK RLKK')
  await open(page, 'Answers')
  await expect(panel(page)).toContainText('Up to 136 bpm')
  await panel(page)
    .getByRole('button', { name: /turned into a rest/ })
    .first()
    .click()
  await expect(panel(page)).not.toContainText('Up to 136 bpm')
  await expect(panel(page)).toContainText('compared with 11 other licks')
  await panel(page).getByRole('button', { name: 'Looped with groove' }).click()
  await expect(panel(page)).toContainText(/Up to \d/)
  await page.getByRole('button', { name: 'View of the ruler' }).click()
  await page.getByRole('checkbox', { name: /Headroom at/ }).check()
  await expect(page.locator('[data-headroom] line')).not.toHaveCount(0)
})

test('the hands are followed over the kit while it plays', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await (await frame(page, 'Start')).selectOption('1')
  await (await frame(page, 'Bars of groove')).selectOption('0')
  await sticking(page).fill('R:t1L:snR:f1L:sn R:t1L:snR:f1L:sn R:t1L:snR:f1L:sn R:t1L:snR:f1L:sn')
  await open(page, 'Hands')
  const now = page.locator('[data-now="RH"]')
  await expect(now).toHaveAttribute('visibility', 'hidden')
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await expect(now).toHaveAttribute('visibility', 'visible')
  const first = await now.getAttribute('transform')
  await expect(now).not.toHaveAttribute('transform', first ?? '')
  await page.keyboard.press('Space')
  await page.getByRole('button', { name: 'Left only' }).click()
  await expect(page.locator('[data-hand="RH"]')).toHaveCount(0)
  await page.getByLabel('Played on').selectOption('three')
  await expect(panel(page)).toContainText('Played by another piece')
  await expect(panel(page)).toContainText('tom 1: by the floor tom')
})

test('a kit is built by drag, keys and numbers, kept, and played on', async ({ page }) => {
  await page.goto('/kit')
  const floor = await page.locator('[data-piece="f1"]').boundingBox()
  if (!floor) throw new Error('no floor tom on the plan')
  const [left, top] = [floor.x + floor.width / 2, floor.y + floor.height / 2]
  await page.mouse.move(left, top)
  await page.mouse.down()
  await page.mouse.move(left + 60, top + 30, { steps: 5 })
  await page.mouse.up()
  await expect(page.getByLabel('Name of the kit')).toHaveValue('Five pieces, mine')
  await expect(page.getByLabel('floor tom, to the right')).not.toHaveValue('46')
  const x = page.getByLabel('tom 1, to the right')
  await page.getByRole('button', { name: 't1 tom 1' }).press('Shift+ArrowLeft')
  await x.fill('-40')
  await page.getByLabel('Name of the kit').fill('Pit kit')
  await page.getByRole('button', { name: 'Delete tom 2' }).click()
  await expect(page.getByText(/Deleted: tom 2\. .* it: tom 1 plays it now/)).toBeVisible()
  await expect(page.getByLabel('Kit to play on').locator('option:checked')).toHaveText('Pit kit')
  await page.waitForTimeout(600)
  await page.reload()
  await expect(page.getByLabel('Name of the kit')).toHaveValue('Pit kit')
  await expect(x).toHaveValue('-40')
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('link', { name: 'Parade', exact: true }).click()
  await open(page, 'Voices')
  await expect(panel(page)).toContainText('Pit kit has no tom 2: tom 1 plays it.')
})

test('left-handed in one click turns letters and kit, and nothing that is stored', async ({
  page,
}) => {
  await openLick(page, 'Tightrope')
  const written = await sticking(page).inputValue()
  await page.getByRole('link', { name: 'Settings' }).click()
  await page.getByRole('checkbox', { name: 'Left-handed' }).check()
  await page.getByRole('link', { name: 'Kit', exact: true }).click()
  await expect(page.getByLabel('floor tom, to the right')).toHaveValue('-46')
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('link', { name: 'Tightrope', exact: true }).click()
  await expect(sticking(page)).toHaveValue('>L:t1rrLr >L:f1rK >RK')
  await sticking(page).press('End')
  await sticking(page).pressSequentially('L')
  await kept(page)
  await page.getByRole('link', { name: 'Settings' }).click()
  await page.getByRole('checkbox', { name: 'The letters' }).uncheck()
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('link', { name: 'Tightrope', exact: true }).click()
  await expect(sticking(page)).toHaveValue(`${written}R`)
  await expect(fits(page)).toContainText('11')
})

test('a limb is measured by ten seconds of strokes', async ({ page }) => {
  await page.clock.install()
  await page.goto('/kit')
  await page.getByRole('button', { name: 'Measure right hand, single' }).click()
  const pad = page.getByRole('button', { name: 'Strike to start' })
  await expect(pad).toBeFocused()
  for (let i = 0; i < 12; i += 1) await page.keyboard.press('f')
  await page.clock.runFor(10_500)
  await expect(page.getByText(/ms, .* a second; the default is 154\.0 ms/)).toBeVisible()
})

test('the kit page and its panels have no fault that axe finds, and fit a phone', async ({
  page,
}) => {
  await page.goto('/kit')
  await page.getByRole('button', { name: 't1 tom 1' }).click()
  await expectAccessible(page)
})

test('own sounds are read from a zip, told, heard in place of the kit’s, and deleted', async ({
  page,
}) => {
  const tone = Float32Array.from({ length: 4000 }, (_, i) => Math.sin(i / 5) * (1 - i / 4000))
  const wav = formatWav([tone], 44_100)
  const zip = zipSync({
    'mine/snare.wav': wav,
    'mine/kick.wav': wav,
    'mine/map.sfz': strToU8(
      '<region> sample=snare.wav key=38 cutoff=900\n<region> sample=kick.wav key=36',
    ),
  })
  // What begins to sound, by its length in samples.
  await page.addInitScript(() => {
    const seen: number[] = []
    Object.assign(window, { seen })
    const start = AudioBufferSourceNode.prototype.start
    AudioBufferSourceNode.prototype.start = function (when, offset, duration) {
      seen.push(Math.round((this.buffer?.duration ?? 0) * 1e4))
      start.call(this, when, offset, duration)
    }
  })
  await page.goto('/kit')
  const sound = page.getByRole('region', { name: 'Sound' })
  await sound
    .getByLabel('Sound files, a map, or a zip of them')
    .setInputFiles({ name: 'mine.zip', mimeType: 'application/zip', buffer: Buffer.from(zip) })
  await expect(sound.getByText('Not understood, and passed over: cutoff.')).toBeVisible()
  await expect(sound.getByText(/^2 sounds for snare and bass drum\./)).toBeVisible()
  await expect(sound.getByLabel('Sounds', { exact: true })).toHaveValue(/.+/)
  await expectAccessible(page)
  await sound.getByRole('button', { name: 'Hear it' }).click()
  // 4,000 samples at 44,100.
  await expect
    .poll(() => page.evaluate(() => (window as unknown as { seen: number[] }).seen))
    .toContain(907)
  await page.getByRole('button', { name: 'Stop', exact: true }).click()
  await sound.getByRole('button', { name: 'Delete these' }).click()
  await expect(sound.getByLabel('Sounds', { exact: true })).toHaveValue('')
  // What is no sound is refused where it was read.
  await sound
    .getByLabel('Sound files, a map, or a zip of them')
    .setInputFiles({ name: 'a.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip') })
  await expect(sound.getByText('There is no sound in it that can be read.')).toBeVisible()
})
