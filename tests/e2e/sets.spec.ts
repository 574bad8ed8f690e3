import type { Page } from '@playwright/test'
import { expectAccessible, openLick, openPanel } from './bench-page'
import { expect, test } from './watched'

const exercises = (page: Page) =>
  page.getByRole('list', { name: 'Exercises' }).getByRole('listitem')

test('a family becomes a set in one step, is practised two exercises long, and the log tells it', async ({
  page,
}) => {
  test.slow()
  await openLick(page, 'Tightrope')
  const panel = await openPanel(page, 'Find')
  await panel.getByRole('button', { name: 'Flams on natural sticking' }).click()
  // The bench has a button of that name too: the page must have changed.
  await page.waitForURL(/\/find\?/)
  await page.getByRole('button', { name: /^Cells/ }).click()
  await page.getByLabel('At most').fill('2')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  // Ten slots: none, ten with one, thirty-six with two that are apart.
  await expect(page.getByText('47 ways')).toBeVisible()
  // However alike, all of them are listed.
  await expect(page.getByRole('listbox', { name: 'Fills' }).getByRole('option')).toHaveCount(47)
  await page.getByRole('button', { name: 'Make a set of all' }).click()
  await expect(page.getByText('47 exercises, 235 minutes')).toBeVisible()
  // Easiest first: the one without flams.
  await expect(exercises(page).first()).toContainText(/of 47/)
  await page.getByRole('link', { name: 'Practise', exact: true }).click()
  const bar = page.getByRole('region', { name: 'Set' })
  await expect(bar).toContainText('exercise 1 of 47')
  await page.keyboard.press('Space')
  await expect(bar).toContainText('0:02 of 5:00 today', { timeout: 30_000 })
  await page.keyboard.press('e')
  await expect(bar).toContainText('exercise 2 of 47')
  // What played goes on: the next exercise begins by itself.
  await expect(bar).toContainText('0:02 of 5:00 today', { timeout: 30_000 })
  await page.keyboard.press('Space')
  await page.getByRole('link', { name: 'Log', exact: true }).click()
  const sessions = page.getByRole('region', { name: 'Practice sessions' }).getByRole('listitem')
  await expect(sessions.filter({ hasText: /of 47/ })).toHaveCount(2)
})

test('a set is arranged, timed, undone, and goes along with its licks', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await page.goto('/sets')
  await page.getByRole('link', { name: 'Before the doors open' }).click()
  await expect(exercises(page)).toHaveCount(5)
  await expect(exercises(page).nth(1)).toContainText('clean at 105, goal 118')
  const handle = page.getByRole('button', { name: 'Move: Parade' })
  await handle.focus()
  await page.keyboard.press('Space')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Space')
  await expect(exercises(page).first()).toContainText('Tightrope')
  // The row is carried while it is lifted; it has been put down when there is something to undo.
  await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible()
  await page.getByRole('button', { name: 'Due first' }).click()
  await expect(exercises(page).first()).toContainText('never practised')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(exercises(page).first()).toContainText('Tightrope')
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(exercises(page).first()).toContainText('never practised')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(exercises(page).first()).toContainText('Tightrope')
  await page.getByLabel('Minutes on Tightrope').fill('10')
  await page.getByLabel('Minutes on Tightrope').press('Enter')
  await expect(page.getByText('5 exercises, 26 minutes')).toBeVisible()
  await page.getByLabel('Add a lick to the set').selectOption({ label: 'Long Ladder' })
  await expect(exercises(page)).toHaveCount(6)
  await page.reload()
  await expect(page.getByText('6 exercises, 30 minutes')).toBeVisible()
  await page.getByRole('button', { name: 'Copy a link' }).click()
  await expect(page.getByText(/^The link is copied/)).toBeVisible()
  const link = await page.evaluate(() => navigator.clipboard.readText())
  await page.goto(link)
  await expect(page.getByText('A set of 6 exercises.', { exact: false })).toBeVisible()
  await page.getByRole('button', { name: 'Save to my sets' }).click()
  await expect(exercises(page)).toHaveCount(6)
  await expectAccessible(page)
})

