import { rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { CHROMIUM } from '../../scripts/ensure.mjs'
import { QUIET_FLAGS, serveDemo } from '../../scripts/serve.mjs'

/**
 * The library, its lists, the log and a backup with ever more in them: how long things take, and the longest piece of
 * work that the page does at once. Usage: [counts of licks …].
 */
const COUNTS = process.argv.length > 2 ? process.argv.slice(2).map(Number) : [100, 1000, 10_000]
/** Sessions a lick. */
const SESSIONS = 5
/** Of so many licks there is one of these. */
const ONE_OF = { versions: 10, sets: 50, solos: 100, plans: 5 }
/** A frame on this machine, in milliseconds. */
const FRAME = 1000 / 60

const BACKUP = join(tmpdir(), `scale-${process.pid}.zip`)

const server = await serveDemo()
const browser = await chromium.launch({ executablePath: CHROMIUM, args: QUIET_FLAGS })
const table = []
try {
  for (const count of COUNTS) table.push(await measure(count))
} finally {
  await browser.close()
  server.stop()
  rmSync(BACKUP, { force: true })
}
report(table)

async function measure(count) {
  const context = await browser.newContext({ serviceWorkers: 'block' })
  const page = await context.newPage()
  await page.addInitScript(watchLongest)
  await page.goto(server.address)
  await page.getByRole('link', { name: 'Parade', exact: true }).waitFor()
  await page.evaluate(seed, { count, sessions: SESSIONS, oneOf: ONE_OF })
  const result = { count }
  const take = async (name, work) => {
    await page.evaluate(() => {
      window.longest = 0
    })
    const begun = performance.now()
    await work()
    result[name] = {
      ms: performance.now() - begun,
      longest: await page.evaluate(() => window.longest),
    }
  }
  const all = page.getByText(`${(count + 12).toLocaleString('en-GB')} licks`, { exact: true })
  const first = page.getByRole('listitem').first()
  await take('first opening, everything derived', async () => {
    await page.reload()
    await all.waitFor({ timeout: 600_000 })
  })
  await take('opening again, first rows', async () => {
    await page.reload()
    await first.waitFor()
  })
  await all.waitFor({ timeout: 60_000 })
  await take('opening again, all rows', async () => {
    await page.reload()
    await all.waitFor({ timeout: 60_000 })
  })
  const search = page.getByRole('searchbox', { name: 'Find a lick' })
  await take('searching, a key', async () => {
    await search.press('9')
    await page.getByText(/ of [\d,]+ licks/).waitFor()
  })
  await search.fill('')
  await take('sorting by title', async () => {
    await page.getByLabel('Sort by').selectOption('title')
    await first.getByText('Bare').or(first.getByText('Cannon')).first().waitFor()
  })
  await page.mouse.move(600, 500)
  await take('scrolling by the wheel', async () => {
    for (let i = 0; i < 40; i += 1) {
      await page.mouse.wheel(0, 100)
      await page.waitForTimeout(20)
    }
  })
  await take('to the end and back', async () => {
    await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight))
    await page.waitForTimeout(300)
    await page.evaluate(() => window.scrollTo(0, 0))
    await page.waitForTimeout(300)
  })
  await take('opening a bench', async () => {
    await first.getByRole('link').click()
    await page.getByRole('textbox', { name: 'Sticking' }).waitFor()
  })
  await page.waitForTimeout(1500)
  await take('back from the bench', async () => {
    await page.getByRole('link', { name: 'Library', exact: true }).click()
    await all.waitFor()
  })
  await take('selecting all', async () => {
    await page.getByRole('checkbox').first().check()
    await page.getByRole('button', { name: /^Select all/ }).click()
    await page.getByText(`${(count + 12).toLocaleString('en-GB')} licks selected`).waitFor()
  })
  await take('a backup', async () => {
    const download = page.waitForEvent('download', { timeout: 120_000 })
    await page.getByRole('button', { name: 'Back up' }).click()
    await (await download).saveAs(BACKUP)
  })
  await take('tagging all', async () => {
    await page.getByLabel('Tag to add').fill('tour')
    await page.getByRole('button', { name: 'Add tag' }).click()
    await page.getByText(/^Tagged/).waitFor({ timeout: 300_000 })
  })
  await take('the log, first opening', async () => {
    await page.getByRole('link', { name: 'Log', exact: true }).click()
    await page.getByRole('heading', { name: 'Practice sessions' }).waitFor({ timeout: 300_000 })
    await page
      .getByRole('combobox', { name: /^How it went/ })
      .first()
      .waitFor()
  })
  await page.waitForTimeout(2000)
  await take('the log, opening again', async () => {
    await page.reload()
    await page
      .getByRole('combobox', { name: /^How it went/ })
      .first()
      .waitFor({ timeout: 60_000 })
  })
  await take('the log, scrolling', async () => {
    for (let i = 0; i < 20; i += 1) {
      await page.mouse.wheel(0, 300)
      await page.waitForTimeout(50)
    }
  })
  for (const name of ['Sets', 'Solos']) {
    await take(`the list of ${name.toLowerCase()}`, async () => {
      await page.getByRole('link', { name, exact: true }).first().click()
      await page.getByRole('heading', { name, exact: true }).waitFor()
      await page.getByRole('main').getByRole('listitem').first().waitFor({ timeout: 60_000 })
    })
  }
  await take('looking into its backup', () => lookInto(page))
  await context.close()
  const empty = await browser.newContext({ serviceWorkers: 'block' })
  const other = await empty.newPage()
  await other.addInitScript(watchLongest)
  await other.goto(server.address)
  await other.getByRole('link', { name: 'Parade', exact: true }).waitFor()
  const begun = performance.now()
  await lookInto(other)
  await other.getByRole('button', { name: 'Import', exact: true }).click()
  await other.getByText(/^Done: /).waitFor({ timeout: 600_000 })
  result['reading it back into an empty store'] = {
    ms: performance.now() - begun,
    longest: await other.evaluate(() => window.longest),
  }
  const bare = performance.now()
  await other.evaluate(writeBare, { licks: count, sessions: count * SESSIONS })
  result['the browser alone writing as many bare rows'] = {
    ms: performance.now() - bare,
    longest: 0,
  }
  await empty.close()
  return result
}

