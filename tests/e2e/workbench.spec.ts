import type { Page } from '@playwright/test'
import { SIZES, visibleRows } from '../bench/rows.mjs'
import { fits, frame, openPanel as open, openLick, part, staffNotes, sticking } from './bench-page'
import { expect, test } from './watched'

const panel = (page: Page) => page.locator('#dock-panel')

test('a cell is found, appended, inverted, and kept as an own one', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await sticking(page).fill('')
  await open(page, 'Cells')
  await page.getByLabel('Search cells').fill('double paradiddle')
  await panel(page)
    .getByRole('button', { name: /Double paradiddle/ })
    .first()
    .click()
  await panel(page).getByRole('button', { name: 'Append', exact: true }).click()
  await expect(sticking(page)).toHaveValue('>RLRLRR >LRLRLL')
  await expect(await open(page, 'Answers')).toContainText('Double paradiddle')
  await open(page, 'Cells')

  await page.getByLabel('Name of the cell').fill('Ring opener')
  await page.getByRole('button', { name: 'Save as cell' }).click()
  await page.getByLabel('Search cells').fill('ring op')
  await expect(panel(page).getByText('Ring opener', { exact: true }).first()).toBeVisible()
  await page.reload()
  await page.getByLabel('Search cells').fill('ring op')
  await expect(panel(page).getByText('Ring opener', { exact: true }).first()).toBeVisible()
  await page.getByRole('button', { name: 'Delete Ring opener' }).click()
  await expect(panel(page).getByText('No matches.')).toBeVisible()
})

test('changes are previewed, taken, found by name, and undone', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await sticking(page).fill('RLLRK RLK')
  await sticking(page).press('Shift+ArrowLeft')
  await page.keyboard.press('Alt+w')
  await open(page, 'Change')
  const mirror = panel(page).getByRole('button', { name: /^Lead with the other hand/ })
  await expect(mirror).toContainText('LRK')
  await mirror.click()
  await expect(sticking(page)).toHaveValue('RLLRK LRK')

  await page.keyboard.press('Control+k')
  await page.keyboard.type('kick at the end')
  await page.keyboard.press('Enter')
  await expect(sticking(page)).toHaveValue('RLLRK LRKK')
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(sticking(page)).toHaveValue('RLLRK RLK')

  await page.keyboard.press('Alt+w')
  await page.keyboard.press('Alt+w')
  await page.getByLabel('Sizes of the groups').fill('4 4')
  await page.getByRole('button', { name: 'Regroup' }).click()
  await expect(sticking(page)).toHaveValue('RLLR KRLK')

  await panel(page).getByRole('button', { name: 'Over slots 1 to 8' }).click()
  const rows = page.locator('[data-row]').getByRole('img')
  await expect(rows.first()).toHaveAccessibleName(/swell from ghost to accent, slots 1 to 8/)
  await page.getByRole('button', { name: 'Remove the swell over slots 1 to 8' }).click()
  await expect(rows.first()).not.toHaveAccessibleName(/swell/)
  await expect(sticking(page)).toHaveValue('RLLR KRLK')
})

test('a line that does not fit is fixed with a click', async ({ page }) => {
  await openLick(page, 'Knife Wheel')
  await open(page, 'Fit')
  await panel(page)
    .getByRole('button', { name: /^Add an ending on the left hand/ })
    .click()
  await expect(sticking(page)).toHaveValue('[RLRRLLK RLLRK]*2 RLLRLRK L')
  await expect(fits(page)).toContainText('Fills the bar exactly')
  await panel(page).getByLabel('Slots to fill').fill('20')
  await panel(page).getByLabel('Sizes to fill them with').fill('6 7')
  await expect(panel(page).getByText('3 orders')).toBeVisible()
  await expect(panel(page).getByRole('button', { name: '6 7 7' })).toBeVisible()
  // What is short is ended by a press that shows it first, or by a key; nothing of an older line is offered.
  await sticking(page).fill('RLLRL RLK')
  const ending = page.getByRole('button', { name: /^End with .*: the right hand is free to land$/ })
  await ending.hover()
  await expect(page.locator('[data-ghost]').first()).toBeVisible()
  await sticking(page).fill('RLLRL RLK RL')
  await expect(page.getByRole('button', { name: /^End with/ })).toHaveCount(3)
  // They stand on the ruler too, where the line would go on, while none is pointed at.
  await page.mouse.move(0, 0)
  await expect(page.locator('[data-endings] text').first()).toBeVisible()
  await page.keyboard.press('Alt+Shift+Digit3')
  await expect(fits(page)).toContainText('Fills the bar exactly')
  await expect(sticking(page)).toHaveValue(/K$/)
})

