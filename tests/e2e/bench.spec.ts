import {
  conflict,
  fits,
  frame,
  kept,
  openLick,
  openPanel,
  openPhone,
  pad,
  part,
  ruler,
  staffNotes,
  sticking,
  tapVoice,
} from './bench-page'
import { expect, test } from './watched'

test('typing a line changes sum, stacks and staff at once', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await expect(fits(page)).toContainText('10 of 10')
  await expect(staffNotes(page)).toHaveCount(10 + 4 + 1)
  await sticking(page).press('End')
  await sticking(page).pressSequentially(' RL')
  await expect(fits(page)).toContainText('12 of 10')
  await expect(fits(page)).toContainText('2 over')
  const answers = await openPanel(page, 'Answers')
  await expect(answers).toContainText('5 + 3 + 2 + 2')
  await answers.getByRole('button', { name: 'Start on 2: ends on the barline' }).click()
  await expect(await frame(page, 'Start')).toHaveValue('2')
  await expect(page.getByText('Fills the bar exactly')).toBeVisible()
})

test('how fast it plays is said with what sets it, and marked on the ruler', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await (await frame(page, 'Start')).selectOption('1')
  await sticking(page).fill('RLKK*4')
  const answers = await openPanel(page, 'Answers')
  await expect(answers).toContainText('Playable up to 136 bpm. Kick double')
  await expect(answers).toContainText('With the crash: up to 107 bpm. Kick, third in a row')
  await expect(page.locator('[data-bottleneck]')).toBeVisible()
  await sticking(page).fill('RXLX')
  await expect(answers).toContainText('Speed limit not known')
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
  await expect(fits(page)).toContainText('10 of 10')
  await kept(page)
  await page.reload()
  await expect(sticking(page)).toHaveValue('RLLRK RL(K')
  await expect(fits(page)).toContainText('10 of 10')
  await sticking(page).fill('RLLRK RL(RK) R')
  await expect(sticking(page)).toHaveAttribute('aria-invalid', 'false')
  await expect(await openPanel(page, 'Answers')).toContainText('5 + 3 + 1')
})

test('hostile input is refused and never freezes the page', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await sticking(page).fill(`${'(RK'.repeat(20_000)}`)
  await expect(page.locator('#line-fault')).toContainText('expected a closing')
  await sticking(page).fill('👀‮RL')
  await expect(page.getByText(/^Character 1: /)).toBeVisible()
  await sticking(page).fill('RLLK')
  await expect(fits(page)).toContainText('4 of 10')
})

test('undo and redo go back and forth, by key, without limit', async ({ page }) => {
  await openLick(page, 'Teeterboard')
  const first = await sticking(page).inputValue()
  await sticking(page).fill('')
  for (const group of ['RLK', ' RLLK', ' RK']) await sticking(page).pressSequentially(group)
  await (await frame(page, 'Grid')).selectOption('1/8t')
  await (await frame(page, 'Bars of groove')).selectOption('3')
  await ruler(page).focus()
  await page.keyboard.press('Control+z')
  await expect(part(page, 'Groove')).toHaveText('1 bar of Eighths')
  await page.keyboard.press('Control+z')
  await expect(part(page, 'Grid')).toHaveText('sixteenth triplets')
  await sticking(page).focus()
  await page.keyboard.press('Control+z')
  await expect(sticking(page)).toHaveValue('RLK RLLK')
  for (let i = 0; i < 6; i += 1) await page.keyboard.press('Control+z')
  await expect(sticking(page)).toHaveValue(first)
  for (let i = 0; i < 8; i += 1) await page.keyboard.press('Control+Shift+z')
  await expect(sticking(page)).toHaveValue('RLK RLLK RK')
  await expect(part(page, 'Groove')).toHaveText('3 bars of Eighths')
})

test('a reload finds everything as it was', async ({ page }) => {
  await openLick(page, 'Parade')
  await (await frame(page, 'Metre')).fill('7/8')
  await (await frame(page, 'Landing')).selectOption('stop')
  await (await frame(page, 'Goal')).fill('140')
  await sticking(page).fill('RLK RLK RLRK')
  await (await openPanel(page, 'Feet'))
    .getByRole('button', { name: 'Hi-hat foot on quarters' })
    .click()
  const view = page.getByRole('button', { name: 'View of the ruler' })
  await view.click()
  await page.getByRole('button', { name: 'by group' }).click()
  await kept(page)
  await page.reload()
  await expect(await frame(page, 'Metre')).toHaveValue('7/8')
  await expect(await frame(page, 'Landing')).toHaveValue('stop')
  await expect(await frame(page, 'Goal')).toHaveValue('140')
  await expect(sticking(page)).toHaveValue('RLK RLK RLRK')
  await expect(page.getByLabel('Layer 1', { exact: true })).toHaveValue('@1/4 H')
  await view.click()
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
  const [loser] = await conflict(page, other)
  const mine = await sticking(loser).inputValue()
  await loser.getByRole('button', { name: 'Save mine as a copy' }).click()
  await expect(loser.getByLabel('Title')).toHaveValue('Parade, copy')
  await expect(sticking(loser)).toHaveValue(mine)
})

