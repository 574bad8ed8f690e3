import type { Page } from '@playwright/test'
import { openPanel, openPhone, sticking } from './bench-page'
import { expectNoFault } from './faults'
import { smallTargets } from './targets'
import { expect, test } from './watched'

const counted = (page: Page) =>
  page.getByRole('region', { name: 'Found' }).getByRole('status').first()
const fills = (page: Page) => page.getByRole('listbox', { name: 'Fills' }).getByRole('option')

/** Opens a part of the question, does something in it, and closes it. */
async function inPart(page: Page, name: RegExp, work: () => Promise<unknown>) {
  await page.getByRole('button', { name }).click()
  await work()
  await page.keyboard.press('Escape')
}

test('from an empty bench to a fill that fits, ends on the left and has accents on 3 and 4', async ({
  page,
}) => {
  await page.goto('/')
  const begun = Date.now()
  let presses = 0
  const press = async (work: Promise<unknown>) => {
    presses += 1
    await work
  }
  await press(page.getByRole('button', { name: 'New lick', exact: true }).click())
  await press(page.getByRole('button', { name: 'find a fill' }).click())
  await expect(counted(page)).toContainText('24 ways')
  await press(page.getByRole('button', { name: /^Start and end/ }).click())
  await page.getByLabel('Ends with').focus()
  await press(page.keyboard.press('L'))
  await press(page.keyboard.press('Escape'))
  await expect(counted(page)).toContainText('6 ways')
  await press(page.getByRole('button', { name: /^Accents/ }).click())
  await press(page.getByRole('button', { name: '3: either' }).click())
  await press(page.getByRole('button', { name: '4: either' }).click())
  await press(page.keyboard.press('Escape'))
  await expect(page.getByRole('button', { name: 'Accents: accents on 3 and 4' })).toBeVisible()
  await expect(counted(page)).toContainText(/^\d+ ways/)
  // Nothing of the question before is shown: these are the fills with the accents.
  await expect(fills(page).first().locator('svg[aria-label*=">"]')).toBeVisible()
  await expect(fills(page).first()).toContainText(/free to land/)
  await press(page.keyboard.press('Space'))
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible()
  await press(page.getByRole('button', { name: 'Open on the bench' }).click())
  await expect(sticking(page)).toHaveValue(/L$/)
  await expect(page.getByText('Fills the bar exactly')).toBeVisible()
  expect(presses).toBeLessThanOrEqual(25)
  // What one has is not found again where that is asked for.
  await page.goto('/find')
  await expect(counted(page)).toContainText('24 ways')
  const unlike = page.getByLabel('Unlike each lick that you have')
  await inPart(page, /^Playing/, () => unlike.selectOption('1'))
  await expect(counted(page)).toContainText('23 ways')
  console.log(`a fill is found, heard and saved: ${presses} presses, ${Date.now() - begun} ms`)
})

test('where there is no way the door is named, and opened by one press', async ({ page }) => {
  await page.goto('/find')
  await inPart(page, /^Playing/, () => page.getByLabel('Plays at, on the snare').fill('380'))
  await expect(counted(page)).toContainText('No way')
  await page.getByRole('button', { name: '24 ways without the tempo' }).click()
  await expect(counted(page)).toContainText('24 ways')
  await expectNoFault(page)
  // A question is kept by name, and asked again on another visit.
  await inPart(page, /^Kept questions/, async () => {
    await page.getByLabel('Name of this question').fill('Three cells')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: 'Three cells', exact: true })).toBeVisible()
  })
  await inPart(page, /^Start and end/, () => page.getByLabel('Ends with').fill('L'))
  await expect(counted(page)).toContainText('6 ways')
  await page.getByRole('button', { name: /^Kept questions/ }).click()
  await page.getByRole('button', { name: 'Three cells', exact: true }).click()
  await expect(counted(page)).toContainText('24 ways')
})

