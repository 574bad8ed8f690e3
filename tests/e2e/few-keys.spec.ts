import type { Page } from '@playwright/test'
import { frame, openPanel, part, sticking } from './bench-page'
import { expect, test } from './watched'

/** What one lick may take, from the library to the lick as it is kept: name, line, voices and bar. */
const MOST = { keys: 40, clicks: 8 }

/** Works on a new lick as a person would, and counts: a letter is a key, a choice from a list two clicks. */
function worker(page: Page) {
  const count = { keys: 0, clicks: 0 }
  return {
    count,
    type: async (text: string) => {
      count.keys += text.length
      await page.keyboard.type(text, { delay: 10 })
    },
    /** Opens a part of the bar by its key; its field is there before anybody types in it. */
    openPart: async (key: string, label: string) => {
      count.keys += 1
      await page.keyboard.press(key)
      await expect(page.locator('[data-fields]').getByLabel(label, { exact: true })).toBeFocused()
    },
    keys: async (...pressed: string[]) => {
      for (const key of pressed) {
        count.keys += 1
        await page.keyboard.press(key)
      }
    },
    click: async (name: string | RegExp, role: 'button' | 'link' = 'button') => {
      count.clicks += 1
      await page.getByRole(role, { name, exact: true }).first().click()
    },
    /** Opens a part of the bar, where it is not, and chooses in it. */
    choose: async (label: string, value: string) => {
      const field = await frame(page, label)
      // One click opens the part, two choose from the list; Escape closes it and goes back to the line.
      count.clicks += 3
      count.keys += 1
      await field.selectOption(value)
      await page.keyboard.press('Escape')
    },
    /** Gives it its name. */
    name: async (title: string) => {
      count.clicks += 1
      count.keys += title.length + 1
      await page.getByLabel('Title').click()
      await page.keyboard.type(title, { delay: 10 })
      await page.keyboard.press('Enter')
    },
    /** A usual voicing, in its panel. */
    voice: async (name: RegExp) => {
      count.clicks += 2
      const panel = await openPanel(page, 'Voices')
      await panel.getByRole('button', { name }).click()
    },
  }
}
type Worker = ReturnType<typeof worker>

interface Made {
  readonly title: string
  readonly by: (work: Worker) => Promise<void>
  readonly line: RegExp
  readonly bar?: Readonly<Record<string, RegExp>>
}

const LICKS: readonly Made[] = [
  {
    title: 'Trapeze',
    by: async ({ type, choose }) => {
      await type('>R:t1llRl >R:f1lK >LK')
      await choose('Start', '2&')
    },
    line: /^>R:t1llRl >R:f1lK >LK$/,
    bar: { Start: /the & of 2/ },
  },
  {
    title: 'Sixes',
    by: async ({ type, choose, voice }) => {
      await choose('Grid', '1/16t')
      await type('RLLRLK*4')
      await voice(/^Accents on the toms/)
    },
    line: /^RLLRLK\*4$/,
    bar: { Grid: /sixteenth triplets/ },
  },
  {
    title: 'Rolls',
    by: async ({ type, choose }) => {
      await type('{RL}RLK*4')
      await choose('Landing', 'stop')
    },
    line: /^\{RL\}RLK\*4$/,
    bar: { Landing: /choked/ },
  },
  {
    title: 'Pick-up',
    by: async ({ type, keys, openPart }) => {
      await type('RLRK*4')
      await openPart('Alt+s', 'Start')
      await keys('Tab')
      await type('RL')
      await keys('Escape')
    },
    line: /^RLRK\*4$/,
    bar: { Start: /^1$/ },
  },
  {
    title: 'Own landing',
    by: async ({ type, choose }) => {
      await type('RLLK RLLK RLK RLK RK')
      await choose('Landing', 'strokes')
    },
    line: /RLK RLK RK$|RLK\*2 RK$/,
    bar: { Landing: /crash and kick/ },
  },
]

test('licks are written, voiced, placed and kept, each in a few keys', async ({ page }) => {
  test.slow()
  await page.goto('/')
  for (const { title, by, line, bar = {} } of LICKS)
    await test.step(title, async () => {
      const work = worker(page)
      await work.click('New lick')
      await expect(page.getByLabel('Title')).toHaveValue('New lick')
      await expect(sticking(page)).toBeFocused()
      await by(work)
      await work.name(title)
      await expect(page.getByLabel('Title')).toHaveValue(title)
      await expect(sticking(page)).toHaveValue(line)
      for (const [name, words] of Object.entries(bar))
        await expect(part(page, name)).toHaveText(words)
      await expect(page.getByText('Saved', { exact: true })).toBeVisible()
      console.log(`${title}: ${work.count.keys} keys, ${work.count.clicks} clicks`)
      expect(work.count.keys).toBeLessThanOrEqual(MOST.keys)
      expect(work.count.clicks).toBeLessThanOrEqual(MOST.clicks)
      await page.getByRole('link', { name: 'Library', exact: true }).click()
    })
})
