import type { Page } from '@playwright/test'
import { expectAccessible } from './bench-page'
import { expect, test } from './watched'

const strokes = (page: Page) => page.getByRole('list', { name: 'Strokes' }).getByRole('listitem')

/** A MIDI device that strikes when the page's test says so, with stamps of its own. */
async function plugIn(page: Page) {
  await page.addInitScript(() => {
    const input = new EventTarget()
    const access = Object.assign(new EventTarget(), { inputs: new Map([['pads', input]]) })
    class Message extends Event {
      constructor(
        readonly data: Uint8Array,
        private readonly at: number,
      ) {
        super('midimessage')
      }
      override get timeStamp() {
        return this.at
      }
    }
    Object.assign(window, {
      MIDIMessageEvent: Message,
      strikePad: (note: number, velocity: number, at: number) =>
        input.dispatchEvent(new Message(Uint8Array.of(0x90, note, velocity), at)),
    })
    Object.defineProperty(navigator, 'requestMIDIAccess', { value: async () => access })
  })
}
const strikePad = (page: Page, note: number, velocity: number, at: number) =>
  page.evaluate(
    ([n, v, t]) =>
      (window as unknown as { strikePad: (...of: number[]) => void }).strikePad(
        n as number,
        v as number,
        t as number,
      ),
    [note, velocity, at],
  )

test('every source is tried on one page: keys, pads with their velocities and stamps', async ({
  page,
}) => {
  await plugIn(page)
  await page.goto('/play-in')
  await expect(page.getByText(/^No stroke yet/)).toBeVisible()
  await page.keyboard.press('j')
  await expect(strokes(page).first()).toContainText('right hand')
  await strikePad(page, 38, 91, 5000)
  await expect(strokes(page).first()).toContainText('a hand')
  await expect(strokes(page).first()).toContainText('note 38, velocity 91')
  await strikePad(page, 36, 64, 5150.4)
  await expect(strokes(page).first()).toContainText('kick')
  await expect(strokes(page).first()).toContainText('150 ms later')
  // A pad is learnt for a limb, and its stroke then is none.
  await page.getByRole('button', { name: 'Learn left hand' }).click()
  await strikePad(page, 38, 80, 6000)
  await expect(page.getByRole('button', { name: 'Note 38: left hand. Forget' })).toBeVisible()
  await strikePad(page, 38, 80, 6100)
  await expect(strokes(page).first()).toContainText('left hand')
  await page.reload()
  await expect(page.getByRole('button', { name: 'Note 38: left hand. Forget' })).toBeVisible()
  await page.getByRole('button', { name: 'Pad 49', exact: true }).click()
  await expect(strokes(page).first()).toContainText('note 49, velocity 100')
})

test('a stroke in the moment that the page shows is heard', async ({ page }) => {
  // A test's own hand is too slow for this on an idle machine: a key goes down as soon as the words stand.
  await page.addInitScript(() => {
    const strike = () => {
      if (!document.body?.textContent?.includes('No stroke yet')) return
      watch.disconnect()
      window.dispatchEvent(new KeyboardEvent('keydown', { code: 'KeyJ', key: 'j' }))
    }
    const watch = new MutationObserver(strike)
    watch.observe(document, { childList: true, subtree: true })
  })
  await page.goto('/play-in')
  await expect(strokes(page).first()).toContainText('right hand')
})

test('a delay is measured by striking with the click, kept, and forgotten', async ({ page }) => {
  await page.goto('/play-in')
  await page.getByRole('button', { name: 'Strike with the click' }).click()
  // A delay of nought is none: the presses go on until there is one.
  const take = page.getByRole('button', { name: /^Keys and fingers: -?[1-9]\d* ms late/ })
  await expect(async () => {
    await page.keyboard.press('j')
    await expect(take).toBeVisible({ timeout: 400 })
  }).toPass({ timeout: 40_000 })
  const measured = Number(/(-?\d+) ms/.exec((await take.textContent()) ?? '')?.[1])
  await take.click()
  await page.getByRole('button', { name: 'Stop the click' }).click()
  const delays = page.getByRole('listitem').filter({ hasText: 'Keys and fingers' })
  await page.reload()
  await expect(delays).toContainText(`${measured} ms`)
  await delays.getByRole('button', { name: 'Forget' }).click()
  await expect(delays).toContainText('not measured')
  await expectAccessible(page)
})
