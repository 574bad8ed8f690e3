import { expect, type Page } from '@playwright/test'
import { openLick, ruler, sticking } from './bench-page'
import { test } from './watched'

const marked = (page: Page) =>
  sticking(page).evaluate((field) => {
    const { selectionStart, selectionEnd } = field as HTMLTextAreaElement
    return [selectionStart, selectionEnd]
  })

/** What is in the middle of the line is marked, and the line has the keys. */
async function markMiddle(page: Page) {
  await sticking(page).fill('RLLRK RLK RLK')
  for (const key of ['End', 'Control+ArrowLeft', 'ArrowLeft']) await page.keyboard.press(key)
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('Shift+ArrowLeft')
  await expect(page.locator('.selection-actions').getByText('slots 6–8')).toBeVisible()
}

test.describe('what is opened over the bench gives the keys back', () => {
  const ways: Readonly<Record<string, (page: Page) => Promise<void>>> = {
    'Find, left by Escape': async (page) => {
      await page.keyboard.press('Control+k')
      await page.getByRole('combobox', { name: /^Find/ }).fill('mirr')
      await page.keyboard.press('Escape')
    },
    'Find, left by a press beside it': async (page) => {
      await page.getByRole('button', { name: /^Find a command/ }).click()
      await expect(page.getByRole('dialog', { name: 'Find' })).toBeVisible()
      await page.mouse.click(20, 780)
    },
    'the tempo, left by Escape': async (page) => {
      await page.keyboard.press('Alt+t')
      await expect(page.getByLabel('Learning tempo')).toBeFocused()
      await page.keyboard.press('Escape')
    },
    'the tempo, left by its own key': async (page) => {
      await page.keyboard.press('Alt+t')
      await expect(page.getByLabel('Learning tempo')).toBeFocused()
      await page.keyboard.press('Alt+t')
    },
    'more for the selection, left by Escape': async (page) => {
      await page.getByRole('button', { name: 'More for the selection' }).click()
      await expect(page.getByRole('button', { name: 'Insert a rest before' })).toBeFocused()
      await page.keyboard.press('Escape')
    },
  }
  test('focus, caret and mark are where they were, and typing goes on', async ({ page }) => {
    test.slow()
    await openLick(page, 'Tightrope')
    for (const [name, openAndLeave] of Object.entries(ways))
      await test.step(name, async () => {
        await markMiddle(page)
        await openAndLeave(page)
        await expect(sticking(page)).toBeFocused()
        expect(await marked(page)).toEqual([6, 9])
        await page.keyboard.press('K')
        await expect(sticking(page)).toHaveValue('RLLRK K RLK')
      })
    await test.step('Find, taken by Enter: the changed slots are marked', async () => {
      await markMiddle(page)
      await page.keyboard.press('Control+k')
      await page.getByRole('combobox', { name: /^Find/ }).fill('lead with the other')
      await page.keyboard.press('Enter')
      await expect(sticking(page)).toBeFocused()
      await expect(sticking(page)).toHaveValue('RLLRK LRK RLK')
      expect(await marked(page)).toEqual([6, 9])
    })
    await test.step('a grid chosen for what follows: the ruler keeps the keys', async () => {
      await markMiddle(page)
      await page.keyboard.press('Alt+k')
      await page.getByRole('button', { name: 'More for the selection' }).click()
      await page.getByLabel('Grid from here on').selectOption({ index: 3 })
      await expect(ruler(page)).toBeFocused()
    })
  })
})

test('one part of the frame is open at a time, its value marked', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await page.keyboard.press('Alt+t')
  await expect(page.getByLabel('Learning tempo')).toBeFocused()
  await page.keyboard.type('97')
  await page.keyboard.press('Alt+g')
  await expect(page.locator('[data-fields]')).toHaveCount(1)
  await expect(page.getByRole('button', { name: /^Tempo: 97/ })).toBeVisible()
  await page.mouse.click(640, 700)
  await expect(page.locator('[data-fields]')).toHaveCount(0)
  await page.keyboard.press('K')
  await expect(sticking(page)).toHaveValue(/K$/)
})

