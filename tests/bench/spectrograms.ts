import { chromium } from '@playwright/test'
import { Spectrum } from '~/core/onsets/spectrum'
import { renderStroke } from '~/core/sound'
import { SURFACE_NAMES } from '~/core/sticking'
import { CHROMIUM } from '../../scripts/ensure.mjs'

const RATE = 48_000
const SURFACES = ['sn', 'rs', 't1', 'f1', 'bd', 'hh', 'rd', 'c1'] as const
const FORCES = [
  [36, 'ghost'],
  [58, 'soft'],
  [80, 'tap'],
  [112, 'accent'],
  [124, 'strong'],
] as const
/** Of each the first half of a second, to 16 kHz, over 72 dB. */
const SECONDS = 0.5
const [WIDE, HIGH] = [132, 112]
const SIZE = 1024
const FLOOR = 72

/** How loud each pitch is at each moment: rows from high to low, each 0 to 1, pitches in octaves from 50 Hz. */
function spectrogram(samples: Float32Array): number[] {
  const spectrum = new Spectrum(SIZE)
  const powers = new Float64Array(SIZE / 2 + 1)
  const cells: number[] = new Array(WIDE * HIGH).fill(0)
  for (let x = 0; x < WIDE; x += 1) {
    const from = Math.round((x / WIDE) * SECONDS * RATE) - SIZE / 2
    const shown = Float32Array.from(
      { length: SIZE },
      (_, i) => (samples[from + i] ?? 0) * Math.sin((Math.PI * i) / SIZE) ** 2,
    )
    spectrum.powersOf(shown, powers)
    for (let y = 0; y < HIGH; y += 1) {
      const hertz = 50 * (16_000 / 50) ** (1 - y / HIGH)
      const power = powers[Math.round((hertz * SIZE) / RATE)] ?? 0
      const db = 10 * Math.log10(power / (SIZE / 4) ** 2 + 1e-12)
      cells[y * WIDE + x] = Math.max(0, 1 + db / FLOOR)
    }
  }
  return cells
}

const rows = SURFACES.map((surface) => ({
  name: SURFACE_NAMES[surface],
  cells: FORCES.map(([velocity]) =>
    spectrogram(renderStroke({ surface, velocity, take: 0, tool: 'sticks' }, RATE)),
  ),
}))
const browser = await chromium.launch({ executablePath: CHROMIUM })
const page = await browser.newPage({ viewport: { width: 794, height: 1123 } })
await page.setContent(`
  <style>
    body { margin: 0; padding: 28px 30px; font: 12px sans-serif; background: #fff; color: #1f1b16 }
    h1 { font-size: 17px; margin: 0 0 4px } p { margin: 0 0 10px; color: #555 }
    table { border-collapse: collapse } td, th { padding: 2px; font-weight: 400; text-align: left }
    canvas { display: block; width: 132px; height: 112px }
  </style>
  <h1>The kit, by model: eight surfaces at five forces</h1>
  <p>The first half second of a stroke, from 50 to 16,000 Hz in octaves, over ${FLOOR} dB, each as loud as it is rendered.</p>
  <table><thead><tr><th></th>${FORCES.map(([v, name]) => `<th>${name} (${v})</th>`).join('')}</tr></thead>
  <tbody>${rows.map(({ name }) => `<tr><td>${name}</td>${FORCES.map(() => `<td><canvas width=${WIDE} height=${HIGH}></canvas></td>`).join('')}</tr>`).join('')}</tbody></table>
`)
await page.evaluate(
  ({ all, wide, high }) => {
    const canvases = [...document.querySelectorAll('canvas')]
    for (const [i, cells] of all.entries()) {
      const context = canvases[i]?.getContext('2d')
      if (!context) continue
      const image = context.createImageData(wide, high)
      for (const [k, cell] of cells.entries()) {
        // From paper over amber to ink.
        const [r, g, b] = [252 - 225 * cell, 250 - 228 * cell ** 0.75, 244 - 222 * cell ** 0.5]
        image.data.set([r, g, b, 255], k * 4)
      }
      context.putImageData(image, 0, 0)
    }
  },
  { all: rows.flatMap(({ cells }) => cells), wide: WIDE, high: HIGH },
)
await page.screenshot({ path: 'docs/kit-sound.png' })
await browser.close()