test('panels change the line at the caret, by its hands, and over its barlines', async ({
  page,
}) => {
  await openLick(page, 'Tightrope')
  await test.step('a cell goes in at the caret, inside a group too', async () => {
    await sticking(page).fill('KKKK HHHH')
    await sticking(page).press('Home')
    await sticking(page).press('ArrowRight')
    await sticking(page).press('ArrowRight')
    await open(page, 'Cells')
    await page.getByLabel('Search cells').fill('double paradiddle')
    await panel(page)
      .getByRole('button', { name: /Double paradiddle/ })
      .first()
      .click()
    await panel(page).getByRole('button', { name: 'Insert at the caret' }).click()
    await expect(sticking(page)).toHaveValue('KK >RLRLRR >LRLRLL KK HHHH')
  })
  await test.step('hands are turned from one way to another', async () => {
    await sticking(page).fill('RLLRK*2')
    await (await frame(page, 'Start')).selectOption('1')
    await open(page, 'Hands')
    await page.getByRole('button', { name: 'Use slot-locked hands' }).click()
    await expect(sticking(page)).toHaveValue('RLRLK LRLRK')
  })
  await test.step('a cycle runs over the barlines and is cut where it is told to stop', async () => {
    await (await frame(page, 'Start')).selectOption('1')
    await (await frame(page, 'Metre')).fill('3/4')
    await (await frame(page, 'Metre')).press('Enter')
    await sticking(page).fill('RLRRLRL')
    await open(page, 'Fit')
    await expect(panel(page)).toContainText('after 12 repeats, 7 bars')
    await expect(
      panel(page).getByRole('img', { name: /^First notes: bar 1, 1; bar 1/ }),
    ).toBeVisible()
    await panel(page).getByRole('button', { name: '4', exact: true }).click()
    await expect(panel(page)).toContainText('48 slots: 6 times, and the first 6 of its 7.')
    await panel(page).getByRole('button', { name: 'Use it' }).click()
    await expect(fits(page)).toContainText('48 of 48')
    await expect(sticking(page)).toHaveValue('RLRRLRL*6 RLRRLR')
  })
})

test('all patterns of a rule are stepped through by key, and one is put on the bench', async ({
  page,
}) => {
  await openLick(page, 'Tightrope')
  const before = await sticking(page).inputValue()
  await open(page, 'Find')
  await panel(page).getByRole('button', { name: 'Kicks in natural sticking' }).click()
  await expect(page.getByText('144 ways')).toBeVisible()
  const number = page.getByRole('spinbutton', { name: 'Way by its number' })
  await number.press('ArrowRight')
  await number.press('PageUp')
  await expect(number).toHaveText('11 of 144')
  const [, line = ''] = (await number.getAttribute('aria-valuetext'))?.split(': ') ?? []
  await expect(page.getByRole('option').first()).toContainText('number 11')
  // It is found again by its number.
  await page.reload()
  await expect(page.getByRole('option').first()).toContainText('number 11')
  await page.getByRole('button', { name: 'Put on its bench' }).click()
  await expect(sticking(page)).toHaveValue(line)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(sticking(page)).toHaveValue(before)
})

test('versions are saved, compared and restored', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await sticking(page).fill('RRLK RRLK RRLL')
  await open(page, 'Notes')
  await page.getByLabel('Name of the version').fill('plain tail')
  await page.getByRole('button', { name: 'Save this version' }).click()
  await expect(panel(page).getByText(/on the bench now/)).toBeVisible()
  await sticking(page).fill('RRLK RRKK RRLR')
  await page.getByLabel('Name of the version').fill('two kicks')
  await page.getByRole('button', { name: 'Save this version' }).click()
  await expect(
    panel(page).getByText(
      'After plain tail: slot 7: L, now K; slot 12: L, now R · on the bench now',
    ),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Restore plain tail' }).click()
  await expect(sticking(page)).toHaveValue('RRLK RRLK RRLL')
})

