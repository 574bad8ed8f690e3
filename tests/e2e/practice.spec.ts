import type { Page } from '@playwright/test'
import {
  expectAccessible,
  kept,
  openLick,
  openPanel,
  practise,
  practiseFour,
  sticking,
} from './bench-page'
import { expectNoFault } from './faults'
import { expect, test } from './watched'

const rung = (page: Page) => page.getByRole('list', { name: 'Ladder' }).locator('[aria-current]')

test('a lick is taken apart, played up its ladder by keys, and logged as it goes', async ({
  page,
}) => {
  await practise(page, 'Clown Walk')
  await openPanel(page, 'Steps')
  const steps = page.getByRole('list', { name: 'Steps' })
  await expect(steps.getByRole('listitem').first()).toContainText('the 1st five')
  await page.getByLabel('Order').selectOption({ label: 'limb by limb, then together' })
  await expect(steps.getByRole('listitem').first()).toContainText('hands alone')
  await expect(steps.getByRole('listitem').last()).toContainText('in the bar, after groove: 2 + 1')
  await openPanel(page, 'Tempos')
  await expect(rung(page)).toContainText('160')
  await page.keyboard.press('Space')
  await expect(page.locator('[data-beat][data-now]')).toHaveCount(1)
  await expect(page.locator('[data-phase="fill"]')).toBeVisible({ timeout: 20_000 })
  await expect(page.getByText('repeat 2 of 8')).toBeVisible({ timeout: 20_000 })
  await page.keyboard.press('ArrowRight')
  await expect(rung(page)).toContainText('182')
  await expect(page.getByText('160 bpm, next 182')).toBeVisible()
  await expect(page.getByText('182 bpm', { exact: true })).toBeVisible({ timeout: 20_000 })
  await page.getByRole('list', { name: 'Ladder' }).getByRole('button', { name: '160' }).click()
  await expect(rung(page)).toContainText('160')
  await page.keyboard.press('Space')
  await page.reload()
  await openPanel(page, 'History')
  // Of a step that was clean it is not said that nothing was.
  await expect(page.getByText(/^1 session, \d+ seconds; not clean in the bar yet/)).toBeVisible()
  await openPanel(page, 'Steps')
  await expect(steps.getByRole('listitem').first()).toContainText('clean at 160')
})

test('the practice page is read from afar, has no fault that axe finds, and fits a phone', async ({
  page,
}) => {
  await practise(page, 'Teeterboard')
  const size = await page
    .locator('[data-beat="0"]')
    .evaluate((box) => Number.parseFloat(getComputedStyle(box).fontSize))
  expect(size).toBeGreaterThanOrEqual(90)
  await expectAccessible(page)
})

test('the plan is arranged by keys, kept, and its ladder edited by numbers and arrows', async ({
  page,
}) => {
  await practise(page, 'Tightrope')
  await openPanel(page, 'Steps')
  const steps = page.getByRole('list', { name: 'Steps' })
  await page.getByLabel('Order').selectOption({ label: 'limb by limb, then together' })
  await page.getByRole('button', { name: 'Arrange the steps' }).click()
  await page.getByRole('button', { name: 'Skip: feet alone' }).click()
  await page.getByRole('button', { name: 'Repeat the step: on one surface' }).click()
  await page.getByRole('button', { name: 'Move: hands alone' }).press('Space')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Space')
  await expect(steps.getByRole('listitem').nth(1)).toContainText('hands alone')
  await openPanel(page, 'Tempos')
  await page.getByRole('button', { name: 'Edit the ladder' }).click()
  await page.getByRole('slider', { name: 'Rung 1' }).press('Shift+ArrowDown')
  await page.getByRole('spinbutton', { name: 'Tempo of rung 2' }).fill('99')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Add a tempo' }).click()
  await page.getByRole('spinbutton', { name: 'Tempo of rung 5' }).fill('399')
  await page.keyboard.press('Enter')
  await expectAccessible(page)
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.getByRole('button', { name: 'Edit the ladder' }).click()
  const rungs = page.getByRole('list', { name: 'Ladder' }).getByRole('listitem')
  await expect(rungs).toHaveCount(5)
  await expect(rungs.nth(4)).toContainText('above your limit')
  await page.waitForTimeout(400)
  await page.reload()
  await expect(rungs).toHaveCount(5)
  await expect(rungs.nth(2)).toContainText('99')
  await openPanel(page, 'Steps')
  await expect(steps.getByRole('listitem').nth(1)).toContainText('hands alone')
  await expect(steps.getByRole('listitem').filter({ hasText: 'on one surface' })).toHaveCount(2)
  // A cell is a step at a tempo: a way in.
  await steps
    .getByRole('listitem')
    .last()
    .getByRole('button', { name: /^99 bpm/ })
    .click()
  await expect(page.getByText('99 bpm', { exact: true })).toBeVisible()
})