/** The longest piece of work since it was asked last: messages come when nothing else is done. */
function watchLongest() {
  const channel = new MessageChannel()
  let last = performance.now()
  window.longest = 0
  channel.port1.onmessage = () => {
    const now = performance.now()
    window.longest = Math.max(window.longest, now - last)
    last = now
    setTimeout(() => {
      last = performance.now()
      channel.port2.postMessage(0)
    })
  }
  channel.port2.postMessage(0)
}

async function lookInto(page) {
  await page.goto(`${server.address}/backup`)
  await page.getByLabel('Files to read').setInputFiles(BACKUP)
  await page.getByRole('table', { name: 'What the files hold' }).waitFor({ timeout: 600_000 })
}

/** Writes as many licks, summaries and sessions as a backup brings, with their indexes and with nothing of the app. */
async function writeBare({ licks, sessions }) {
  const opening = indexedDB.open('bare', 1)
  opening.onupgradeneeded = () => {
    const { result } = opening
    result.createObjectStore('licks', { keyPath: 'id' }).createIndex('deletedAt', 'deletedAt')
    result.createObjectStore('summaries', { keyPath: 'id' })
    const made = result.createObjectStore('sessions', { keyPath: 'id' })
    for (const of of ['lickId', 'createdAt', 'deletedAt']) made.createIndex(of, of)
  }
  const database = await new Promise((resolve) => {
    opening.onsuccess = () => resolve(opening.result)
  })
  const words = 'x'.repeat(200)
  const rowOf = (i) => ({
    id: `row-${i}`,
    lickId: `lick-${i % licks}`,
    createdAt: i,
    deletedAt: null,
    words,
  })
  const STEP = 400
  for (const [store, count] of [
    ['licks', licks],
    ['summaries', licks],
    ['sessions', sessions],
  ]) {
    for (let from = 0; from < count; from += STEP) {
      const transaction = database.transaction(store, 'readwrite')
      for (let i = from; i < Math.min(count, from + STEP); i += 1)
        transaction.objectStore(store).add(rowOf(i))
      await new Promise((resolve) => {
        transaction.oncomplete = resolve
      })
    }
  }
  database.close()
}

