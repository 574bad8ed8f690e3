import type { Page } from '@playwright/test'
import { openPanel, openPhone, pad, part, sticking, tapVoice } from './bench-page'
import { expect, test } from './watched'

/** The most keys that the main material of a lick may take. */
const MAX_KEYS = 40

/** Presses keys one by one, and counts them; a text is typed letter by letter. */
function counting(page: Page) {
  let count = 0
  return {
    keys: async (...pressed: string[]) => {
      for (const key of pressed) {
        count += 1
        await page.keyboard.press(key)
      }
    },
    type: async (text: string) => {
      count += text.length
      await page.keyboard.type(text, { delay: 20 })
    },
    count: () => count,
  }
}

/** A lick of its own to write in. */
async function openNew(page: Page) {
  await page.getByRole('link', { name: 'Library', exact: true }).click()
  await page.getByRole('button', { name: 'New lick', exact: true }).click()
  await expect(page.getByLabel('Title')).toHaveValue('New lick')
  await expect(sticking(page)).toBeFocused()
}

const row = (page: Page) => page.locator('[data-row="0"]').getByRole('img').first()

test('the main material of a lick takes a few keys', async ({ page }) => {
  test.slow()
  await page.goto('/')
  await test.step('a five, a three and a two are voiced from the plain sticking', async () => {
    await openNew(page)
    await sticking(page).fill('RLLRL RLK LK')
    const { keys, type, count } = counting(page)
    await keys('Alt+k', 'Home')
    await keys('>', 'Shift+R', 'l', 'l', 'Shift+R', 'l')
    await keys('>', 'Shift+R', 'l', 'Shift+K', '>', 'Shift+L')
    await keys('Home', 'ArrowDown')
    await type('3')
    await keys('Control+ArrowRight')
    await type('5')
    await expect(sticking(page)).toHaveValue('>RllRl >RlK >LK')
    await expect(row(page)).toHaveAccessibleName(/accent, on tom 1; .*accent, on floor tom/)
    expect(count()).toBeLessThanOrEqual(MAX_KEYS)
    console.log(`voiced from the plain sticking: ${count()} keys`)
  })

  await test.step('a bar of linear fours, then in sextuplets, then led by the left', async () => {
    await openNew(page)
    await sticking(page).fill('')
    await sticking(page).focus()
    const { keys, type, count } = counting(page)
    await type('>RllK*4')
    await keys('Alt+g')
    await expect(page.getByLabel('Grid', { exact: true })).toBeFocused()
    await page.getByLabel('Grid', { exact: true }).selectOption('1/16t')
    // In an open list: two steps down from sixteenths, and taken.
    await keys('Escape', 'Alt+l', 'End', 'Backspace')
    await type('6')
    await keys('ControlOrMeta+a', 'Control+k')
    await type('left lead')
    await keys('Enter')
    await expect(sticking(page)).toHaveValue(/>LrrK/)
    await expect(part(page, 'Grid')).toHaveText('sixteenth triplets')
    expect(count() + 3).toBeLessThanOrEqual(MAX_KEYS)
    console.log(`linear fours, sextuplets, left lead: ${count() + 3} keys`)
  })

  await test.step('a paradiddle in the feet under a hand ostinato', async () => {
    await openNew(page)
    await sticking(page).fill('')
    await sticking(page).focus()
    const { keys, type, count } = counting(page)
    await type('R-L-*4')
    await keys('Control+k')
    await type('paradiddle in the feet')
    await keys('Enter')
    const feet = await openPanel(page, 'Feet')
    await expect(feet.getByLabel('Layer 1', { exact: true })).toHaveValue('@1/8 KJKKJKJJ')
    expect(count()).toBeLessThanOrEqual(MAX_KEYS)
    console.log(`paradiddle in the feet: ${count()} keys`)
  })

  await test.step('eight strokes go round the kit', async () => {
    await openNew(page)
    await sticking(page).fill('')
    await sticking(page).focus()
    const { keys, type, count } = counting(page)
    await type('RLRLRLRL')
    await keys('Alt+k', 'Home', 'ArrowDown')
    await type('22334455')
    await expect(row(page)).toHaveAccessibleName(
      /snare; .*snare; .*tom 1; .*tom 1; .*tom 2; .*tom 2; .*floor tom; .*floor tom$/,
    )
    expect(count()).toBeLessThanOrEqual(MAX_KEYS)
    console.log(`eight strokes round the kit: ${count()} keys`)
  })
})

test('the same on a phone, by taps', async ({ browser }) => {
  const page = await openPhone(browser)
  await page.getByRole('button', { name: 'New lick' }).tap()
  let taps = 0
  const tap = async (name: string) => {
    taps += 1
    await pad(page).getByRole('button', { name, exact: true }).tap()
  }
  for (let i = 0; i < 4; i += 1) for (const hand of ['Right hand', 'Left hand']) await tap(hand)
  await tapVoice(page, 'Strike snare')
  taps += 1
  for (const piece of [
    'snare',
    'snare',
    'tom 1',
    'tom 1',
    'tom 2',
    'tom 2',
    'floor tom',
    'floor tom',
  ])
    await tap(`Strike ${piece}`)
  await expect(row(page)).toHaveAccessibleName(/tom 1; .*tom 2; .*floor tom; .*floor tom$/)
  expect(taps).toBeLessThanOrEqual(MAX_KEYS)
  console.log(`eight strokes round the kit, on a phone: ${taps} taps`)
  await page.context().close()
})
