import { spawnSync } from 'node:child_process'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { CHROMIUM } from '../../scripts/ensure.mjs'
import { QUIET_FLAGS } from '../../scripts/serve.mjs'

/** Milliseconds between two keys of steady typing: eight a second; and how long it goes on. */
const PAUSE = 125
const SECONDS = Number(process.env.KILL_AFTER ?? 2.5)

const field = (page) => page.getByRole('textbox', { name: 'Sticking' })
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

async function openBench(page, address) {
  await page.goto(address)
  await page.getByRole('link', { name: 'Parade', exact: true }).click()
  await field(page).waitFor()
  await field(page).fill('')
  await page.getByText('Saved', { exact: true }).waitFor()
  return page.url()
}

const reopened = async (page, bench) => {
  await page.goto(bench)
  await field(page).waitFor()
  return field(page).inputValue()
}

/** The oldest of what was lost: milliseconds before the end; 0 where nothing was. */
function lostAge(keys, kept, end) {
  const first = keys[kept]
  return first === undefined ? 0 : end - first
}

/**
 * Beside the page, each key is written down as plainly as a browser can: what of this is lost, a busy
 * machine has kept from everyone.
 */
const writeKeysDown = () =>
  new Promise((resolve, reject) => {
    const opening = indexedDB.open('plain-keys', 1)
    opening.onupgradeneeded = () =>
      opening.result.createObjectStore('keys', { autoIncrement: true })
    opening.onerror = () => reject(opening.error)
    opening.onsuccess = () => {
      const keys = () => opening.result.transaction('keys', 'readwrite').objectStore('keys')
      addEventListener('keydown', () => keys().add(true), { capture: true })
      resolve()
    }
  })

const writtenDown = () =>
  new Promise((resolve, reject) => {
    const opening = indexedDB.open('plain-keys', 1)
    opening.onerror = () => reject(opening.error)
    opening.onsuccess = () => {
      const counting = opening.result.transaction('keys').objectStore('keys').count()
      counting.onsuccess = () => resolve(counting.result)
    }
  })

/** Where else than in a line one types: how its page is opened, and the field. */
const openLick = async (page, address) => {
  await page.goto(address)
  await page.getByRole('link', { name: 'Parade', exact: true }).click()
  await field(page).waitFor()
}
const openNotes = async (page) => {
  const panels = page.getByRole('navigation', { name: 'Panels' })
  const notes = panels.getByRole('button', { name: 'Notes', exact: true })
  if ((await notes.getAttribute('aria-expanded')) !== 'true') await notes.click()
}
export const TYPED = {
  line: { open: openBench, field },
  'note of a set': {
    open: (page, address) => page.goto(`${address}/sets/demo-doors`),
    field: (page) => page.getByLabel('Note'),
  },
  'title of a solo': {
    open: async (page, address) => {
      await page.goto(`${address}/solos`)
      await page.getByRole('button', { name: 'New solo' }).first().click()
    },
    field: (page) => page.getByRole('textbox', { name: 'Title of the solo' }),
  },
  'note of a lick': {
    open: async (page, address) => {
      await openLick(page, address)
      await openNotes(page)
    },
    reopen: async (page) => {
      await field(page).waitFor()
      await openNotes(page)
    },
    field: (page) => page.getByRole('textbox', { name: 'Note for the whole lick' }),
  },
  'name of a kit': {
    open: async (page, address) => {
      await page.goto(`${address}/kit`)
      await page.getByRole('combobox', { name: 'Add a piece' }).selectOption({ index: 1 })
    },
    field: (page) => page.getByRole('textbox', { name: 'Name of the kit' }),
  },
}

/**
 * The browser's processes are killed while someone types without a pause. Tells how old the oldest lost
 * key was each time, in milliseconds, and how old the oldest that was lost beside the page, where each
 * key was written at once. Typing goes on when the signal comes.
 */
