import { expect, test } from '@playwright/test'
import { answers, fits, kept, openLick, staffNotes, sticking } from './bench-page'

test('typing a line changes sum, stacks and staff at once', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await expect(fits(page)).toHaveText('10of 10 slots')
  await expect(staffNotes(page)).toHaveCount(10 + 4 + 1)
  await sticking(page).press('End')
  await sticking(page).pressSequentially(' RL')
  await expect(fits(page)).toHaveText('12of 10 slots')
  await expect(answers(page)).toContainText('2 over')
  await expect(answers(page)).toContainText('5 + 3 + 2 + 2')
  await answers(page).getByRole('button', { name: 'Start on 2: ends on the barline' }).click()
  await expect(page.getByLabel('Start')).toHaveValue('2')
  await expect(page.getByText('Fills the bar exactly')).toBeVisible()
})

test('how fast it plays is said with what sets it, and marked on the ruler', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await page.getByLabel('Start').selectOption('1')
  await sticking(page).fill('RLKK*4')
  await expect(answers(page)).toContainText('Playable up to 136.4. Kick double')
  await expect(answers(page)).toContainText('With the crash: up to 107.1. Kick, third in a row')
  await expect(page.locator('[data-bottleneck]')).toBeVisible()
  await sticking(page).fill('RXLX')
  await expect(answers(page)).toContainText('Speed limit not known')
})

test('a line that cannot be read stays as typed, is told at its place, and loses nothing', async ({
  page,
}) => {
  await openLick(page, 'Tightrope')
  await sticking(page).fill('RLLRK RL(K')
  await expect(
    page.getByText(/^Character 9: Unexpected “\(K”: expected a closing \)/),
  ).toBeVisible()
  await expect(sticking(page)).toHaveAttribute('aria-invalid', 'true')
  await expect(fits(page)).toHaveText('10of 10 slots')
  await kept(page)
  await page.reload()
  await expect(sticking(page)).toHaveValue('RLLRK RL(K')
  await expect(fits(page)).toHaveText('10of 10 slots')
  await sticking(page).fill('RLLRK RL(RK) R')
  await expect(sticking(page)).toHaveAttribute('aria-invalid', 'false')
  await expect(answers(page)).toContainText('5 + 3 + 1')
})

test('hostile input is refused and never freezes the page', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await sticking(page).fill(`${'(RK'.repeat(20_000)}`)
  await expect(page.locator('#line-fault')).toContainText('expected a closing')
  await sticking(page).fill('👀‮RL')
  await expect(page.getByText(/^Character 1: /)).toBeVisible()
  await sticking(page).fill('RLLK')
  await expect(fits(page)).toHaveText('4of 10 slots')
})

test('undo and redo go back and forth, by key, without limit', async ({ page }) => {
  await openLick(page, 'Teeterboard')
  const first = await sticking(page).inputValue()
  await sticking(page).fill('')
  for (const group of ['RLK', ' RLLK', ' RK']) await sticking(page).pressSequentially(group)
  await page.getByLabel('Grid').selectOption('1/8t')
  await page.getByLabel('Bars of groove').selectOption('3')
  await page.locator('body').click({ position: { x: 5, y: 300 } })
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('Bars of groove')).toHaveValue('1')
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('Grid')).toHaveValue('1/16t')
  await sticking(page).focus()
  await page.keyboard.press('Control+z')
  await expect(sticking(page)).toHaveValue('RLK RLLK')
  for (let i = 0; i < 6; i += 1) await page.keyboard.press('Control+z')
  await expect(sticking(page)).toHaveValue(first)
  for (let i = 0; i < 8; i += 1) await page.keyboard.press('Control+Shift+z')
  await expect(sticking(page)).toHaveValue('RLK RLLK RK')
  await expect(page.getByLabel('Bars of groove')).toHaveValue('3')
})

test('a reload finds everything as it was', async ({ page }) => {
  await openLick(page, 'Parade')
  await page.getByLabel('Metre').fill('7/8')
  await page.getByLabel('Landing', { exact: true }).selectOption('stop')
  await page.getByLabel('Goal').fill('140')
  await sticking(page).fill('RLK RLK RLRK')
  await page.getByRole('button', { name: 'Hi-hat foot on the quarters' }).click()
  await page.getByRole('button', { name: 'by group' }).click()
  await kept(page)
  await page.reload()
  await expect(page.getByLabel('Metre')).toHaveValue('7/8')
  await expect(page.getByLabel('Landing', { exact: true })).toHaveValue('stop')
  await expect(page.getByLabel('Goal')).toHaveValue('140')
  await expect(sticking(page)).toHaveValue('RLK RLK RLRK')
  await expect(page.getByLabel('under groove and fill')).toHaveValue('@1/4 H')
  await expect(page.getByRole('button', { name: 'by group' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
})

test('leaving at once keeps the last change', async ({ page }) => {
  await openLick(page, 'Parade')
  await sticking(page).fill('RLRLRL')
  await page.getByRole('link', { name: 'Library' }).click()
  await page.getByRole('link', { name: 'Parade', exact: true }).click()
  await expect(sticking(page)).toHaveValue('RLRLRL')
})

test('two tabs on one lick never overwrite each other in silence', async ({ page, context }) => {
  await openLick(page, 'Parade')
  const other = await context.newPage()
  await other.goto(page.url())
  await sticking(other).fill('RLKRLK')
  await kept(other)
  await expect(sticking(page)).toHaveValue('RLKRLK')
  // Both at once: the second to be kept is told, and chooses.
  await Promise.all([sticking(page).fill('RRRRRR'), sticking(other).fill('LLLLLL')])
  const told = async () =>
    (await page.getByRole('alert').count()) + (await other.getByRole('alert').count())
  await expect.poll(told).toBe(1)
  const loser = (await page.getByRole('alert').count()) > 0 ? page : other
  await loser.getByRole('button', { name: 'Save mine as a copy' }).click()
  await expect(loser.getByLabel('Title')).toHaveValue('Parade, copy')
  await expect(sticking(loser)).toHaveValue(loser === page ? 'RRRRRR' : 'LLLLLL')
})

test('the caret marks its slot on the ruler, and a slot on the ruler takes the caret', async ({
  page,
}) => {
  await openLick(page, 'Clown Walk')
  await expect(staffNotes(page).first()).toBeVisible()
  const letter = (slot: number) => page.locator('[data-row="0"] svg g.font-mono').nth(slot)
  const chosen = () =>
    sticking(page).evaluate((field: HTMLTextAreaElement) => [
      field.selectionStart,
      field.selectionEnd,
    ])
  await letter(3).click()
  await expect(sticking(page)).toBeFocused()
  expect(await chosen()).toEqual([3, 4])

  await letter(1).hover()
  await page.mouse.down()
  await letter(3).hover()
  await page.mouse.up()
  expect(await chosen()).toEqual([1, 4])
  await letter(0).click({ modifiers: ['Shift'] })
  expect(await chosen()).toEqual([0, 2])
  await expect(page.locator('[data-row="0"] [data-selected]')).toBeVisible()
})

test('every key is a way in: a lick is opened, typed and played without a mouse', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Fire Ring', exact: true }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Title')).toHaveValue('Fire Ring')
  await sticking(page).focus()
  await page.keyboard.press('Control+End')
  await page.keyboard.type('K')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Play' })).toBeVisible()
})