test('an exercise that is dragged goes along with the pointer', async ({ page }) => {
  await page.goto('/sets')
  await page.getByRole('link', { name: 'Before the doors open' }).click()
  await expect(exercises(page).first()).toContainText('Parade')
  const handle = page.getByRole('button', { name: 'Move: Parade' })
  const from = await handle.boundingBox()
  const over = await exercises(page).nth(2).boundingBox()
  if (!from || !over) throw new Error('the list is not there')
  const [x, y] = [from.x + from.width / 2, from.y + from.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + 5, y + 30, { steps: 5 })
  await page.mouse.move(x + 40, over.y + over.height - 6, { steps: 10 })
  const carried = page.locator('[data-dnd-dragging]')
  await expect.poll(async () => (await carried.boundingBox())?.y).toBeGreaterThan(over.y - 4)
  await page.mouse.up()
  await expect(exercises(page).nth(2)).toContainText('Parade')
  await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible()
})

test('licks of the library are put into a set, and the list tells how far it is', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByLabel('Select Tightrope').check()
  await page.getByLabel('Select Fire Ring').check()
  await page.getByRole('link', { name: 'Add to a set' }).click()
  await expect(page.getByText('Add 2 licks to a set')).toBeVisible()
  await page.getByLabel('Name of the new set').fill('Two of them')
  await page.getByRole('button', { name: 'Make a new set' }).click()
  await expect(exercises(page)).toHaveCount(2)
  await page.getByRole('link', { name: 'Sets', exact: true }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Two of them' })).toContainText(
    '0 of 2 at the goal',
  )
  await page.getByRole('button', { name: 'Delete Two of them' }).click()
  await expect(page.getByText('Two of them is in the bin.')).toBeVisible()
  await expectAccessible(page)
})

test('one plan holds for all licks of a set, and what is changed for one is an exception', async ({
  page,
}) => {
  await page.goto('/sets')
  await page.getByRole('link', { name: 'Before the doors open' }).click()
  const plan = page.getByRole('region', { name: 'Plan of the set' })
  await plan.getByLabel('Practise each lick').selectOption('limb by limb, then together')
  await plan.getByLabel('Repeats per tempo').fill('3')
  await plan.getByLabel('Repeats per tempo').press('Enter')
  await page.getByRole('link', { name: 'Practise Tightrope' }).click()
  const steps = await openPanel(page, 'Steps')
  await expect(steps.getByLabel('Order')).toHaveValue('parts')
  const tempos = await openPanel(page, 'Tempos')
  await expect(tempos.getByLabel('Tempos', { exact: true })).toHaveValue('percent')
  await expect(page.getByText('repeat 1 of 3')).toBeVisible()
  await tempos.getByLabel('Repeats per tempo').selectOption('12')
  await expect(page.getByText('repeat 1 of 12')).toBeVisible()
  await expect(tempos.getByText('This exercise has a plan of its own in the set.')).toBeVisible()
  // The next exercise has the set's plan still, and so has the first one after the way back.
  await page.keyboard.press('e')
  await expect(page.getByText('repeat 1 of 3')).toBeVisible()
  await page.keyboard.press('Shift+E')
  await expect(page.getByText('repeat 1 of 12')).toBeVisible()
  await page.reload()
  await expect(page.getByText('repeat 1 of 12')).toBeVisible()
  await page.getByRole('button', { name: 'Use the set’s plan' }).click()
  await expect(page.getByText('repeat 1 of 3')).toBeVisible()
  // Alone, the lick goes by its own plan.
  await page.goto('/practice/demo-tightrope?panel=steps')
  await expect(steps.getByLabel('Order')).not.toHaveValue('parts')
})
