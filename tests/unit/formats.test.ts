import { readFileSync, writeFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { recogniseFile } from '~/codecs/any-file'
import { formatBackup } from '~/codecs/backup'
import { formatLickText } from '~/codecs/lick-text'
import { formatLink, parseLink } from '~/codecs/link'
import { formatMidi } from '~/codecs/midi'
import { formatMusicXml } from '~/codecs/musicxml'
import { findVoicedLick, formatVoicing } from '~/codecs/voicing'
import { partToLick } from '~/core/drum-parts'
import { aimOf, type Lick, landingStrokes, lickSlots, lineEvents } from '~/core/line'
import { lickOf } from '../support/licks'

/** A lick as it is stored: its text, and the rules of its voicing. */
interface Stored {
  readonly text: string
  readonly voicing: string
}

const encode = (text: string) => new TextEncoder().encode(text)
const lickIn = (stored: Stored): Lick => findVoicedLick(stored) ?? lickOf(stored.text)

/** What comes back of a stored lick when only the notes of a file are read. */
function fromNotes(bytes: Uint8Array): Lick {
  const read = recogniseFile(bytes)
  if (!read.ok || read.value.kind !== 'part') throw new Error('no part')
  const { own: _own, ...part } = read.value.part
  return partToLick(part).lick
}

/** Each format out and in again. MusicXML and MIDI carry the lick text too: here their notes alone are read. */
const FORMATS: readonly (readonly [string, (stored: Stored) => { lick: Lick; voicing: string }])[] =
  [
    ['Lick text', ({ text }) => ({ lick: lickOf(formatLickText(lickOf(text))), voicing: '' })],
    [
      'Link',
      (stored) => {
        const read = parseLink(`#${formatLink(stored)}`)
        if (!read.ok) throw new Error(read.error)
        return { lick: lickIn(read.value), voicing: read.value.voicing }
      },
    ],
    [
      'Backup',
      (stored) => {
        const read = recogniseFile(formatBackup(new Map([['licks', [stored]]]), 1))
        if (!read.ok || read.value.kind !== 'backup') throw new Error('no backup')
        const [row] = read.value.backup.tables.get('licks') as Stored[]
        if (!row) throw new Error('no row')
        return { lick: lickIn(row), voicing: row.voicing }
      },
    ],
    [
      'Notes of MusicXML',
      (stored) => ({ lick: fromNotes(encode(formatMusicXml(lickIn(stored)))), voicing: '' }),
    ],
    ['Notes of MIDI', (stored) => ({ lick: fromNotes(formatMidi(lickIn(stored))), voicing: '' })],
  ]

const bare = (line: string, rows = '') =>
  `lead: 0\ngroove: none\nlanding: none\n${rows}line: ${line}`
const told = (of: (lick: Lick) => unknown) => (a: Lick, b: Lick) =>
  JSON.stringify(of(a)) === JSON.stringify(of(b))
const events = (of: (event: ReturnType<typeof lineEvents>[number]) => unknown) =>
  told((lick) => lineEvents(lick).map((event) => [event.tick, of(event)]))

/** What a lick has, with a lick that has it, and how it is told whether it is still there. */
const FEATURES: readonly {
  readonly name: string
  readonly text: string
  readonly voicing?: string
  readonly same: (a: Lick, b: Lick, voicings: readonly [string, string]) => boolean
}[] = [
  { name: 'Title', text: `title: Net drop\n${bare('RLRL')}`, same: told(({ title }) => title) },
  {
    name: 'Tempo and metre',
    text: bare('RLRL', 'meter: 7/8\ntempo: 160\n'),
    same: told(({ frame }) => [frame.tempo, frame.meter.count]),
  },
  {
    name: 'Onsets, to the tick',
    text: bare('RLRK {RLR}K-L @1/16t RLRLKK @1/16q RLLRK'),
    same: events(() => 0),
  },
  { name: 'Drums', text: bare('R:t1LR:f1K'), same: events(({ surface }) => surface) },
  { name: 'Sticking', text: bare('RRLL RLLR'), same: events(({ limb }) => limb) },
  {
    name: 'Ghosts, accents, strong accents',
    text: bare('r>RL^R'),
    same: events(({ dynamic }) => dynamic),
  },
  { name: 'Flams, drags, ruffs', text: bare('fR-dL- R-L-'), same: events(({ grace }) => grace) },
  {
    name: 'Both hands, hand and foot together',
    text: bare('(R:t1L)(RK)L-'),
    same: told((lick) =>
      lineEvents(lick)
        .map(({ tick, surface }) => `${tick} ${surface}`)
        .sort(),
    ),
  },
  {
    name: 'Squeezes',
    text: bare('R{LLR}RL'),
    same: told(({ line }) => line.slots.map(({ kind }) => kind)),
  },
  {
    name: 'Start of the line',
    text: bare('RLRL', 'start: 3\n'),
    same: told((lick) => aimOf(lick).start),
  },
  { name: 'Groups', text: bare('RLRLK RLK'), same: told(({ line }) => line.groups) },
  {
    name: 'Landing',
    text: 'lead: 0\ngroove: none\nline: RLRL RLRL RLRL RLRK',
    same: told((lick) => landingStrokes(lick).map(({ surface }) => surface)),
  },
  {
    name: 'Choke',
    text: 'lead: 0\ngroove: none\nlanding: stop\nline: RLRL RLRL RLRL RLRK',
    same: told(({ frame }) => frame.landing.kind),
  },
  {
    name: 'Groove before it',
    text: 'line: RLRL RLRL RLRL RLRK',
    same: told(({ frame }) => [frame.lead, frame.groove]),
  },
  {
    name: 'Pick-up',
    text: `${bare('RLRL')}\npickup: RL`,
    same: told(({ pickup }) => pickup.slots.length),
  },
  {
    name: 'Layers for the feet',
    text: `${bare('RLRL')}\nunder: @1/4 H`,
    same: told(({ ostinatos }) => ostinatos.length),
  },
  { name: 'Swing', text: bare('RLRL', 'swing: 60\n'), same: told(({ frame }) => frame.swing) },
  {
    name: 'Swells',
    text: bare('RLRL', 'swell: 0..3 ghost>accent\n'),
    same: told(({ frame }) => frame.swells),
  },
  { name: 'Goal', text: bare('RLRL', 'goal: 140\n'), same: told(({ frame }) => frame.goal) },
  {
    name: 'Tags',
    text: `tags: odd\n${bare('RLRL')}`,
    same: told(({ tags }) => tags.filter((tag) => tag !== 'sticking proposed')),
  },
  {
    name: 'Voicing rules, notes at strokes',
    text: bare('RLRL'),
    voicing: formatVoicing({ rules: [], pins: [], notes: [{ slot: 1, text: 'light' }] }),
    same: (_a, _b, [out, back]) => out === back,
  },
]

/** The table of the docs: what of a lick each format carries. */
function table(): string {
  const rows = FEATURES.map(({ name, text, voicing = '', same }) => {
    const stored = { text, voicing }
    const before = lickIn(stored)
    const cells = FORMATS.map(([, outAndIn]) => {
      const { lick, voicing: after } = outAndIn(stored)
      return same(before, lick, [voicing, after]) ? 'yes' : 'no'
    })
    return `| ${[name, ...cells].join(' | ')} |`
  })
  const names = ['', ...FORMATS.map(([name]) => name)]
  return [`| ${names.join(' | ')} |`, `| ${names.map(() => '---').join(' | ')} |`, ...rows].join(
    '\n',
  )
}

/** The lines are lickSlots; without any, nothing would be told. */
describe('the table of formats', () => {
  it('is what comes back when a lick goes out and in again', () => {
    for (const { text } of FEATURES) expect(lickSlots(lickOf(text)).length).toBeGreaterThan(0)
    const docs = readFileSync('docs/formats.md', 'utf8')
    const [before, after] = ['<!-- table -->\n', '\n<!-- end of table -->']
    const from = docs.indexOf(before) + before.length
    const made = table()
    if (process.env.WRITE_DOCS)
      writeFileSync('docs/formats.md', docs.slice(0, from) + made + docs.slice(docs.indexOf(after)))
    else expect(docs.slice(from, docs.indexOf(after))).toBe(made)
  })
})
