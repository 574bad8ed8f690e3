import type { Page } from '@playwright/test'
import { frame, openLick, openPanel, part, sticking } from './bench-page'
import { expect, test } from './watched'

const KEY_MS = { delay: 30 }

test('a tempo is typed over another, and says what it takes until then', async ({ page }) => {
  await openLick(page, 'Tightrope')
  const tempo = page.getByRole('spinbutton', { name: 'Playing tempo' })
  await expect(tempo).toHaveValue('72')
  await tempo.click()
  await tempo.pressSequentially('120', KEY_MS)
  await tempo.press('Enter')
  await expect(tempo).toHaveValue('120')
  await page.getByRole('button', { name: 'View of the ruler' }).click()
  await expect(page.getByText('Headroom at 120 bpm')).toBeVisible()
  await tempo.click()
  await tempo.pressSequentially('7', KEY_MS)
  await expect(page.getByRole('alert')).toHaveText('Type a number from 20 to 400')
  await tempo.press('Escape')
  await expect(tempo).toHaveValue('120')
  await tempo.press('ArrowUp')
  await expect(tempo).toHaveValue('121')
})

test('no field loses a key at 30 ms a key', async ({ page }) => {
  await page.goto('/')
  const search = page.getByRole('searchbox', { name: 'Find a lick' })
  await search.pressSequentially('hurricane lamps', KEY_MS)
  await expect(search).toHaveValue('hurricane lamps')
  await expect(page).toHaveURL(/find=hurricane/)
  await search.fill('')
  await openLick(page, 'Parade')
  await (await openPanel(page, 'Feet')).getByRole('button', { name: 'Kick on quarters' }).click()
  const feet = page.getByLabel('Layer 1', { exact: true })
  await feet.fill('')
  await feet.pressSequentially('@1/8 KJKKJKJJ', KEY_MS)
  await expect(feet).toHaveValue('@1/8 KJKKJKJJ')
  await feet.fill('@1/8 KQ')
  await expect(page.getByRole('alert')).toHaveText('Unexpected “Q”: type R, L, K, H, J, X or -')
  await expect(feet).toHaveValue('@1/8 KQ')
  const title = page.getByLabel('Title')
  await title.fill('')
  await title.pressSequentially('Clown Walk at Dusk', KEY_MS)
  await expect(title).toHaveValue('Clown Walk at Dusk')
})

test('a metre without the start is refused at its field, with a way out', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await (await frame(page, 'Start')).selectOption('4&')
  const metre = await frame(page, 'Metre')
  await metre.fill('3/4')
  await expect(page.getByRole('alert')).toContainText(
    'A bar of 3/4 has no 4&, where the line starts.',
  )
  await page.getByRole('button', { name: 'Start on 1', exact: true }).click()
  await expect(metre).toHaveValue('3/4')
  await expect(part(page, 'Start')).toHaveText('1')
  await expect(page.getByRole('alert')).toHaveCount(0)
})

test('space plays after a click, and is the control’s after the Tab key', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await openPanel(page, 'Cells')
  const append = page.getByRole('button', { name: 'Append', exact: true })
  await append.click()
  const line = await sticking(page).inputValue()
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible()
  await expect(sticking(page)).toHaveValue(line)
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible()
  await page.keyboard.press('Shift+Tab')
  await page.keyboard.press('Tab')
  await expect(append).toBeFocused()
  await page.keyboard.press('Space')
  await expect(sticking(page)).not.toHaveValue(line)
})

test('what cannot be done is said', async ({ page }) => {
  await openLick(page, 'Parade')
  await (await frame(page, 'Start')).selectOption('1')
  await sticking(page).press('Alt+,')
  await expect(page.getByText('The line can only start within its bar.')).toBeVisible()
  await sticking(page).fill('RLK (')
  const change = await openPanel(page, 'Change')
  await change.getByRole('button', { name: /^Reverse/ }).click()
  await expect(page.getByText(/cannot be read as it stands: fix it first/)).toBeVisible()
})

test('a key opens each panel with the focus in it, and Escape leads back to the line', async ({
  page,
}) => {
  await openLick(page, 'Tightrope')
  const panel = page.locator('#dock-panel')
  const focused = panel.locator(':focus')
  // One after the other: the panel that was open before goes, and does not take the focus with it.
  for (const [key, name] of [
    ['Alt+3', 'Change'],
    ['Alt+4', 'Fit'],
    ['Alt+2', 'Cells'],
  ] as const) {
    await page.keyboard.press(key)
    await expect(page.getByRole('region', { name, exact: true })).toBeVisible()
    await expect(focused).toHaveCount(1)
  }
  await page.keyboard.press('Escape')
  await expect(sticking(page)).toBeFocused()
  await expect(panel).toBeVisible()
  // From a control of the page beside the line; over the lower half the panel is closed too.
  await page.setViewportSize({ width: 820, height: 1180 })
  await page.getByRole('button', { name: 'Light or dark theme' }).focus()
  await page.keyboard.press('Escape')
  await expect(sticking(page)).toBeFocused()
  await expect(panel).toHaveCount(0)
  await page.keyboard.press('Alt+4')
  await page.keyboard.press('Alt+k')
  await page.keyboard.press('Escape')
  await expect(sticking(page)).toBeFocused()
  await expect(panel).toHaveCount(0)
  // Also where the panel is not there yet, and beside the ruler, where it may stay.
  await openAndLeaveAtOnce(page, 3)
  await page.waitForTimeout(500)
  await expect(panel).toHaveCount(0)
  await expect(sticking(page)).toBeFocused()
  await page.setViewportSize({ width: 1280, height: 800 })
  await openAndLeaveAtOnce(page, 6)
  await expect(panel.locator('[data-panel-body] button').first()).toBeVisible()
  await expect(sticking(page)).toBeFocused()
  // A small window and a draft have it first.
  await part(page, 'Grid').click()
  await page.keyboard.press('Escape')
  await expect(sticking(page)).toBeFocused()
  const tempo = page.getByRole('spinbutton', { name: 'Playing tempo' })
  await tempo.click()
  await tempo.pressSequentially('9', KEY_MS)
  await tempo.press('Escape')
  await expect(tempo).toBeFocused()
  await tempo.press('Escape')
  await expect(sticking(page)).toBeFocused()
})

/** Presses the key of a panel and Escape in one step of the page: what the first asked for is not there yet. */
const openAndLeaveAtOnce = (page: Page, digit: number) =>
  page.evaluate((digit) => {
    const press = (init: KeyboardEventInit) => {
      const event = new KeyboardEvent('keydown', { ...init, bubbles: true, cancelable: true })
      document.activeElement?.dispatchEvent(event)
    }
    press({ key: String(digit), code: `Digit${digit}`, altKey: true })
    press({ key: 'Escape', code: 'Escape' })
  }, digit)