test('fills are gone through by keys, marked, drawn at random, and made a set of', async ({
  page,
}) => {
  await page.goto('/find')
  await inPart(page, /^Cells/, async () => {
    await page.getByLabel('Cells to add').fill('RRLK RL')
    await page.keyboard.press('Enter')
  })
  await inPart(page, /^Forms/, () => page.getByLabel('Led by either hand').check())
  await expect(counted(page)).toContainText(/^[\d,]{4,} ways/)
  const list = page.getByRole('listbox', { name: 'Fills' })
  await list.focus()
  for (const key of ['ArrowDown', 's', 'ArrowDown', 's']) await page.keyboard.press(key)
  await expect(list.locator('[aria-selected=true]')).toHaveCount(2)
  await page.keyboard.press('r')
  await expect(fills(page).first()).toContainText(/drawn with seed \d+/)
  // All cells of a length come at once.
  await inPart(page, /^Cells/, async () => {
    const catalogue = page.getByLabel('Add from the catalogue')
    const all = catalogue.getByRole('option', { name: /^all \d+ cells of 2 slots$/ })
    const lines = (await all.getAttribute('value')) ?? ''
    await catalogue.selectOption(lines)
    await expect(page.getByRole('list', { name: 'Cells' }).getByRole('listitem')).toHaveCount(
      new Set(['RLLRL', 'RLK', 'RLLK', 'RRLK', 'RL', ...lines.split(' ')]).size,
    )
    for (const line of lines.split(' ').filter((one) => one !== 'RL'))
      await page.getByRole('button', { name: `Remove ${line}`, exact: true }).click()
  })
  // The question is in the address: it is found again.
  await page.reload()
  await expect(
    page.getByRole('button', { name: /^Cells: RLLRL, RLK, RLLK and 2 more/ }),
  ).toBeVisible()
  await expect(counted(page)).toContainText(/^[\d,]{4,} ways/)
  await list.focus()
  for (const key of ['s', 'ArrowDown', 's']) await page.keyboard.press(key)
  await page.getByRole('button', { name: 'Make a set' }).click()
  await expect(page.getByText('2 exercises', { exact: false }).first()).toBeVisible()
})

test('the finder fits a phone, and a surprise is one press away', async ({ browser }) => {
  const page = await openPhone(browser)
  await page.goto('/find?draw')
  await expect(fills(page).first()).toContainText('drawn with seed')
  expect(await smallTargets(page, 44)).toEqual([])
  const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
  expect(wide).toBeLessThanOrEqual(0)
  await page.context().close()
})

test('a contour is drawn over the ruler, and the voices follow it', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'New lick', exact: true }).click()
  await sticking(page).fill('RLRL RLRL RLRL RLRL')
  const panel = await openPanel(page, 'Voices')
  await panel.getByLabel('Way over the kit').selectOption('as I draw it')
  const row = page.locator('[data-row="0"]')
  const box = await row.boundingBox()
  if (!box) throw new Error('no ruler')
  const parts = JSON.parse(
    (await page.locator('[data-system="0"]').getAttribute('data-parts')) ?? '{}',
  )
  const at = (share: number, height: number) =>
    [box.x + 40 + (box.width - 140) * share, box.y + 6 + (parts.height - 12) * height] as const
  await page.mouse.move(...at(0, 0))
  await page.mouse.down()
  await page.mouse.move(...at(0.35, 1), { steps: 8 })
  await page.mouse.move(...at(0.65, 1), { steps: 8 })
  await page.mouse.move(...at(1, 0), { steps: 8 })
  await page.mouse.up()
  // The pointer may begin and end beside the line.
  const drawn = page.locator('[data-contour] circle')
  await expect.poll(() => drawn.count()).toBeGreaterThanOrEqual(14)
  const found = panel.getByRole('list', { name: 'Found voices' }).getByRole('button')
  await found.first().click()
  // Down to the floor tom in the middle, and back to the snare.
  await expect(row.getByRole('img').first()).toHaveAccessibleName(
    /^[^;]*(snare|tom 1);.*floor tom.*(snare|tom 1)$/,
  )
  // The same by digits.
  await panel.getByLabel(/^Contour/).fill('1x')
  await expect(panel.getByText('Type digits from 1')).toBeVisible()
  await panel.getByLabel(/^Contour/).fill('91')
  await found.first().click()
  await expect(row.getByRole('img').first()).toHaveAccessibleName(
    /^[^;]*floor tom;.*(snare|tom 1)$/,
  )
  await panel.getByLabel('Way over the kit').selectOption('up the kit')
  await expect(page.locator('[data-contour]')).toHaveCount(0)
})

test('ways over the kit are looked for, shown on the ruler, and taken', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'New lick', exact: true }).click()
  await sticking(page).fill('>RLRL >RLRL >RLRL >RLRL')
  const panel = await openPanel(page, 'Voices')
  const found = panel.getByRole('list', { name: 'Found voices' }).getByRole('button')
  await expect(found.first()).toBeVisible()
  const row = page.locator('[data-row="0"]').getByRole('img').first()
  await found.first().click()
  await expect(row).toHaveAccessibleName(/floor tom/)
  await panel.getByLabel('accents on cymbals').check()
  await expect(found.first()).toContainText(/crash|ride|hi-hat/)
  await found.first().click()
  await expect(row).toHaveAccessibleName(/accent, on (crash|the crash|ride|the ride|hi-hat)/)
  await expect(sticking(page)).toHaveValue('>RLRL >RLRL >RLRL >RLRL')
})