test('a groove of one’s own is written, kept, and used', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await open(page, 'Feet')
  const bar = page.getByLabel('Bar of groove')
  await page.getByLabel('Grid of the groove').selectOption('1/16')
  await expect(page.locator('#groove-fault')).toContainText('8 slots missing')
  await bar.fill('(R:hhK)---R:hh-K- (R:hhL)---R:hh---')
  await expect(page.locator('#groove-fault')).toBeEmpty()
  await page.getByLabel('Name of the groove').fill('Sawdust')
  await page.getByRole('button', { name: 'Save as groove' }).click()
  await page.getByRole('button', { name: 'Use Sawdust' }).click()
  await expect(part(page, 'Groove')).toHaveText('1 bar of Sawdust')
  await expect(page.getByText(/There is no groove/)).toHaveCount(0)
  await expect(page.getByText('Saved', { exact: true }).first()).toBeVisible()
  await page.reload()
  await expect(part(page, 'Groove')).toHaveText('1 bar of Sawdust')
})

test('on the ruler the line is dragged along the bar, and groups are moved', async ({ page }) => {
  await openLick(page, 'Tightrope')
  const row = page.locator('[data-row="0"]')
  const counts = row.locator('svg text', { hasText: /^e$/ })
  const box = await counts.first().boundingBox()
  if (!box) throw new Error('no count on the ruler')
  await page.mouse.move(box.x + 4, box.y + 6)
  await page.mouse.down()
  await page.mouse.move(box.x - 60, box.y + 6, { steps: 4 })
  await page.mouse.up()
  await expect(part(page, 'Start')).not.toHaveText('the & of 2')

  await (await frame(page, 'Start')).selectOption('2&')
  await page.keyboard.press('Alt+.')
  await page.keyboard.press('Alt+.')
  await expect(part(page, 'Start')).toHaveText('3')
  await (await frame(page, 'Start')).selectOption('2&')
  const stack = async (size: string) => {
    const label = await row
      .locator('svg text', { hasText: new RegExp(`^${size}$`) })
      .last()
      .boundingBox()
    if (!label) throw new Error(`no stack of ${size}`)
    return { x: label.x - 14, y: label.y + 6 }
  }
  const [two, five] = [await stack('2'), await stack('5')]
  await page.mouse.move(two.x, two.y)
  await page.mouse.down()
  await page.mouse.move(five.x + 40, five.y, { steps: 4 })
  await page.mouse.up()
  await expect(sticking(page)).toHaveValue('>LK >R:t1llRl >R:f1lK')
})

test('a cell is dragged in, and a limb wanted twice is ringed and fixed', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await sticking(page).fill('RLRL')
  await open(page, 'Cells')
  await page.getByLabel('Search cells').fill('rllk')
  const cell = panel(page).getByRole('list', { name: 'Cells' }).getByRole('listitem').first()
  await cell.dragTo(page.locator('[data-row="0"] svg g.font-mono').first())
  await expect(sticking(page)).toHaveValue('RLLK RLRL')

  await sticking(page).fill('RLHL')
  await expect(page.locator('[data-row="0"] circle[fill="none"]')).toHaveCount(2)
  await open(page, 'Hands')
  await page.getByRole('button', { name: /Remove the second foot from the line/ }).click()
  await expect(sticking(page)).toHaveValue('RL-L')
  await expect(page.locator('[data-row="0"] circle[fill="none"]')).toHaveCount(0)
})

test('the caret jumps over groups, and the clipboard carries lick text', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openLick(page, 'Tightrope')
  await sticking(page).fill('>R:t1LK RLK RL')
  await sticking(page).press('ControlOrMeta+Home')
  await sticking(page).press('Control+ArrowRight')
  await sticking(page).press('Control+Shift+ArrowRight')
  await sticking(page).press('ControlOrMeta+c')
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(' RLK')
  await sticking(page).press('ControlOrMeta+End')
  await sticking(page).press('ControlOrMeta+v')
  await expect(sticking(page)).toHaveValue('>R:t1LK RLK RL RLK')
  await expect(fits(page)).toContainText('11')
})

test('hostile pastes are refused at their place, and nothing is lost', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await sticking(page).fill('R'.repeat(64 * 1024))
  await expect(page.getByText(/longer than 65,536 characters/)).toBeVisible()
  await expect(fits(page)).toContainText('10')
  for (const pasted of ['R'.repeat(32 * 1024), 'RL🥁K', 'RL\u202EKR', 'RL(R', '[RL*2']) {
    await sticking(page).fill(pasted)
    await expect(sticking(page)).toHaveAttribute('aria-invalid', 'true')
    await expect(page.locator('#line-fault')).not.toBeEmpty()
    await expect(fits(page)).toContainText('10')
  }
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(sticking(page)).toHaveValue('RL(R')
})

