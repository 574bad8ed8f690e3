import { parseMidi } from 'midi-file'
import { openLick, openPanel, saved, staffNotes, sticking } from './bench-page'
import { expectNoFault } from './faults'
import { expect, test } from './watched'

test('a lick is saved for other programs, with its voices', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await openPanel(page, 'Files')
  const midi = await saved(page, 'Save as MIDI')
  expect(midi.name).toBe('Tightrope.mid')
  const { header, tracks } = parseMidi(midi.bytes)
  expect([header.format, header.ticksPerBeat, tracks.length]).toEqual([1, 10080, 3])
  const wav = await saved(page, 'Save as WAV')
  expect([wav.name, wav.bytes.subarray(0, 4).toString()]).toEqual(['Tightrope 72.wav', 'RIFF'])
  // A bar of count-in and eight rounds of two bars at 72, and two seconds to ring.
  expect(wav.bytes.length).toBe(44 + 4 * Math.ceil(((17 * 4 * 60) / 72 + 2) * 44_100))
  await page.getByLabel('Rounds').fill('1')
  await page.getByRole('button', { name: '72, 92, 105, 118 bpm' }).click()
  const opus = await saved(page, 'Save as Opus (small)')
  expect([opus.name, opus.bytes.subarray(0, 4).toString()]).toEqual(['Tightrope.ogg', 'OggS'])
  expect(opus.bytes.toString('latin1')).toContain('OpusHead')
  // Four rungs of a bar of count-in, groove and fill: 31 s, in far less than a tenth of the samples.
  expect(opus.bytes.length).toBeGreaterThan(60_000)
  expect(opus.bytes.length).toBeLessThan(1_000_000)
  const mxl = await saved(page, 'Save as MXL')
  expect([mxl.name, mxl.bytes.subarray(0, 2).toString()]).toEqual(['Tightrope.mxl', 'PK'])
  const xml = await saved(page, 'Save as MusicXML')
  expect(xml.name).toBe('Tightrope.musicxml')
  expect(xml.bytes.toString('utf8')).toContain('<work-title>Tightrope</work-title>')
})

test('a link carries the lick: it is looked at, heard, and saved', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openLick(page, 'Knife Wheel')
  await openPanel(page, 'Files')
  await page.getByRole('button', { name: 'Copy a link' }).click()
  await expect(page.getByText('The link is copied.')).toBeVisible()
  const link = await page.evaluate(() => navigator.clipboard.readText())
  await page.goto(link)
  await expect(page.getByRole('heading', { name: 'Knife Wheel', level: 1 })).toBeVisible()
  await expect(staffNotes(page).first()).toBeVisible()
  await expectNoFault(page)
  await page.getByRole('button', { name: 'Hear it' }).click()
  await expect(page.getByRole('button', { name: /^Stop/ })).toBeVisible()
  await page.getByRole('button', { name: 'Save to my library' }).click()
  await expect(page.getByLabel('Title')).toHaveValue('Knife Wheel')
  await expect(sticking(page)).toHaveValue(/^\[RLRRLLK RLLRK\]\*2/)
})

test('a link that is cut off is told in words, and nothing is saved', async ({ page }) => {
  await page.goto('/link#1.eNoryc')
  await expect(
    page.getByText('The link is incomplete: copy it again, to its last letter.'),
  ).toBeVisible()
  await page.getByRole('link', { name: 'Go to your library' }).click()
  await expect(page.getByRole('listitem')).toHaveCount(12)
})
