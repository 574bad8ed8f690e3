import { readFile } from 'node:fs/promises'
import { expectAccessible, openLick, openPanel } from './bench-page'
import { expect, test } from './watched'

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
  await expect(page.getByText('“Parade” is in the bin.')).toBeVisible()
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
  await page.getByRole('button', { name: 'More for this lick' }).click()
  await page.getByRole('button', { name: 'Duplicate' }).click()
  await expect(page.getByLabel('Title')).toHaveValue(/Lion Tamer.#2, copy/)
  await page.getByRole('button', { name: 'More for this lick' }).click()
  await page.getByRole('button', { name: 'Delete' }).click()
  await expect(page.getByText(/copy” is in the bin/)).toBeVisible()
  await expect(page.getByRole('link', { name: /^Lion Tamer.#2$/ })).toBeVisible()
})

test('everything goes out as one file and comes in again, with a say in what it changes', async ({
  page,
  browser,
}) => {
  await page.goto('/')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Back up' }).click()
  const file = await (await download).path()
  const other = await (await browser.newContext()).newPage()
  await other.goto('/')
  await openLick(other, 'Tightrope')
  await other.getByRole('textbox', { name: 'Sticking' }).fill('RLRLRLRLRL')
  await other.getByRole('link', { name: 'Library' }).click()
  await other.getByRole('button', { name: 'Delete Parade' }).click()
  await other.getByLabel('Files to import').setInputFiles(file)
  const found = other.getByRole('table', { name: 'What the files hold' })
  await expect(found.getByRole('row', { name: /^Licks/ })).toHaveText(/–10.*2.*–$/)
  await expect(other.getByRole('listitem').filter({ hasText: 'Parade' })).toContainText(
    'in the bin here',
  )
  await other.getByLabel('Replace with the file’s').check()
  await other.getByLabel('What to do with Tightrope').selectOption('both')
  await other.getByRole('button', { name: 'Import', exact: true }).click()
  await expect(other.getByText(/1 added, 1 back from the bin/)).toBeVisible()
  await other.getByRole('link', { name: 'Library' }).click()
  await expect(other.getByRole('listitem').filter({ hasText: 'Tightrope' })).toHaveCount(2)
  await expect(other.getByRole('listitem')).toHaveCount(13)
  await other.context().close()
})

test('files are known by what is in them, and what cannot be read is said', async ({ page }) => {
  await page.goto('/')
  const put = (name: string, content: string) =>
    page
      .getByLabel('Files to import')
      .setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(content) })
  await put('photo.png', 'title: Ladder Walk\nline: RLLK*4')
  // The library has a button of that name too.
  await expect(page.getByRole('table', { name: 'What the files hold' })).toBeVisible()
  await page.getByRole('button', { name: 'Import', exact: true }).click()
  await expect(page.getByText('Done: 1 added.')).toBeVisible({ timeout: 30_000 })
  await page.getByRole('link', { name: 'Library' }).click()
  await expect(page.getByRole('listitem')).toHaveCount(13)
  await put('bad.lick', 'title: Bad\nline: RLQ')
  await expect(page.getByText(/bad\.lick: .* Line 2, character 9/)).toBeVisible()
  await page.goto('/')
  await put('cut.JSON', '{"format":')
  await expect(page.getByText(/not valid JSON/)).toBeVisible()
})

test('the bin restores what was deleted, and is emptied only when asked twice', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Delete Parade' }).click()
  await page.getByRole('button', { name: 'Delete Tightrope' }).click()
  await page.getByRole('link', { name: 'Open the bin' }).click()
  await page.getByRole('button', { name: 'Restore Parade' }).click()
  await expect(page.getByRole('listitem')).toHaveCount(1)
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Empty the bin' }).click()
  await page.getByRole('button', { name: 'Delete for good', exact: true }).click()
  await expect(page.getByText('The bin is empty')).toBeVisible()
  await page.getByRole('link', { name: 'library', exact: true }).click()
  await expect(page.getByRole('listitem')).toHaveCount(11)
  await expect(page.getByRole('link', { name: 'Parade', exact: true })).toBeVisible()
})

test('many licks are selected, tagged and deleted at once', async ({ page }) => {
  await page.goto('/')
  await page.getByLabel('Select Parade').check()
  await page.getByRole('button', { name: 'Select all 12' }).click()
  const bar = page.getByRole('region', { name: 'Selected licks' })
  await bar.getByLabel('Tag to add').fill('tour')
  await bar.getByRole('button', { name: 'Add tag' }).click()
  await expect(bar.getByText('Tagged 12 licks “tour”.')).toBeVisible()
  await page.getByLabel('Tag', { exact: true }).selectOption('tour')
  await expect(page.getByRole('listitem')).toHaveCount(12)
  await expectAccessible(page)
  await bar.getByRole('button', { name: 'Delete' }).click()
  await expect(page.getByText('12 licks are in the bin.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('listitem')).toHaveCount(12)
})

test('licks are heard from the list, and seen side by side with their versions', async ({
  page,
}) => {
  await openLick(page, 'Parade')
  const versions = await openPanel(page, 'Notes')
  await versions.getByLabel('Name of the version').fill('as it was')
  await versions.getByRole('button', { name: 'Save this version' }).click()
  await expect(versions.getByText(/on the bench now/)).toBeVisible()
  await page.getByRole('link', { name: 'Library', exact: true }).click()
  await page.getByRole('button', { name: 'Hear Parade' }).click()
  await expect(page.getByText(/^Parade at \d+$/)).toBeVisible()
  await page.getByRole('button', { name: 'Stop', exact: true }).click()
  await expect(page.getByText(/^Parade at \d+$/)).toHaveCount(0)
  await page.getByLabel('Select Parade').check()
  await page.getByLabel('Select Tightrope').check()
  await page.getByRole('link', { name: 'Compare' }).click()
  await expect(page.getByRole('heading', { name: 'Side by side', level: 1 })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Parade' })).toContainText('as it was')
  await expect(page.getByRole('region', { name: 'Tightrope' })).toContainText(/slot 1:/)
  await expectAccessible(page)
})

test.describe('addresses that lead nowhere', () => {
  test.use({ allowed: /404 \(Not Found\) .*\/no\/such\/page$/ })

  test('lead back', async ({ page }) => {
    await page.goto('/bench/no-such-lick')
    await expect(page.getByRole('heading', { name: 'Lick not found' })).toBeVisible()
    await page.getByRole('link', { name: 'Back to the library' }).click()
    await expect(page.getByRole('heading', { name: 'Library' })).toBeVisible()
    const answer = await page.goto('/no/such/page')
    expect(answer?.status()).toBe(404)
    await expect(page.getByRole('link', { name: 'Back to the library' })).toBeVisible()
  })
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