export async function killWhileTyping(address, times, what = TYPED.line) {
  const ages = []
  for (let i = 0; i < times; i += 1) {
    const home = await mkdtemp(join(tmpdir(), 'dime-stack-'))
    const launch = () =>
      chromium.launchPersistentContext(home, {
        executablePath: CHROMIUM,
        args: [...QUIET_FLAGS, '--remote-debugging-port=0'],
        serviceWorkers: 'block',
      })
    const before = await launch()
    const page = await before.newPage()
    // The demo is there once the library has been seen.
    await page.goto(address)
    await page.getByRole('link', { name: 'Parade', exact: true }).waitFor()
    await what.open(page, address)
    await what.field(page).waitFor()
    await what.field(page).fill('')
    const where = page.url()
    await page.evaluate(writeKeysDown)
    const keys = []
    await what.field(page).focus()
    const stop = Date.now() + SECONDS * 1000 + ((i * 37) % PAUSE)
    while (Date.now() < stop) {
      const due = Date.now() + PAUSE
      await page.keyboard.press('r')
      keys.push(Date.now())
      await wait(Math.max(0, Math.min(due, stop) - Date.now()))
    }
    const end = Date.now()
    spawnSync('pkill', ['-9', '-f', home])
    const after = await launch()
    const again = await after.newPage()
    await again.goto(where)
    if (what.reopen) await what.reopen(again)
    await what.field(again).waitFor()
    const kept = await what.field(again).inputValue()
    const plain = await again.evaluate(writtenDown)
    ages.push({ lost: lostAge(keys, kept.length, end), plain: lostAge(keys, plain, end) })
    await after.close()
    await rm(home, { recursive: true, force: true })
  }
  return ages
}

/** A page is left a moment after the last key; tells how many keys were lost, each time. */
export async function leaveAfterKey(browser, address, times, leave) {
  const lost = []
  for (let i = 0; i < times; i += 1) {
    const context = await browser.newContext({ serviceWorkers: 'block' })
    const page = await context.newPage()
    const bench = await openBench(page, address)
    const typed = 'rlkr'.repeat(2 + (i % 3))
    await field(page).focus()
    for (const letter of typed) await page.keyboard.press(letter)
    const next = await leave(page, bench, context)
    const kept = await reopened(next, bench)
    lost.push(typed.length - kept.length)
    await context.close()
  }
  return lost
}

/** Ways to leave a page at once. */
export const WAYS_OUT = {
  'a reload': async (page) => {
    await page.reload()
    return page
  },
  'a link': async (page) => {
    await page.getByRole('link', { name: 'Library', exact: true }).click()
    return page
  },
  'a tab closed': async (page, _bench, context) => {
    await page.close()
    return context.newPage()
  },
  'another address': async (page, bench) => {
    await page.goto(new URL('/log', bench).href)
    return page
  },
}

/** The same, but what is looked at is the very next page: does it show what was typed? */
export async function nextPageShows(browser, address, times) {
  let shown = 0
  for (let i = 0; i < times; i += 1) {
    const context = await browser.newContext({ serviceWorkers: 'block' })
    const page = await context.newPage()
    await openBench(page, address)
    await field(page).focus()
    for (const letter of 'rlrlrlrl') await page.keyboard.press(letter)
    if (i % 2 === 0) {
      await page.getByRole('link', { name: 'Library', exact: true }).click()
      const row = page.getByRole('listitem').filter({ hasText: 'Parade' })
      await row.waitFor()
      if (/8 of 6 slots/.test((await row.textContent()) ?? '')) shown += 1
    } else {
      await page.getByRole('link', { name: 'Practise' }).click()
      await page.getByText(/^step 1 of/).waitFor()
      await page.getByRole('link', { name: 'Parade', exact: true }).click()
      if ((await field(page).inputValue()).length === 8) shown += 1
    }
    await context.close()
  }
  return shown
}
