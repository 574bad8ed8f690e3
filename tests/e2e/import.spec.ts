import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { formatMidi } from '~/codecs/midi'
import { formatMusicXml } from '~/codecs/musicxml'
import { lickOf } from '../support/licks'
import { expect, test } from './watched'

const file = (name: string, content: Uint8Array | string) => ({
  name,
  mimeType: 'application/octet-stream',
  buffer: Buffer.from(content),
})
const parts = (page: Page) => page.getByRole('region', { name: 'Drum parts from other programs' })

test('a score and a MIDI file become licks: told apart by content, drums said, the grid chosen', async ({
  page,
}) => {
  const score = formatMusicXml(
    lickOf('title: Net drop\nlead: 0\ngroove: none\nline: RLRK LRLK RLLR LRRK'),
  )
    .replaceAll('Snare', 'Biscuit tin')
    .replaceAll('snare', 'biscuit tin')
    .replace(/<midi-unpitched>39</g, '<midi-unpitched>120<')
    // No drum stands so high.
    .replaceAll('<display-octave>5<', '<display-octave>8<')
    .replace(/<miscellaneous>.*<\/miscellaneous>/s, '')
  const midi = formatMidi(lickOf('title: Rope swing\nlead: 0\nline: RLRL RLRK'), { bare: true })
  await page.goto('/')
  await page
    .getByLabel('Files to import')
    .setInputFiles([file('a.png', score), file('b.txt', midi), file('c.mid', 'no music <')])
  await expect(parts(page).getByRole('heading', { name: 'Net drop' })).toBeVisible()
  await expect(parts(page).getByRole('heading', { name: 'Rope swing' })).toBeVisible()
  await expect(page.getByText(/^c\.mid: /)).toBeVisible()
  await expect(parts(page).getByText('hands proposed')).toBeVisible()
  await expect(parts(page).getByText('1 instrument not known')).toBeVisible()
  await expect(parts(page).getByText('biscuit tin: 13 strokes.')).toBeVisible()
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
  await parts(page).getByLabel('biscuit tin is').selectOption('snare')
  await expect(parts(page).getByText('RLRK LRLK RLLR LRRK')).toBeVisible()
  await parts(page).getByLabel('Grid of Rope swing').selectOption('thirty-seconds')
  await expect(parts(page).getByText(/strokes · thirty-seconds/)).toBeVisible()
  await page.getByRole('button', { name: 'Import', exact: true }).click()
  await expect(page.getByText('Done: 2 added.')).toBeVisible()
  await page.goto('/')
  await page.getByRole('link', { name: 'Net drop', exact: true }).click()
  await expect(page.getByLabel('Sticking', { exact: true })).toHaveValue('RLRK LRLK RLLR LRRK')
})

test('five hundred files come in at once while the page answers, and can be given up', async ({
  page,
}) => {
  const files = Array.from({ length: 500 }, (_, i) =>
    file(`${i}.mid`, formatMidi(lickOf(`title: Drop ${i}\nline: RLRK LRL${i % 2 ? 'K' : 'R'}`))),
  )
  await page.goto('/backup')
  await page.getByLabel('Files to read').setInputFiles(files)
  // The page goes on drawing while they are read.
  const frames = await page.evaluate(
    () =>
      new Promise<number>((done) => {
        let count = 0
        const until = performance.now() + 500
        const next = () => {
          count += 1
          if (performance.now() < until) requestAnimationFrame(next)
          else done(count)
        }
        requestAnimationFrame(next)
      }),
  )
  expect(frames).toBeGreaterThan(5)
  await expect(parts(page).getByText('500 drum parts from other programs')).toBeVisible()
  await expect(parts(page).getByText('and 450 more')).toBeVisible()
  await page.getByRole('button', { name: 'Import', exact: true }).click()
  await expect(page.getByText('Done: 500 added.')).toBeVisible()
  // Once more, and given up on the way: nothing is asked, nothing is written.
  await page.getByLabel('Files to read').setInputFiles(files)
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByText('Cancelled. Nothing was written.')).toBeVisible()
})

test('a score that is pasted on the library is looked at, a word in a field is not', async ({
  page,
}) => {
  const xml = formatMusicXml(lickOf('title: Pasted\nline: RLRK'))
  await page.goto('/')
  await expect(page.getByRole('listitem')).toHaveCount(12)
  const paste = (selector: string, text: string) =>
    page.evaluate(
      ([where, content]) => {
        const data = new DataTransfer()
        data.setData('text/plain', content as string)
        const event = new ClipboardEvent('paste', { clipboardData: data, bubbles: true })
        document.querySelector(where as string)?.dispatchEvent(event)
      },
      [selector, text],
    )
  await paste('input[type=search]', xml)
  await expect(page).toHaveURL(/\/$/)
  await paste('body', xml)
  await expect(parts(page).getByRole('heading', { name: 'Pasted' })).toBeVisible()
  await expect(parts(page).getByText('the lick that the file was made from')).toBeVisible()
})