test('a key with a modifier strikes nothing; a number strikes wherever Voices is open and a stroke is marked', async ({
  page,
}) => {
  await openLick(page, 'Tightrope')
  await sticking(page).fill('RLRL')
  await page.keyboard.press('Alt+6')
  const voices = page.getByRole('region', { name: 'Voices' })
  await voices.getByRole('button', { name: 'Strike tom 1' }).focus()
  await page.keyboard.press('Alt+1')
  await page.keyboard.press('Alt+6')
  // The panel is there before a number means anything.
  await expect(voices.getByRole('button', { name: 'Strike tom 1' })).toBeVisible()
  await expect(voices.getByText(/^Struck by hand/)).toHaveCount(0)
  // From the ruler's sticking row, the page and the panel alike.
  await page.keyboard.press('Alt+k')
  await page.keyboard.press('Home')
  await page.keyboard.press('3')
  await voices.getByRole('heading', { name: 'Rules' }).click()
  await page.keyboard.press('4')
  await voices.getByRole('button', { name: 'Strike tom 1' }).focus()
  await page.keyboard.press('5')
  await expect(voices.getByText(/^Struck by hand/)).toHaveText(
    /slot 1 on tom 1; slot 2 on tom 2; slot 3 on the floor tom/,
  )
})

test('Space plays from the ruler and after a click on a letter, and changes nothing', async ({
  page,
}) => {
  await openLick(page, 'Tightrope')
  await sticking(page).fill('RLLRK')
  await page.keyboard.press('Alt+k')
  await page.keyboard.press('Home')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: /^Stop/ })).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: /^Stop/ })).toHaveCount(0)
  await expect(sticking(page)).toHaveValue('RLLRK')
})

test('? opens the keys from the ruler, the dock and the page', async ({ page }) => {
  await openLick(page, 'Tightrope')
  const keys = page.getByRole('dialog', { name: 'Keys' })
  const places = [
    () => page.keyboard.press('Alt+k'),
    () => page.keyboard.press('Alt+4'),
    () => page.mouse.click(640, 60),
  ]
  for (const go of places) {
    await go()
    await page.keyboard.press('?')
    await expect(keys).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(keys).toHaveCount(0)
  }
})

test('Enter on a button that goes leaves the focus on what took its place; arrows in a list add nothing', async ({
  page,
}) => {
  await openLick(page, 'Tightrope')
  await page.keyboard.press('Alt+3')
  const change = page.getByRole('region', { name: 'Change' })
  await change.getByRole('button', { name: /^Turn kicks into rests/ }).focus()
  await page.keyboard.press('Enter')
  await expect(change.getByRole('button', { name: /^Turn kicks into rests/ })).toHaveCount(0)
  expect(
    await page.evaluate(() => document.activeElement?.closest('[data-panel="change"]') !== null),
  ).toBe(true)
  await page.goto('/sets/demo-doors')
  const list = page.getByRole('combobox', { name: 'Add a lick to the set' })
  const exercises = page.getByRole('list', { name: /Exercises/ }).getByRole('listitem')
  await expect(exercises.first()).toBeVisible()
  // Until the library is read there is nothing to add.
  await expect(list.getByRole('option').nth(2)).toBeAttached()
  const before = await exercises.count()
  await list.focus()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await page.waitForTimeout(300)
  expect(await exercises.count()).toBe(before)
  await page.keyboard.press('Enter')
  await expect(exercises).toHaveCount(before + 1)
})

test('a new lick in which nothing was typed is not kept, and the way back from the full screen leads to the page', async ({
  page,
}) => {
  await page.goto('/')
  await expect(page.getByText('12 licks', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'New lick' }).click()
  await expect(sticking(page)).toBeFocused()
  await page.getByRole('link', { name: 'Library', exact: true }).click()
  await expect(page.getByText('12 licks', { exact: true })).toBeVisible()
  await page.goto('/practice/demo-parade')
  await page.getByRole('button', { name: 'Full screen' }).click()
  const stage = page.locator('.room[data-full]')
  await expect(stage).toBeVisible()
  await page.goBack()
  await expect(stage).toHaveCount(0)
  await expect(page).toHaveURL(/practice\/demo-parade$/)
  await page.keyboard.press('s')
  await expect(stage).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(stage).toHaveCount(0)
})