test('the rows of a bar are in sight beside a panel, and the page does not scroll', async ({
  page,
}) => {
  test.slow()
  await openLick(page, 'Tightrope')
  await expect(staffNotes(page).first()).toBeVisible()
  // The shortest, the tallest, and the one that follows the line; no panel has a say in the rows.
  for (const name of ['Cells', 'Voices', 'Notes']) {
    await open(page, name)
    for (const size of SIZES) {
      await page.setViewportSize(size)
      const all = ['count', 'stacks', 'sticking', 'limbs', 'voices']
      const needed = size.width >= 1280 ? [...all, 'staff'] : all
      const where = `${name} at ${size.width} x ${size.height}`
      await expect
        .poll(async () => {
          const rows: Record<string, [number, number]> = await visibleRows(page)
          return needed.filter((row) => (rows[row]?.[0] ?? 0) < (rows[row]?.[1] ?? 1))
        }, where)
        .toEqual([])
      const scrolls = await page.evaluate(() => document.documentElement.scrollHeight > innerHeight)
      expect(scrolls, where).toBe(false)
    }
  }
  // On a tablet and a phone the sheet leaves the compact rows.
  for (const [width, height] of [
    [820, 1180],
    [390, 844],
  ] as const) {
    await page.setViewportSize({ width, height })
    await expect
      .poll(async () => {
        const rows: Record<string, [number, number]> = await visibleRows(page)
        return Object.keys(rows).filter(
          (row) => row !== 'staff' && (rows[row]?.[0] ?? 0) < (rows[row]?.[1] ?? 1),
        )
      })
      .toEqual([])
  }
})

test('a line is tapped in beside the click, laid on another grid, and used', async ({ page }) => {
  await openLick(page, 'Tightrope')
  const cells = await open(page, 'Cells')
  await cells.getByRole('button', { name: 'Tap a line in' }).click()
  await cells.getByRole('button', { name: 'Start tapping' }).click()
  await expect(cells.getByText(/^After the count-in, tap/)).toBeVisible()
  await expect(async () => {
    await page.keyboard.press('j')
    await expect(cells.getByText(/^\d+ taps?/)).toBeVisible({ timeout: 300 })
  }).toPass({ timeout: 30_000 })
  for (const key of ['f', 'f', 'j', 'b']) {
    await page.keyboard.press(key)
    await page.waitForTimeout(180)
  }
  await expect(cells.getByText(/^[56] taps/)).toBeVisible()
  await cells.getByRole('button', { name: 'Stop the click' }).click()
  await cells.getByLabel('Grid of the taps').selectOption('1/32')
  const before = await sticking(page).inputValue()
  await cells.getByRole('button', { name: 'Use as the line' }).click()
  await expect(sticking(page)).not.toHaveValue(before)
  await expect(sticking(page)).toHaveValue(/R.*L.*L.*R.*K/)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(sticking(page)).toHaveValue(before)
})

test('a line is tapped in without a click, and has the tempo of the taps', async ({ page }) => {
  await openLick(page, 'Tightrope')
  const cells = await open(page, 'Cells')
  await cells.getByRole('button', { name: 'Tap a line in' }).click()
  await cells.getByLabel('Beside a click').uncheck()
  await cells.getByRole('button', { name: 'Start tapping' }).click()
  await expect(cells.getByText(/^Tap: F and J/)).toBeVisible()
  // Told by the stamps of the keys, however late they are pressed here.
  await page.evaluate(async () => {
    const begun = performance.now()
    for (const [i, code] of ['KeyJ', 'KeyF', 'KeyF', 'KeyJ', 'KeyB', 'KeyB'].entries()) {
      while (performance.now() < begun + i * 200) await new Promise((go) => setTimeout(go, 1))
      const tap = new KeyboardEvent('keydown', { code, key: code.at(-1) ?? '' })
      Object.defineProperty(tap, 'timeStamp', { value: begun + i * 200 })
      window.dispatchEvent(tap)
    }
  })
  await expect(cells.getByText(/^6 taps, at (74|75|76) bpm/)).toBeVisible()
  await cells.getByRole('button', { name: 'Stop' }).click()
  await cells.getByRole('button', { name: 'Use as the line' }).click()
  await expect(sticking(page)).toHaveValue('RLLRKK')
})