test('a slot that is pressed is marked, exactly, in the line too, and the keys are the ruler’s', async ({
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
  await expect(ruler(page)).toBeFocused()
  expect(await chosen()).toEqual([3, 4])

  await letter(1).hover()
  await page.mouse.down()
  await letter(3).hover()
  await page.mouse.up()
  expect(await chosen()).toEqual([1, 4])
  await letter(0).click({ modifiers: ['Shift'] })
  expect(await chosen()).toEqual([0, 2])
  await expect(page.locator('[data-row="0"] [data-selected]')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(sticking(page)).toBeFocused()
})

test('strokes are typed in the row, and voices struck by number, one key a stroke', async ({
  page,
}) => {
  await openLick(page, 'Clown Walk')
  await sticking(page).fill('RLRLRLRL')
  await page.keyboard.press('Alt+k')
  await expect(ruler(page)).toBeFocused()
  await page.keyboard.press('Home')
  for (const key of ['Shift+K', 'r', '>', 'Shift+L']) await page.keyboard.press(key)
  await expect(sticking(page)).toHaveValue('Kr>LLRLRL')
  await page.keyboard.press('Home')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.type('2334556', { delay: 30 })
  const row = page.locator('[data-row="0"]').getByRole('img')
  await expect(row.first()).toHaveAccessibleName(/on tom 1; .*on floor tom; .*on ride/)
  await expect(sticking(page)).toHaveValue('Kr>LLRLRL')
  await page.reload()
  await expect(row.first()).toHaveAccessibleName(/on tom 1; .*on floor tom; .*on ride/)
})

test('a sticking is pasted as people write it, and a whole lick opens as that lick', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openLick(page, 'Parade')
  const paste = async (text: string) => {
    await page.evaluate((copied) => navigator.clipboard.writeText(copied), text)
    await sticking(page).press('ControlOrMeta+v')
  }
  await sticking(page).fill('')
  await paste('R L R R | L R L L')
  await expect(sticking(page)).toHaveValue('RLRR LRLL')
  await expect(page.getByText('Pasted as RLRR LRLL: bars as groups.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo conversion' }).click()
  await expect(sticking(page)).toHaveValue('R L R R | L R L L')
  await page.getByRole('button', { name: 'Read it as RLRR LRLL' }).click()
  await expect(sticking(page)).toHaveValue('RLRR LRLL')
  await sticking(page).fill('rllr rlrl')
  await page.getByRole('button', { name: 'Make them plain strokes' }).click()
  await expect(sticking(page)).toHaveValue('RLLR RLRL')
  await paste('dime-lick: 1\ntitle: Sawdust Exit\nmeter: 3/4\nline: RLK RLK')
  await expect(page.getByLabel('Title')).toHaveValue('Sawdust Exit')
  await expect(sticking(page)).toHaveValue('RLK RLK')
})

test('a long line follows the caret, and the page stays where it is', async ({ page }) => {
  await openLick(page, 'Parade')
  await sticking(page).fill('RLRL*60 ')
  const shown = (system: number) =>
    ruler(page).evaluate((frame, index) => {
      const row = frame.querySelector(`[data-system="${index}"]`)?.getBoundingClientRect()
      const { top, bottom } = frame.getBoundingClientRect()
      return row !== undefined && row.bottom > top && row.top < bottom
    }, system)
  await page.keyboard.type('RLK')
  await expect.poll(() => shown(0)).toBe(false)
  await page.keyboard.press('Alt+k')
  await page.keyboard.press('Home')
  await expect.poll(() => shown(0)).toBe(true)
  await page.keyboard.press('End')
  await expect.poll(() => shown(0)).toBe(false)
  expect(await page.evaluate(() => scrollY)).toBe(0)
})

test('feet are rows of the ruler, typed like the line', async ({ page }) => {
  await openLick(page, 'Parade')
  await sticking(page).fill('RLLRK RLK')
  const feet = await openPanel(page, 'Feet')
  await feet.getByRole('button', { name: 'Hi-hat foot on quarters' }).click()
  await page.keyboard.press('Alt+k')
  for (let i = 0; i < 2; i += 1) await page.keyboard.press('ArrowDown')
  await expect(page.locator('[data-edited="pattern"]')).toBeVisible()
  await page.keyboard.press('Insert')
  await page.keyboard.type('KH')
  await expect(feet.getByLabel('Layer 1', { exact: true })).toHaveValue('@1/4 KH')
  await page.keyboard.press('Home')
  await page.keyboard.press('Delete')
  await page.keyboard.press('Delete')
  // The layer is gone; the lick's own one is the first now.
  await expect(feet.getByLabel('Layer 1', { exact: true })).toHaveValue('@1/8 K--')
  await expect(feet.getByLabel('Layer 2', { exact: true })).toHaveCount(0)
  // The groove is the last row: a kick on its second eighth, and the lick has a groove of its own.
  await page.keyboard.press('Alt+k')
  for (const key of ['ArrowDown', 'ArrowDown', 'ArrowDown', 'Home', 'ArrowRight'])
    await page.keyboard.press(key)
  await page.keyboard.type('K')
  await expect(feet.getByLabel('Bar of groove')).toHaveValue(/^\(R:hhK\)K/)
  await expect(part(page, 'Groove')).toHaveText('1 bar of Eighths, changed')
  await feet.getByRole('button', { name: 'Copy from line' }).click()
  await expect(feet.getByLabel('Bar of groove')).toHaveValue(/^RLLRK RLK R/)
})

test('on a phone a lick is built, heard and voiced with the pad of keys', async ({ browser }) => {
  const page = await openPhone(browser)
  await page.getByRole('button', { name: 'New lick' }).tap()
  const tap = (name: string) => pad(page).getByRole('button', { name, exact: true }).tap()
  for (const key of ['Accent: next', 'Right hand', 'Left hand', 'Ghost: next', 'Left hand', 'Kick'])
    await tap(key)
  for (const key of [
    'Next group',
    'Flam: next',
    'Right hand',
    'Together with the next limb',
    'Kick',
    'Rest',
  ])
    await tap(key)
  await expect(sticking(page)).toHaveValue('>RLlK (fRK)-')
  await tap('Delete')
  await expect(sticking(page)).toHaveValue('>RLlK (fRK)')
  // The voices row is tapped: the pad is the kit.
  await tapVoice(page, 'Strike tom 1')
  for (const piece of ['tom 1', 'tom 2', 'floor tom']) await tap(`Strike ${piece}`)
  const row = page.locator('[data-row="0"]').getByRole('img').first()
  await expect(row).toHaveAccessibleName(/on tom 1; .*on tom 2; .*on floor tom/)
  await page.getByRole('button', { name: 'Play', exact: true }).tap()
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible()
  const small = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('.bench button, .bench-foot button')]
      .filter((one) => one.offsetParent !== null && !one.closest('.legend, .lick-bar p'))
      .map(
        (one) =>
          [one.getAttribute('aria-label') ?? one.textContent, one.getBoundingClientRect()] as const,
      )
      .filter(([, { width, height }]) => Math.min(width, height) < 43.5)
      .map(([name, { width, height }]) => `${name} ${Math.round(width)} x ${Math.round(height)}`),
  )
  expect(small).toEqual([])
  await page.context().close()
})