/** Fills the store by itself, as an older version of the app would have left it: nothing is derived. */
async function seed({ count, sessions, oneOf }) {
  const open = indexedDB.open('dime-stack')
  const database = await new Promise((resolve) => {
    open.onsuccess = () => resolve(open.result)
  })
  const cells = ['RLLRK', 'RLRRLRLL', 'RLK', 'RLLK', 'RRLL', 'R-L', '>RLL', 'RLRLKK']
  const words = ['Bare', 'Broad', 'Bright', 'Brisk', 'Blue']
  const write = (store, rows) =>
    new Promise((resolve, reject) => {
      const transaction = database.transaction(store, 'readwrite')
      for (const row of rows) transaction.objectStore(store).put(row)
      transaction.oncomplete = resolve
      transaction.onerror = () => reject(transaction.error)
    })
  const now = Date.now()
  const licks = []
  const played = []
  for (let i = 0; i < count; i += 1) {
    const line = Array.from({ length: 2 + (i % 5) }, (_, j) => cells[(i * 7 + j * 3) % 8]).join(' ')
    const id = `seed-${i}`
    licks.push({
      id,
      version: 2,
      text: `dime-lick: 1\ntitle: ${words[i % 5]} lick ${i}\ntags: t${i % 20}\nmeter: ${i % 3 ? '4/4' : '7/8'}\ntempo: ${60 + (i % 90)}\ngrid: 1/16\nstart: 1\nline: ${line}\n`,
      draft: null,
      voicing: '',
      revision: 0,
      createdAt: now - i * 1000,
      updatedAt: now - i * 1000,
      deletedAt: null,
    })
    for (let j = 0; j < sessions; j += 1) {
      played.push({
        id: `s-${i}-${j}`,
        version: 3,
        lickId: id,
        // Over three years.
        createdAt: now - ((i * sessions + j) % 26_000) * 3_600_000,
        part: '',
        step: 'in the bar',
        tempo: 60 + ((i + j) % 60),
        repeats: 8,
        seconds: 60,
        rating: ['clean', 'rough', 'clean', null][(i + j) % 4],
        tense: false,
        grid: '1/16',
        form: '',
        note: '',
      })
    }
  }
  for (let i = 0; i < licks.length; i += 1000) await write('licks', licks.slice(i, i + 1000))
  for (let i = 0; i < played.length; i += 1000) await write('sittings', played.slice(i, i + 1000))
  // More of what the demo has, under ids of their own.
  for (const [store, every] of Object.entries(oneOf)) {
    const rows = await new Promise((resolve) => {
      const asked = database.transaction(store).objectStore(store).getAll()
      asked.onsuccess = () => resolve(asked.result)
    })
    const more = rows.length === 0 ? 0 : Math.floor(count / every)
    const made = Array.from({ length: more }, (_, i) => ({
      ...rows[i % rows.length],
      // A plan has the id of its lick.
      id: store === 'plans' ? `seed-${i}` : `${store}-${i}`,
    }))
    for (let i = 0; i < made.length; i += 1000) await write(store, made.slice(i, i + 1000))
  }
  const clear = database.transaction('settings', 'readwrite')
  clear.objectStore('settings').delete('derived')
  await new Promise((resolve) => {
    clear.oncomplete = resolve
  })
  database.close()
}

function report(rows) {
  const names = Object.keys(rows[0] ?? {}).filter((name) => name !== 'count')
  console.log(`\nlicks: ${rows.map(({ count }) => count).join(', ')}; ${SESSIONS} sessions each`)
  console.log('milliseconds (longest piece of work at once, in frames)')
  for (const name of names) {
    const cells = rows.map(({ [name]: at }) =>
      at ? `${at.ms.toFixed(0)} (${(at.longest / FRAME).toFixed(1)})` : '–',
    )
    console.log(`  ${name}: ${cells.join(', ')}`)
  }
}
