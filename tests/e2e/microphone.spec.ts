import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, chromium } from '@playwright/test'
import { formatWav } from '~/codecs/wav'
import { QUIET_FLAGS } from '../../scripts/serve.mjs'
import { type MadeStroke, RATE, recorded } from '../support/made-sound'
import { expectAccessible, practiseFour } from './bench-page'
import { expect, test } from './watched'

// One after the other: two ears at once on a busy machine lose sound.
test.describe.configure({ mode: 'default' })

/** Sixteenths at 80, the tempo of a new lick: so far apart, in seconds. */
const GAP = 0.1875
/** The last of every four strokes comes so late, in seconds. */
const LATE = 0.012
const SECONDS = 90

/** A simulated player at the kit for a minute and a half, in a room. */
function played(): Float32Array {
  const strokes = Array.from(
    { length: Math.floor(SECONDS / GAP) },
    (_, i): MadeStroke => ({
      seconds: 0.3 + i * GAP + (i % 4 === 3 ? LATE : 0),
      surface: 'sn',
      velocity: 88,
    }),
  )
  return recorded(strokes, { noiseDb: -55, echoDb: -14 }, 11)
}

/** A browser whose microphone gives a file, or none. */
async function browserHearing(path: string, executablePath: string): Promise<Browser> {
  return chromium.launch({
    executablePath,
    args: [
      ...QUIET_FLAGS,
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${path}%noloop`,
    ],
  })
}

test('a player at the microphone is heard: what is told is what was put in', async ({
  baseURL,
  launchOptions,
}) => {
  test.slow()
  const folder = mkdtempSync(join(tmpdir(), 'heard-'))
  const path = join(folder, 'player.wav')
  writeFileSync(path, formatWav([played()], RATE))
  const browser = await browserHearing(path, launchOptions.executablePath ?? '')
  try {
    const page = await browser.newPage({
      baseURL: baseURL ?? '',
      viewport: { width: 1280, height: 800 },
    })
    await practiseFour(page)
    const along = page.getByRole('region', { name: 'Play along' })
    await along.getByLabel('Hear me play along').check()
    await along.getByLabel('Who plays').selectOption('you: microphone at the kit')
    await expect(along.getByLabel(/^Level of the sound/)).toBeVisible()
    await page.keyboard.press('Space')
    // No limb is told; the spread of strokes of which one in four is 12 ms late is 6 ms.
    await expect(
      along.getByText(/^Last round: all 4 strokes; strokes .*, spread [567] ms/),
    ).toBeVisible({
      timeout: 45_000,
    })
    await expect(page.getByText(/Left hand|Right hand/)).toHaveCount(0)
    // The round is listened to, and kept with its session.
    await along.getByRole('button', { name: 'Listen back' }).click()
    const back = page.getByRole('dialog', { name: 'Listen back' })
    await back.getByRole('button', { name: 'Keep in the log' }).click()
    await expect(back.getByText('Kept: hear it from the log.')).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(back).toBeHidden()
    // The microphone is let go where it is not wanted any more.
    await along.getByLabel('Hear me play along').uncheck()
    await expect(along.getByLabel(/^Level of the sound/)).toHaveCount(0)
    await page.goto('/log')
    const sessions = page.getByRole('region', { name: 'Practice sessions' })
    await expect(sessions.getByText(/^a take of \d s, 0\.\d MB$/)).toBeVisible()
    await sessions.getByRole('button', { name: /^Hear the take: / }).click()
    await expect(sessions.getByRole('button', { name: /^Stop the take: / })).toBeVisible()
    await expect(sessions.getByRole('button', { name: /^Hear the take: / })).toBeVisible()
    await sessions.getByRole('button', { name: /^Delete the take: / }).click()
    await expect(sessions.getByText(/^a take of/)).toHaveCount(0)
    // A line is tapped in at it, from an empty lick: its tempo is found, and no hand is told.
    await page.goto('/')
    await page.getByRole('button', { name: 'New lick', exact: true }).click()
    await page.getByRole('link', { name: 'tap it in' }).click()
    const cells = page.getByRole('region', { name: 'Cells' })
    await cells.getByLabel('Beside a click').uncheck()
    await cells.getByLabel('At the microphone').check()
    await expect(cells.getByLabel(/^Level of the sound/)).toBeVisible()
    // A busy machine may lose sound: then it is said, and played again.
    await expect(async () => {
      const begin = cells.getByRole('button', { name: 'Start tapping' })
      if (await begin.isVisible()) await begin.click()
      await expect(cells.getByText(/^([89]|[1-9]\d) taps, at (79|80|81|160) bpm/)).toBeVisible({
        timeout: 4000,
      })
    }).toPass({ timeout: 80_000 })
    await cells.getByRole('button', { name: 'Use as the line' }).click()
    await expect(page.getByLabel('Sticking', { exact: true })).toHaveValue(/^X{4}/)
  } finally {
    await browser.close()
    rmSync(folder, { recursive: true })
  }
})

test('a simulated drummer’s sound is heard by the same ear, and has the habit that he was given', async ({
  page,
}) => {
  test.slow()
  await practiseFour(page)
  const along = page.getByRole('region', { name: 'Play along' })
  await along.getByLabel('Hear me play along').check()
  await along.getByLabel('Who plays').selectOption('simulated: even')
  await along.getByLabel('As sound, heard by the app’s ear').check()
  await expect(along.getByLabel(/^Level of the sound/)).toBeVisible()
  await page.keyboard.press('Space')
  await expect(
    along.getByText(/^Last round: all 4 strokes; strokes .*, spread \d+ ms/),
  ).toBeVisible({
    timeout: 45_000,
  })
  // Nothing is measured here: the sound comes when it was told to come.
  await expect(along.getByText(/A simulated player’s sound/)).toBeVisible()
  const said = page.getByRole('region', { name: 'What to do now' })
  // Whatever a busy machine does to the sound, an even player is told no habit.
  await expect(
    said.getByText(/^(No audible faults|Not enough yet|Not clean: .*No one habit)/),
  ).toBeVisible()
  // What was heard is listened to: the music stops for it, and each stroke is where it was.
  await along.getByRole('button', { name: 'Listen back' }).click()
  const back = page.getByRole('dialog', { name: 'Listen back' })
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeAttached()
  await expect(back.getByRole('img', { name: /^\d of 4 strokes heard$/ })).toBeVisible()
  await back.getByLabel('Speed').selectOption('0.5')
  await back.getByRole('button', { name: 'Play: The last round' }).click()
  await expect(back.getByRole('button', { name: 'Stop: The last round' })).toBeVisible()
  // At half the speed it lasts as long as that, and ends by itself.
  await expect(back.getByRole('button', { name: 'Play: The last round' })).toBeVisible({
    timeout: 20_000,
  })
  const download = page.waitForEvent('download')
  await back
    .getByRole('button', { name: /^Save as WAV \(\d\.\d MB\)$/ })
    .first()
    .click()
  expect((await download).suggestedFilename()).toBe('take.wav')
  await expectAccessible(page)
  if (process.env.PICTURE) await page.screenshot({ path: process.env.PICTURE })
  await page.keyboard.press('Escape')
  await expect(back).toBeHidden()
})

test('a microphone that is refused is told, with what to do instead', async ({ page, context }) => {
  await context.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () =>
      Promise.reject(new DOMException('no', 'NotAllowedError'))
  })
  await page.goto('/practice/demo-tightrope?panel=ear')
  const along = page.getByRole('region', { name: 'Play along' })
  await along.getByLabel('Hear me play along').check()
  await along.getByLabel('Who plays').selectOption('you: microphone at the kit')
  await expect(along.getByText(/^The microphone was refused\. Allow it/)).toBeVisible()
  await along.getByLabel('Who plays').selectOption('you: keys, fingers, pads')
  await expect(along.getByText(/^The microphone was refused/)).toHaveCount(0)
})
