import type { Page } from '@playwright/test'
import { unzipSync } from 'fflate'
import { openLick, openPanel, saved } from './bench-page'
import { expectNoFault } from './faults'
import { expect, test } from './watched'

const titles = (page: Page) => page.getByRole('list', { name: 'Licks on the sheet' }).locator('li')
const pages = (page: Page) => page.getByRole('img', { name: /^Page \d+ of \d+$/ })

test('licks from the library become a sheet: ordered by keys, chosen, and found again by its address', async ({
  page,
}) => {
  await page.goto('/')
  for (const name of ['Tightrope', 'Clown Walk'])
    await page.getByRole('checkbox', { name: `Select ${name}` }).check()
  await page.getByRole('link', { name: 'Sheet' }).click()
  await expect(titles(page)).toHaveCount(2)
  await expect(pages(page)).toHaveCount(1)
  const first = (await titles(page).first().textContent()) ?? ''
  await page.getByRole('button', { name: `Move: ${first}`, exact: true }).focus()
  for (const key of ['Space', 'ArrowDown', 'Space']) {
    await page.keyboard.press(key)
    await page.waitForTimeout(250)
  }
  await expect(titles(page).last()).toHaveText(first)
  await page.getByLabel('Add a lick').selectOption('Fire Ring')
  await page.getByLabel('Title of the sheet').fill('Act one <b>')
  await page.getByLabel('Paper').selectOption('Letter')
  await page.getByLabel('Systems a page').selectOption('1')
  await expect(pages(page)).toHaveCount(3)
  await expect(pages(page).first()).toContainText('Act one <b>')
  await page.reload()
  await expect(titles(page)).toHaveCount(3)
  await expect(titles(page).nth(1)).toHaveText(first)
  await expect(pages(page)).toHaveCount(3)
  await expectNoFault(page)
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('heading', { name: 'Sheet' })).toBeHidden()
  await expect(page.getByRole('navigation', { name: 'Main' })).toBeHidden()
  await expect(pages(page).first()).toBeVisible()
  const paper = await page.pdf({ preferCSSPageSize: true })
  expect(paper.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(3)
  expect(paper.toString('latin1')).toMatch(/\/MediaBox \[0 0 612 792\]/)
})

test('a page for a pupil has the lick and the steps of its plan, and is saved as PDF, SVG and PNG', async ({
  page,
}) => {
  await openLick(page, 'Knife Wheel')
  await openPanel(page, 'Files')
  await page.getByRole('link', { name: 'A page for a pupil' }).click()
  await expect(pages(page).first()).toContainText('1. The 1st seven')
  await expect(pages(page)).toHaveCount(2)
  const pdf = await saved(page, 'Save as PDF')
  expect(pdf.name).toBe('Knife Wheel.pdf')
  const text = pdf.bytes.toString('latin1')
  expect(text.slice(0, 5)).toBe('%PDF-')
  expect(text.match(/\/Type \/Page\b/g)).toHaveLength(2)
  expect(text).toContain('/FontFile2')
  const svg = unzipSync((await saved(page, 'Save as SVG')).bytes)
  expect(Object.keys(svg)).toEqual(['page 1.svg', 'page 2.svg'])
  const written = Buffer.from(svg['page 1.svg'] ?? []).toString('utf8')
  expect(written).toContain('data:font/')
  expect(written).not.toMatch(/https?:\/\/(?!www\.w3\.org\/2000\/svg)/)
  await page.getByRole('checkbox', { name: 'the steps of its plan, in their order' }).uncheck()
  await expect(pages(page)).toHaveCount(1)
  const png = await saved(page, 'Save as PNG')
  expect([png.name, png.bytes.subarray(1, 4).toString()]).toEqual(['Knife Wheel.png', 'PNG'])
  // A4 at 200 dots an inch.
  expect([png.bytes.readUInt32BE(16), png.bytes.readUInt32BE(20)]).toEqual([1654, 2339])
})
