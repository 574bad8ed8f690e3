import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import { openLick } from './bench-page'

test('the first visit shows the circus, and finds in it', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('listitem')).toHaveCount(12)
  await expect(page.getByRole('listitem').filter({ hasText: 'Tightrope' })).toContainText(
    '10 slots',
  )
  await expect(page.getByRole('listitem').filter({ hasText: 'Knife Wheel' })).toContainText(
    '31 of 32 slots',
  )
  await page.getByRole('searchbox', { name: 'Find a lick' }).fill('7/8')
  await expect(page.getByRole('listitem')).toHaveCount(1)
  await expect(page).toHaveURL(/find=7/)
  await page.getByRole('searchbox').fill('nothing like this')
  await page.getByRole('button', { name: 'Clear the filters' }).click()
  await page.getByLabel('Sort by').selectOption('title')
  await expect(page.getByRole('listitem').first()).toContainText('Cannon Exit')
})

test('a deleted lick is restored', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Delete Parade' }).click()
  await expect(page.getByText('“Parade” is deleted.')).toBeVisible()
  await expect(page.getByRole('listitem')).toHaveCount(11)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('listitem')).toHaveCount(12)
  await openLick(page, 'Parade')
})

test('a new lick is named, duplicated, and deleted from the bench', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'New lick' }).click()
  await page.getByLabel('Title').fill('Lion Tamer #2 ')
  await page.getByRole('textbox', { name: 'Sticking' }).fill('RLLRK RLLRK RLLRK R')
  await expect(page.getByText('Fills the bar exactly')).toBeVisible()
  await page.getByRole('button', { name: 'Duplicate' }).click()
  await expect(page.getByLabel('Title')).toHaveValue(/Lion Tamer.#2, copy/)
  await page.getByRole('button', { name: 'Delete' }).click()
  await expect(page.getByText(/copy” is deleted/)).toBeVisible()
  await expect(page.getByRole('link', { name: /^Lion Tamer.#2$/ })).toBeVisible()
})

test('everything goes out as one open file and comes in again', async ({ page, browser }) => {
  await page.goto('/')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export' }).click()
  const file = await (await download).path()
  expect(JSON.parse(await readFile(file, 'utf8')).licks).toHaveLength(12)
  const other = await (await browser.newContext()).newPage()
  await other.goto('/')
  await other.getByRole('button', { name: 'Delete Tightrope' }).click()
  await expect(other.getByRole('listitem')).toHaveCount(11)
  const files = other.getByLabel('Files to import')
  await files.setInputFiles({
    name: 'one.lick',
    mimeType: 'text/plain',
    buffer: Buffer.from('title: Ladder Walk\nline: RLLK*4'),
  })
  await expect(other.getByText('1 lick imported')).toBeVisible()
  await expect(other.getByRole('listitem')).toHaveCount(12)
  await files.setInputFiles({
    name: 'bad.lick',
    mimeType: 'text/plain',
    buffer: Buffer.from('title: Bad\nline: RLQ'),
  })
  await expect(other.getByText(/bad\.lick: row 2, character 9/)).toBeVisible()
  await files.setInputFiles({
    name: 'cut.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":'),
  })
  await expect(other.getByText(/no JSON/)).toBeVisible()
  await other.context().close()
})

test('addresses that lead nowhere lead back', async ({ page }) => {
  await page.goto('/bench/no-such-lick')
  await expect(page.getByRole('heading', { name: 'Lick not found' })).toBeVisible()
  await page.getByRole('link', { name: 'Back to the library' }).click()
  await expect(page.getByRole('heading', { name: 'Library' })).toBeVisible()
  const answer = await page.goto('/no/such/page')
  expect(answer?.status()).toBe(404)
  await expect(page.getByRole('link', { name: 'Back to the library' })).toBeVisible()
})

test('a browser without a store is told so plainly', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('refused', 'SecurityError')
    }
  })
  await page.goto('/')
  await expect(
    page.getByRole('heading', { name: 'The browser’s storage cannot be opened' }),
  ).toBeVisible()
  await expect(page.getByRole('button', { name: 'Export what can be read' })).toBeVisible()
})

test('a store of a newer version is left alone, and can be saved to a file', async ({ page }) => {
  await page.goto('/favicon.svg')
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const opening = indexedDB.open('dime-stack', 90)
        opening.onupgradeneeded = () => {
          opening.result
            .createObjectStore('licks', { keyPath: 'id' })
            .put({ id: 'x', version: 7, text: 'line: RL' })
        }
        opening.onsuccess = () => {
          opening.result.close()
          resolve()
        }
      }),
  )
  await page.goto('/')
  await expect(
    page.getByRole('heading', { name: 'Your licks were saved by a newer Dime Stack' }),
  ).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export what can be read' }).click()
  expect(JSON.parse(await readFile(await (await download).path(), 'utf8')).licks).toEqual([
    { id: 'x', text: 'line: RL' },
  ])
})
