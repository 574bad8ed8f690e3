import { readFile, writeFile } from 'node:fs/promises'
import { serveDemo } from '../../scripts/serve.mjs'
import { openLick, sticking } from './bench-page'
import { expect, test } from './watched'

test.use({ serviceWorkers: 'allow' })

test('after the first visit everything works with the server gone', async ({ page }) => {
  test.slow()
  const server = await serveDemo()
  const faults: string[] = []
  page.on('pageerror', (error) => faults.push(error.message))
  await page.goto(server.address)
  await expect(page.getByRole('link', { name: 'Parade', exact: true })).toBeVisible()
  await page.evaluate(() => navigator.serviceWorker.ready)
  await page.reload()
  await expect
    .poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null))
    .toBe(true)
  server.stop()
  await expect
    .poll(() =>
      page.request.get(server.address).then(
        () => true,
        () => false,
      ),
    )
    .toBe(false)

  for (const [path, heading] of [
    ['/kit', 'Kit'],
    ['/solos/demo-second-half', 'Before the Second Half'],
    ['/log', 'Log'],
    ['/', 'Library'],
  ] as const) {
    await page.goto(server.address + path)
    await expect(page.getByRole('heading', { name: heading, exact: true, level: 1 })).toBeVisible()
  }
  // A deep link, a reload, a panel, the staff's font and the first play.
  await openLick(page, 'Parade', server.address)
  const address = page.url()
  await page.goto(`${server.address}/`)
  await page.goto(address)
  await page.reload()
  await expect(sticking(page)).toBeVisible()
  await expect(page.locator('.staff-unit svg').first()).toBeVisible()
  await page.getByRole('button', { name: 'Cells', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Append' }).first()).toBeVisible()
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Stop', exact: true }).click()
  await page.getByRole('link', { name: 'Practise' }).click()
  await expect(page.getByText(/^step 1 of/)).toBeVisible()
  await page.reload()
  await expect(page.getByText(/^step 1 of/)).toBeVisible()
  // A sheet, with the fonts of its files.
  await page.goto(`${server.address}/sheet?licks=demo-parade`)
  await expect(page.getByRole('img', { name: 'Page 1 of 1' })).toContainText('Parade')
  const sheet = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as PDF' }).click()
  expect((await sheet).suggestedFilename()).toBe('Parade.pdf')
  // A backup is written by a worker.
  await page.goto(`${server.address}/backup`)
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save a backup' }).click()
  expect((await download).suggestedFilename()).toMatch(/^dime-stack-backup-.*\.zip$/)
  expect(faults).toEqual([])
})

test('a new version is told, and taken when the player agrees', async ({ page }) => {
  test.slow()
  const path = 'build/client/sw.js'
  const source = await readFile(path, 'utf8')
  try {
    await openLick(page, 'Parade')
    await page.evaluate(() => navigator.serviceWorker.ready)
    await page.reload()
    await writeFile(path, source.replace('VERSION = "', 'VERSION = "newer-'))
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update())
    // All of it is fetched before it is told of.
    await expect(page.getByText('A new version of Dime Stack is ready.')).toBeVisible({
      timeout: 40_000,
    })
    await sticking(page).fill('RLRLRL')
    const caches = () => page.evaluate(() => window.caches.keys())
    expect((await caches()).length).toBe(2)
    await page.getByRole('button', { name: 'Use it now' }).click()
    await expect(page.getByText('A new version of Dime Stack is ready.')).toHaveCount(0)
    await expect(sticking(page)).toHaveValue('RLRLRL')
    await expect.poll(caches).toEqual([expect.stringMatching(/^dime-stack-newer-/)])
  } finally {
    await writeFile(path, source)
  }
})

test.describe('without what is kept', () => {
  test.use({
    serviceWorkers: 'block',
    allowed: /(ERR_FAILED|dynamically imported module).*cells-panel/,
  })

  test('a part that cannot be loaded says so in its place, and the bench goes on', async ({
    page,
  }) => {
    await page.route(/\/assets\/cells-panel-/, (route) => route.abort())
    await openLick(page, 'Parade')
    await page.getByRole('button', { name: 'Cells', exact: true }).click()
    await expect(page.getByText('This panel couldn’t be loaded.')).toBeVisible()
    await sticking(page).fill('RLRLRL')
    await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  })
})

test('every answer says what a browser may do with it, and no fault says where', async ({
  request,
}) => {
  const assets = await (await request.get('/')).text()
  const asset = /\/assets\/[\w.-]+\.js/.exec(assets)?.[0] ?? ''
  for (const path of ['/', '/bench/x', '/no/such/page', asset, '/assets/none.js', '/sw.js']) {
    const headers = (await request.get(path)).headers()
    expect(headers['x-content-type-options'], path).toBe('nosniff')
    expect(headers['cross-origin-opener-policy'], path).toBe('same-origin')
    expect(headers['permissions-policy'], path).toContain('microphone=(self)')
    if (path !== '/assets/none.js') expect(headers['cache-control'], path).toBeTruthy()
  }
  expect((await request.get('/')).headers()['cache-control']).toBe('no-cache')
  expect((await request.get(asset)).headers()['cache-control']).toContain('immutable')
  for (const [method, path, status] of [
    ['TRACE', '/', 405],
    ['PUT', '/bench/x', 405],
    ['GET', '/%E0%A4%A', 400],
    ['GET', '/assets/%2e%2e/%2e%2e/package.json', 404],
    ['POST', '/kit', 405],
  ] as const) {
    const answer = await request.fetch(path, { method })
    const text = await answer.text()
    expect([answer.status(), method, path]).toEqual([status, method, path])
    expect(text, path).not.toMatch(/at .*\(.*:\d+:\d+\)|node_modules/)
  }
})