test('typing at 30 ms a key loses nothing, in the line and in the row', async ({ page }) => {
  await openLick(page, 'Clown Walk')
  await sticking(page).fill('')
  const typed = '>RllRl >RlK >LK '.repeat(3)
  await sticking(page).pressSequentially(typed, { delay: 30 })
  await expect(sticking(page)).toHaveValue(typed)
  await sticking(page).fill('')
  await page.keyboard.press('Alt+k')
  await page.keyboard.type('RLKRLK/RLKRLK/'.repeat(2), { delay: 30 })
  await expect(sticking(page)).toHaveValue('RLKRLK '.repeat(4).trim())
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
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible()
  await page.keyboard.press('Alt+6')
  const panel = page.getByRole('region', { name: 'Voices' })
  await expect(panel).toBeVisible()
  await expect.poll(() => panel.evaluate((one) => one.contains(document.activeElement))).toBe(true)
  await page.keyboard.press('Escape')
  await expect(sticking(page)).toBeFocused()
  await page.keyboard.press('Alt+t')
  await expect(page.getByLabel('Learning tempo')).toBeFocused()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Alt+l')
  await sticking(page).press('ControlOrMeta+a')
  await page.keyboard.press('Control+k')
  await page.keyboard.type('left lead')
  await page.keyboard.press('Enter')
  await expect(sticking(page)).toHaveValue(/^\{LR\}LK/)
  await page.keyboard.press('Alt+k')
  await page.keyboard.press('Tab')
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toHaveCount(0)
})
