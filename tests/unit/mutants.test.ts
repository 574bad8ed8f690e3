import vm from 'node:vm'
import { describe, expect, it } from 'vitest'
import { recogniseFile } from '~/codecs/any-file'
import { formatBackup } from '~/codecs/backup'
import { formatBundle } from '~/codecs/bundle'
import { formatKit } from '~/codecs/kit'
import { parseLickText } from '~/codecs/lick-text'
import { formatLink, formatSetLink, formatSoloLink, parseAnyLink, parseLink } from '~/codecs/link'
import { formatMidi } from '~/codecs/midi'
import { formatMusicXml, formatMxl } from '~/codecs/musicxml'
import { formatSolo } from '~/codecs/solo'
import { formatVoicing, parseVoicing } from '~/codecs/voicing'
import { type RandomStream, toRandomStream } from '~/core/foundation'
import { DEFAULT_KIT } from '~/core/kit'
import { DEMO_LICKS } from '~/demo/licks'
import { rowsOfFile } from '~/storage/backup'
import { KEPT_TABLES, readKept } from '~/storage/tables'
import { lickOf } from '../support/licks'
import { parts, soloOf } from '../support/solos'

/** So many mutants of each format (`MUTANTS=10000` for a long run). */
const MUTANTS = Number(process.env.MUTANTS ?? 600)
/** A reader that has not ended by then hangs, and is given up on: a slow machine takes a hundredth of it. */
const HANGS_MS = 20_000
/** The same for one that is made to hang. */
const SOON_MS = 200

/** What breaks readers: signs of the formats, repeats, blanks, and characters that are not seen. */
const SPLICES = [
  '*4096',
  '[',
  ']*64',
  '{RLRLRLRL}',
  ' '.repeat(3000),
  ' #'.repeat(500),
  '\u2028',
  '\u202E',
  '\0',
  '"',
  '}',
  ',',
  '\\u',
  '-1e999',
  'null',
  '[['.repeat(300),
  'under: R\n',
  '__proto__',
  '1/16t',
  '99999999999999999999',
  '<a>'.repeat(200),
  '&a;&#x0;&#99999999;',
  '<!DOCTYPE x [<!ENTITY a "b">]>',
  '<!--',
  ']]>',
].map((text) => new TextEncoder().encode(text))

/** A copy of some bytes with one to four things done to it. */
function mutant(bytes: Uint8Array, random: RandomStream): Uint8Array {
  let made = [...bytes]
  const below = (most: number) => Math.floor(random() * most)
  for (let changes = 1 + below(4); changes > 0; changes -= 1) {
    const at = below(made.length + 1)
    const length = below(40)
    switch (below(5)) {
      case 0:
        if (made.length > 0) made[Math.min(at, made.length - 1)] = below(256)
        break
      case 1:
        made.splice(at, length)
        break
      case 2:
        made = [...made.slice(0, at), ...made.slice(at, at + length), ...made.slice(at)]
        break
      case 3:
        made.splice(at, 0, ...(SPLICES[below(SPLICES.length)] ?? []))
        break
      default:
        made = made.slice(0, at)
    }
  }
  return Uint8Array.from(made)
}

/** Calls something, and stops it when it takes too long. */
const stage = globalThis as { attacked?: () => void }
const attack = new vm.Script('attacked()')
function within(work: () => void, timeout = HANGS_MS): void {
  stage.attacked = work
  attack.runInThisContext({ timeout })
}

const encode = (text: string) => new TextEncoder().encode(text)
const decode = (bytes: Uint8Array) => new TextDecoder().decode(bytes)
const texts = DEMO_LICKS.map(({ text }) => text)
const voicings = DEMO_LICKS.map(({ rules = [] }) => formatVoicing({ rules, pins: [] })).filter(
  (json) => json !== '',
)
const bundle = formatBundle(texts.slice(0, 3).map((text, i) => ({ id: `l${i}`, text })))
const rows = texts.slice(0, 3).map((text, i) => ({
  ...{ id: `l${i}`, version: 2, text, draft: null, voicing: '', revision: 0 },
  ...{ createdAt: 1, updatedAt: 1, deletedAt: null },
}))
const zip = formatBackup(new Map([['licks', rows]]), 1)

/** Licks whose files are small, so that ten thousand of them are read in a while. */
const short = [
  'lead: 0\ngroove: none\nline: >RlfL(RK)-',
  'lead: 0\ngroove: none\ngrid: 1/8t\nline: R{ll}K dRLK',
]

const solo = soloOf([parts.groove(2), parts.lick(lickOf(short[0] ?? ''), 2), parts.others(2)])
const links = [
  formatSoloLink(solo),
  formatSetLink({
    name: 'Doors',
    plan: null,
    minutes: 4,
    licks: short.map((text) => ({ text, voicing: '' })),
  }),
]

/** Reads a file as an import does, up to the store. */
function readFile(bytes: Uint8Array): void {
  const file = recogniseFile(bytes)
  if (!file.ok) return
  for (const { table, row } of rowsOfFile(file.value, 1)) {
    const known = KEPT_TABLES.find((one) => one === table)
    if (known) readKept(known, row)
  }
}

const FORMATS: readonly (readonly [string, readonly Uint8Array[], (bytes: Uint8Array) => void])[] =
  [
    ['lick texts', texts.map(encode), (bytes) => void parseLickText(decode(bytes))],
    ['voicings', voicings.map(encode), (bytes) => void parseVoicing(decode(bytes))],
    ['collections of licks', [encode(bundle)], readFile],
    ['solos', [encode(formatSolo(solo))], readFile],
    ['links of solos and sets', links.map(encode), (bytes) => void parseAnyLink(decode(bytes))],
    ['kits', [encode(formatKit(DEFAULT_KIT))], readFile],
    ['backups', [zip], readFile],
    [
      'links',
      short.map((text) => encode(formatLink({ text, voicing: '' }))),
      (bytes) => void parseLink(decode(bytes)),
    ],
    ['MusicXML files', short.map((text) => encode(formatMusicXml(lickOf(text)))), readFile],
    [
      'compressed MusicXML files',
      short.map((text) => formatMxl(formatMusicXml(lickOf(text)))),
      readFile,
    ],
    ['MIDI files', short.map((text) => formatMidi(lickOf(text))), readFile],
  ]

describe('hostile files', () => {
  it.each(FORMATS)(
    `${MUTANTS} mutants of %s are read or refused, and none hangs`,
    (_name, seeds, work) => {
      const random = toRandomStream(13)
      for (let i = 0; i < MUTANTS; i += 1) {
        const bytes = mutant(seeds[i % seeds.length] as Uint8Array, random)
        try {
          within(() => work(bytes))
        } catch (error) {
          expect.fail(`mutant ${i}: ${String(error)}: ${decode(bytes).slice(0, 300)}`)
        }
      }
    },
    120_000,
  )

  it('are stopped by the limit where one takes too long', () => {
    expect(() => within(() => void /^(a+)+$/.test(`${'a'.repeat(40)}b`), SOON_MS)).toThrow(
      /timed out/,
    )
  })
})