test('pads run it: any starts what stands still, others are taught', async ({ page }) => {
  await practise(page, 'Parade')
  await openPanel(page, 'Playing')
  await page.getByText('Pads', { exact: true }).click()
  await page.getByRole('button', { name: 'Learn the pad for clean' }).click()
  await page.getByRole('button', { name: 'Stand-in pad, note 38' }).click()
  await expect(page.getByText('note 38', { exact: true })).toBeVisible()
  // A pad that is waited for is forgotten with its panel: the others do what they did.
  await page.getByRole('button', { name: 'Learn the pad for lost' }).click()
  await page.getByRole('button', { name: 'Close Playing' }).click()
  await openPanel(page, 'Playing')
  await page.getByText('Pads', { exact: true }).click()
  const now = page.getByText(/^\d+ bpm/)
  const first = (await now.textContent()) ?? ''
  await page.getByRole('button', { name: 'Stand-in pad, note 49' }).click()
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Stand-in pad, note 38' }).click()
  await expect(now).not.toHaveText(first)
  await page.getByRole('button', { name: 'Stand-in pad, note 49' }).click()
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible()
})

test('limbs, click and pulse go on and off by keys; slots are looped; cautions come once', async ({
  page,
}) => {
  await practise(page, 'Teeterboard')
  await openPanel(page, 'Playing')
  await page.keyboard.press('1')
  const right = page.getByRole('button', { name: 'right hand heard' })
  await expect(right).toHaveAttribute('aria-pressed', 'false')
  await page.keyboard.press('1')
  await expect(right).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('c')
  await expect(page.getByLabel('Click on')).toHaveValue('off')
  await page.getByLabel('Click silent in').selectOption('1/4')
  await page.getByRole('button', { name: 'Got it' }).click()
  await page.getByLabel('Last slot of the loop').fill('5')
  await expect(page.getByText(/^a loop: /)).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByLabel('Last slot of the loop').blur()
  await page.keyboard.press('Escape')
  await expect(page.getByText(/^step 1 of/)).toBeVisible()
  await page.waitForTimeout(400)
  await page.reload()
  await expect(page.getByLabel('Click on')).toHaveValue('off')
  await expect(page.getByLabel('Click silent in')).toHaveValue('1/4')
  await expect(page.getByText(/Ear protection/)).toBeHidden()
})

test('what is noted at a stroke on the bench is minded in practice', async ({ page }) => {
  await openLick(page, 'Parade')
  await page.getByRole('button', { name: 'Notes', exact: true }).click()
  await expect(page.getByText(/Select a stroke on the ruler/)).toBeVisible()
  await sticking(page).press('Home')
  await page.keyboard.press('ArrowRight')
  await page.getByRole('button', { name: 'low wrist' }).click()
  await expect(page.getByRole('list', { name: 'Notes' })).toContainText('slot 1 (')
  await kept(page)
  await page.getByRole('link', { name: 'Practise' }).click()
  await expect(page.getByText('slot 1: low wrist')).toBeVisible()
})

test('parts are named, joined one by one, loops kept, and a plan becomes a template', async ({
  page,
}) => {
  await openLick(page, 'Tightrope')
  await sticking(page).click()
  await page.keyboard.press('ControlOrMeta+a')
  await openPanel(page, 'Notes')
  await page.getByLabel('Name for slots 1 to 10').fill('all ten')
  await page.getByRole('button', { name: 'Name this part' }).click()
  await expect(page.getByRole('list', { name: 'Parts' })).toContainText('slots 1 to 10')
  await page.getByRole('button', { name: 'Remove the part all ten' }).click()
  await expect(page.getByRole('list', { name: 'Parts' })).toHaveCount(0)
  await kept(page)
  await page.getByRole('link', { name: 'Practise' }).click()
  await openPanel(page, 'Steps')
  const steps = page.getByRole('list', { name: 'Steps' }).getByRole('listitem')
  // Groups of 5, 3 and 2: each new one alone, then all so far.
  await expect(steps).toHaveText([
    /the five/,
    /the three/,
    /all so far: the five and the three/,
    /the two/,
    /in the bar, after groove/,
  ])
  await openPanel(page, 'Playing')
  await page.getByLabel('Last slot of the loop').fill('9')
  await page.getByLabel('Last slot of the loop').press('Enter')
  await page.getByRole('button', { name: 'keep as a step' }).click()
  await openPanel(page, 'Steps')
  await expect(steps.last()).toContainText('a loop: 2& to 4&')
  await page.getByRole('button', { name: 'Arrange the steps' }).click()
  await page.getByLabel('Surface of the new step').selectOption('on one surface')
  await page.getByRole('button', { name: 'Add as a step' }).click()
  await expect(steps.last()).toContainText('a loop on one surface: the five')
  await page.getByRole('button', { name: /^Remove: a loop on one surface/ }).click()
  await page.getByRole('button', { name: /^Skip: the two/ }).click()
  await page.getByLabel('Name of the template').fill('Pit routine')
  await page.getByRole('button', { name: 'Save as template' }).click()
  await page.reload()
  await expect(steps.last()).toContainText('a loop: 2& to 4&')
  await page.goto('/')
  await page.getByRole('link', { name: 'Fire Ring', exact: true }).click()
  await page.getByRole('link', { name: 'Practise' }).click()
  await openPanel(page, 'Steps')
  await page.getByLabel('Order').selectOption({ label: 'your own: Pit routine' })
  await expect(page.getByLabel('Order')).toHaveValue('joined')
  await expect(steps.first()).toContainText(/the .*three|the four|the five|the six/)
})

