import { readFileSync } from 'node:fs'
import { partText, recogniseFile } from '~/codecs/any-file'
import { formatLickText, parseLickText } from '~/codecs/lick-text'
import { formatLink } from '~/codecs/link'
import { formatMidi } from '~/codecs/midi'
import { formatMusicXml, formatMxl } from '~/codecs/musicxml'
import { formatPdf, type PdfFont } from '~/codecs/pdf'
import { formatSvgPage } from '~/codecs/svg'
import { formatWav } from '~/codecs/wav'
import type { Lick } from '~/core/line'
import { DEFAULT_CHOICES, layOut, lookOf } from '~/core/sheet'
import {
  loopSeconds,
  renderClick,
  renderLoops,
  renderStroke,
  type Samples,
  sampleKey,
} from '~/core/sound'
import { sheetOf } from '~/words/sheet-words'

/** What each file of a lick costs, in milliseconds, and how that grows with its bars. */
const ROUNDS = 5
const BARS = [1, 16, 64]
const BAR = 'RLRLRRLL RLKKRLRR LRLRLLRR LRKKLRLL '

function lickOf(bars: number): Lick {
  const read = parseLickText(
    `title: ${bars} bars\ntempo: 72\ngrid: 1/32\nline: ${BAR.repeat(bars)}`,
  )
  if (!read.ok) throw new Error('no lick')
  return read.value.lick
}

const fonts: PdfFont[] = (['text', 'text-ext', 'mono'] as const).flatMap((face) =>
  ([400, 600] as const).map((weight) => ({
    face,
    weight,
    bytes: new Uint8Array(readFileSync(`app/fonts/${face}-${weight}.ttf`)),
  })),
)
const pagesOf = (lick: Lick) =>
  layOut(sheetOf([{ lick, rows: [] }], DEFAULT_CHOICES), lookOf(DEFAULT_CHOICES))
const bytes = (text: string) => new TextEncoder().encode(text)

function read(file: Uint8Array): number {
  const found = recogniseFile(file)
  if (!found.ok || found.value.kind !== 'part') throw new Error('no part')
  const { own: _own, ...part } = found.value.part
  return partText(part).text.length
}

/** Each piece of work, and how large what it makes is. */
const WORK: readonly (readonly [name: string, work: (lick: Lick) => number])[] = [
  ['lick text', (lick) => formatLickText(lick).length],
  ['link', (lick) => formatLink({ text: formatLickText(lick), voicing: '' }).length],
  ['MIDI out', (lick) => formatMidi(lick).length],
  ['MusicXML out', (lick) => formatMusicXml(lick).length],
  ['MXL out', (lick) => formatMxl(formatMusicXml(lick)).length],
  ['sheet laid out', (lick) => pagesOf(lick).length],
  ['SVG of its first page', (lick) => formatSvgPage(pagesOf(lick)[0] as never, 'x').length],
  ['PDF', (lick) => formatPdf(pagesOf(lick), { title: 'x', fonts }).bytes.length],
]

console.log('Files of a lick of thirty-seconds, milliseconds (median of 5) and size:')
for (const [name, work] of WORK)
  print(
    name,
    BARS.map((bars) => [lickOf(bars), work] as const),
  )
const READS = [
  ['MIDI in, notes alone', (lick: Lick) => formatMidi(lick, { bare: true })],
  ['MusicXML in, notes alone', (lick: Lick) => bytes(formatMusicXml(lick))],
] as const
for (const [name, make] of READS) {
  const files = BARS.map((bars) => make(lickOf(bars)))
  print(
    name,
    files.map((file) => [file, read] as const),
  )
}

function print<T>(
  name: string,
  jobs: readonly (readonly [given: T, work: (given: T) => number])[],
) {
  const cells = jobs.map(([given, work]) => {
    const size = work(given)
    const times = Array.from({ length: ROUNDS }, () => {
      const begun = performance.now()
      work(given)
      return performance.now() - begun
    }).sort((a, b) => a - b)
    return { size, ms: times[Math.floor(ROUNDS / 2)] as number }
  })
  const [one, , many] = cells
  const growth = ((many?.ms ?? 0) / (one?.ms ?? 1) / (BARS.at(-1) as number)).toFixed(2)
  const shown = cells.map(({ ms, size }, i) => `${BARS[i]} bars ${ms.toFixed(1)} ms (${size})`)
  console.log(`  ${name}: ${shown.join(', ')}; a bar of 64 takes ${growth} of one alone`)
}

const made = new Map<string, Float32Array>()
const stroke: Samples['stroke'] = (sample) => {
  const known = made.get(sampleKey(sample)) ?? renderStroke({ ...sample, tool: 'sticks' }, 44_100)
  made.set(sampleKey(sample), known)
  return known
}
const samples: Samples = { stroke, click: (weight) => renderClick('tone', weight, 44_100) }
for (const bars of BARS) {
  const stretches = [{ lick: lickOf(bars), tempo: 72, rounds: bars === 64 ? 1 : 8 }]
  const options = { click: true, parts: 'all' } as const
  renderLoops([{ ...stretches[0], rounds: 1 } as never], options, 44_100, samples)
  const begun = performance.now()
  const wav = formatWav(Object.values(renderLoops(stretches, options, 44_100, samples)), 44_100)
  const took = (performance.now() - begun) / 1000
  const seconds = loopSeconds(stretches)
  console.log(
    `  WAV of ${bars} bars: ${seconds.toFixed(0)} s of sound in ${took.toFixed(2)} s, ${(seconds / took).toFixed(0)} times as fast as it sounds (${(wav.length / 1e6).toFixed(1)} MB)`,
  )
}
