// Writes the samples of the docs from the licks of the demo: `npm run samples`.
import { mkdirSync, writeFileSync } from 'node:fs'
import { formatLickText, parseLickText } from '../app/codecs/lick-text'
import { formatMidi } from '../app/codecs/midi'
import { formatMusicXml, formatMxl } from '../app/codecs/musicxml'
import { findVoicedLick, formatVoicing } from '../app/codecs/voicing'
import { buildUp } from '../app/core/practice'
import { DEMO_LICKS } from '../app/demo/licks'
import { PART_WORDS } from '../app/words/practice-words'
import type { SheetEntry } from '../app/words/sheet-words'
import { pdfOf, svgSheet } from './lick-sheet'

const OUT = 'docs/samples'

function lickCalled(title: string) {
  const found = DEMO_LICKS.find(({ text }) => {
    const read = parseLickText(text)
    return read.ok && read.value.lick.title === title
  })
  const voicing = formatVoicing({ rules: found?.rules ?? [], pins: [] })
  const lick = found && findVoicedLick({ text: found.text, voicing })
  if (!lick) throw new Error(`${title}: not among the licks of the demo`)
  return lick
}

const tightrope = lickCalled('Tightrope')
const parts = buildUp(tightrope).filter(({ kind }) => kind !== 'bar')
const entries: SheetEntry[] = [
  {
    lick: tightrope,
    rows: parts.map(({ kind, lick }, i) => ({ label: `${i + 1}. ${PART_WORDS[kind]}`, lick })),
  },
  ...['Teeterboard', 'Clown Walk', 'Knife Wheel'].map((title) => ({
    lick: lickCalled(title),
    rows: [],
  })),
]

mkdirSync(OUT, { recursive: true })
const head = {
  title: 'Lantern Circus, act one',
  notes: ['Two minutes each. Stop where it gets tense.'],
}
writeFileSync(`${OUT}/act-one.pdf`, pdfOf(entries, head))
const xml = formatMusicXml(tightrope)
writeFileSync(`${OUT}/tightrope.musicxml`, xml)
writeFileSync(`${OUT}/tightrope.mxl`, formatMxl(xml))
writeFileSync(`${OUT}/tightrope.mid`, formatMidi(tightrope))
writeFileSync(`${OUT}/tightrope.svg`, svgSheet(tightrope, {}))
console.log(`${OUT}: ${formatLickText(tightrope).split('\n')[1]} and ${entries.length - 1} more`)