test('what is played along is shown and told, of a simulated player and of keys', async ({
  page,
}) => {
  await practiseFour(page)
  const along = page.getByRole('region', { name: 'Play along' })
  await along.getByLabel('Hear me play along').check()
  await along.getByLabel('Who plays').selectOption('simulated: left hand late')
  await page.keyboard.press('Space')
  await expect(along.getByText(/^Last round: all \d+ strokes/)).toBeVisible({ timeout: 30_000 })
  // What matters of it stands under the line, whatever panel is open.
  const said = page.getByRole('region', { name: 'What to do now' })
  await expect(said.getByText(/Left hand \d+ ms late, give or take/)).toBeVisible({
    timeout: 60_000,
  })
  await along.getByLabel('Who plays').selectOption('you: keys, fingers, pads')
  await expect(along.getByText(/^Play the line/)).toBeVisible()
  const at = await page.getByText(/^step \d+ of \d+/).textContent()
  // Letters are strokes now: the step stays what it was.
  await expect(async () => {
    for (const key of ['j', 'f', 'n', 'b']) await page.keyboard.press(key)
    await expect(along.getByText(/^Last round: \d+ of \d+ strokes/)).toBeVisible({ timeout: 200 })
  }).toPass({ timeout: 30_000 })
  await expect(page.getByText(at ?? '')).toBeVisible()
  await page.keyboard.press('Space')
  await along.getByLabel('Hear me play along').uncheck()
  await expect(along.getByText(/^Last round/)).toHaveCount(0)
})

test('a ladder is climbed by what was heard, and a diagnosis leads to its step', async ({
  page,
}) => {
  test.slow()
  await practise(page, 'Tightrope')
  await openPanel(page, 'Steps')
  // What was heard of the demo’s drummer says what to work on; limb by limb has a step for it.
  await page.getByLabel('Order').selectOption('limb by limb, then together')
  await openPanel(page, 'Ear')
  const along = page.getByRole('region', { name: 'Play along' })
  await along.getByLabel('Hear me play along').check()
  await expect(along.getByText(/the sticking is known, work on the moves/)).toBeVisible()
  await along.getByRole('button', { name: 'Go to that step' }).click()
  await expect(page.getByText(/^step \d+ of \d+: the right hand/)).toBeVisible()
  await along.getByLabel('Who plays').selectOption('simulated: even')
  await along.getByLabel(/^Rate and climb by what is heard/).check()
  await openPanel(page, 'History')
  const logged = page.getByText(/^\d+ sessions, \d+ minutes/)
  const before = (await logged.textContent()) ?? ''
  await openPanel(page, 'Steps')
  const steps = page.getByRole('list', { name: 'Steps' })
  await steps.getByRole('listitem').last().getByRole('button').first().click()
  await openPanel(page, 'Playing')
  await page.getByLabel('Form').selectOption('over and over')
  await openPanel(page, 'Tempos')
  await page.getByLabel('Repeats per tempo').selectOption('4')
  const ladder = page.getByRole('list', { name: 'Ladder' })
  const first = await ladder.locator('[aria-current]').textContent()
  await page.keyboard.press('Space')
  await expect(ladder.locator('[aria-current]')).not.toHaveText(first ?? '', { timeout: 60_000 })
  await page.keyboard.press('Space')
  // A simulated player leaves no trace: no session, no minutes, nothing rated, no break to come nearer.
  await openPanel(page, 'History')
  await expect(logged).toHaveText(before)
  await expect(page.getByText('0 min · break in 25')).toBeVisible()
  await page.goto('/log')
  await expect(page.getByRole('heading', { name: /^Evenness of/ })).toBeVisible()
})

test('voices are drawn anew each time round, and what was heard is kept as a version', async ({
  page,
}) => {
  await practise(page, 'Fire Ring')
  await openPanel(page, 'Steps')
  await page.getByLabel('Order').selectOption({ label: 'straight into the bar' })
  await openPanel(page, 'Playing')
  await page.getByLabel('Changes each time').selectOption({ label: 'voices' })
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Start: tap the count' }).click()
  await expect(page.getByText('repeat 2 of 8')).toBeVisible({ timeout: 30_000 })
  await page.getByRole('button', { name: 'Keep the one before' }).click()
  await expect(page.getByText(/^Saved as the version “Improvised voices/)).toBeVisible()
  await page.getByRole('button', { name: 'Stop: tap the count' }).click()
  await page.getByLabel('Changes each time').selectOption({ label: 'saved versions in turn' })
  await page.getByRole('heading', { level: 1 }).getByRole('link').click()
  const panel = await openPanel(page, 'Notes')
  await expect(panel.getByLabel(/^Name of Improvised voices/)).toBeVisible()
  await panel.getByRole('button', { name: 'Hear them in a row' }).click()
  await expect(
    panel.getByRole('listitem').filter({ hasText: 'On the bench' }).first(),
  ).toHaveAttribute('aria-current', 'true', { timeout: 30_000 })
  await panel.getByRole('button', { name: 'Stop the row' }).click()
  const fit = await openPanel(page, 'Fit')
  await fit
    .getByRole('button', { name: /^Save as a version: Crash with the left hand, choked/ })
    .click()
  await openPanel(page, 'Notes')
  await expect(panel.getByLabel('Name of Crash with the left hand, choked')).toBeVisible()
})

test('the log tells what is due, draws what was played, and is fixed and exported', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Log', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Cannon Exit', exact: true })).toBeVisible()
  await expect(page.getByText(/over two weeks ago/)).toBeVisible()
  await expect(page.getByRole('link', { name: 'Clown Walk', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Tightrope', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Tempo of Tightrope' })).toBeVisible()
  const tempos = page.getByRole('region', { name: 'Tempo of Tightrope' })
  await tempos.getByText('As a table').click()
  await expect(page.getByRole('table', { name: 'Tempo of Tightrope' })).toBeVisible()
  const newest = page.getByRole('combobox', { name: /^How it went/ }).first()
  await newest.selectOption('lost')
  const sessions = page.getByRole('region', { name: 'Practice sessions' })
  const second = await sessions.getByRole('listitem').nth(1).textContent()
  await sessions
    .getByRole('button', { name: /^Delete/ })
    .nth(1)
    .click()
  await expect(sessions.getByRole('listitem').nth(1)).not.toHaveText(second ?? '')
  await sessions.getByRole('button', { name: 'Restore' }).click()
  await expect(sessions.getByRole('listitem').nth(1)).toHaveText(second ?? '')
  await sessions.getByRole('button', { name: /^Edit/ }).first().click()
  await sessions.getByLabel('Minutes').fill('4.7')
  await sessions.getByLabel('Note').fill('the lamps went out')
  await sessions.getByRole('button', { name: 'Save' }).click()
  await expect(sessions.getByText(/the lamps went out/)).toBeVisible()
  await expect(sessions.getByRole('listitem').first()).toContainText('282 s')
  await page.reload()
  await expect(sessions.getByText(/the lamps went out/)).toBeVisible()
  await expect(newest).toHaveValue('lost')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export as CSV' }).click()
  expect((await download).suggestedFilename()).toBe('practice-log.csv')
  await expectAccessible(page)
})

test('the full screen shows a bar at a time, large, turned by the music, and is left by Escape', async ({
  page,
}) => {
  await practise(page, 'Knife Wheel')
  await openPanel(page, 'Steps')
  await page.getByRole('button', { name: /in the bar/ }).click()
  await page.keyboard.press('s')
  const stage = page.locator('.room[data-full]')
  await expect(stage).toBeVisible()
  for (const [width, height] of [
    [1280, 800],
    [820, 1180],
    [390, 844],
  ] as const) {
    await page.setViewportSize({ width, height })
    const smallest = () =>
      stage
        .locator('svg g.font-mono text')
        .evaluateAll((letters) =>
          Math.min(
            ...letters.map(
              (one) =>
                Number(one.getAttribute('font-size')) *
                ((one as SVGTextElement).getScreenCTM()?.a ?? 0),
            ),
          ),
        )
    await expect.poll(smallest).toBeGreaterThanOrEqual(0.05 * height - 0.5)
    // In both themes where it is opened; what a theme colours is the same at every size.
    if (width === 1280) await expectNoFault(page, '.room')
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
    expect(wide).toBeLessThanOrEqual(0)
  }
  await page.setViewportSize({ width: 1280, height: 800 })
  await stage.getByRole('button', { name: 'Play' }).click()
  await expect(stage.locator('[data-slot="0"]')).toBeVisible()
  await expect(stage.locator('[data-slot="16"]')).toBeVisible({ timeout: 30_000 })
  await page.keyboard.press('Space')
  await page.keyboard.press('Escape')
  await expect(stage).toHaveCount(0)
})
